"""The state of every part a job touches, from what was suggested, planned, ordered and ticked.

- `PartState`, `PLANNED`, `ON_THE_WAY`   how far a part is; states somebody wanted it in; those in which it is not here
- `FATES_OF_WORK`   the fates that plan a work
- `PartWork`     what is done with a part: got, dressed, put right, measured better, put back, left out
- `PartLine`     a part with its state, its reasons and what the state rests on
- `PartsSaid`    what was said of parts: orders, lines of the list, parts put on it
- `part_lines`   every part of the account
- `takers_of`    the steps of a plan that put a part in
- `new_faces`    parts whose friction face is new or cut

A part is *planned* by somebody's word: its fate, a line accepted, a part put on the list, an order. What a verdict or a
practice asks for is *suggested* and nothing more: a step ticked with it on the list put back what was there. Only a
planned part is *fitted*, by every step of the plan that takes it.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Literal

from liftbite.core.account.claims import Claim, claim_of
from liftbite.core.fit.case import Case
from liftbite.core.fit.progress import PASSED, Progress, Standing
from liftbite.core.fit.step_names import OUT
from liftbite.core.job.parts import PARTS, called
from liftbite.core.job.record import Line
from liftbite.core.measure.parts_list import Need
from liftbite.core.measure.statements import ListLine, Order, OwnPart

PartState = Literal[
    "suggested", "struck", "planned", "ordered", "awaited", "arrived", "in_stock", "fitted", "put_back", "left_out"
]
PartWork = Literal["get", "dress", "put_right", "measure", "put_back", "leave_out"]
#: States of a part somebody wants, and of one that is on its way.
PLANNED: frozenset[PartState] = frozenset({"planned", "ordered", "awaited", "arrived", "in_stock", "fitted"})
ON_THE_WAY: frozenset[PartState] = frozenset({"ordered", "awaited"})
#: Work -> fates that plan it.
FATES_OF_WORK: Mapping[PartWork, tuple[str, ...]] = {"get": ("renewed", "added"), "dress": ("dressed",)}
#: Stretches of a plan in which nothing is put in.
_OFF = ("before", "down")
#: Steps of a flywheel that goes out to be machined: sent, and back.
SENT, BACK = "flywheel_sent", "flywheel_back"
#: What is poured in: its steps fill or bleed, and nothing is put back by them.
_POURED = ("fluid", "gearbox_oil", "engine_oil", "coolant")
_FACES = ("disc", "plates", "cover", "floater", "flywheel")


@dataclass(frozen=True, slots=True)
class PartLine:
    """A part of the account.

    Attributes
    ----------
    part, work : of which part, by its key or the shop's own name; what is done with it
    state : how far it is
    reasons, because : why, in words and as codes; empty of one that is simply put back
    fate : what becomes of it by the plan; empty where the plan does not say
    order : its order; None where nothing was said of one
    rests_on : what its state rests on
    left : keys of the steps that take it and are not done
    """

    part: str
    work: PartWork
    state: PartState
    reasons: tuple[str, ...] = ()
    because: frozenset[str] = frozenset()
    fate: str = ""
    order: Line[Order] | None = None
    rests_on: tuple[Claim, ...] = ()
    left: tuple[str, ...] = ()

    @property
    def key(self) -> str:
        """What it goes by in the record: part and work."""
        return f"{self.part}:{self.work}"

    @property
    def label(self) -> str:
        """What the part is called."""
        return called(self.part)

    @property
    def is_open(self) -> bool:
        """True where somebody still has to do something with it, or to say that nothing is done."""
        return self.state not in ("fitted", "put_back", "struck", "left_out")


@dataclass(frozen=True, slots=True)
class PartsSaid:
    """What was said of parts: orders and lines of the list by their keys, parts put on it, who said each fate.

    `since` is when each line of the list was planned first [ISO 8601, UTC]: a step that was done before put the old
    part back.
    """

    orders: Mapping[str, Line[Order]] = field(default_factory=dict)
    lines: Mapping[str, Line[ListLine]] = field(default_factory=dict)
    own: Mapping[str, Line[OwnPart]] = field(default_factory=dict)
    fates: Mapping[str, Claim] = field(default_factory=dict)
    since: Mapping[str, str] = field(default_factory=dict)


def takers_of(part: str, standing: Progress) -> list[Standing]:
    """The steps of a plan that put a part in, or make it ready to be; what takes off takes none.

    A part that is fixed to another goes in with it.
    """
    takers = [s for s in standing.standings if part in s.planned.step.parts and s.planned.step.stretch not in _OFF]
    carrier = PARTS[part].on if part in PARTS else ""
    return [*takers, *takers_of(carrier, standing)] if carrier else takers


def part_lines(needs: Sequence[Need], said: PartsSaid, case: Case, standing: Progress) -> tuple[PartLine, ...]:
    """Every part of the account: what is got or worked on, what is left out, what was put back as it was.

    Parameters
    ----------
    needs : the list, with its reasons
    said : what was said of parts
    case, standing : what the plan is made from, and where it stands
    """
    lines = [_of_need(need, said, case, standing) for need in needs]
    lines += [_left_out(part, said, standing) for part, fate in case.fates.items() if fate == "left_out"]
    return (*lines, *_put_back(lines, standing))


def _left_out(part: str, said: PartsSaid, standing: Progress) -> PartLine:
    """A part that comes out with nothing in its place: it is out once its step is passed."""
    out = next((s for s in standing.standings if s.planned.key in (f"{part}_out", OUT + part)), None)
    if out is not None and out.state in PASSED:
        return PartLine(part, "leave_out", "left_out", fate="left_out", rests_on=(_claim(out),))
    left = () if out is None else (out.planned.key,)
    return PartLine(part, "leave_out", "planned", fate="left_out", rests_on=_fate(said, part), left=left)


def _of_need(need: Need, said: PartsSaid, case: Case, standing: Progress) -> PartLine:
    fate = case.fates.get(need.part, "")
    takers = takers_of(need.part, standing) if need.work in ("get", "dress") else []
    since = said.since.get(need.key, "")
    state, rests_on = _state(need, said, fate, takers, standing, never=case.never)
    left = tuple(s.planned.key for s in takers if not _put_in(s, since)) if state in PLANNED else ()
    return PartLine(
        need.part, need.work, state, need.reasons, need.because, fate, said.orders.get(need.key), rests_on, left
    )


def _state(
    need: Need, said: PartsSaid, fate: str, takers: Sequence[Standing], standing: Progress, *, never: bool
) -> tuple[PartState, tuple[Claim, ...]]:
    order, line = said.orders.get(need.key), said.lines.get(need.key)
    ordered = order.statement.state if order else ""
    by_fate = fate in FATES_OF_WORK.get(need.work, ())
    if line is not None and line.answer == "struck" and not by_fate:
        return "struck", (claim_of("list", line),)
    own = said.own.get(need.part) if need.work == "get" else None
    accepted = line if line is not None and line.answer == "accepted" else None
    if not (by_fate or own or accepted or ordered):
        if "verdict" in need.because and not never and _brings_new(need.part, takers):
            return "fitted", tuple(_claim(s) for s in takers)
        back = takers and all(s.state in PASSED for s in takers)
        return ("put_back", tuple(_claim(s) for s in takers)) if back else ("suggested", ())
    since = said.since.get(need.key, "")
    if takers and all(_put_in(s, since) for s in takers):
        return "fitted", tuple(_claim(s) for s in takers)
    if ordered and order is not None:
        return ordered, (claim_of("order", order, order.statement.number),)
    if need.work == "dress" and (out := _sent_out(need.part, standing)):
        return out
    word = own or accepted
    return "planned", (claim_of("list", word),) if word else _fate(said, need.part)


def _brings_new(part: str, takers: Sequence[Standing]) -> bool:
    """True where the plan had a step for a new part alone, since the bench asked for one, and it was done.

    A seal that leaks is not put back: what puts it in takes nothing off before.
    """
    own = [s for s in takers if s.planned.step.part == part and not s.planned.step.off]
    return bool(own) and all(s.state in PASSED for s in takers)


def _put_in(step: Standing, since: str) -> bool:
    """True of a step that is passed, and was done once its part was planned."""
    line = step.said or step.settled
    return step.state in PASSED and not (since and line is not None and line.at and line.at < since)


def _sent_out(part: str, standing: Progress) -> tuple[PartState, tuple[Claim, ...]] | None:
    """A flywheel at the machine shop, or back from there, by its steps; None of what goes nowhere."""
    passed = {s.planned.key: s for s in standing.standings if s.state in PASSED}
    if part == "flywheel" and BACK in passed:
        return "arrived", (_claim(passed[BACK]),)
    return ("ordered", (_claim(passed[SENT]),)) if part == "flywheel" and SENT in passed else None


def _fate(said: PartsSaid, part: str) -> tuple[Claim, ...]:
    return (said.fates[part],) if part in said.fates else ()


def _claim(step: Standing) -> Claim:
    """A step that is passed as what something rests on."""
    line = step.said or step.settled
    if line is None:
        return Claim("step", step.planned.key, step.known)
    text = step.said.statement.text if step.said else ""
    return claim_of("step", line, text)


def _put_back(lines: Iterable[PartLine], standing: Progress) -> Iterator[PartLine]:
    """What was put in as it was: the part of a step that is passed, where nothing new was fitted there."""
    said = PLANNED | {"put_back"}
    new = {line.part for line in lines if line.work in ("get", "dress") and line.state in said}
    parts = dict.fromkeys(s.planned.step.part for s in standing.standings if s.planned.step.part not in ("", *_POURED))
    for part in parts:
        takers = takers_of(part, standing)
        if part not in new and takers and all(s.state in PASSED for s in takers):
            yield PartLine(part, "put_back", "put_back", rests_on=tuple(_claim(s) for s in takers))


def new_faces(lines: Iterable[PartLine], case: Case) -> tuple[str, ...]:
    """Parts whose friction face is new or cut, as planned or as fitted: these are bedded in.

    Of a clutch that is built for the first time every face is new.

    >>> car = Case({}, True, False, True, False, 1, "", {"disc": "stays", "flywheel": "dressed"}, {})
    >>> new_faces([PartLine("disc", "get", "suggested"), PartLine("flywheel", "dress", "fitted")], car)
    ('flywheel',)
    """
    wanted = {line.part for line in lines if line.work in ("get", "dress") and line.state in PLANNED}
    if case.never:
        wanted |= {part for part, fate in case.fates.items() if fate != "left_out"}
    return tuple(part for part in _FACES if part in wanted)
