"""Every figure at the ends of what can exist: answers, drawing and starts give a value, a need or a sentence, never a
crash, and nothing that is no number reaches a drawing."""

from __future__ import annotations

import json
import warnings
from collections.abc import Iterator

import numpy as np
import pytest

from liftbite.api.choose.drawing import section_out
from liftbite.core.analysis.life import life
from liftbite.core.analysis.repeated_starts import repeated_starts
from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.analysis.tolerance import sensitivity
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.input import Input
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.read import from_si
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.results import asked_of
from liftbite.core.verdicts.words import verdict_sentence
from tests.core.test_every_quantity import RACE, WHOLE_MOTORCYCLE
from tests.jobs import FULL, entries

JOBS = {"car": entries(FULL), "race": entries(RACE), "pack": entries(WHOLE_MOTORCYCLE)}
FIGURES = [i for i in INPUTS.values() if i.unit not in {"text", "curve"} and not i.many]


def asked_for() -> Iterator[tuple[str, Input]]:
    """Every figure with each job that asks for it; one the plain car asks for too is left to that."""
    fields = {job: set(asked_of(build_of(there))) for job, there in JOBS.items()}
    for asked in FIGURES:
        for job in JOBS:
            if asked.name in fields[job] and not (job == "race" and asked.name in fields["car"]):
                yield job, asked


ASKED = list(asked_for())


def ends(asked: Input) -> Iterator[float]:
    """The smallest and the largest figure a field takes, and the ends of what is usual."""
    span = asked.most - asked.least if np.isfinite(asked.most - asked.least) else 1.0
    low = asked.least + (span * 1e-9 if asked.above else 0.0)
    for value in {low, asked.most, *asked.usual}:
        if np.isfinite(value):
            yield float(max(value, low))


@pytest.fixture(autouse=True)
def quietly() -> Iterator[None]:
    """Overflow on the way to infinity is what is being asked for here."""
    with warnings.catch_warnings(), np.errstate(all="ignore"):
        warnings.simplefilter("ignore")
        yield


def entered(job: str, asked: Input, value: float) -> dict[str, Entry]:
    unit = KINDS[asked.unit].metric
    return {**JOBS[job], asked.name: Entry(asked.name, f"{from_si(value, unit):.9g} {unit}".strip(), value)}


def at(job: str, asked: Input, value: float) -> Build:
    return build_of(entered(job, asked, value))


@pytest.mark.parametrize(("job", "asked"), ASKED, ids=[f"{asked.name}-{job}" for job, asked in ASKED])
def test_the_answers_stand_every_figure_that_can_be_typed(job: str, asked: Input) -> None:
    for value in ends(asked):
        answers = answer(entered(job, asked, value))
        for verdict in (answers.verdict, *answers.others):
            assert verdict_sentence(verdict)
            assert verdict.state
            assert all(np.isfinite(link.reserve) or link.reserve > 0 for link in verdict.links), verdict


@pytest.mark.parametrize(("job", "asked"), ASKED, ids=[f"{asked.name}-{job}" for job, asked in ASKED])
def test_the_drawing_stands_them_too(job: str, asked: Input) -> None:
    for value in sorted(ends(asked))[:: max(1, len(list(ends(asked))) - 1)]:
        drawn = section_out(at(job, asked, value))
        if drawn.trouble:
            assert drawn.trouble.endswith(".")
            continue
        text = drawn.model_dump_json()
        assert "NaN" not in text
        assert "Infinity" not in text
        grids = json.loads(text)["motions"]
        assert all(v is not None for grid in grids for row in grid for v in row), (asked.name, value)


RELEASE = [
    "pedal_stroke",
    "pedal_ratio",
    "pedal_free_play",
    "master_diameter",
    "trapped_air",
    "hose_swell",
    "port_travel",
    "bearing_clearance",
    "finger_flex",
    "slave_outer_diameter",
    "cushion_travel",
    "disc_wobble",
]


@pytest.mark.parametrize("name", RELEASE)
def test_a_stroke_is_a_stroke_or_says_why_not(name: str) -> None:
    for value in ends(INPUTS[name]):
        found = stroke(at("car", INPUTS[name], value))
        if not isinstance(found, Stroke):
            assert isinstance(found, Needs | Refused)
            continue
        assert np.isfinite(found.effort).all()
        assert np.all(np.diff(found.lift) >= -1e-12)
        assert np.all((found.held >= 0) & (found.held <= 1))
        assert all(v.shape == found.pedal.shape for v in (found.lift, found.effort, found.held, *found.chain.values()))


STARTS = [
    "vehicle_mass",
    "tyre_radius",
    "gear_ratio",
    "final_ratio",
    "grade",
    "tyre_grip",
    "start_engine_speed",
    "start_clutch_share",
    "start_engine_share",
    "release_time",
    "stall_speed",
    "heat_mass",
    "cooling",
    "starts_in_row",
    "start_interval",
    "ambient_temperature",
]


@pytest.mark.parametrize("name", STARTS)
def test_a_row_of_starts_ends(name: str) -> None:
    for value in ends(INPUTS[name]):
        found = repeated_starts(at("car", INPUTS[name], value), stage=0.0)
        if isinstance(found, Needs | Refused):
            continue
        assert 1 <= found.begins.size <= 100
        assert np.isfinite(found.energy).all()
        assert set(found.outcome) <= {"locks", "stalls", "spins", "never locks"}


@pytest.mark.parametrize("name", ["diaphragm_set", "diaphragm_cone_height", "facing_depth", "friction_low"])
def test_a_life_has_an_end_or_says_why_not(name: str) -> None:
    for value in ends(INPUTS[name]):
        found = life(at("car", INPUTS[name], value), stage=0.0, friction=-1.0)
        if isinstance(found, Needs | Refused):
            continue
        assert found.ends
        assert [w for _, w in found.ends] == sorted(w for _, w in found.ends)


@pytest.mark.parametrize("result", ["bite_margin", "lift_margin", "heat_margin", "burst_margin", "joint_margin"])
def test_what_moves_a_margin_is_finite_and_in_order(result: str) -> None:
    effects = sensitivity(build_of(JOBS["car"]), result, stage=0.0, friction=0.0)
    assert effects
    sizes = [abs(e.elasticity) for e in effects]
    assert np.isfinite(sizes).all()
    assert sizes == sorted(sizes, reverse=True)


def test_ramps_that_lock_themselves_are_said_and_not_called_holding() -> None:
    for radius, place in ((0.001, "low"), (0.0215, "high")):
        verdict = answer(entered("pack", INPUTS["ramp_radius"], radius)).verdict
        assert verdict.state == "cannot be"
        assert verdict.facts == {"place": place}
        assert "has to be below 1" in verdict_sentence(verdict)


def test_a_pedal_that_ends_within_its_free_play_moves_nothing() -> None:
    found = stroke(at("car", INPUTS["pedal_free_play"], 0.149))
    assert isinstance(found, Stroke)
    assert found.full == 0
    assert np.all(found.lift == 0)
    assert found.bite_point is None
    verdict = answer(entered("car", INPUTS["pedal_free_play"], 0.149)).others[0]
    assert verdict.state == "drags"
