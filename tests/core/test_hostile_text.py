"""No text stops the program: what reads text takes twice as long for twice as much, whatever it says."""

from __future__ import annotations

import contextlib
import gc
import time
from collections.abc import Callable
from datetime import UTC, datetime

import pytest

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.dyno_file import read_curve
from liftbite.core.job.dyno_mapping import propose
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.keyed import read_distance, read_keyed
from liftbite.core.measure.sweep import read_angle
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import find_unit, parse_number, read, read_many, spread_of
from liftbite.core.units.show import typeset
from liftbite.files.readings import read_readings
from liftbite.files.shelf_csv import read_shelf
from liftbite.gauges.protocol import check_port, parse_message

NOW = datetime(2026, 5, 4, tzinfo=UTC)
READERS: dict[str, Callable[[str], object]] = {
    "a figure": parse_number,
    "a figure and its unit": lambda t: read.__wrapped__(t, "m", "mm"),
    "figures": lambda t: read_many(t, "m", "mm"),
    "a tolerance": lambda t: spread_of(t, "m", "mm"),
    "a unit": lambda t: find_unit(t, KINDS["m"]),
    "a figure shown": typeset,
    "a reading": lambda t: read_keyed(CHECKS["plate_thickness"], t, "mm"),
    "an angle": read_angle,
    "a distance": read_distance,
    "a run": propose,
    "a run, mapped": lambda t: read_curve(t, propose("rpm,Nm\n1000,200\n2000,210\n").mapping),
    "a heading": lambda t: propose(f"{t[:4000]},Nm\n1000,200\n2000,210\n"),
    "readings": lambda t: read_readings(t, NOW),
    "a shelf": read_shelf,
    "a gauge's line": lambda t: parse_message(t.encode()),
    "an address": check_port,
}
SEEDS = [
    "1",
    " ",
    "1 ",
    "1/",
    "1,",
    "1.",
    "[",
    "[(",
    "±",
    " ±",
    "+-",
    "1e",
    "a",
    "rpm ",
    "rpm,",
    "1;",
    '"',
    "\n",
    "1,1\n",
    "1 1,",
    "-",
    "#",
    "//",
    "sep=",
    "\u00a0",
    "1\u202f",
    "=",
    "socket://",
    "\t",
    "rw",
    "#\n",
]


def seconds(call: Callable[[str], object], text: str) -> float:
    """Processor time of a call, without what the collector takes to look through all that the other tests have left."""
    best = float("inf")
    gc.disable()
    for _ in range(3):
        begun = time.process_time()
        with contextlib.suppress(UnreadableEntry, UnreadableFile):
            call(text)
        best = min(best, time.process_time() - begun)
    gc.enable()
    return best


@pytest.mark.parametrize("reader", READERS)
def test_twice_the_text_takes_about_twice_as_long(reader: str) -> None:
    """Growth is held, not speed: eight times the text takes no more than sixteen times as long, or next to nothing."""
    call = READERS[reader]
    for seed in SEEDS:
        short, long = (seconds(call, seed * (length // len(seed))) for length in (10_000, 80_000))
        assert long < max(16 * short, 0.1), f"{seed!r}: {short:.4f} s, then {long:.4f} s"
