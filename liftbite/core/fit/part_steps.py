"""Steps for parts that no step of the library takes: whatever a job plans is ticked off somewhere.

- `steps_of_parts`   steps that put planned parts in, and that dress parts which stay dressed

They are called by `core.fit.step_names`.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import replace

from liftbite.core.fit.case import Case, opening_of
from liftbite.core.fit.own_steps import OwnPlace
from liftbite.core.fit.plan import Plan
from liftbite.core.fit.step import Step
from liftbite.core.fit.step_names import DRESS, IN, OUT, part_step_title
from liftbite.core.job.parts import PARTS

#: Steps between which a part goes in or comes out: of each the first that a plan has.
_INSIDE = (("gearbox_out", "measured", "parts_gate", "cautions"), ("prove_gearbox", "gearbox_in", "final_look"))
_OUTSIDE = (("parts_gate", "cautions"), ("final_look",))
#: A flywheel is dressed by steps of its own.
_CUT = "flywheel_sent"


def steps_of_parts(case: Case, plan: Plan, parts: Iterable[str]) -> list[OwnPlace]:
    """Steps for planned parts that no step of a plan takes, for parts that stay dressed, and for those left out.

    Parameters
    ----------
    case, plan : the plan without them
    parts : keys of parts that are planned to be got, or the shop's own names
    """
    steps = [planned.step for planned in plan.steps]
    takes = {part for step in steps if step.stretch not in ("before", "down") for part in step.parts}
    return [
        *(_placed(IN, part, plan) for part in parts if part not in takes and _carrier(part) not in takes),
        *_dressed(case, plan),
        *(
            _placed(OUT, part, plan)
            for part, fate in case.fates.items()
            if fate == "left_out" and f"{part}_out" not in plan.by_key
        ),
    ]


def _carrier(part: str) -> str:
    return PARTS[part].on if part in PARTS else ""


def _placed(way: str, part: str, plan: Plan) -> OwnPlace:
    """A step that puts a part in, or takes it out for good."""
    outside = part not in PARTS or opening_of(part) == 0
    after, before = _OUTSIDE if outside else _INSIDE
    step = Step(way + part, part_step_title(way + part), "back" if outside else "fit")
    if way == IN:
        step = replace(step, parts=(part,), part=part)
    return OwnPlace(step, _first(plan, after), _first(plan, before))


def _dressed(case: Case, plan: Plan) -> Iterator[OwnPlace]:
    for part, fate in case.fates.items():
        if fate != "dressed" or (part == "flywheel" and _CUT in plan.by_key):
            continue
        into = [p.key for p in plan.steps if part in p.step.parts or _carrier(part) == p.step.part != ""]
        if into:
            key, note = DRESS + part, "Read it again on the bench once it is dressed."
            step = Step(key, part_step_title(key), "clean", "bench", parts=(part,), evidence="sentence", note=note)
            yield OwnPlace(step, _first(plan, ("measured", *_INSIDE[0])), into[0])


def _first(plan: Plan, keys: Iterable[str]) -> str:
    return next((key for key in keys if key in plan.by_key), "")
