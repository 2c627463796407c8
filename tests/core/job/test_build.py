"""A build at its states: worked out from what its stage and its rest left, it comes to what it would by itself."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import build_of
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.torque_curve import TorqueCurve
from tests.core.test_every_quantity import WHOLE_MOTORCYCLE
from tests.jobs import CAR, FULL, built, entries

PLANNED = FULL | {"stage_plan": "scaled", "stage_gain": "20 %"}
_WANTED = (
    "bite_margin",
    "lift_margin",
    "heat_margin",
    "peak_pedal_effort",
    "torque_demand",
    "spring_clamp",
    "hot_temperature",
    "burst_margin",
    "pedal_at_overtravel",
)
STATE = st.fixed_dictionaries(
    {"stage": st.sampled_from([0.0, 1.0]), "friction": st.sampled_from([-1.0, 0.0, 1.0])},
    optional={
        "wear": st.sampled_from([0.0, 3e-4, 8e-4]),
        "facing_temperature": st.sampled_from([293.15, 520.0]),
        "spring_clamp": st.sampled_from([5e3, 9e3]),
    },
)


def _same(found: Any, expected: Any) -> bool:
    if isinstance(expected, Needs | Refused | Launch | LaunchCase | TorqueCurve):
        return type(found) is type(expected)
    return bool(np.all(np.isclose(found, expected, rtol=1e-9, equal_nan=True)))


@given(st.lists(st.tuples(STATE, st.sets(st.sampled_from(_WANTED), min_size=1)), min_size=1, max_size=8))
@settings(max_examples=60, deadline=None)
def test_whatever_was_asked_before_a_state_comes_to_the_same(asked: list[tuple[dict[str, float], set[str]]]) -> None:
    build = built(PLANNED)
    for state, wanted in asked:
        given_ = {n: v for n, v in state.items() if n not in {"stage", "friction"}}
        found = build.evaluate(wanted, stage=state["stage"], friction=state["friction"], **given_)
        alone = build.graph.evaluate(
            wanted, {**build.known, "stage": state["stage"], "friction_state": state["friction"], **given_}
        )
        assert all(_same(found[n], alone[n]) for n in wanted), (state, wanted)


@pytest.mark.parametrize("typed", [CAR, FULL, WHOLE_MOTORCYCLE, {"layout": "dry_car"}, {}])
def test_what_is_ready_lacks_nothing(typed: dict[str, str]) -> None:
    build = build_of(entries(typed))
    every = [*build.graph.functions, *build.known, "nobody_supplies_this"]
    assert build.ready(every) == [n for n in every if not build.lacks((n,))]
    given_ = {"wear": 0.0, "spring_clamp": 9e3, "facing_temperature": 300.0}
    ready = build.ready(every, given_)
    assert ready == [n for n in every if n in given_ or not build.lacks((n,)) - given_.keys()]
