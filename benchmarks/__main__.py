"""Runs every measurement and prints one table."""

from __future__ import annotations

import gzip
import os
import platform
import statistics
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import numpy as np

from benchmarks.browser import answer_times, drag_times, finder_times, keystroke_times
from benchmarks.computation import computation
from benchmarks.growth import grown
from benchmarks.measuring import measuring
from benchmarks.proving import proving
from liftbite.api.app import WEB, create_app
from liftbite.api.serving import serving
from liftbite.cli.main import keep_loaded
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import present
from liftbite.core.verdicts.answers import answer
from liftbite.demo import JOBS, ledger_of, load
from liftbite.store.database import writing
from liftbite.whole import own_process

ROWS: list[tuple[str, str, str]] = []


def row(what: str, measured: str, aim: str) -> None:
    ROWS.append((what, measured, aim))
    print(f"{what.ljust(64)} {measured.rjust(22)}   aim {aim}", flush=True)


def times(call: Callable[[], object], runs: int) -> list[float]:
    call()
    found = []
    for _ in range(runs):
        start = time.perf_counter()
        call()
        found.append(time.perf_counter() - start)
    return sorted(found)


def p95(found: list[float]) -> float:
    return found[int(len(found) * 0.95)]


def machine_figure() -> float:
    """Seconds of a fixed piece of Python and NumPy work, so that figures of two machines can be compared."""

    def work() -> float:
        total = sum(i * i for i in range(300_000))
        return total + float(np.sort(np.random.default_rng(1).random(500_000)).sum())

    return statistics.median(times(work, 7))


def whole_job() -> None:
    entries = present(ledger_of(JOBS[1]))
    found = times(lambda: answer(entries), 400)
    row("whole job in-process, median", f"{statistics.median(found) * 1e3:.2f} ms", "< 2 ms")


def candidates() -> None:
    build = build_of(present(ledger_of(JOBS[1])))
    rng = np.random.default_rng(2)
    clamp, outer = rng.uniform(4e3, 12e3, 1_000_000), rng.uniform(0.2, 0.28, 1_000_000)
    known = {**build.known, "friction_state": 0.0, "stage": 0.0}

    def at_once() -> None:
        build.graph.evaluate(["torque_capacity"], {**known, "cover_clamp": clamp, "outer_diameter": outer})

    def one_by_one() -> None:
        for c, o in zip(clamp[:3_000].tolist(), outer[:3_000].tolist(), strict=True):
            build.graph.evaluate(["torque_capacity"], {**known, "cover_clamp": c, "outer_diameter": o})

    vector = statistics.median(times(at_once, 5)) / 1_000_000
    scalar = statistics.median(times(one_by_one, 3)) / 3_000
    row("capacity of 1 000 000 candidates against a scalar loop", f"{scalar / vector:.0f} times", "> 100 times")


def over_http() -> None:
    import http.client
    import json

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "bench.sqlite")
        with writing(app.extensions["liftbite.sessions"]) as session:
            load(session)
        with serving(app) as address:
            line = http.client.HTTPConnection(address.removeprefix("http://"))
            revision = [6]

            def enter() -> None:
                typed = f"{8 + revision[0] % 97 / 100} kN"
                body = json.dumps({"entries": [{"quantity": "cover_clamp", "typed": typed}]})
                headers = {"Content-Type": "application/json", "If-Match": f'"{revision[0]}"'}
                line.request("POST", "/api/jobs/2/entries", body, headers)
                response = line.getresponse()
                revision[0] = json.loads(response.read())["revision"]

            found = times(enter, 200)
            line.close()
            row("changed entry over HTTP, p95", f"{p95(found) * 1e3:.1f} ms", "< 25 ms")
            if (WEB / "index.html").is_file():
                on_screen(f"{address}/jobs/3/choose")


def on_screen(job: str) -> None:
    row("keystroke to new number on screen, p95", f"{p95(keystroke_times(f'{job}/bite')):.0f} ms", "< 100 ms")
    row("slider drag to redraw, p95", f"{p95(drag_times(f'{job}/section')):.1f} ms", "< 33 ms")
    row("changed entry to all four answers, p95", f"{p95(answer_times(f'{job}/section')):.0f} ms", "< 120 ms")
    first, ended, says = finder_times(f"{job}/find")
    row("finder, first candidates on screen", f"{first:.2f} s", "< 1 s")
    row("finder, all of them", f"{ended:.1f} s", "< 10 s")
    print(f"    {says}")


def scripts() -> None:
    page = (WEB / "index.html").read_text()
    first = [f for f in (WEB / "assets").glob("*.js") if f.name in page]
    size = sum(len(gzip.compress(f.read_bytes(), 9)) for f in first)
    row("initial JavaScript, gzip", f"{size / 1e3:.0f} kB", "< 200 kB")


def main() -> None:
    print(f"{platform.machine()}, {os.cpu_count()} cores, Python {platform.python_version()}")
    print(f"machine figure {machine_figure() * 1e3:.0f} ms\n")
    own_process.warm()  # as a served shop does
    keep_loaded()
    whole_job()
    candidates()
    computation(row)
    over_http()
    measuring(row)
    proving(row)
    grown(row)
    scripts()


if __name__ == "__main__":
    main()
