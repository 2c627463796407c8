"""What a check of the bench is: one thing to measure or look at, with its places and its limits.

- `Grade`     a condition in a word, where there is nothing to measure
- `Place`     where on a part
- `Swept`     how a dial sweep is read, and what its runout is entered as
- `Check`     one thing to measure or look at, with all that is known of it
- `Verdict`   what readings can come to
- `refuse_unfinished`   a check that does not say all it must
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from functools import partial
from typing import Literal

from liftbite.core.errors import must_say
from liftbite.core.job.build import Build
from liftbite.core.job.parts import ASSEMBLIES, PARTS, called, parts_of
from liftbite.core.measure.effect import EffectOf
from liftbite.core.measure.limit import Limit, LimitName

Kind = Literal["reading", "grade", "sweep", "figure"]
Picture = Literal["surface", "bearing", "seal", "facing", "fastener", "spots", "spring"]
Verdict = Literal[
    "stop",
    "renew as set",
    "renew",
    "dress or resurface",
    "put right",
    "too close to call",
    "reuse and watch",
    "reuse",
    "open",
    "noted",
]


@dataclass(frozen=True, slots=True)
class Grade:
    """A condition in a word, with the verdict it leads to; `level` 0 as new to 3 scrap draws its picture.

    `causes` are those this very condition speaks for, in the place of the check's.
    """

    value: str
    word: str
    says: str
    verdict: Verdict
    level: int
    causes: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class Place:
    """Where on a part: the item, such as a plate of a pack, and the spot on it."""

    item: str
    spot: str = ""

    @property
    def key(self) -> str:
        """Its name in the record: `Plate 3, place 1`."""
        return f"{self.item}, {self.spot}" if self.spot else self.item


@dataclass(frozen=True, slots=True)
class Swept:
    """How a dial sweep is read, and what its runout is entered as.

    Attributes
    ----------
    enters : input the total indicator reading is entered as; empty where it answers by itself
    limit : input the manual's limit is entered as
    face : True for a face, whose fit finds its lean, e on either side, highest towards φ
    inside : True where the dial reads highest where the wall is nearest: the centre lies towards the lowest reading
    meant_at : input that is the diameter its limit is meant at, and what a builder calls it
    """

    enters: str = ""
    limit: str = ""
    face: bool = False
    inside: bool = False
    meant_at: tuple[str, str] = ("", "")


def _nothing_of_job(_: Build, __: Mapping[LimitName, Limit]) -> Iterable[Limit]:
    return ()


@dataclass(frozen=True, slots=True)
class Check:
    """One thing to measure or look at, with all that is known of it.

    Attributes
    ----------
    name : name in the record
    part : key of the part or the assembly it is of; of an own check the name of a part of the shop's own
    label : what is measured on it
    how : how it is taken, one or two sentences
    kind : "reading" against limits, "grade", "sweep" round a circle, or "figure" that a sum needs
    unit, field_unit : SI unit and the unit a bare number is read in
    suited : instruments that can take it, the usual one first
    places : where on the part, for a job
    limits : what it is held against
    of_job : limits that follow from the job, in the place of those
    grades : conditions to pick from
    picture : what their pictures show: "surface", "bearing", "seal", "facing" or "fastener"
    if_failed : verdict where it fails
    gets : keys of the parts that are got where it says renew; those of its part where empty
    works_on : key of the part that is dressed, put right or measured again; the first of `gets` where empty
    set_up : True where it says how parts are set up against each other: of what goes in, one series for both builds
    causes : causes of a complaint that a bad verdict speaks for, and a good one against
    swept : how its sweep is read; None of what is no sweep
    enters : inputs of the job that its readings become, by themselves or through a calculation of the set-up
    effect : how they become it; None where they enter nothing, or a calculation does it
    whole : the set it is renewed with, or empty
    wanted : arrangement that calls for it
    usual : range outside which a reading is questioned [SI]
    grows : True where more places may be added, such as spacers at hand
    own : True where a job added it
    """

    name: str
    part: str
    label: str
    how: str
    kind: Kind = "reading"
    unit: str = "m"
    field_unit: str = "mm"
    suited: tuple[str, ...] = ("caliper", "micrometer")
    places: Callable[[Build], tuple[Place, ...]] = lambda _: (Place("Once"),)
    limits: tuple[Limit, ...] = ()
    of_job: Callable[[Build, Mapping[LimitName, Limit]], Iterable[Limit]] = _nothing_of_job
    grades: tuple[Grade, ...] = ()
    picture: Picture = "surface"
    if_failed: Verdict = "renew"
    gets: tuple[str, ...] = ()
    works_on: str = ""
    set_up: bool = False
    causes: tuple[str, ...] = ()
    swept: Swept | None = None
    enters: tuple[str, ...] = ()
    effect: EffectOf | None = None
    whole: str = ""
    wanted: Callable[[Build], bool] = lambda _: True
    usual: tuple[float, float] = (0.0, 1.0)
    grows: bool = False
    own: bool = False

    @property
    def part_label(self) -> str:
        """What the part is called."""
        return called(self.part)

    @property
    def title(self) -> str:
        """Part and what is measured on it: `Disc: wobble at the rim`."""
        keep = self.label[1:2].isupper() or not self.label[1:2].isalpha()
        return f"{self.part_label}: {self.label if keep else self.label[0].lower() + self.label[1:]}"

    @property
    def got(self) -> tuple[str, ...]:
        """Keys of the parts that are got where it says renew; a part of the shop's own is got by its name."""
        return self.gets or tuple(PARTS[key].renewed_as if key in PARTS else key for key in parts_of(self.part))

    @property
    def worked_on(self) -> str:
        """Key of the part that is dressed, put right or measured again."""
        return self.works_on or self.got[0]

    @property
    def reads(self) -> str:
        """Key of the part whose readings these are: of a part found and planned as two, each has its own.

        Empty where they are one series for both builds.
        """
        return "" if self.set_up or self.own or self.part not in PARTS else self.part

    @property
    def entered(self) -> tuple[str, ...]:
        """Every input of the job that its readings become."""
        return (*self.enters, *((self.swept.enters,) if self.swept and self.swept.enters else ()))

    @property
    def of_face(self) -> bool:
        """True of the sweep of a face, whose fit finds its lean."""
        return self.swept is not None and self.swept.face

    @property
    def from_inside(self) -> bool:
        """True of a sweep from inside, whose centre lies towards the lowest reading."""
        return self.swept is not None and self.swept.inside

    @property
    def meant_at(self) -> tuple[str, str]:
        """The diameter a sweep's limit is meant at, an input, and what it is called; both empty where there is none."""
        return self.swept.meant_at if self.swept is not None else ("", "")

    def limit(self, name: str) -> Limit | None:
        """The limit of that name, or None."""
        return next((found for found in self.limits if found.name == name), None)


