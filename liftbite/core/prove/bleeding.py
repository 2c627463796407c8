"""Ways to bleed a clutch's hydraulics, and how much fluid a stroke of the master moves.

- `Method`, `METHODS`   each with hands, time, what it takes, and its steps
- `a_stroke`            fluid that a full stroke of the pedal moves, with its working
- `strokes_for`         strokes that move so much fluid
- `used_of`             fluid that was used: bottles opened less what is left in them

Fresh fluid of the grade the reservoir's cap names, the reservoir never dry, the hose's end under fluid, until no bubble
comes and the pedal is firm; then the slave's travel is measured against what the job works out, and it is bled again
until it frees.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from math import ceil

from liftbite.core.errors import UnreadableEntry
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.setup.calculation import mm
from liftbite.core.units.read import read
from liftbite.core.units.show import figure

#: What every way asks for, first.
ALWAYS = (
    "Fresh fluid of the grade the cap names; some systems take mineral oil only and are ruined by brake fluid.",
    "Brake fluid hurts skin, eyes and paint: gloves, glasses, a tray and water at hand.",
    "A new slave is pushed out by hand first; the pedal is never pressed with the slave off.",
    "Where brakes share the reservoir, it never falls below their wall.",
)


@dataclass(frozen=True, slots=True)
class Method:
    """A way to bleed.

    Attributes
    ----------
    name, label : in the record, on screen
    hands : people it takes
    minutes : about how long [min], round figures of the trade from memory
    takes : tools
    steps : in order
    suits : when it is the one to take
    """

    name: str
    label: str
    hands: int
    minutes: int
    takes: tuple[str, ...]
    steps: tuple[str, ...]
    suits: str


METHODS: Mapping[str, Method] = {m.name: m for m in (
    Method("open", "Screw open, pumped", 1, 15, ("clear hose", "bottle with fluid"),
           ("Hose on the screw, its end under fluid", "Screw open half a turn",
           "Pump slowly, fill up every ten strokes",
            "No bubble for ten strokes: screw shut with the pedal down", "Level, cap, ten strokes: firm?"),
           "alone, with a hose that stays under fluid"),
    Method("helper", "Pump, hold, open, close", 2, 20, ("clear hose", "bottle"),
           ("Helper pumps three times and holds", "Open: the pedal sinks", "Close before it is let up",
            "Again until no bubble comes; fill up every five times"), "after a cylinder was renewed"),
    Method("pressure", "Pressure from the reservoir", 1, 15, ("pressure bottle, 10 to 20 psi, never above 20",
           "clear hose"),
           ("Cap with the bottle's lid; at most 1.4 bar", "Screw open until the hose runs clear",
           "Shut, let the pressure off, level"),
           "where the line runs uphill, and for a concentric slave"),
    Method("vacuum", "Vacuum at the master", 1, 25, ("hand pump with a lid for the reservoir",),
           ("Pull the reservoir down and hold for five minutes", "Let go slowly; tap the line from the slave up",
           "Three times, then level"),
           "when air stands at the top, under the master"),
    Method("gravity", "By itself, overnight", 1, 10, ("clear hose", "bottle"),
           ("Reservoir full, cap loose", "Screw open until it drips without bubbles, then leave it",
           "Never let it run dry; shut and level"),
           "when nothing hurries"),
)}  # fmt: skip


def used_of(bottles: str, left: str) -> float | None:
    """Fluid that was used [m³]: what the bottles held that were opened, less what is left; None where neither was said.

    Raises
    ------
    UnreadableEntry : no volume, pints or ounces of no country, or more left than there was

    >>> round(used_of("2 US pt", "300 mL") * 1e6)
    646
    """
    if not bottles.strip():
        if left.strip():
            raise UnreadableEntry("Bled: say what the bottles held as well")
        return None
    held = float(read(bottles, "m³", "mL").si)
    rest = float(read(left, "m³", "mL").si) if left.strip() else 0.0
    if not 0 <= rest <= held:
        raise UnreadableEntry(f"Bled: {left.strip()} cannot be left of {bottles.strip()}")
    return held - rest


def a_stroke(build: Build) -> tuple[float, str] | None:
    """Fluid that a full stroke of the pedal moves [m³], and how that comes about; None where it cannot be said.

    V = A_m · ((x_pedal − x_free)/R_p − x_port)

    Source: [geometry: piston area times its travel].
    """
    names = ("master_area", "pedal_stroke", "pedal_free_play", "pedal_ratio", "port_travel")
    v = build.evaluate(names)
    if any(isinstance(v[name], Needs | Refused) for name in names):
        return None
    area, stroke, play, ratio, port = (float(v[name]) for name in names)
    travel = (stroke - play) / ratio - port
    if travel <= 0:
        return None
    return area * travel, (
        f"({mm(stroke)} − {mm(play)} of free play)/{figure(ratio)} − {mm(port)} to close the port = {mm(travel)} mm of "
        f"the master, times its area of {figure(area * 1e6)} mm² = {figure(area * travel * 1e6, 3)} mL a full stroke"
    )


def strokes_for(build: Build, volume: float) -> int | None:
    """Full strokes of the pedal that move a volume of fluid [m³]; None where `a_stroke` cannot be said."""
    found = a_stroke(build)
    return None if found is None else ceil(volume / found[0])
