"""Gauges at data ports, for whoever reads them: the bench, and a wrench at the work.

- `gauges`     the gauges of this application
- `gauge_of`   the gauge of one of the shop's own instruments
"""

from __future__ import annotations

from flask import current_app

from liftbite.api.common import session_of
from liftbite.core.errors import UnreadableEntry
from liftbite.gauges.gauge import Gauge, Gauges
from liftbite.store import instruments


def gauges() -> Gauges:
    """The gauges of this application."""
    found: Gauges = current_app.extensions["liftbite.gauges"]
    return found


def gauge_of(key: str) -> Gauge:
    """The gauge at the data port of one of the shop's own instruments."""
    number = int(key) if key.isascii() and key.isdigit() and len(key) < 16 else 0
    with session_of() as session:
        held = instruments.instrument_of(session, number)
    if not held.port:
        raise UnreadableEntry(f"{held.name} has no data port.")
    return gauges().at(held.port)
