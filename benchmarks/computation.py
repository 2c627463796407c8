"""The whole computation: every quantity of a job, launches, search, Monte Carlo, import, each beside its comparison."""

from __future__ import annotations

import resource
import statistics
import subprocess
import sys
import time
from collections.abc import Callable
from dataclasses import replace
from typing import Any

import numpy as np
from scipy.integrate import solve_ivp

from liftbite.core.analysis.tolerance import Tolerance, spread
from liftbite.core.find.combinations import FinderPart
from liftbite.core.find.finder import search
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import present
from liftbite.core.quantities.launch import launch
from liftbite.core.quantities.launch_case import LaunchCase
from liftbite.core.quantities.launch_run import GRASP
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.next_question import ranking
from liftbite.demo import JOBS, ledger_of
from tests.jobs import FULL, built, entries

Row = Callable[[str, str, str], None]


def seconds(call: Callable[[], Any], runs: int) -> float:
    call()
    found = []
    for _ in range(runs):
        start = time.perf_counter()
        call()
        found.append(time.perf_counter() - start)
    return statistics.median(found)


def by_scipy(c: LaunchCase) -> float:
    """Heat of a start whose tyres hold, by solve_ivp (RK45, rtol 1e-6): two sides until they run alike."""
    xs, ys = np.array([0.0, *c.curve.speed]), np.array([0.0, *c.curve.torque])
    peak, whole = c.curve.peak_torque, c.gearbox_inertia + c.vehicle_inertia

    def rates(t: float, y: Any) -> list[float]:
        we, wv, q = y
        hot = min(max((c.start_temperature + q / c.heat_capacity - c.sustained) / (c.brief - c.sustained), 0), 1)
        tc = min(c.clutch_torque * min(t / c.release_time, 1), c.capacity * (1 - (1 - c.fade) * hot))
        full = c.throttle_share * c.primary * float(np.interp(we * c.ratio, xs, ys))
        asked = tc + c.primary * c.ratio * peak / GRASP * (c.start_speed - we)
        te = max(min(asked, full), -c.drag_share * peak * c.primary)
        pull = tc - c.load_torque if wv > 0 else max(tc - c.load_torque, 0)
        return [(te - tc) / c.engine_inertia, pull / whole, tc * (we - wv)]

    def meet(_: float, y: Any) -> float:
        return float(y[0] - y[1])

    meet.terminal, meet.direction = True, -1  # type: ignore[attr-defined]
    return float(solve_ivp(rates, (0, c.longest), [c.start_speed, 0, 0], rtol=1e-6, events=meet).y[2][-1])


def launches(row: Row) -> None:
    base = replace(
        built(FULL).evaluate(("start_case",))["start_case"], start_speed=350.0, grip_torque=5000.0, clutch_torque=250.0
    )
    shifted = iter(range(10_000))

    def fresh() -> float:
        """A start that was not integrated before."""
        return float(launch(replace(base, start_speed=350.0 + next(shifted) * 1e-3)).energy)

    mine, other = seconds(fresh, 30), seconds(lambda: by_scipy(base), 30)
    row("one launch against one solve_ivp", f"{mine * 1e3:.1f} ms, {other / mine:.1f} times", "no slower")
    rng = np.random.default_rng(4)
    varied = {"clutch_torque": rng.uniform(200, 330, 1000), "vehicle_inertia": rng.uniform(0.4, 0.9, 1000)}
    many = seconds(lambda: launch(replace(base, **varied)), 5)
    row("1 000 launches at once against 1 000 solve_ivp", f"{other * 1000 / many:.0f} times", "> 100 times")
    heat = np.asarray(launch(replace(base, **varied)).energy)
    worst = max(
        abs(heat[i] / by_scipy(replace(base, **{k: float(v[i]) for k, v in varied.items()})) - 1)
        for i in range(0, 1000, 25)
    )
    row("their heat against solve_ivp, worst", f"{worst * 100:.3f} %", "< 1 %")


def _shelf(combinations: int) -> dict[str, list[FinderPart]]:
    n = round(combinations**0.25)
    facings = ("organic", "cermet")
    return {
        "disc": [
            FinderPart(
                f"d{i}",
                100 + 10 * i,
                {"outer_diameter": 0.215 + 0.04 * i / n, "inner_diameter": 0.145},
                {"facing_material": facings[i % 2]},
            )
            for i in range(n)
        ],
        "cover": [FinderPart(f"c{i}", 300 + 9 * i, {"diaphragm_thickness": 0.0027 + 0.0006 * i / n}) for i in range(n)],
        "master": [FinderPart(f"m{i}", 60, {"master_diameter": 0.0155 + 0.008 * i / n}) for i in range(n)],
        "slave": [FinderPart(f"s{i}", 80, {"slave_outer_diameter": 0.047 + 0.009 * i / n}) for i in range(n)],
    }


def _resident() -> float:
    """Peak resident memory of this process so far [MB]."""
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1e3


def searches(row: Row) -> None:
    given = {"facing_material", "outer_diameter", "inner_diameter", "pressure_limit", "diaphragm_thickness"}
    brief = entries({q: t for q, t in FULL.items() if q not in given})
    for combinations, aim in ((1_000_000, "> 300 000"), (10_000_000, "flat")):
        idle = _resident()
        start = time.perf_counter()
        found = search(brief, _shelf(combinations), stage=0.0)
        rate = found.total / (time.perf_counter() - start)
        row(f"search of {found.total:,} ({found.kept:,} pass)", f"{rate:,.0f} a second", aim)
        row("  memory above idle", f"{_resident() - idle:.0f} MB", "< 300 MB")


def monte_carlo(row: Row) -> None:
    build = built(FULL)
    spreads = {
        "outer_diameter": Tolerance(0.0005),
        "diaphragm_thickness": Tolerance(0.00002),
        "master_diameter": Tolerance(0.00003),
        "flywheel_mass": Tolerance(0.1),
    }
    margins = ("bite_margin", "lift_margin", "heat_margin", "burst_margin")
    took = seconds(lambda: [spread(build, m, stage=0, target=1.0, spreads=spreads) for m in margins], 3)
    row("Monte Carlo of all four margins, 100 000 samples each", f"{took:.2f} s", "< 0.5 s")


def computation(row: Row) -> None:
    given = entries(FULL)
    names = tuple(build_of(given).graph.functions)
    every = seconds(lambda: build_of(given).evaluate(names), 200)
    row("every quantity of a job, in-process, median", f"{every * 1e3:.2f} ms", "< 5 ms")
    code = "import time; t = time.perf_counter(); import liftbite.core.verdicts.answers; print(time.perf_counter() - t)"
    runs = [
        float(subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True).stdout)
        for _ in range(5)
    ]
    row("import of the core, median", f"{statistics.median(runs):.2f} s", "< 0.5 s")
    for name, at in (("fullest demo job", 2), ("motorcycle with its start", 3)):
        asked = present(ledger_of(JOBS[at]))
        row(f"four answers, {name}, median", f"{seconds(lambda: answer(asked), 200) * 1e3:.1f} ms", "< 8 ms")  # noqa: B023
        answers = answer(asked)
        row(f"next question, {name}, median", f"{seconds(lambda: ranking(answers), 20) * 1e3:.0f} ms", "< 150 ms")  # noqa: B023
    launches(row)
    monte_carlo(row)
    searches(row)
