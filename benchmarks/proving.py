"""How long Prove takes: an hour of a logger's rows read, its gears, slip and heat found; causes ranked."""

from __future__ import annotations

import tempfile
import time
from collections.abc import Callable
from pathlib import Path

from liftbite.api.app import create_app
from liftbite.api.fit.present import plan_out
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import FOUND, present
from liftbite.core.prove.driven import driven
from liftbite.core.prove.faults import find, known_of
from liftbite.core.prove.logger import simulated, vehicle_of, written
from liftbite.core.prove.road_log import read_log
from liftbite.demo import JOBS, ledger_of, load
from liftbite.store.database import writing
from liftbite.whole.bench import bench_of

Row = Callable[[str, str, str], None]


def planned(row: Row) -> None:
    """The plan of a full job with its evidence, and a bolt ticked off, over HTTP."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "shop.sqlite")
        sessions = app.extensions["liftbite.sessions"]
        with writing(sessions) as session:
            load(session)
        with sessions() as session:
            bench = bench_of(session, 3, FOUND)
        client, began = app.test_client(), time.perf_counter()
        for _ in range(20):
            plan_out(bench)
        row("plan of a full job with its evidence", f"{(time.perf_counter() - began) / 20 * 1e3:.1f} ms", "20 ms")
        ticks = []
        for n in range(40):
            body = {"kind": "bolt", "key": f"flywheel_on:{n % 8 + 1}", "said": {"answer": "done"}}
            began = time.perf_counter()
            client.post("/api/jobs/3/plan", json=body)
            ticks.append(time.perf_counter() - began)
        row("a bolt ticked off to the plan answered, p95", f"{sorted(ticks)[37] * 1e3:.0f} ms", "100 ms")
        sessions.kw["bind"].dispose()


def proving(row: Row) -> None:
    """Prints all of it."""
    planned(row)
    build = build_of(present(ledger_of(JOBS[2])))
    log, _ = simulated(vehicle_of(build), "slip", minutes=60, rate=100)
    text = written(log).encode()
    start = time.perf_counter()
    found = driven(build, read_log(text))
    taken = time.perf_counter() - start
    row(f"log of an hour at 100 Hz, {len(text) / 2**20:.0f} MB, {len(found.events)} events", f"{taken:.2f} s", "3 s")
    start = time.perf_counter()
    for _ in range(20):
        find("dry_car", ["drags"], {"pump": "better"}, known_of(build))
    row(
        "causes of a complaint ranked, with the next test",
        f"{(time.perf_counter() - start) / 20 * 1e3:.1f} ms",
        "100 ms",
    )
