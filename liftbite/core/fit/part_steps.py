"""Steps for parts that no step of the library takes: whatever a job plans is ticked off somewhere.

- `steps_of_parts`   steps that put planned parts in, and that dress parts which stay dressed

They are called by `core.fit.step_names`.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from liftbite.core.fit.case import Case, opening_of
from liftbite.core.fit.own_steps import OwnPlace
from liftbite.core.fit.plan import Plan
from liftbite.core.fit.step import Step
from liftbite.core.fit.step_names import DRESS, IN, part_step_title
from liftbite.core.job.parts import PARTS

#: Steps of which the first that a plan has comes before one that puts a part in; the same of what comes after it.
_AFTER = ("gearbox_out", "measured", "parts_gate", "cautions")
_BEFORE = ("prove_gearbox", "gearbox_in", "final_look")
#: What goes in without anything coming off.
_OUTSIDE = ("final_look",)
#: A flywheel is dressed by steps of its own.
_CUT = "flywheel_sent"


def steps_of_parts(case: Case, plan: Plan, parts: Iterable[str]) -> list[OwnPlace]:
    """Steps for planned parts that no step of a plan takes, and for parts that stay dressed.

    Parameters
    ----------
    case, plan : the plan without them
    parts : keys of parts that are planned to be got, or the shop's own names
    """
    steps = [planned.step for planned in plan.steps]
    takes = {part for step in steps if step.stretch not in ("before", "down") for part in step.parts}
    return [
        *(_goes_in(part, plan) for part in parts if _carrier(part) not in takes and part not in takes),
        *_dressed(case, plan),
    ]


def _carrier(part: str) -> str:
    return PARTS[part].on if part in PARTS else ""


def _goes_in(part: str, plan: Plan) -> OwnPlace:
    outside = part not in PARTS or opening_of(part) == 0
    step = Step(IN + part, part_step_title(IN + part), "back" if outside else "fit", parts=(part,), part=part)
    return OwnPlace(step, _first(plan, _AFTER[2 if outside else 0 :]), _first(plan, _OUTSIDE if outside else _BEFORE))


def _dressed(case: Case, plan: Plan) -> Iterator[OwnPlace]:
    for part, fate in case.fates.items():
        if fate != "dressed" or (part == "flywheel" and _CUT in plan.by_key):
            continue
        into = [p.key for p in plan.steps if part in p.step.parts or _carrier(part) == p.step.part != ""]
        if not into:
            continue
        step = Step(
            DRESS + part,
            part_step_title(DRESS + part),
            "clean",
            "bench",
            parts=(part,),
            evidence="sentence",
            note="What was read after it was dressed is read of the part that goes in.",
        )
        yield OwnPlace(step, _first(plan, ("measured", *_AFTER)), into[0])


def _first(plan: Plan, keys: Iterable[str]) -> str:
    return next((key for key in keys if key in plan.by_key), "")
