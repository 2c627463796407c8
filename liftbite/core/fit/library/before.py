"""Before anything is touched: cautions, what has to be at hand, room under the car."""

from __future__ import annotations

from liftbite.core.fit.step import Step

STEPS = (
    Step("cautions", "Read the cautions, and put a name under them", "before", hold=True, signed=True, minutes=3,
         note="The vehicle's manual, local codes and a qualified technician come before anything here.",
         hazards=("A raised vehicle, a heavy gearbox, stored spring force, spinning and hot parts, asbestos dust in old "
                  "facings, brake fluid and solvents, a live starter cable: each can injure or kill.",)),
    Step("parts_gate", "Lay out the parts: everything on the list is here, or it is known which step waits for it",
         "before", ("cautions",), note="A missing seal, pilot, one-time bolt or gasket is the commonest reason a job stops.",
         minutes=15),
    Step("tools_gate", "Lay out the tools: centring tool, torque wrench, extensions, jack for the gearbox",
         "before", ("cautions",), tools=("centring tool", "torque wrench", "long extensions", "gearbox jack"),
         when=lambda c: c.car and c.opens),
    Step("free_height", "Measure the free height: car on its lift or stands against the gearbox on its jack", "before",
         ("cautions",), evidence="reading", when=lambda c: c.car and c.opens,
         note="From the floor to the sump, less the jack at its lowest and the height of the gearbox."),
    Step("shafts_turn", "Brake and gear set so that the shafts can be turned", "before", ("cautions",),
         when=lambda c: c.car and c.opens and not c.is_("kind", "transverse"), minutes=2),
)  # fmt: skip
