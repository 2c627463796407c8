"""What every criterion is for, written down a second time: which are asked over the whole band, which of the good."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.job.alternatives.facing import OTHER_SIDE
from liftbite.core.verdicts.criteria import CRITERIA, HIGH, LOW, NOMINAL, criteria_of

SIDES = ("", "_plate_side")
#: A clutch that only has to work has to reach these; the rest is asked of a good one.
WORKS = {
    "torque_reserve",
    "low_friction",
    "least_lift",
    "overtravel",
    "effort",
    "start_settles",
    *(f"{key}{side}" for key in ("surface", "between_starts", "face_pressure_limit") for side in SIDES),
}
#: Nothing is said where these cannot be looked at: a maker's figure few have, or a part few builds have.
QUIET = {
    "effort",
    "line_pressure",
    "worn_lift",
    "sleeve_end",
    "way_back",
    "fluid",
    "pilot",
    "pilot_room",
    "missed_shift",
    "certified_speed",
    "gross_unbalance",
    "low_friction_hot",
    *(f"face_pressure{end}{side}" for end in ("", "_limit") for side in SIDES),
    *(f"{key}_plate_side" for key in ("heat_per_area", "surface", "between_starts")),
}
#: Asked at every place of the friction band: heat is most at high friction here, at low there.
BAND = {"start_settles", *(f"{key}{side}" for key in ("surface", "between_starts") for side in SIDES)}
#: May be as large as the limit, not larger.
MOST = {"effort", "line_pressure", *(f"face_pressure_limit{side}" for side in SIDES)}
#: Said, and judged by nobody.
TOLD = {"missed_shift", *(f"face_pressure{side}" for side in SIDES)}
#: Below this the answer is bad rather than short, where that is not 1.
BAD_BELOW = {"burst_speed": 1.5, "flywheel_joint": 1 / 1.5, "flywheel_bolts": 1 / 1.1, "pilot": 1e-6}
BAD_BELOW_ONE = {
    "bore_yield",
    "torque_reserve",
    "least_lift",
    "floater",
    "start_settles",
    "certified_speed",
    "gross_unbalance",
    "pilot_room",
    *(f"{key}{side}" for key in ("surface", "between_starts", "face_pressure_limit") for side in SIDES),
}


def test_what_each_criterion_is_for() -> None:
    def having(name: str) -> set[str]:
        return {key for key, row in CRITERIA.items() if getattr(row, name)}

    assert having("works") == WORKS
    assert having("if_clear") == QUIET
    assert having("band") == BAND
    assert having("most") == MOST
    assert having("told") == TOLD
    bad = {key: row.bad_below for key, row in CRITERIA.items() if row.bad_below is not None}
    assert bad == pytest.approx(BAD_BELOW | dict.fromkeys(BAD_BELOW_ONE, 1.0))


def test_the_places_of_the_friction_band() -> None:
    assert (LOW, NOMINAL, HIGH) == (-1.0, 0.0, 1.0)
    assert CRITERIA["surface"].places == (LOW, NOMINAL, HIGH)
    assert CRITERIA["low_friction"].places == (LOW,)


def test_a_reserve_is_value_over_need_or_turned_round() -> None:
    plain, most = CRITERIA["torque_reserve"], CRITERIA["effort"]
    assert plain.reserve(3.0, 2.0) == pytest.approx(1.5)
    assert most.reserve(2.0, 3.0) == pytest.approx(1.5)
    assert most.reserve(0.5, 3.0) == pytest.approx(6.0)
    assert most.reserve(0.0, 3.0) == pytest.approx(3e9), "nothing is asked of the driver: all in reserve, and no fault"
    assert most.reserve(np.array([2.0, 4.0]), 4.0) == pytest.approx([2.0, 1.0])


def test_the_other_side_of_a_disc_is_judged_as_the_first() -> None:
    for key in ("face_pressure", "heat_per_area", "surface", "between_starts", "face_pressure_limit"):
        one, other = CRITERIA[key], CRITERIA[f"{key}_plate_side"]
        assert other.value == OTHER_SIDE[one.value]
        assert (other.question, other.band, other.most, other.works) == (one.question, one.band, one.most, one.works)
        if one.shows is not None:
            assert other.shows == tuple(OTHER_SIDE.get(name, name) for name in one.shows)
        assert other in criteria_of(one.question)


@pytest.mark.parametrize("question", ["bite", "lift", "heat", "true"])
def test_every_question_has_its_rows(question: str) -> None:
    rows = criteria_of(question)  # type: ignore[arg-type]
    assert {row.question for row in rows} == {question}
    assert rows == tuple(row for row in CRITERIA.values() if row.question == question)
