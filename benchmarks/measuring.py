"""Figures of the bench: a reading to its verdict, a million readings in the store, a gauge that never stops."""

from __future__ import annotations

import json
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path

import numpy as np
from sqlalchemy import func, insert, select

from liftbite.api.app import create_app
from liftbite.api.serving import serving
from liftbite.core.measure.runout import fit_sweep
from liftbite.demo import load
from liftbite.gauges.gauge import Gauge
from liftbite.gauges.simulate import Simulator, depths
from liftbite.store.database import writing
from liftbite.store.models import ReadingRow, SeriesRow

Row = Callable[[str, str, str], None]
READINGS, PER_TAKING = 1_000_000, 100


def _p95(found: list[float]) -> float:
    return sorted(found)[int(len(found) * 0.95)]


def fill_store(session: object) -> None:
    """A million readings of other jobs of the shop, in ten thousand series."""
    at = datetime(2026, 1, 5, 9, 0, tzinfo=UTC)
    series = [
        {"job_id": 1 + i % 3, "check": "disc_wobble", "vehicle": f"Vehicle {i % 500}", "begun_at": at, "settings": {}}
        for i in range(READINGS // PER_TAKING)
    ]
    session.execute(insert(SeriesRow), series)  # type: ignore[attr-defined]
    first = session.scalar(select(func.min(SeriesRow.id)).where(SeriesRow.vehicle == "Vehicle 0"))  # type: ignore[attr-defined]
    for start in range(0, READINGS, 50_000):
        rows = [
            {
                "series_id": first + (start + i) // PER_TAKING,
                "place": f"{i % 360}°",
                "si": 1e-5 * (i % 50),
                "typed": "0.1 mm",
                "instrument": "dial",
                "uncertainty": 1e-5,
                "skipped": "",
                "source": "file",
                "at": at,
                "who": f"Mechanic {i % 12}",
            }
            for i in range(50_000)
        ]
        session.execute(insert(ReadingRow), rows)  # type: ignore[attr-defined]
    session.flush()  # type: ignore[attr-defined]


def over_http(row: Row) -> None:
    """A reading entered, and a job's history, with a million readings of other jobs beside them."""
    import http.client

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "bench.sqlite")
        with writing(app.extensions["liftbite.sessions"]) as session:
            load(session)
            fill_store(session)
        with serving(app) as address:
            line = http.client.HTTPConnection(address.removeprefix("http://"))

            def ask(method: str, path: str, body: dict[str, object] | None = None) -> float:
                start = time.perf_counter()
                line.request(method, path, json.dumps(body) if body else None, {"Content-Type": "application/json"})
                response = line.getresponse()
                response.read()
                assert response.status == 200, response.status
                return time.perf_counter() - start

            reading = {"check": "plate_thickness", "place": "Plate 1, place 1", "typed": "2.91"}
            found = [ask("POST", "/api/jobs/5/readings", reading) for _ in range(120)][10:]
            row("reading entered to its verdict over HTTP, p95", f"{_p95(found) * 1e3:.0f} ms", "< 100 ms")
            found = [ask("GET", "/api/jobs/5/measure/history") for _ in range(60)][5:]
            row("a job's history, 1 000 000 readings in the store, p95", f"{_p95(found) * 1e3:.0f} ms", "< 100 ms")
            line.close()


def gauge(row: Row) -> None:
    """Readings that a gauge sends as fast as it can, every one of them heard."""
    count = 4_000
    there = Simulator(depths([(i / 100, "mm") for i in range(count)]), every=0.0).start()
    start = time.perf_counter()
    found = Gauge(there.url)
    while sum(e.kind == "value" for e in found.after(0)) < count and time.perf_counter() - start < 60:
        time.sleep(0.05)
    took = time.perf_counter() - start
    heard = [e.text for e in found.after(0) if e.kind == "value"]
    lost = count - len(heard)
    row("readings a second from a gauge", f"{len(heard) / took:.0f}, {lost} lost", "> 200, 0 lost")
    found.stop()
    there.stop()


def sweeps(row: Row) -> None:
    """A thousand sweeps fitted at once, for a tolerance study."""
    angles = np.radians(np.arange(0, 360, 45.0))
    readings = np.random.default_rng(1).normal(0, 1e-4, (1_000, 8))
    found = []
    for _ in range(50):
        start = time.perf_counter()
        fit_sweep(angles, readings, inside=True)
        found.append(time.perf_counter() - start)
    row("1 000 sweeps fitted at once, p95", f"{_p95(found) * 1e3:.2f} ms", "none set")


def measuring(row: Row) -> None:
    """Every figure of the bench."""
    sweeps(row)
    gauge(row)
    over_http(row)
