"""What each answer is judged by: one table, for the verdict of a job and for the finder's candidates alike.

- `Criterion`   one row: a quantity, the states it is looked at in, what is needed, how grave it is, and the words
- `CRITERIA`    all of them, by question, in the order they are told
- `Looked`, `look`   the rows of a question worked out for a job: links, what could not be looked at
- `reserves`    a row worked out for many candidates at once
- `LOW`, `NOMINAL`, `HIGH`   places in the friction band

A row is worked out by the same functions whether its values are single figures or arrays, so the finder keeps a
candidate exactly where every row of its job is met.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field

import numpy as np

from liftbite.core.graph.graph import Known, Needs, Refused, Values
from liftbite.core.job.build import Build, both, both_fine
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.units.show import figure
from liftbite.core.verdicts.verdict import Link, Question

LOW, NOMINAL, HIGH = -1.0, 0.0, 1.0
#: State -> its value, or the quantity whose value it takes.
State = Mapping[str, "float | str"]
Figures = Mapping[str, float]
Says = Callable[[Figures, Build], str]


@dataclass(frozen=True, slots=True)
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
    band : True where the whole friction band has to reach it, not only its nominal
    most : True where the value may be as large as `need`, not larger
    bad_below : value below which the answer is bad rather than thin
    uses : quantities the words need besides
    only : quantity and the value it must have for the row to count
    if_clear : True where nothing is said of a row that cannot be looked at
    moves : quantity that has to be above 1e-6 for the row to be told: a clamp that stays is no news
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
    uses: tuple[str, ...] = ()
    only: tuple[str, float] | None = None
    if_clear: bool = False
    moves: str = ""
    excludes: str = ""
    works: bool = False

    @property
    def names(self) -> tuple[str, ...]:
        """The quantities it needs to be judged."""
        return (self.value, self.need) if isinstance(self.need, str) else (self.value,)

    @property
    def wants(self) -> tuple[str, ...]:
        """The quantities it needs to be judged and told."""
        return (*self.names, *self.uses, *((self.moves,) if self.moves else ()))

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
    which, times = "inner" if inner < outer else "outer", figure(v["floater_margin"], 3)
    return f"leaves the {which} disc {left} for its two faces, {times} times what just frees it"


def _hot(quantity: str, limit: str, how: str) -> Says:
    return lambda v, _: f"{both(v[quantity], 'K')} where the facing stands {both(v[limit], 'K')} for {how}"


def _runout(name: str) -> Says:
    runout, limit = f"{name}_runout", f"{name}_limit"
    return lambda v, _: f"runs out {both_fine(v[runout], 'm')}; {both_fine(v[limit], 'm')} is allowed"


#: What a lift has to reach new, comfortably, and at the wear limit, just freeing.
LIFT_NEW, LIFT_WORN = 1.1, 1.0
_WORN: State = {"wear": "wear_limit"}
_AT_PEAK: State = {"spring_clamp": "spring_peak_clamp"}


def _fuse(margin: str, label: str, words: str) -> Criterion:
    """A part that breaks where the clutch does not slip: high friction, highest clamp."""
    return Criterion("bite", margin, label, margin, 1.0, _times(words, margin), ({}, _AT_PEAK), HIGH, if_clear=True,
                     excludes="fuse")  # fmt: skip


def _safe(margin: str, label: str, words: str) -> Criterion:
    """What could let go at speed: it stops the job."""
    return Criterion("true", margin, label, margin, 1.0, _times(words, margin), friction=HIGH, bad_below=1.0,
                     excludes="true")  # fmt: skip


def _swept(name: str, label: str) -> Criterion:
    """A runout: over its limit it is put right before the gearbox goes in."""
    margin = f"{name}_margin"
    return Criterion("true", margin, label, margin, 1.0, _runout(name), friction=HIGH,
                     uses=(f"{name}_runout", f"{name}_limit"), excludes="true")  # fmt: skip


def _end(value: str, link: str, label: str, words: str, excludes: str, *, works: bool = False) -> Criterion:
    """Where the stroke ends before the pedal does."""
    return Criterion("lift", link, label, value, "pedal_stroke", _stop(words, value), excludes=excludes, works=works)


CRITERIA: tuple[Criterion, ...] = (
    Criterion("bite", "bite_margin", "torque reserve", "bite_margin", "use_factor",
              lambda v, build: f"{_holds(lambda _: 'at low friction')(v, build)}; {_asks(v, build)}",
              friction=LOW, bad_below=1.0, excludes="bite", works=True),
    Criterion("bite", "pressure_margin", "face pressure", "pressure_margin", 1.0,
              lambda v, _: f"the facing is pressed with {both(v['mean_pressure'], 'Pa')}; "
                           f"its limit is {both(v['pressure_limit'], 'Pa')}",
              friction=LOW, uses=("mean_pressure", "pressure_limit"), excludes="pressure", works=True),
    Criterion("bite", "clamp_load", "clamp over wear", "lowest_bite_margin", "use_factor",
              _holds(lambda _: "at its lowest over the life of the facings", "lowest_bite_margin"),
              friction=LOW, if_clear=True, moves="clamp_swing", excludes="life"),
    Criterion("bite", "friction_coefficient", "hot friction", "bite_margin", 1.0,
              _holds(lambda v: f"at {both(v['facing_temperature'], 'K')}"),
              ({"facing_temperature": "surface_temperature"},), LOW, uses=("use_factor",), if_clear=True,
              excludes="hot"),
    _fuse("shaft_margin", "input shaft", "carries {} times what the clutch can pass at high friction"),
    _fuse("spline_margin", "splines", "carry {} times what the clutch can pass at high friction"),
    _fuse("damper_margin", "torsion damper", "its stops take {} times the engine's torque and a fifth"),

    Criterion("lift", "lift_margin", "lift at a comfortable gap", "lift_margin", LIFT_NEW,
              _times(f"{{}} times what is needed; {LIFT_NEW} is asked for", "lift_margin"), excludes="comfort"),
    Criterion("lift", "least_lift_margin", "lift at the least gap", "least_lift_margin", 1.0,
              _times("{} times what just frees", "least_lift_margin"), bad_below=1.0, excludes="lift", works=True),
    Criterion("lift", "least_lift_margin", "lift at the wear limit", "least_lift_margin", LIFT_WORN,
              _times("{} times what just frees", "least_lift_margin"), (_WORN,), if_clear=True, excludes="comfort"),
    Criterion("lift", "pedal_effort", "effort", "peak_pedal_effort", "effort_limit",
              lambda v, _: f"takes {both(v['peak_pedal_effort'], 'N')}; {both(v['effort_limit'], 'N')} is allowed",
              ({}, _WORN), most=True, if_clear=True, excludes="effort", works=True),
    Criterion("lift", "line_pressure", "line pressure", "peak_line_pressure", "pressure_rating",
              lambda v, _: f"reaches {both(v['peak_line_pressure'], 'Pa')}; "
                           f"the cylinders stand {both(v['pressure_rating'], 'Pa')}",
              most=True, if_clear=True, excludes="strokes"),
    _end("pedal_at_overtravel", "plate_lift_limit", "overtravel", "fingers bend beyond {}; set a pedal stop there",
         "overtravel", works=True),
    _end("pedal_at_master_stop", "master_stroke", "master stroke", "the master bottoms at {} of pedal", "strokes"),
    _end("pedal_at_slave_stop", "slave_stroke", "slave stroke",
         "the slave runs out at {} of pedal; set a pedal stop before it", "strokes"),
    Criterion("lift", "fluid_wet_boiling", "fluid", "fluid_margin", 1.0,
              lambda v, _: f"old fluid boils at {both(v['fluid_wet_boiling'], 'K')}; "
                           f"the housing is at {both(v['ambient_temperature'], 'K')}",
              uses=("fluid_wet_boiling", "ambient_temperature"), if_clear=True, excludes="strokes"),
    Criterion("lift", "floater_margin", "floater", "floater_margin", 1.0, _floater, bad_below=1.0,
              uses=("inner_gap", "outer_gap"), only=("disc_count", 2.0), excludes="floater"),

    Criterion("heat", "heat_margin", "surface in the last start", "heat_margin", 1.0,
              _hot("surface_temperature", "brief_temperature", "moments"), band=True, bad_below=1.0,
              uses=("surface_temperature", "brief_temperature"), excludes="heat", works=True),
    Criterion("heat", "sustained_margin", "plate between starts", "sustained_margin", 1.0,
              _hot("base_temperature", "sustained_temperature", "long"), band=True, bad_below=1.0,
              uses=("base_temperature", "sustained_temperature"), excludes="heat", works=True),
    Criterion("heat", "energy_margin", "heat per area", "energy_margin", 1.0,
              lambda v, _: f"{both(v['specific_energy'], 'J/m²')} each start", uses=("specific_energy",),
              excludes="heat"),

    _safe("burst_margin", "flywheel strength", "{} times what over-speed and its factor need"),
    _safe("disc_speed_margin", "disc in a missed shift", "proved to {} times that speed"),
    _safe("balance_margin", "balance", "the grade allows {} times what is left"),
    _safe("joint_margin", "flywheel joint", "{} times what it has to carry"),
    _safe("proof_margin", "flywheel bolts", "proof load {} times the highest preload"),
    _swept("housing_bore", "bell housing bore"),
    _swept("housing_face", "gearbox face"),
    _swept("flywheel_face", "flywheel face"),
)  # fmt: skip


def criteria_of(question: Question) -> tuple[Criterion, ...]:
    """The rows of a question, in the order they are told."""
    return tuple(c for c in CRITERIA if c.question == question)


def _missing(*values: object) -> bool:
    return any(value is None or isinstance(value, Needs | Refused) for value in values)


@dataclass(frozen=True, slots=True)
class Looked:
    """The rows of a question, worked out for a job.

    Attributes
    ----------
    links : what was looked at, weakest first
    unseen : labels of what could not be
    bad : True where one is bad rather than thin
    """

    links: tuple[Link, ...]
    unseen: tuple[str, ...]
    bad: bool

    @property
    def weakest(self) -> Link:
        """The link that gives way first."""
        return self.links[0]

    def link(self, name: str) -> Link:
        """The link of that name."""
        return next(link for link in self.links if link.name == name)


def look(build: Build, question: Question) -> Looked:
    """Works the rows of a question out for a job, at the stage it is judged for.

    A row whose quantity the arrangement does not work out, such as a master's stroke of a cable, is no row of the job.
    """
    rows = [
        c for c in criteria_of(question)
        if c.counts(build) and (c.only is None or build.known.get(c.only[0]) == c.only[1])
    ]  # fmt: skip
    sheet = _Sheet(build, rows)
    links: list[Link] = []
    unseen: list[str] = []
    bad = False
    for criterion in rows:
        found = _judged(sheet, criterion)
        if found is None:
            unseen += [] if criterion.if_clear else [criterion.label]
            continue
        link, worst = found
        if link is not None:
            links.append(link)
            bad |= criterion.bad_below is not None and worst < criterion.bad_below
    return Looked(tuple(sorted(links, key=lambda link: link.reserve)), tuple(unseen), bad)


class _Sheet:
    """Rows of a job with their values; rows of one state are worked out together."""

    def __init__(self, build: Build, rows: Sequence[Criterion]) -> None:
        self.build, self.rows = build, rows
        self._kept: dict[tuple[float, str], tuple[dict[str, float], Known] | None] = {}

    def at(self, friction: float, state: State) -> tuple[dict[str, float], Known] | None:
        """The state in figures, and the values of every row looked at in it; None where there is no such state."""
        key = friction, repr(state)
        if key not in self._kept:
            self._kept[key] = self._worked_out(friction, state)
        return self._kept[key]

    def _worked_out(self, friction: float, state: State) -> tuple[dict[str, float], Known] | None:
        build = self.build
        named = [v for v in state.values() if isinstance(v, str)]
        values = build.evaluate(named, stage=build.stage) if named else {}
        taken = {name: values[v] if isinstance(v, str) else v for name, v in state.items()}
        if _missing(*taken.values()):
            return None
        figures = {name: float(v) for name, v in taken.items()}
        wanted = {n for c in self.rows if c.friction == friction and state in c.states for n in c.wants}
        ready = [n for n in wanted if n in figures or not build.lacks((n,)) - figures.keys()]
        return figures, build.evaluate(ready, stage=build.stage, friction=friction, **figures)

    def over_band(self, criterion: Criterion, state: Mapping[str, float]) -> float:
        """The lowest value of a row over the friction band."""
        band, build = np.array([LOW, NOMINAL, HIGH]), self.build
        v = build.evaluate((criterion.value,), stage=build.stage, friction=band, **state)
        return float(np.min(v[criterion.value]))


def _judged(sheet: _Sheet, criterion: Criterion) -> tuple[Link | None, float] | None:
    """The link of a row and the value that decides how grave it is; None where it cannot be looked at."""
    best: tuple[float, float, str] | None = None
    for asked in criterion.states:
        found = sheet.at(criterion.friction, asked)
        if found is None or _missing(*(found[1].get(name) for name in criterion.wants)):
            continue
        state, v = found
        figures = {name: float(v[name]) for name in criterion.wants} | state
        if criterion.moves and not figures[criterion.moves] > 1e-6:
            return None, np.inf
        value = figures[criterion.value]
        if np.isinf(value):
            return None, np.inf  # an end that is never reached
        need = figures[criterion.need] if isinstance(criterion.need, str) else criterion.need
        reserve = float(criterion.reserve(value, need))
        if best is None or reserve < best[0]:
            worst = sheet.over_band(criterion, state) if criterion.band else value
            best = reserve, worst, criterion.says(figures, sheet.build)
    if best is None:
        return None
    reserve, worst, words = best
    return Link(criterion.link, criterion.label, reserve, words), worst


#: Values of some quantities at states, for many candidates: None for what cannot be worked out.
Sampled = Callable[..., Known]


def reserves(criterion: Criterion, values: Sampled) -> Iterator[Values]:
    """The reserve of a row for every candidate, in one of its states after the other; below 1 it falls short.

    A state that cannot be looked at is left out. Candidates may be taken away between one state and the next.

    Parameters
    ----------
    criterion : the row
    values : names, place in the friction band and states to values, one a candidate
    """
    for state in criterion.states:
        taken = {n: values((v,), NOMINAL)[v] if isinstance(v, str) else v for n, v in state.items()}
        if _missing(*taken.values()):
            continue
        places = (LOW, NOMINAL, HIGH) if criterion.band else (criterion.friction,)
        for friction in places:
            v = values(criterion.names, friction, **taken)
            if _missing(*(v[name] for name in criterion.names)):
                continue
            need = v[criterion.need] if isinstance(criterion.need, str) else criterion.need
            reserve = criterion.reserve(v[criterion.value], need)
            if criterion.only is None:
                yield reserve
                continue
            name, asked = criterion.only
            counted = values((name,), NOMINAL)[name]
            if counted is not None:
                yield np.where(np.asarray(counted) == asked, reserve, np.inf)
