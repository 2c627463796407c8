"""What each answer is judged by: one table, for the verdict of a job and for the finder's candidates alike.

- `Criterion`   one row: a quantity, the states it is looked at in, what is needed, how grave it is
- `CRITERIA`, `criteria_of`   all of them by key, and by question, in the order they are told
- `MIRRORED`     a row of a disc's other side -> the row it mirrors
- `margins_of`   the quantities a question is judged by
- `refuse_unfinished`   refuses a row that names what there is none of
- `LOW`, `NOMINAL`, `HIGH`   places in the friction band

A row is known by its key; `verdicts.words` has its label and its sentence under that key, and a row without them is
refused when the words are loaded. `verdicts.looked` works the rows out.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from functools import cache, cached_property
from typing import NamedTuple

import numpy as np

from liftbite.core.errors import must_say
from liftbite.core.graph.graph import Values
from liftbite.core.job.alternatives.facing import OTHER_SIDE
from liftbite.core.job.arrangement import QUANTITIES
from liftbite.core.job.build import Build
from liftbite.core.job.inputs import INPUTS
from liftbite.core.verdicts.verdict import Answer, Question

LOW, NOMINAL, HIGH = -1.0, 0.0, 1.0
#: State -> its value, or the quantity whose value it takes.
State = Mapping[str, "float | str"]


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
    key : its name, by which words, screens and tests know it
    question : which answer
    link : the quantity a builder is led to
    value : quantity that is judged
    need : what it has to reach, a figure or a quantity; `most` turns it round
    states : the states it is looked at in, of which the worst counts; those that cannot be worked out are left out
    friction : place in the friction band
    band : True where the whole friction band has to reach it, not only its nominal; its worst place is shown
    most : True where the value may be as large as `need`, not larger
    bad_below : value below which the answer is bad rather than short; with `most` the reserve below which it is
    short : the answer where it falls short; the question's middle word where empty
    told : True where it is told and judged by nobody: a question of life, a mishap
    shows : figure that is shown for it and the limit it may reach, two quantities of one unit; `value` and `need`
        where empty
    softened : inputs of which none may be assumed for the answer to be bad; it falls short then
    outranked : input that takes its place where it has a value
    unless : trait with which it cannot be looked at
    uses : quantities its sentence needs besides
    only : quantity and the value it must have for the row to count
    silent : True where the answer has words of its own for it
    if_clear : True where nothing is said of a row that cannot be looked at
    excludes : what the finder counts those it leaves out under
    together : what it is named as, with others of that name, where none of them could be looked at
    works : True where it counts also for a candidate that only has to work, not to be good
    """

    key: str
    question: Question
    link: str
    value: str
    need: float | str
    states: tuple[State, ...] = field(default_factory=lambda: ({},))
    friction: float = NOMINAL
    band: bool = False
    most: bool = False
    bad_below: float | None = None
    short: Answer | None = None
    told: bool = False
    shows: tuple[str, str] | None = None
    softened: tuple[str, ...] = ()
    outranked: str = ""
    unless: str = ""
    uses: tuple[str, ...] = ()
    only: tuple[str, float] | None = None
    silent: bool = False
    if_clear: bool = False
    excludes: str = ""
    works: bool = False
    together: str = ""

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


#: What a lift has to reach new, comfortably, and at the wear limit, just freeing.
LIFT_NEW, LIFT_WORN = 1.1, 1.0
#: Proof over preload from which a bolt is plausible, and below which it is refused: 90 % and 110 % of proof.
PROOF_GOOD, PROOF_BAD = 1 / 0.9, 1 / 1.1
_WORN: State = {"wear": "wear_limit"}
_AT_PEAK: State = {"spring_clamp": "spring_peak_clamp"}


def _fuse(key: str, margin: str) -> Criterion:
    """A part that breaks where the clutch does not slip: high friction, highest clamp."""
    return Criterion(key, "bite", margin, margin, 1.0, ({}, _AT_PEAK), HIGH, short="look again", excludes="fuse")


def _told(key: str, question: Question, margin: str, shows: tuple[str, str]) -> Criterion:
    """Something that is said and that nothing hangs on."""
    return Criterion(key, question, margin, margin, 1.0, told=True, shows=shows, if_clear=True)


def _over(
    key: str,
    value: str,
    limit: str,
    link: str,
    excludes: str,
    *,
    states: tuple[State, ...] = ({},),
    works: bool = False,
) -> Criterion:
    """Something that must not get larger than a limit; over it, it is looked at again."""
    return Criterion(
        key,
        "lift",
        link,
        value,
        limit,
        states,
        most=True,
        short="look again",
        if_clear=True,
        excludes=excludes,
        works=works,
    )


