"""What can injure or kill on a job, before anything is touched."""

from __future__ import annotations

from liftbite.core.fit.case import Case

_DRY = ("Old facings may hold asbestos: wear a mask; wipe wet, never blow or brush the dust out.",)
_WET = (
    "Used oil harms skin: gloves. Oil on the floor or a tyre brings a machine down.",
    "Old friction plates may hold asbestos: keep them wet, never blow them dry.",
)
_FLUID = (
    "Brake fluid harms eyes, skin and paint; water at hand. A reservoir shared with the brakes is never emptied.",
)
_FUEL = ("Fuel: engine cold, nothing that sparks, an extinguisher at hand. Nobody under a hoist.",)


def cautions_of(case: Case) -> tuple[str, ...]:
    """What can injure or kill in a case.

    >>> bench = Case({"kind": "bench"}, True, False, False, False, 1, "", {}, {})
    >>> cautions_of(bench)[0]
    'An engine or gearbox that tips off its stand, spinning parts, solvents: each can injure.'
    """
    if case.is_("kind", "bench"):
        held = "An engine or gearbox that tips off its stand, spinning parts, solvents: each can injure."
    elif case.car:
        held = "A raised vehicle, a live starter cable, spinning and hot parts, solvents: each can injure or kill."
    else:
        held = "A machine that falls off its stand, hot oil, spinning parts, solvents: each can injure."
    inside: tuple[str, ...] = ()
    if case.opens and case.car:
        inside = ("A heavy gearbox on a jack; the spring force stored in the cover.", *_DRY)
    elif case.opens:
        inside = ("The force stored in the springs.", *(_DRY if case.is_("runs", "dry") else _WET))
    fuel = _FUEL if case.is_("kind", "engine_out") else ()
    return (held, *inside, *fuel, *(_FLUID if case.bleeds else ()))
