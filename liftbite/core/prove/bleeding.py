"""Ways to bleed a clutch's hydraulics, and how much fluid a stroke of the master moves.

- `Method`, `METHODS`   each with hands, time, what it takes, and its steps
- `step_named`           a step that was done
- `next_bleed`          what to do next
- `a_stroke`            fluid that a full stroke of the pedal moves, with its working
- `strokes_for`         strokes that move so much fluid
- `used_of`             fluid that was used: bottles opened less what is left in them

Fresh fluid of the grade the reservoir's cap names, the reservoir never dry, the hose's end under fluid, until no bubble
comes and the pedal is firm; then the slave's travel is measured against what the job works out, and it is bled again
until it frees.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import ceil

from liftbite.core.errors import UnreadableEntry
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.setup.calculation import mm
from liftbite.core.units.read import read
from liftbite.core.units.show import bare, figure

#: What every way asks for, first.
ALWAYS = (
    "Fresh fluid of the grade the cap names; some systems take mineral oil only and are ruined by brake fluid.",
    "Brake fluid hurts skin, eyes and paint: gloves, glasses, a tray and water at hand.",
    "A new slave is pushed out by hand first; the pedal is never pressed with the slave off.",
    "Where brakes share the reservoir, it never falls below their wall.",
)


#: So many rounds without freeing, and it is no air.
LOOPS = 4


@dataclass(frozen=True, slots=True)
class BleedStep:
    """A step of bleeding: what whoever is at the screw does, what the helper does, how long it is held [s]."""

    you: str
    helper: str = ""
    seconds: int = 0


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
    steps: tuple[BleedStep, ...]
    suits: str


def _do(you: str, helper: str = "", seconds: int = 0) -> BleedStep:
    return BleedStep(you, helper, seconds)


METHODS: Mapping[str, Method] = {
    m.name: m
    for m in (
        Method(
            "open",
            "Screw open, pumped",
            1,
            15,
            ("clear hose", "bottle with fluid"),
            (
                _do("Hose on the screw, its end under fluid; reservoir full"),
                _do("Screw open half a turn"),
                _do("Pump slowly ten times, all the way, then fill the reservoir up"),
                _do("Ten more: no bubble in the hose? If there is one, once more", seconds=60),
                _do("Pedal down, and screw shut"),
                _do("Level, cap, ten strokes: firm?"),
            ),
            "alone, with a hose that stays under fluid",
        ),
        Method(
            "helper",
            "Pump, hold, open, close",
            2,
            20,
            ("clear hose", "bottle"),
            (
                _do("Hose on the screw, its end under fluid; reservoir full", "Sit in; agree on the words"),
                _do("Wait for “held”", "Pump three times, hold it down, call “held”"),
                _do("Open a quarter turn, watch the bubbles, close", "Keep it down; call when it sinks to the floor"),
                _do("Call “up” only when the screw is shut", "Let it up slowly", seconds=5),
                _do("Again until no bubble comes; every fifth time fill up", "The same again"),
                _do("Screw tight, hose off, wiped", "Ten strokes: firm?"),
            ),
            "after a cylinder was renewed",
        ),
        Method(
            "pressure",
            "Pressure from the reservoir",
            1,
            15,
            ("pressure bottle, 10 to 20 psi, never above 20", "clear hose"),
            (
                _do("Reservoir full; the bottle's lid on; at most 1.4 bar (20 psi)"),
                _do("Look for leaks before anything is opened", seconds=60),
                _do("Screw open until the hose runs clear, tapping the line from the slave up", seconds=120),
                _do("Screw shut, then the pressure off, then the lid"),
                _do("Level, cap, ten strokes: firm?"),
            ),
            "where the line runs uphill, and for a concentric slave",
        ),
        Method(
            "vacuum",
            "Vacuum at the master",
            1,
            25,
            ("hand pump with a lid for the reservoir",),
            (
                _do("Lid on the reservoir, half full"),
                _do("Pull it down and hold: bubbles rise in the reservoir", seconds=300),
                _do("Let go slowly; tap the line from the slave up"),
                _do("Pull and hold once more", seconds=300),
                _do("And a third time", seconds=300),
                _do("Level, cap, ten strokes: firm?"),
            ),
            "when air stands at the top, under the master",
        ),
        Method(
            "gravity",
            "By itself, overnight",
            1,
            10,
            ("clear hose", "bottle"),
            (
                _do("Reservoir full, cap loose; hose on the screw, its end under fluid"),
                _do("Screw open until it drips without bubbles"),
                _do("Leave it, and never let it run dry", seconds=3600),
                _do("Screw shut, level, cap, ten strokes: firm?"),
            ),
            "when nothing hurries",
        ),
    )
}


def next_bleed(frees: str, tried: Sequence[str], hands: int) -> str:
    """What to do next: read the travel, go on, bleed another way, or look for what is not air.

    Parameters
    ----------
    frees : what the slave's travel came to: "reuse" where it frees, "put right" or "stop" where not, "" where not read
    tried : ways it was bled, in order
    hands : people there are

    >>> next_bleed("put right", ["open"], 1)
    'Bleed again: pressure from the reservoir, then read the travel once more.'
    """
    if not frees:
        return (
            "Read the slave's travel now: foot feel is no measure."
            if tried
            else "Bleed it, then read the slave's travel."
        )
    if frees == "reuse":
        return "It frees as it is: go on."
    left = [m for m in ("pressure", "helper", "vacuum", "open", "gravity") if m not in tried]
    able = [m for m in left if METHODS[m].hands <= hands] or left
    if not able or len(tried) >= LOOPS:
        return "Bled enough: it is no air. Look at what the travel names, then at master, line and slave."
    return f"Bleed again: {METHODS[able[0]].label.lower()}, then read the travel once more."


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
        f"the master, times its area of {bare(area, 'mm²', 1)} mm² = {bare(area * travel, 'mL', 2)} mL a full stroke"
    )


def strokes_for(build: Build, volume: float) -> int | None:
    """Full strokes of the pedal that move a volume of fluid [m³]; None where `a_stroke` cannot be said."""
    found = a_stroke(build)
    return None if found is None else ceil(volume / found[0])


def step_named(key: str) -> BleedStep:
    """A step that was done, `helper 2:3`: the way, which round of it, and which step.

    Raises
    ------
    UnreadableEntry : there is no such step

    >>> step_named("helper 2:3").helper
    'Keep it down; call when it sinks to the floor'
    """
    way, _, place = key.partition(" ")
    turn, _, number = place.partition(":")
    steps = METHODS[way].steps if way in METHODS else ()
    if not turn.isdecimal() or not number.isdecimal() or not 1 <= int(number) <= len(steps):
        raise UnreadableEntry(f"“{key}” is no step of bleeding")
    return steps[int(number) - 1]