def _safe(
    key: str, margin: str, *, need: float = 1.0, bad_below: float | None = 1.0, softened: tuple[str, ...] = ()
) -> Criterion:
    """What could let go at speed."""
    return Criterion(
        key, "true", margin, margin, need, friction=HIGH, bad_below=bad_below, softened=softened, excludes="true"
    )


def _swept(name: str, reading: str = "") -> Criterion:
    """Something out of true: over its limit it is put right before it goes in."""
    margin, read = f"{name}_margin", reading or f"{name}_runout"
    return Criterion(
        name,
        "true",
        margin,
        margin,
        1.0,
        friction=HIGH,
        shows=(read, f"{name}_limit"),
        excludes="true",
        together="" if reading else "runout",
    )


def _end(key: str, value: str, link: str, excludes: str, *, works: bool = False, if_clear: bool = False) -> Criterion:
    """Where the stroke ends before the pedal does."""
    return Criterion(
        key, "lift", link, value, "pedal_stroke", short="look again", excludes=excludes, works=works, if_clear=if_clear
    )


def _strength(row: Criterion) -> Criterion:
    """A row of the flywheel's own strength: a certified speed outranks it, a dual-mass one is its maker's business."""
    return replace(row, outranked="certified_speed", unless="dual-mass flywheel")


_FACE = (
    Criterion(
        "surface",
        "heat",
        "heat_margin",
        "heat_margin",
        1.0,
        band=True,
        bad_below=1.0,
        shows=("surface_temperature", "brief_temperature"),
        excludes="heat",
        works=True,
    ),
    Criterion(
        "between_starts",
        "heat",
        "sustained_margin",
        "sustained_margin",
        1.0,
        band=True,
        bad_below=1.0,
        shows=("base_temperature", "sustained_temperature"),
        excludes="heat",
        works=True,
    ),
    Criterion(
        "heat_per_area",
        "heat",
        "energy_margin",
        "energy_margin",
        1.0,
        shows=("specific_energy", "specific_energy_limit"),
        excludes="heat",
    ),
    _told("face_pressure", "heat", "pressure_margin", ("mean_pressure", "pressure_limit")),
    Criterion(
        "face_pressure_limit",
        "heat",
        "mean_pressure",
        "mean_pressure",
        "pressure_hard_limit",
        most=True,
        bad_below=1.0,
        if_clear=True,
        excludes="pressure",
        works=True,
    ),
)


def _of_other_side(row: Criterion) -> Criterion:
    """A row of a face, of the other side of a disc whose sides differ; it has the maker's limit in common."""

    def other(name: str) -> str:
        return OTHER_SIDE.get(name, name)

    return replace(
        row,
        key=f"{row.key}_plate_side",
        link=other(row.link),
        value=other(row.value),
        if_clear=True,
        need=other(row.need) if isinstance(row.need, str) else row.need,
        shows=None if row.shows is None else (other(row.shows[0]), other(row.shows[1])),
        uses=tuple(other(n) for n in row.uses),
    )


_MATERIAL = ("flywheel_strength", "flywheel_tensile")

