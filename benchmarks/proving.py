"""How long Prove takes: an hour of a logger's rows read, its gears, slip and heat found; causes ranked."""

from __future__ import annotations

import time
from collections.abc import Callable

from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import present
from liftbite.core.prove.driven import driven
from liftbite.core.prove.faults import find, known_of
from liftbite.core.prove.logger import simulated, vehicle_of, written
from liftbite.core.prove.road_log import read_log
from liftbite.demo import JOBS, ledger_of

Row = Callable[[str, str, str], None]


def proving(row: Row) -> None:
    """Prints both figures."""
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
