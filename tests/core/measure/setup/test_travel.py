"""Slave travel and bite point against the stroke: a fault put into the job's hydraulics is told from its readings."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.job.build import Build, build_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.setup.travel import Point, Shortfall, causes_of
from tests.core.measure.setup.steps import FORK_CAR, told
from tests.jobs import FULL, entries


def moved(build: Build, share: float) -> float:
    """Slave travel at a share of the pedal, straight from the stroke [m]."""
    whole = stroke(build)
    assert isinstance(whole, Stroke)
    end = float(build.evaluate(("pedal_stroke",))["pedal_stroke"])
    return float(np.interp(share * end, whole.pedal, whole.chain["slave_travel"]))


def read(job: dict[str, str], fault: dict[str, str], *checks: str) -> Shortfall:
    """What a sound job says of readings taken on one with a fault."""
    broken = build_of(entries(job | fault))
    places = {"slave_travel": 1.0, "slave_travel_half": 0.5}
    readings = {c: [Reading("Once", moved(broken, places[c]), "", "caliper", 5e-5)] for c in checks}
    found = CALCULATIONS["travel"].work_out(build_of(entries(job)), readings, {})
    assert isinstance(found, Shortfall)
    return found


@pytest.mark.parametrize("job", [FORK_CAR, FULL], ids=["fork", "concentric"])
def test_a_sound_job_falls_short_of_nothing(job: dict[str, str]) -> None:
    found = read(job, {}, "slave_travel_half", "slave_travel")
    assert not found.short
    assert found.frees is not None
    assert found.frees >= 1


@pytest.mark.parametrize("job", [FORK_CAR, FULL], ids=["fork", "concentric"])
@pytest.mark.parametrize(
    ("name", "fault", "amount"),
    [
        ("air", {"trapped_air": "1.5 mL"}, 1.5e-6),
        ("lost", {"port_travel": "4 mm"}, None),
    ],
)
def test_what_was_put_in_is_among_what_fits(
    job: dict[str, str], name: str, fault: dict[str, str], amount: float | None
) -> None:
    found = read(job, fault, "slave_travel_half", "slave_travel")
    best = found.causes[0].left
    cause = next(c for c in found.causes if c.name == name)
    assert cause.left - best < 2
    if amount is not None:
        assert cause.amount == pytest.approx(amount, rel=0.25)


def points(shape: str, pressures: tuple[float, ...]) -> list[Point]:
    """Travels that one cause alone shortens, from its own law."""
    master, slave = 285e-6, 1e-3
    law = {"air": lambda p: 1.2e-6 * p / (p + 101_325), "flex": lambda p: 4e-13 * p, "lost": lambda _: master * 4e-3}
    return [Point(0.05, 9e-3, 9e-3 - law[shape](p) / slave, 5e-5, p) for p in pressures]


@pytest.mark.parametrize("shape", ["air", "flex", "lost"])
def test_two_pressures_far_apart_tell_the_causes_apart(shape: str) -> None:
    first, second, *_ = causes_of(points(shape, (5e4, 3e6)), 285e-6, 1e-3)
    assert first.name == shape
    assert first.left < 0.1
    assert second.left > 2


@pytest.mark.parametrize("shape", ["air", "flex", "lost"])
def test_two_pressures_alike_do_not(shape: str) -> None:
    """A diaphragm's pressures are nearly equal over the stroke: every cause fits, and that is said."""
    found = causes_of(points(shape, (2.9e6, 3e6)), 285e-6, 1e-3)
    assert all(cause.left < 2 for cause in found)


def test_a_shortfall_within_the_doubt_has_no_cause() -> None:
    assert causes_of([Point(0.1, 9e-3, 9e-3 - 1e-5, 5e-5, 3e6)], 285e-6, 1e-3) == ()
    assert causes_of([Point(0.1, 9e-3, 9.4e-3, 5e-5, 3e6)], 285e-6, 1e-3) == (), "more than worked out is no shortfall"


def test_what_is_said_and_done_next() -> None:
    short = told("travel", FORK_CAR, slave_travel={"Once": 13})
    assert short.verdict == "put right"
    assert "short at" in short.sentence
    assert "do not tell apart" in short.sentence, "one reading cannot"
    assert any("bleed again" in remark.text for remark in short.shows)  # type: ignore[union-attr]


def test_a_bite_point_that_is_wrong_with_the_travel_right_is_no_matter_of_fluid() -> None:
    build = build_of(entries(FORK_CAR))
    whole = stroke(build)
    assert isinstance(whole, Stroke)
    assert whole.bite_point is not None
    travel = {"Once": moved(build, 1.0) * 1e3}
    right = told("travel", FORK_CAR, slave_travel=travel, bite_point={"Once": whole.bite_point * 1e3 + 2})
    assert right.verdict == "reuse"
    late = told("travel", FORK_CAR, slave_travel=travel, bite_point={"Once": whole.bite_point * 1e3 + 20})
    assert late.verdict == "put right"
    assert "cushion" in late.shows[-1].text  # type: ignore[union-attr]


def test_a_heavy_pedal_binds() -> None:
    build = build_of(entries(FORK_CAR))
    whole = stroke(build)
    assert isinstance(whole, Stroke)
    readings = {
        "slave_travel": [Reading("Once", moved(build, 1.0), "", "caliper", 5e-5)],
        "pedal_force": [Reading("Once", 1.5 * whole.peak_effort, "", "force_gauge", 2.0)],
    }
    calculation = CALCULATIONS["travel"]
    said = calculation.tell(calculation.work_out(build, readings, {}))
    assert said.verdict == "put right"
    assert "binds" in said.shows[-1].text  # type: ignore[union-attr]


def test_what_no_cause_fits_is_said_and_not_named() -> None:
    """Far short at full pedal and not at half: no single law of pressure does that."""
    build = build_of(entries(FORK_CAR))
    travels = {"slave_travel_half": {"Once": moved(build, 0.5) * 1e3}, "slave_travel": {"Once": 9.0}}
    assert "No one cause fits" in told("travel", FORK_CAR, **travels).sentence


@pytest.mark.parametrize("job", [FORK_CAR, FULL], ids=["fork", "concentric"])
def test_a_slave_goes_no_further_than_its_master_pushes(job: dict[str, str]) -> None:
    """Volume by hand: pedal over ratio, times master's area over slave's; more is a wrong bore or a misread figure."""
    build = build_of(entries(job))
    v = build.evaluate(("master_area", "slave_area", "pedal_stroke", "pedal_ratio"))
    most = float(v["pedal_stroke"] / v["pedal_ratio"] * v["master_area"] / v["slave_area"])
    for share, again in ((1.05, True), (0.97, False)):
        readings = {"slave_travel": [Reading("Once", share * most, "", "caliper", 5e-5)]}
        calculation = CALCULATIONS["travel"]
        said = calculation.tell(calculation.work_out(build, readings, {}))
        assert said.again is again
        assert ("a bore or a ratio is not this vehicle's" in said.sentence) is again
