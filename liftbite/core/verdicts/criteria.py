"""What each answer is judged by: one table, for the verdict of a job and for the finder's candidates alike.

- `Criterion`   one row: a quantity, the states it is looked at in, what is needed, how grave it is, and the words
- `CRITERIA`, `criteria_of`   all of them, by question, in the order they are told
- `ASKS`        what to type where an answer is softened because something is only assumed
- `LOW`, `NOMINAL`, `HIGH`   places in the friction band

`verdicts.looked` works the rows out.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from functools import cache, cached_property
from typing import NamedTuple

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.job.build import Build
from liftbite.core.job.choices import CHOICES, OTHER_SIDE
from liftbite.core.job.inputs import INPUTS
from liftbite.core.units.sentence import both, both_fine
from liftbite.core.units.show import figure
from liftbite.core.verdicts.verdict import Answer, Question

LOW, NOMINAL, HIGH = -1.0, 0.0, 1.0
#: State -> its value, or the quantity whose value it takes.
State = Mapping[str, "float | str"]
Figures = Mapping[str, float]
Says = Callable[[Figures, Build], str]


class Case(NamedTuple):
    """A state at a place of the friction band, and what tells it from others."""

    state: State
    friction: float
    key: tuple[float, str]


@dataclass(frozen=True, eq=False)
class Criterion:
    """Something an answer is judged by.

    Attributes
    ----------
    question : which answer
    link : the quantity a builder is led to
    label : what he calls it
    value : quantity that is judged
    need : what it has to reach, a figure or a quantity; `most` turns it round
    says : the comparison in words, from the figures
    states : the states it is looked at in, of which the worst counts; those that cannot be worked out are left out
    friction : place in the friction band
    band : True where the whole friction band has to reach it, not only its nominal; its worst place is shown
    most : True where the value may be as large as `need`, not larger
    bad_below : value below which the answer is bad rather than short; with `most` the reserve below which it is
    short : the answer where it falls short; the question's middle word where empty
    told : True where it is told and judged by nobody: a question of life, a mishap
    shows : figure that is shown for it and the limit it may reach, two quantities of one unit; `value` and `need`
        where empty
    whose : whose limit it is; the source of `need` where empty
    softened : inputs of which none may be assumed for the answer to be bad; it falls short then
    outranked : input that takes its place where it has a value
    unless : trait with which it cannot be looked at
    uses : quantities the words need besides
    only : quantity and the value it must have for the row to count
    silent : True where the answer has words of its own for it
    if_clear : True where nothing is said of a row that cannot be looked at
    excludes : what the finder counts those it leaves out under
    works : True where it counts also for a candidate that only has to work, not to be good
    """

    question: Question
    link: str
    label: str
    value: str
    need: float | str
    says: Says
    states: tuple[State, ...] = field(default_factory=lambda: ({},))
    friction: float = NOMINAL
    band: bool = False
    most: bool = False
    bad_below: float | None = None
    short: Answer | None = None
    told: bool = False
    shows: tuple[str, str] | None = None
    whose: str = ""
    softened: tuple[str, ...] = ()
    outranked: str = ""
    unless: str = ""
    uses: tuple[str, ...] = ()
    only: tuple[str, float] | None = None
    silent: bool = False
    if_clear: bool = False
    excludes: str = ""
    works: bool = False

    @cached_property
    def names(self) -> tuple[str, ...]:
        """The quantities it needs to be judged."""
        return (self.value, self.need) if isinstance(self.need, str) else (self.value,)

    @cached_property
    def wants(self) -> tuple[str, ...]:
        """The quantities it needs to be judged and told."""
        return (*self.names, *self.uses, *(self.shows or ()))

    @property
    def places(self) -> tuple[float, ...]:
        """The places of the friction band it is looked at in."""
        return (LOW, NOMINAL, HIGH) if self.band else (self.friction,)

    @cached_property
    def cases(self) -> tuple[Case, ...]:
        """All that it is looked at in: every state at every place of the friction band."""
        return tuple(Case(state, place, (place, repr(state))) for state in self.states for place in self.places)

    def counts(self, build: Build) -> bool:
        """True where the arrangement works its quantity out, or where that is something a builder enters."""
        return self.value in build.graph.functions or self.value in INPUTS

    def reserve(self, value: Values, need: Values) -> Values:
        """Value over what is needed, or turned round; below 1 falls short [-]."""
        reserve: Values = need / np.maximum(value, 1e-9) if self.most else value / need
        return reserve


def _engine(build: Build) -> str:
    return "planned engine" if build.has_plan else "engine"


def _asks(v: Figures, build: Build) -> str:
    use = CHOICES["use"].option(build.chosen.options.get("use", ""))
    asked = figure(v["use_factor"], 3)
    return f"{use.label.lower()} asks for {asked}" if use else f"{asked} is asked for"


def _times(words: str, quantity: str) -> Says:
    """Words with `{}` for how many times what is needed there is."""
    return lambda v, _: words.format(figure(v[quantity], 3))


def _holds(where: Callable[[Figures], str], quantity: str = "bite_margin") -> Says:
    return lambda v, build: f"{where(v)} it holds {figure(v[quantity], 3)} times the {_engine(build)}'s torque"


def _stop(words: str, quantity: str) -> Says:
    return lambda v, _: words.format(both(v[quantity], "m"))


def _floater(v: Figures, _: Build) -> str:
    inner, outer = v["inner_gap"], v["outer_gap"]
    left = both_fine(max(min(inner, outer), 0.0), "m")
    which, margin = "inner" if inner < outer else "outer", v["floater_margin"]
    room = "which its wobble takes up" if margin < 0.005 else f"{figure(margin, 3)} times what just frees it"
    return f"leaves the {which} disc {left} for its two faces, {room}"


def _hot(quantity: str, limit: str, how: str) -> Says:
    return lambda v, _: f"{both(v[quantity], 'K')} where the facing stands {both(v[limit], 'K')} for {how}"


def _burst(v: Figures, _: Build) -> str:
    return f"near {both(v['burst_speed'], 'rad/s', 3)}, {figure(v['burst_margin'], 2)} times the redline"


def _balance(v: Figures, _: Build) -> str:
    pulls = both(v["unbalance_force"], "N")
    return f"the grade allows {figure(v['balance_margin'], 3)} times what is left, which pulls with {pulls}"


def _out_of_true(reading: str, limit: str, words: str) -> Says:
    return lambda v, _: f"{words} {both_fine(v[reading], 'm')}; {both_fine(v[limit], 'm')} is allowed"


def _in_pilot(v: Figures, _: Build) -> str:
    depth, length = v["pilot_engagement"], both_fine(v["pilot_length"], "m")
    if depth <= 0:
        return f"does not reach its pilot, {both_fine(-depth, 'm')} short"
    return f"enters its pilot by {both_fine(depth, 'm')} of {length}"


#: What a lift has to reach new, comfortably, and at the wear limit, just freeing.
LIFT_NEW, LIFT_WORN = 1.1, 1.0
_LIFT = "common practice: 1.1 new, 1.0 at the wear limit"
#: Proof over preload from which a bolt is plausible, and below which it is refused: 90 % and 110 % of proof.
PROOF_GOOD, PROOF_BAD = 1 / 0.9, 1 / 1.1
_WORN: State = {"wear": "wear_limit"}
_AT_PEAK: State = {"spring_clamp": "spring_peak_clamp"}


def _fuse(margin: str, label: str, words: str) -> Criterion:
    """A part that breaks where the clutch does not slip: high friction, highest clamp."""
    return Criterion("bite", margin, label, margin, 1.0, _times(words, margin), ({}, _AT_PEAK), HIGH,
                     short="look again", excludes="fuse",
                     whose="what the clutch can pass; more bite moves the break to shaft and gearbox")  # fmt: skip


def _told(question: Question, margin: str, label: str, says: Says, shows: tuple[str, str]) -> Criterion:
    """Something that is said and that nothing hangs on."""
    return Criterion(question, margin, label, margin, 1.0, says, told=True, shows=shows, if_clear=True)


def _over(value: str, limit: str, link: str, label: str, says: Says, excludes: str, *,
          states: tuple[State, ...] = ({},), works: bool = False) -> Criterion:  # fmt: skip
    """Something that must not get larger than a limit; over it, it is looked at again."""
    return Criterion("lift", link, label, value, limit, says, states, most=True, short="look again", if_clear=True,
                     excludes=excludes, works=works)  # fmt: skip


def _safe(margin: str, label: str, words: str, *, need: float = 1.0, bad_below: float | None = 1.0, whose: str = "",
          softened: tuple[str, ...] = ()) -> Criterion:  # fmt: skip
    """What could let go at speed."""
    return Criterion("true", margin, label, margin, need, _times(words, margin), friction=HIGH, bad_below=bad_below,
                     whose=whose, softened=softened, excludes="true")  # fmt: skip


def _swept(name: str, label: str, reading: str = "", words: str = "runs out") -> Criterion:
    """Something out of true: over its limit it is put right before it goes in."""
    margin, reading = f"{name}_margin", reading or f"{name}_runout"
    return Criterion("true", margin, label, margin, 1.0, _out_of_true(reading, f"{name}_limit", words), friction=HIGH,
                     shows=(reading, f"{name}_limit"), excludes="true")  # fmt: skip


def _end(value: str, link: str, label: str, words: str, excludes: str, *, works: bool = False) -> Criterion:
    """Where the stroke ends before the pedal does."""
    return Criterion("lift", link, label, value, "pedal_stroke", _stop(words, value), short="look again",
                     excludes=excludes, works=works)  # fmt: skip


def _strength(row: Criterion) -> Criterion:
    """A row of the flywheel's own strength: a certified speed outranks it, a dual-mass one is its maker's business."""
    return replace(row, outranked="certified_speed", unless="dual-mass flywheel")


_FACE = (
    Criterion("heat", "heat_margin", "surface in the last start", "heat_margin", 1.0,
              _hot("surface_temperature", "brief_temperature", "moments"), band=True, bad_below=1.0,
              shows=("surface_temperature", "brief_temperature"), excludes="heat", works=True),
    Criterion("heat", "sustained_margin", "plate between starts", "sustained_margin", 1.0,
              _hot("base_temperature", "sustained_temperature", "long"), band=True, bad_below=1.0,
              shows=("base_temperature", "sustained_temperature"), excludes="heat", works=True),
    Criterion("heat", "energy_margin", "heat per area", "energy_margin", 1.0,
              lambda v, _: f"{both(v['specific_energy'], 'J/m²')} each start",
              shows=("specific_energy", "specific_energy_limit"), excludes="heat"),
    _told("heat", "pressure_margin", "face pressure",
          lambda v, _: f"{both(v['mean_pressure'], 'Pa')} where {both(v['pressure_limit'], 'Pa')} is usual; "
                       + ("more wears a facing sooner" if v["pressure_margin"] < 1 else "the facing lasts"),
          ("mean_pressure", "pressure_limit")),
    Criterion("heat", "mean_pressure", "face pressure, maker's limit", "mean_pressure", "pressure_hard_limit",
              lambda v, _: f"{both(v['mean_pressure'], 'Pa')}; the facing's maker allows "
                           f"{both(v['pressure_hard_limit'], 'Pa')}",
              most=True, bad_below=1.0, if_clear=True, excludes="pressure", works=True),
)  # fmt: skip


def _of_other_side(row: Criterion) -> Criterion:
    """A row of a face, of the other side of a disc whose sides differ; it has the maker's limit in common."""

    def other(name: str) -> str:
        return OTHER_SIDE.get(name, name)

    def says(v: Figures, build: Build) -> str:
        return row.says({**v, **{n: v[other(n)] for n in OTHER_SIDE if other(n) in v}}, build)

    return replace(
        row, link=other(row.link), label=f"{row.label}, plate side", value=other(row.value), says=says,
        need=other(row.need) if isinstance(row.need, str) else row.need, if_clear=True,
        shows=None if row.shows is None else (other(row.shows[0]), other(row.shows[1])),
        uses=tuple(other(n) for n in row.uses),
    )  # fmt: skip


