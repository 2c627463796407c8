"""Every check of every layout: places, limits, any readings at all; a verdict comes out of each, never a crash."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.job.build import Build, build_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS, checks_for
from liftbite.core.measure.effects import effects
from liftbite.core.measure.instruments import GUARD_RULES, INSTRUMENT_KINDS
from liftbite.core.measure.judgement import VERDICTS, Finding, assess
from liftbite.core.measure.left import deciding
from liftbite.core.measure.limits import limits_of
from liftbite.core.measure.parts_list import needs
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import SweepSettings
from liftbite.core.measure.setup import CALCULATIONS, outcome_of
from liftbite.core.measure.sweep import angle_of, judge_sweep, sweep_of
from liftbite.core.measure.words import finding_sentence, held_sentence
from tests.core.test_every_quantity import CABLE_CAR, WHOLE_MOTORCYCLE
from tests.jobs import CAR, FULL, MOTORCYCLE, PULLED, entries

LAYOUTS = {
    "car": FULL,
    "twin": FULL | {"disc_count": "2"},
    "fork car": CAR | {"release": "hydraulic_fork"},
    "cable car": CABLE_CAR,
    "motorcycle": WHOLE_MOTORCYCLE,
    "bare car": {"layout": "dry_car"},
    "bare motorcycle": {"layout": "wet_motorcycle"},
    "small pack": MOTORCYCLE | {"friction_plate_count": "1"},
    "aluminium": FULL | {"flywheel_insert": "steel"},
}
SETUPS = {name: build_of(entries(typed)) for name, typed in LAYOUTS.items()}
MEASURED = [c for c in CHECKS.values() if c.kind in {"reading", "figure"}]


def readings_of(check: Check, build: Build, values: list[float | None]) -> list[Reading]:
    """Readings at the places of a check, one value after the other; None skips a place."""
    kind = check.suited[0] if check.suited else ""
    doubt = INSTRUMENT_KINDS[kind].uncertainty if kind else 0.0
    return [
        Reading(place.key, skipped="lost") if value is None else Reading(place.key, value, f"{value}", kind, doubt)
        for place, value in zip(check.places(build), values, strict=False)
    ]


@pytest.mark.parametrize("layout", LAYOUTS)
def test_a_layout_has_checks_with_places_of_their_own(layout: str) -> None:
    build = SETUPS[layout]
    found = checks_for(build)
    assert len(found) >= 10
    for check in found:
        keys = [place.key for place in check.places(build)]
        assert keys
        assert len(set(keys)) == len(keys), check.name
        assert all(0 < len(key) <= 80 for key in keys)
        assert check.title.startswith(f"{check.part_label}: ")


def test_every_check_is_called_for_by_some_layout() -> None:
    called = {check.name for build in SETUPS.values() for check in checks_for(build)}
    assert called == set(CHECKS)


@pytest.mark.parametrize("release", [o.value for o in CHOICES["release"].options])
def test_every_release_asks_for_what_it_can_measure(release: str) -> None:
    layout = "wet_motorcycle" if release.startswith("lever") else "dry_car"
    names = {c.name for c in checks_for(build_of(entries({"layout": layout, "release": release})))}
    assert ("depth_x" in names) == (release == "concentric")
    assert ("fork" in names) == (release in {"hydraulic_fork", "cable_fork"})
    assert ("slave_travel" in names) == (release in {"hydraulic_fork", "concentric", "lever_hydraulic"})


def test_a_pulled_cover_has_x_and_y_as_well() -> None:
    pulled = build_of(entries(FULL | PULLED))
    assert "depth_x" in {c.name for c in checks_for(pulled)}


@pytest.mark.parametrize("name", [c.name for c in MEASURED])
@given(data=st.data())
def test_any_readings_at_all_come_to_a_verdict(name: str, data: st.DataObject) -> None:
    check = CHECKS[name]
    build = next(s for s in SETUPS.values() if check.wanted(s))
    low, high = check.usual
    values = data.draw(st.lists(st.none() | st.floats(low, high, allow_nan=False), max_size=len(check.places(build))))
    readings = readings_of(check, build, values)
    limits = limits_of(check, build, {})
    for rule in GUARD_RULES:
        found = assess(check, check.places(build), readings, limits, rule)
        assert found.verdict in {*VERDICTS, "open", "noted"}
        assert finding_sentence(found)
        assert found.taken == len(readings)
        assert found.wanted == len(check.places(build))
        if found.used is not None:
            assert found.used[0] <= found.used[1] <= found.used[2]
        for held in found.held:
            assert held.guard >= 0
            assert held_sentence(held).endswith(".")
    taken = [v for v in values if v is not None]
    decided = deciding(check, readings, limits)
    assert (decided is None) == (not taken)
    if decided is not None:
        spread = {f.name for f in limits} == {"spread"}
        assert decided[0] == max(taken) - min(taken) if spread else min(taken) <= decided[0] <= max(taken)


@pytest.mark.parametrize("name", [c.name for c in MEASURED if c.limit("least") or c.limit("most")])
@given(data=st.data())
def test_the_stricter_rule_never_passes_what_the_looser_one_does_not(name: str, data: st.DataObject) -> None:
    check = CHECKS[name]
    build = next(s for s in SETUPS.values() if check.wanted(s))
    values = data.draw(st.lists(st.floats(*check.usual, allow_nan=False), min_size=1, max_size=4))
    readings, limits = readings_of(check, build, list(values)), limits_of(check, build, {})
    strict, loose = (
        {h.limit.name: h.zone for h in assess(check, check.places(build), readings, limits, rule).held}
        for rule in GUARD_RULES
    )
    for limit, zone in strict.items():
        assert zone == loose[limit] or zone == "close"


@pytest.mark.parametrize("name", [c.name for c in CHECKS.values() if c.kind == "grade"])
def test_every_grade_is_its_verdict(name: str) -> None:
    check = CHECKS[name]
    build = next(s for s in SETUPS.values() if check.wanted(s))
    places = check.places(build)
    levels = [grade.level for grade in check.grades]
    assert levels == sorted(levels)
    assert check.grades[0].verdict == "reuse"
    assert len({grade.value for grade in check.grades}) == len(check.grades)
    for grade in check.grades:
        found = assess(check, places, [Reading(p.key, typed=grade.value) for p in places], ())
        assert found.verdict == grade.verdict
        assert grade.says in finding_sentence(found)


@pytest.mark.parametrize("name", [c.name for c in CHECKS.values() if c.kind == "sweep"])
@given(
    values=st.lists(st.floats(-1e-3, 1e-3, allow_nan=False), min_size=9, max_size=9),
    seen=st.sampled_from(["gearbox", "engine"]),
    plus=st.booleans(),
)
def test_any_sweep_comes_to_a_verdict(name: str, values: list[float], seen: str, plus: bool) -> None:
    check = CHECKS[name]
    build = SETUPS["car"]
    readings = readings_of(check, build, list(values))
    assert all(angle_of(r.place) is not None for r in readings)
    limit = check.limit("most")
    sweep = sweep_of(check, readings, SweepSettings(plus, seen), limit.value if limit else None)
    assert sweep is not None
    found = judge_sweep(check, sweep, check.limits, Finding(check.name, "open"), 1e-5)
    known = limit is not None and limit.value is not None
    assert found.verdict in VERDICTS or (found.verdict == "noted" and not known)
    assert sweep.stands == (abs(values[-1] - values[0]) <= 25.4e-6 + 1e-12)
    assert float(sweep.fit.tir) == pytest.approx(np.ptp(values[:-1]))
    assert (found.verdict == "reuse") <= (float(sweep.fit.tir) <= (limit.value if limit and limit.value else np.inf))


@pytest.mark.parametrize("layout", LAYOUTS)
@given(data=st.data())
def test_effects_and_calculations_stand_any_readings(layout: str, data: st.DataObject) -> None:
    build = SETUPS[layout]
    readings: dict[str, list[Reading]] = {}
    for check in checks_for(build):
        if check.kind in {"reading", "figure"} and data.draw(st.booleans(), label=check.name):
            count = len(check.places(build))
            share = st.floats(0, 1)
            low, high = check.usual
            values = data.draw(st.lists(share.map(lambda s, a=low, b=high: a + s * (b - a)), max_size=count))
            readings[check.name] = readings_of(check, build, list(values))
    for effect in effects(build, readings):
        assert effect.typed
        assert effect.why
        assert effect.si is None or np.isfinite(effect.si)
    bearing = CALCULATIONS["bearing"].work_out(build, readings, {})
    for stack in bearing.stacks if bearing else ():
        assert stack.reserve + stack.height == pytest.approx(bearing.reserve, abs=1e-12)
    for said in [told for _, told in outcome_of(build, readings) if told is not None]:
        assert all(line.endswith(".") for line in said.working)
        assert not said.sentence or said.sentence.endswith(".")
        assert "nan" not in f"{said.sentence}{said.working}"


@pytest.mark.parametrize("layout", LAYOUTS)
@pytest.mark.parametrize("verdict", [v for v in VERDICTS if v not in {"reuse", "reuse and watch"}])
def test_every_verdict_leads_to_something_to_do(layout: str, verdict: str) -> None:
    build = SETUPS[layout]
    begins = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()} | {"seal": "bad"}
    for check in checks_for(build):
        if check.kind == "figure":
            continue
        wanted = needs(build, [Finding(check.name, verdict)], begins)
        if verdict == "too close to call" and check.kind != "reading":
            assert wanted == []
            continue
        assert wanted or verdict in {"stop", "renew", "renew as set"}, (check.name, verdict)
        assert all(need.reasons for need in wanted)


def test_what_only_reads_reuse_takes_nothing() -> None:
    for build in SETUPS.values():
        begins = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()} | {"seal": "bad"}
        found = [Finding(check.name, "reuse") for check in checks_for(build)]
        assert needs(build, found, begins) == []
