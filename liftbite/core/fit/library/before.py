"""Before anything is touched: cautions, what has to be at hand, room under the car."""

from __future__ import annotations

from liftbite.core.fit.case import Case
from liftbite.core.fit.step import Step

_DRY = ("Old facings may hold asbestos: never blown or brushed dry, wiped wet, its dust breathed by nobody.",)
_WET = (
    "Used oil harms skin: gloves. Oil on the floor or a tyre brings a machine down.",
    "Old friction plates may hold asbestos: kept wet, never blown dry.",
)
_FLUID = (
    "Brake fluid harms eyes, skin and paint; water at hand. A reservoir shared with the brakes is never emptied.",
)


def _cautions(case: Case) -> tuple[str, ...]:
    """What can injure or kill in a case, before anything is touched."""
    held = (
        ("A raised vehicle, a live starter cable, spinning and hot parts, solvents: each can injure or kill.",)
        if case.car
        else ("A machine that falls off its stand, hot oil, spinning parts, solvents: each can injure.",)
    )
    inside = (
        ()
        if not case.opens
        else ("A heavy gearbox on a jack; the spring force stored in the cover.", *_DRY)
        if case.car
        else ("The force stored in the springs.", *_WET)
    )
    return (*held, *inside, *(_FLUID if case.line_open else ()))


STEPS = (
    Step(
        "cautions",
        "Read the cautions, and put a name under them",
        "before",
        hold=True,
        signed=True,
        minutes=3,
        note="The vehicle's manual, local codes and a qualified technician come before anything here.",
        hazards_of=_cautions,
    ),
    Step(
        "parts_gate",
        "Lay out the parts: everything on the list is here, or it is known which step waits for it",
        "before",
        ("cautions",),
        note="A missing seal, pilot, one-time bolt or gasket is the commonest reason a job stops.",
        minutes=15,
    ),
    Step(
        "tools_gate",
        "Lay out the tools: centring tool, torque wrench, extensions, jack for the gearbox",
        "before",
        ("cautions",),
        tools=("centring tool", "torque wrench", "long extensions", "gearbox jack"),
        when=lambda c: c.car and c.opens,
    ),
    Step(
        "free_height",
        "Measure the free height: car on its lift or stands against the gearbox on its jack",
        "before",
        ("cautions",),
        evidence="reading",
        when=lambda c: c.car and c.opens,
        note="From the floor to the sump, less the jack at its lowest and the height of the gearbox.",
    ),
    Step(
        "shafts_turn",
        "Brake and gear set so that the shafts can be turned",
        "before",
        ("cautions",),
        when=lambda c: c.car and c.opens and not c.is_("kind", "transverse"),
        minutes=2,
    ),
)