_OWN = "the engine's own torque"
_MATERIAL = ("flywheel_strength", "flywheel_tensile")
#: Inputs whose typing lets a stop be one, and what is said while they are assumed.
ASKS: Mapping[str, str] = dict.fromkeys(_MATERIAL, "type the material's strength, or the wheel's certified speed")

CRITERIA: tuple[Criterion, ...] = (
    Criterion("bite", "bite_margin", "torque reserve", "bite_margin", "use_factor",
              lambda v, build: f"{_holds(lambda _: 'at nominal friction')(v, build)}; {_asks(v, build)}",
              bad_below=1.0, excludes="bite", works=True),
    Criterion("bite", "bite_margin", "low friction", "bite_margin", 1.0, _holds(lambda _: "at low friction"),
              friction=LOW, whose=_OWN, excludes="bite", works=True),
    Criterion("bite", "bite_margin", "low friction, hot", "bite_margin", 1.0,
              _holds(lambda v: f"at low friction and {both(v['facing_temperature'], 'K')}, as hot as its use gets it,"),
              ({"facing_temperature": "hot_temperature"},), LOW, whose=_OWN, if_clear=True, excludes="hot"),
    _fuse("shaft_margin", "input shaft", "carries {} times what the clutch can pass at high friction"),
    _fuse("spline_margin", "splines", "carry {} times what the clutch can pass at high friction"),
    replace(_fuse("damper_margin", "torsion damper", "its stops take {} times the engine's torque and a fifth"),
            whose="its stops, against the engine's torque and a fifth"),

    Criterion("lift", "lift_margin", "lift at a comfortable gap", "lift_margin", LIFT_NEW,
              _times(f"{{}} times what is needed; {LIFT_NEW} is asked for", "lift_margin"), whose=_LIFT,
              excludes="comfort"),
    Criterion("lift", "least_lift_margin", "lift at the least gap", "least_lift_margin", 1.0,
              _times("{} times what just frees", "least_lift_margin"), bad_below=1.0, whose=_LIFT, excludes="lift",
              works=True),
    Criterion("lift", "least_lift_margin", "lift at the wear limit", "least_lift_margin", LIFT_WORN,
              _times("{} times what just frees", "least_lift_margin"), (_WORN,), whose=_LIFT, if_clear=True,
              excludes="comfort"),
    _over("peak_pedal_effort", "effort_limit", "pedal_effort", "effort",
          lambda v, _: f"takes {both(v['peak_pedal_effort'], 'N')}; {both(v['effort_limit'], 'N')} is allowed",
          "effort", states=({}, _WORN), works=True),
    _over("peak_line_pressure", "pressure_rating", "line_pressure", "line pressure",
          lambda v, _: f"reaches {both(v['peak_line_pressure'], 'Pa')}; "
                       f"the cylinders stand {both(v['pressure_rating'], 'Pa')}", "strokes"),
    _end("pedal_at_overtravel", "plate_lift_limit", "overtravel", "fingers bend beyond {}; set a pedal stop there",
         "overtravel", works=True),
    _end("pedal_at_master_stop", "master_stroke", "master stroke", "the master bottoms at {} of pedal", "strokes"),
    _end("pedal_at_slave_stop", "slave_stroke", "slave stroke",
         "the slave runs out at {} of pedal; set a pedal stop before it", "strokes"),
    replace(_end("pedal_at_sleeve_end", "bearing_reserve", "bearing on its sleeve",
                 "the bearing comes off its sleeve at {} of pedal: reserve and stroke add up; spacers or a pedal stop",
                 "strokes"), if_clear=True),
    Criterion("lift", "return_margin", "the way back", "return_margin", 1.0,
              lambda v, _: f"brings the pedal back with {both(v['least_pedal_return'], 'N')} where it is least; seals "
                           f"and pivots take {both(v['pedal_drag'], 'N')}",
              short="look again", shows=("least_pedal_return", "pedal_drag"), uses=("least_pedal_return", "pedal_drag"),
              if_clear=True, excludes="effort"),
    Criterion("lift", "fluid_wet_boiling", "fluid", "fluid_margin", 1.0,
              lambda v, _: f"old fluid boils at {both(v['fluid_wet_boiling'], 'K')}; "
                           f"the housing is at {both(v['ambient_temperature'], 'K')}",
              short="look again", shows=("ambient_temperature", "fluid_wet_boiling"),
              uses=("fluid_wet_boiling", "ambient_temperature"), if_clear=True, excludes="strokes"),
    Criterion("lift", "floater_margin", "floater", "floater_margin", 1.0, _floater, bad_below=1.0,
              uses=("inner_gap", "outer_gap"), only=("disc_count", 2.0), whose="the gap that just frees a face",
              excludes="floater"),

    Criterion("heat", "start_settles", "the start", "start_settles", 1.0, lambda _v, _b: "locks", band=True,
              bad_below=1.0, silent=True, excludes="stalls", works=True),
    *_FACE,
    *(_of_other_side(row) for row in _FACE),

    Criterion("true", "certified_margin", "certified speed", "certified_margin", 1.15,
              _times("{} times the redline is certified by its maker", "certified_margin"), friction=HIGH,
              bad_below=1.0, whose="the maker's certificate; 15 % over the redline", if_clear=True, excludes="true"),
    _strength(replace(_safe("burst_margin", "burst speed", "", need=2.0, bad_below=1.5, softened=_MATERIAL,
                            whose="2 times the redline and more is good, below 1.5 it is not run"),
                      says=_burst, uses=("burst_speed",))),
    _strength(_safe("elastic_margin", "stress at the bore", "{} times what 15 % over the redline needs",
                    bad_below=None, whose="elastic with its factor at 15 % over the redline")),
    _strength(_safe("yield_margin", "yield at the bore", "its strength is {} times the stress at 15 % over the redline",
                    softened=_MATERIAL, whose="it may not yield at 15 % over the redline")),
    _told("true", "disc_speed_margin", "disc in a missed shift",
          lambda v, _: f"would turn at {both(v['disc_speed_missed_shift'], 'rad/s')}; "
                       f"burst-tested to {both(v['disc_burst_speed'], 'rad/s')}",
          ("disc_speed_missed_shift", "disc_burst_speed")),
    replace(_safe("balance_margin", "balance", "", bad_below=None, whose="the balance grade"), says=_balance,
            shows=("residual_unbalance", "permissible_unbalance"), uses=("unbalance_force",)),
    replace(_safe("gross_balance_margin", "gross unbalance", "{} times G 40 is left before it is not run",
                  softened=("residual_unbalance",), whose="G 40, common practice"), if_clear=True),
    _safe("joint_margin", "flywheel joint", "{} times what it has to carry", bad_below=2 / 3,
          whose="one and a half times the engine's torque, or what the clutch passes"),
    _safe("proof_margin", "flywheel bolts", "proof load is {} times the preload", need=PROOF_GOOD, bad_below=PROOF_BAD,
          whose="90 % of proof is usual, over 110 % is refused", softened=("bolt_proof_strength",)),
    _swept("housing_bore", "bell housing bore"),
    _swept("housing_face", "gearbox face"),
    _swept("flywheel_face", "flywheel face"),
    Criterion("true", "pilot_margin", "shaft in its pilot", "pilot_margin", 1.0, _in_pilot, friction=HIGH,
              bad_below=1e-6, shows=("pilot_engagement", "pilot_length"), uses=("pilot_engagement", "pilot_length"),
              whose="the whole pilot carries the shaft, common practice", if_clear=True, excludes="true"),
    Criterion("true", "pilot_room_margin", "shaft's nose", "pilot_room_margin", 1.0,
              lambda v, _: f"goes {both_fine(v['pilot_engagement'], 'm')} deep where {both_fine(v['pilot_room'], 'm')} "
                           "is room" + ("; it meets the bottom" if v["pilot_room_margin"] <= 1 else ""),
              friction=HIGH, bad_below=1.0, shows=("pilot_engagement", "pilot_room"),
              uses=("pilot_engagement", "pilot_room"), whose="clear of the bottom", if_clear=True, excludes="true"),
    _swept("plain_warp", "plain plates", "plain_warp", "the worst is warped by"),
    _swept("push_rod", "push rod", "push_rod_bow", "is bowed by"),
)  # fmt: skip


@cache
def criteria_of(question: Question) -> tuple[Criterion, ...]:
    """The rows of a question, in the order they are told."""
    return tuple(c for c in CRITERIA if c.question == question)