_ROWS: tuple[Criterion, ...] = (
    Criterion(
        "torque_reserve", "bite", "bite_margin", "bite_margin", "use_factor", bad_below=1.0, excludes="bite", works=True
    ),
    Criterion("low_friction", "bite", "bite_margin", "bite_margin", 1.0, friction=LOW, excludes="bite", works=True),
    Criterion(
        "low_friction_hot",
        "bite",
        "bite_margin",
        "bite_margin",
        1.0,
        ({"facing_temperature": "hot_temperature"},),
        LOW,
        if_clear=True,
        excludes="hot",
    ),
    _fuse("input_shaft", "shaft_margin"),
    _fuse("splines", "spline_margin"),
    _fuse("damper", "damper_margin"),
    Criterion("comfortable_lift", "lift", "lift_margin", "lift_margin", LIFT_NEW, excludes="comfort"),
    Criterion(
        "least_lift", "lift", "least_lift_margin", "least_lift_margin", 1.0, bad_below=1.0, excludes="lift", works=True
    ),
    Criterion(
        "worn_lift",
        "lift",
        "least_lift_margin",
        "least_lift_margin",
        LIFT_WORN,
        (_WORN,),
        if_clear=True,
        excludes="comfort",
    ),
    _over("effort", "peak_pedal_effort", "effort_limit", "pedal_effort", "effort", states=({}, _WORN), works=True),
    _over("line_pressure", "peak_line_pressure", "pressure_rating", "line_pressure", "strokes"),
    _end("overtravel", "pedal_at_overtravel", "plate_lift_limit", "overtravel", works=True),
    _end("master_stroke", "pedal_at_master_stop", "master_stroke", "strokes"),
    _end("slave_stroke", "pedal_at_slave_stop", "slave_stroke", "strokes"),
    _end("sleeve_end", "pedal_at_sleeve_end", "bearing_reserve", "strokes", if_clear=True),
    Criterion(
        "way_back",
        "lift",
        "return_margin",
        "return_margin",
        1.0,
        short="look again",
        shows=("least_pedal_return", "pedal_drag"),
        uses=("least_pedal_return", "pedal_drag"),
        if_clear=True,
        excludes="effort",
    ),
    Criterion(
        "fluid",
        "lift",
        "fluid_wet_boiling",
        "fluid_margin",
        1.0,
        short="look again",
        shows=("ambient_temperature", "fluid_wet_boiling"),
        uses=("fluid_wet_boiling", "ambient_temperature"),
        if_clear=True,
        excludes="strokes",
    ),
    Criterion(
        "floater",
        "lift",
        "floater_margin",
        "floater_margin",
        1.0,
        bad_below=1.0,
        uses=("inner_gap", "outer_gap"),
        only=("disc_count", 2.0),
        excludes="floater",
    ),
    Criterion(
        "start_settles",
        "heat",
        "start_settles",
        "start_settles",
        1.0,
        band=True,
        bad_below=1.0,
        silent=True,
        excludes="stalls",
        works=True,
    ),
    *_FACE,
    *(_of_other_side(row) for row in _FACE),
    Criterion(
        "certified_speed",
        "true",
        "certified_margin",
        "certified_margin",
        1.15,
        friction=HIGH,
        bad_below=1.0,
        if_clear=True,
        excludes="true",
    ),
    _strength(
        replace(
            _safe("burst_speed", "burst_margin", need=2.0, bad_below=1.5, softened=_MATERIAL), uses=("burst_speed",)
        )
    ),
    _strength(_safe("bore_stress", "elastic_margin", bad_below=None)),
    _strength(_safe("bore_yield", "yield_margin", softened=_MATERIAL)),
    _told("missed_shift", "true", "disc_speed_margin", ("disc_speed_missed_shift", "disc_burst_speed")),
    replace(
        _safe("balance", "balance_margin", bad_below=None),
        shows=("residual_unbalance", "permissible_unbalance"),
        uses=("unbalance_force",),
    ),
    replace(_safe("gross_unbalance", "gross_balance_margin", softened=("residual_unbalance",)), if_clear=True),
    _safe("flywheel_joint", "joint_margin", bad_below=2 / 3),
    _safe("flywheel_bolts", "proof_margin", need=PROOF_GOOD, bad_below=PROOF_BAD, softened=("bolt_proof_strength",)),
    _swept("housing_bore"),
    _swept("housing_face"),
    _swept("flywheel_face"),
    Criterion(
        "pilot",
        "true",
        "pilot_margin",
        "pilot_margin",
        1.0,
        friction=HIGH,
        bad_below=1e-6,
        shows=("pilot_engagement", "pilot_length"),
        uses=("pilot_engagement", "pilot_length"),
        if_clear=True,
        excludes="true",
    ),
    Criterion(
        "pilot_room",
        "true",
        "pilot_room_margin",
        "pilot_room_margin",
        1.0,
        friction=HIGH,
        bad_below=1.0,
        shows=("pilot_engagement", "pilot_room"),
        uses=("pilot_engagement", "pilot_room"),
        if_clear=True,
        excludes="true",
    ),
    _swept("plain_warp", reading="plain_warp"),
    _swept("push_rod", reading="push_rod_bow"),
)


#: Row of a disc's other side -> the row it mirrors.
MIRRORED: Mapping[str, str] = {_of_other_side(row).key: row.key for row in _FACE}
#: Key -> row, in the order they are told.
CRITERIA: Mapping[str, Criterion] = {row.key: row for row in _ROWS}
must_say("criteria", len(CRITERIA) == len(_ROWS), "two rows have one key")


@cache
def criteria_of(question: Question) -> tuple[Criterion, ...]:
    """The rows of a question, in the order they are told."""
    return tuple(c for c in CRITERIA.values() if c.question == question)


@cache
def margins_of(question: Question) -> tuple[str, ...]:
    """The quantities a question is judged by, and what they have to reach."""
    return tuple(dict.fromkeys(n for row in criteria_of(question) if not row.told for n in row.names))


def refuse_unfinished(row: Criterion) -> None:
    """Refuses a row that names what there is none of.

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it
    """
    of = f"criterion “{row.key}”"
    taken = [v for state in row.states for v in state.values() if isinstance(v, str)]
    for name in (*row.wants, row.link, *row.softened, *taken, *filter(None, (row.outranked,))):
        must_say(of, name in QUANTITIES or name in INPUTS, f"“{name}” is no quantity and no input")
    must_say(of, row.told or row.excludes, "say what the finder counts those it leaves out under: excludes")


for _row in _ROWS:
    refuse_unfinished(_row)