def refuse_unfinished(check: Check, inputs: Iterable[str] = ()) -> None:
    """Refuses a check that does not say all it must, when the table of checks is loaded.

    Parameters
    ----------
    check : the check
    inputs : names of the inputs there are

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it

    >>> refuse_unfinished(Check("gap", "sensor", "Gap", "With a feeler."))
    Traceback (most recent call last):
    ValueError: check “gap”: “sensor” is no part; add it to core/job/parts.py, or name one of its keys
    """

    must = partial(must_say, f"check “{check.name}”")
    for key in (check.part, *check.gets, *filter(None, (check.works_on,))):
        must(
            key in PARTS or key in ASSEMBLIES,
            f"“{key}” is no part; add it to core/job/parts.py, or name one of its keys",
        )
    must(check.label and check.how, "say what is measured and how: label, how")
    must(check.kind != "grade" or check.grades, "a look needs grades to pick from")
    must(check.kind == "grade" or not check.grades, "grades belong to a look: kind “grade”")
    must(
        check.kind == "grade" or check.suited or check.unit == "count", "name the instruments that can take it: suited"
    )
    must(
        (check.kind == "sweep") == (check.swept is not None),
        "a sweep says how it is read, and nothing else does: swept",
    )
    must(
        not check.swept or not check.swept.meant_at[0] or check.swept.face, "only a face's limit is meant at a diameter"
    )
    must(
        check.kind in {"figure", "grade"} or check.set_up or check.limits,
        "a reading is held against limits, if only the manual's",
    )
    entered = {*check.enters, *((check.swept.enters, check.swept.limit) if check.swept else ())} - {""}
    known = set(inputs)
    for name in sorted(entered):
        must(not known or name in known, f"“{name}” is no input of the job")
    must(not check.effect or check.enters, "what an effect enters is named: enters")
