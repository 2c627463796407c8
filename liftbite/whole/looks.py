"""What the hold points of a job look up, and the steps whose fact was said elsewhere.

- `looks_of`    hold point -> its lines as they stand: from bench, bolts, steps, fluids, cards and the road
- `proved_of`   step -> from what it is known to be done: its reading, its card, its bleeding, its fluid
- `asked_of`    step -> where its fact is asked, in words

A line that does not concern the job is not there: what its plan has no step for, what the bench does not ask for. No
hand ticks a line; a bad or missing one keeps its hold point shut until it is put right, or somebody goes past it.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from liftbite.core.fit.bolt_map import judge
from liftbite.core.fit.case import Case, opens_to
from liftbite.core.fit.hold_lines import FILLED_AT, GOING_IN, HOLD_LINES, READ_AS_FITTED, READ_LATER, LookUp, state_of
from liftbite.core.fit.holds import Look, LookState
from liftbite.core.fit.plan import LATER, Plan
from liftbite.core.fit.progress import PASSED, Known, Progress, Standing
from liftbite.core.fit.statements import LeftOver
from liftbite.core.fit.step import ALL_READ
from liftbite.core.fit.tightening import holes_of_joint
from liftbite.core.job.inputs import FITS
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.job.record import Line, option_words
from liftbite.core.measure.check import Check
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.scope import asked_in
from liftbite.core.measure.setup import CALCULATIONS, outcome_of
from liftbite.core.measure.setup.calculation import Outcome
from liftbite.core.measure.statements import CheckClosed
from liftbite.core.measure.words import WORDS, finding_sentence
from liftbite.core.parts.mismatch import misfit_sentence
from liftbite.core.parts.shelf import misfits
from liftbite.core.prove.cards import Item, card_named, items_of
from liftbite.core.prove.fluids import FLUIDS, FluidFilled, read_filled
from liftbite.core.prove.statements import Bled, FullLoad, SecondLook, Tried
from liftbite.store.jobs import utc_text
from liftbite.whole.bench import Bench, finding_of
from liftbite.whole.road import bedding_of


def looks_of(bench: Bench, case: Case, plan: Plan, found: Progress, faces: tuple[str, ...]) -> dict[str, list[Look]]:
    """The lines of every hold point of a plan as they stand.

    Parameters
    ----------
    bench, case, plan : the job and its plan
    found : where it stands in it by its ticks and facts
    faces : parts whose friction face is new or cut
    """
    job = _Job(bench.seen_as(PLAN), case, plan, {s.planned.key: s for s in found.standings}, faces)
    return {hold: lines for hold in plan.by_key if (lines := [*job.lines(hold)])}


@dataclass(frozen=True)
class _Job:
    """A job looked at for its hold points: the bench of what goes in, and where every step stands."""

    bench: Bench
    case: Case
    plan: Plan
    steps: Mapping[str, Standing]
    faces: tuple[str, ...]

    def lines(self, hold: str) -> Iterator[Look]:
        """The lines of one step: those it looks up, and bad readings of what is out of reach after it."""
        covered: set[str] = set()
        for line in HOLD_LINES.get(hold, ()):
            if line.only_with and line.only_with not in self.steps:
                continue
            covered |= {*line.of, *(CALCULATIONS[line.of[0]].checks if line.by == "setup" else ())}
            yield from self._line(line, hold)
        yield from self._bad(hold, covered)

    def _line(self, line: LookUp, hold: str) -> Iterable[Look]:
        match line.by:
            case "step":
                return [self._step(line)]
            case "check":
                return self._check(line, CHECKS[line.of[0]])
            case "part":
                return self._part(line, hold)
            case "setup":
                return [self._setup(line)]
            case "read":
                return [self._gaps(line)]
            case "fit":
                return self._fit(line)
            case "bolt map":
                return [self._bolt_map(line)]
            case "back":
                return [self._back(line)]
            case "fluids":
                return self._fluids()
            case "left over":
                return [self._left_over(line)]
            case "card":
                return [self._card(line)]
            case "bedding":
                return self._bedding(line)

    # --- steps

    def _step(self, line: LookUp) -> Look:
        return line.found(*_of_step(self.steps[line.of[0]]), f"fit:{line.of[0]}")

    def _back(self, line: LookUp) -> Look:
        on = [s for key, s in self.steps.items() if s.planned.step.off and key not in LATER]
        left = [s.planned.step.title.lower() for s in on if s.state not in PASSED]
        if left:
            return line.found("open", f"not yet: {'; '.join(left)}", "fit:")
        return line.found("good", f"{len(on)} of {len(on)}" if on else "nothing came off", "fit:")

    # --- readings

    def _finding(self, check: str) -> Finding | None:
        """What was read of the part that goes in; None where the job does not call for the check."""
        known = self.bench.check(check)
        return finding_of(self.bench, known)[0] if known else None

    def _check(self, line: LookUp, check: Check) -> Iterable[Look]:
        found, where = self._finding(check.name), f"measure:{check.name}"
        if found is None:
            return []
        if (found.skipped or not found.taken) and (closed := _closed(self.bench, check.name)):
            return [line.found("good", closed.says, where)]
        if not found.taken and not (asked_in(self.bench.scope, check) or self._puts_in(check.part) or line.only_with):
            return []
        return [line.found(*self._of_finding(found), where)]

    def _of_finding(self, found: Finding) -> tuple[LookState, str]:
        if not found.taken:
            return "open", "nobody has read it"
        return state_of(found), f"{WORDS[found.verdict]}. {finding_sentence(found)}{self._read_by(found.check)}"

    def _read_by(self, check: str) -> str:
        series = self.bench.latest(check)
        taken = [t for t in series.taken if not t.withdrawn] if series else []
        if not taken:
            return ""
        return f" ({', '.join(filter(None, (taken[-1].who, taken[-1].at.date().isoformat())))})"

    def _puts_in(self, part: str) -> bool:
        return any(s.planned.step.part == part for s in self.steps.values())

    def _part(self, line: LookUp, hold: str) -> Iterable[Look]:
        """A part that is renewed, or whose reading lets it stay."""
        part, check = line.of
        if self.case.fate(part) == "left_out":
            return []
        found = self._finding(check)
        if self.case.renews(part):
            if found and found.taken and part in self.bench.apart:
                return [line.found(*self._of_finding(found), f"measure:{check}")]
            before = (self.steps[key] for key in self.plan.before[hold])
            fitted = next((s for s in before if s.planned.step.part == part), None)
            if fitted is None:
                return [line.found("good", "a new one goes in", "measure:")]
            state, says = _of_step(fitted)
            return [line.found(state, f"renewed, {says}", f"fit:{fitted.planned.key}")]
        return self._check(LookUp(line.key, line.label, "check", (check,), "always"), CHECKS[check])

    def _bad(self, hold: str, covered: set[str]) -> Iterator[Look]:
        """Readings of what goes in that let nothing go on: a part that was renewed was read before it was."""
        for check in self.bench.checks:
            if check.name in covered or self._hold_of(check) != hold:
                continue
            new = check.reads not in self.bench.apart and all(self.case.renews(part) for part in check.got)
            found = self._finding(check.name)
            if found is None or not found.taken or new:
                continue
            state, says = self._of_finding(found)
            if state == "bad":
                yield Look(check.name, check.title, state, says, f"measure:{check.name}")

    def _hold_of(self, check: Check) -> str:
        """The hold point of this plan after which a check's part is out of reach; empty where it has none."""
        later = READ_LATER.get(check.name)
        if later:
            return later
        return next((hold for hold, parts in GOING_IN.items() if check.part in parts and hold in self.steps), "")

    @cached_property
    def _outcomes(self) -> Mapping[str, Outcome | None]:
        b = self.bench
        return {c.name: told for c, told in outcome_of(b.build, b.readings, b.series_answers, b.manual)}

    def _setup(self, line: LookUp) -> Look:
        """A calculation of the set-up; where it can say nothing, its reading, or who says it was done."""
        calculation, check = CALCULATIONS[line.of[0]], CHECKS[line.of[1]]
        told, found, where = self._outcomes[calculation.name], self._finding(check.name), f"measure:{check.name}"
        here = self.steps.get(line.only_with)
        right = told is not None and told.verdict == "reuse" and not (found and found.overruled)
        if found and found.taken and state_of(found) == "bad" and not right:
            return line.found(*self._of_finding(found), where)
        if here is not None and here.settled:
            return line.found(*_of_step(here), f"fit:{line.only_with}")
        if told is not None and not (found and found.to_go and check.kind == "reading"):
            state: LookState = "good" if told.verdict in ("reuse", "") else "bad"
            return line.found(state, told.sentence + self._read_by(check.name), where)
        if closed := _closed(self.bench, check.name):
            return line.found("good", closed.says, where)
        if here is not None and here.known:
            return line.found("good", f"{here.known}; nothing to hold it against", where)
        return line.found("open", f"waits for {calculation.waits_for}", where)

    def _gaps(self, line: LookUp) -> Look:
        """Readings that are all there, whatever they come to; those that contradict one another are taken again."""
        told, where = self._outcomes[line.of[0]], f"measure:{line.of[0]}"
        if told is None:
            closed = _closed(self.bench, line.of[0])
            return line.found("good" if closed else "open", closed.says if closed else "nobody has read it", where)
        if told.again:
            return line.found("bad", told.sentence, where)
        return line.found("good", told.working[0] + self._read_by(line.of[0]), where)

    # --- parts and bolts

    def _fit(self, line: LookUp) -> Iterable[Look]:
        """Parts held against one another; nothing where not both are known."""
        known, both = self.bench.build.known, []
        for found in misfits(self.bench.build):
            if found.rule.first[1] in line.of:
                return [line.found("bad", misfit_sentence(found), "choose:")]
        for name in line.of:
            sides = [q for (_, figure), q in FITS.items() if figure == name]
            if len(sides) > 1 and all(known.get(q) is not None for q in sides):
                both.append(name)
        return [line.found("good", "the same, as typed in Choose", "choose:")] if both else []

    def _bolt_map(self, line: LookUp) -> Look:
        joints = self.plan.by_key["housing_tight"].step.joints if "housing_tight" in self.plan.by_key else line.of
        holes = [hole for joint in joints for hole in holes_of_joint(self.bench.record, joint)]
        judged = [(hole.number, judge(hole)) for hole in holes]
        unsaid = [f"{number}: {found.says}" for number, found in judged if found.state == "open"]
        wrong = [f"{number}: {found.says}" for number, found in judged if found.state not in ("good", "open")]
        if wrong or unsaid:
            return line.found("bad" if wrong else "open", "; ".join(wrong or unsaid), "fit:bolt_map")
        if holes:
            return line.found("good", f"{len(holes)} on the bolt map, each right", "fit:bolt_map")
        card = self.steps.get("gearbox_strapped")
        if card is not None and card.state in PASSED:
            return line.found("good", f"off onto the card, {_of_step(card)[1]}", "fit:gearbox_strapped")
        return line.found("open", "no bolt of it is on the bolt map", "fit:bolt_map")

    # --- what a job says of itself

    def _fluids(self) -> Iterator[Look]:
        said = self.bench.said_of(FluidFilled)
        for name, step in FILLED_AT.items():
            here, line = self.steps.get(step), said.get(name)
            if here is None or not (here.planned.step.fact or line):
                continue
            label, where = FLUIDS[name].label, f"prove:fluid {name}"
            if line is not None:
                wrong = read_filled(line.key, line.statement).wrong
                yield Look(f"fluid_{name}", label, "bad" if wrong else "good", _filled(line, wrong), where)
            elif here.settled:
                yield Look(f"fluid_{name}", label, *_of_step(here), where)
            elif name == "clutch" and (bled := _last_bled(self.bench)) and bled.statement.fluid:
                yield Look(f"fluid_{name}", label, "good", bled.statement.fluid + _by(bled), "prove:bleed")
            else:
                yield Look(f"fluid_{name}", label, "open", "not said: its class, how much, its level", where)

    def _left_over(self, line: LookUp) -> Look:
        said = self.bench.said_of(LeftOver)
        left = [key for key, one in said.items() if one.answer == "unexplained"]
        if left:
            return line.found("bad", f"unexplained: {', '.join(left)}", "fit:left_over")
        return line.found("good", "each is explained" if said else "nothing was left over", "fit:left_over")

    def _card(self, line: LookUp) -> Look:
        name = line.of[0]
        where, said, items = f"prove:{name}", self.bench.said_of(Tried), _items(self.case, name)
        lines = {key: said[key].statement for key in items if key in said}
        odd = [f"{items[key].do}: {one.note or 'odd'}" for key, one in lines.items() if one.answer == "odd"]
        again = self.bench.said_of(SecondLook).get("") if name == "recheck" else None
        if odd:
            return line.found("bad", "; ".join(odd), where)
        good = sum(one.answer == "good" for one in lines.values())
        if good == len(items):
            return line.found("good", f"all {good} good{_by(said[[*lines][-1]])}", where)
        if again:
            return line.found("good", f"looked at again{_by(again)}", where)
        step = self.steps.get(name)
        if step is not None and (step.said or step.settled):
            return line.found(*_of_step(step), where)
        return line.found("open", f"{good} of {len(items)} good", where)

    def _bedding(self, line: LookUp) -> Iterable[Look]:
        if not self.faces:
            return []
        found, allowed = bedding_of(self.bench, self.faces), self.bench.said_of(FullLoad).get("")
        if found.done or not allowed:
            return [line.found("good" if found.done else "open", found.sentence, "prove:hand-over")]
        says = f"{found.sentence} Full load all the same: {allowed.reason}{_by(allowed)}"
        return [line.found("overridden", says, "prove:hand-over")]


def _of_step(here: Standing) -> tuple[LookState, str]:
    """A step as a line: done by whom, or from what it is known."""
    title = here.planned.step.title
    if here.state not in PASSED:
        return "open", f"not done: {title[0].lower()}{title[1:]}"
    line = here.said or here.settled
    if line is not None:
        text = here.said.statement.text if here.said else line.reason
        how = "done" if here.said else option_words(line.answer)
        return "good", f"{how}{_by(line)}{f': {text}' if text else ''}"
    return "good", here.known or "done"


def _by(line: Line) -> str:
    by = ", ".join(filter(None, (line.who, line.at[:10])))
    return f" ({by})" if by else ""


def _filled(line: Line[FluidFilled], wrong: str) -> str:
    said = line.statement
    return f"{said.class_}{f': {wrong}' if wrong else ''}{_by(line)}"


def _last_bled(bench: Bench) -> Line[Bled] | None:
    return next(reversed([*bench.said_of(Bled).values()]), None)


def _items(case: Case, name: str) -> dict[str, Item]:
    card = card_named(name)
    return items_of(card, case) if card else {}


def _closed(bench: Bench, check: str) -> Known | None:
    """That a check was said not to be on this job."""
    line = bench.said_of(CheckClosed).get(check)
    if line is None or line.answer != "not_on_job":
        return None
    return Known(f"not on this job: {line.reason}{_by(line)}", line.at)


# --- facts said elsewhere


def asked_of(bench: Bench, case: Case, plan: Plan) -> dict[str, str]:
    """Step -> where its fact is asked, in words; a check the job does not call for is asked at its step."""
    checks = {check.name for check in bench.seen_as(PLAN).checks}
    found = {}
    for planned in plan.steps:
        station, _, what = planned.step.fact.partition(":")
        if planned.step.fact == ALL_READ:
            found[planned.key] = _still_to_read(_asked_before(bench, case, plan))
        elif station and (station != "measure" or what in checks):
            found[planned.key] = _asked_at(station, what)
    return found


class _Waits(NamedTuple):
    """A check that is to be read before anything goes in: whether it is closed, and what it came to."""

    closed: bool
    found: Finding

    @property
    def still(self) -> bool:
        return not self.closed and (not self.found.taken or self.found.to_go > 0)


def _asked_before(bench: Bench, case: Case, plan: Plan) -> list[_Waits]:
    """What is to be read before anything goes in: the checks of the scope, of what the job opens.

    What is read as parts go in has a step, or a hold point, of its own.
    """
    seen = bench.seen_as(PLAN if case.never else FOUND)
    at_steps = {planned.step.fact.removeprefix("measure:") for planned in plan.steps}
    asked = (
        check
        for check in seen.checks
        if check.kind != "figure"
        and not check.set_up
        and check.name not in at_steps | READ_AS_FITTED
        and opens_to(case, check.part)
        and asked_in(seen.scope, check)
    )
    return [_Waits(not seen.wants(check), finding_of(seen, check)[0]) for check in asked]


def _still_to_read(asked: Sequence[_Waits]) -> str:
    """How many checks wait; empty where none does."""
    left = sum(each.still for each in asked)
    return f"on the bench: {left} of {len(asked)} checks are not read, nor closed" if left else ""


def _known_by_all(asked: Sequence[_Waits]) -> Known | None:
    """That everything that is asked for was read, or closed; None where nothing is, and a person has to say."""
    if not asked or _still_to_read(asked):
        return None
    closed = sum(each.closed for each in asked)
    return Known(f"on the bench: {len(asked) - closed} of {len(asked)} checks read, {closed} closed by name")


def _asked_at(station: str, what: str) -> str:
    if station == "measure":
        return f"on the bench, “{CHECKS[what].label}”"
    if card := card_named(what):
        return f"on its card in Prove, “{card.title}”"
    return "in Prove, “Bleed it”" if what == "bleed" else f"in Prove, “{FLUIDS[what.removeprefix('fluid ')].label}”"


def proved_of(bench: Bench, case: Case, plan: Plan) -> dict[str, Known]:
    """Step -> from what it is known to be done."""
    planned = bench.seen_as(PLAN)
    found = {
        each.key: _known(planned, case, each.step.fact) for each in plan.steps if each.step.fact not in ("", ALL_READ)
    }
    found |= {
        each.key: _known_by_all(_asked_before(bench, case, plan)) for each in plan.steps if each.step.fact == ALL_READ
    }
    return {key: known for key, known in found.items() if known is not None}


def _known(bench: Bench, case: Case, fact: str) -> Known | None:
    station, _, what = fact.partition(":")
    if station == "measure":
        return _known_by_reading(bench, what)
    if what == "bleed":
        bled = _last_bled(bench)
        return Known(f"bled{_by(bled)}", bled.at) if bled else None
    if what.startswith("fluid "):
        line = bench.said_of(FluidFilled).get(what.removeprefix("fluid "))
        return Known(f"filled: {_filled(line, '')}", line.at) if line else None
    return _known_by_card(bench, case, what)


def _known_by_reading(bench: Bench, name: str) -> Known | None:
    check = bench.check(name)
    if check is None:
        return None
    if closed := _closed(bench, name):
        return closed
    found, series = finding_of(bench, check)[0], bench.latest(name)
    if series is None or not found.taken or found.to_go or found.skipped:
        return None
    last = max(t.at for t in series.taken if not t.withdrawn)
    read = ", ".join(dict.fromkeys(t.reading.typed for t in series.taken if not t.withdrawn and t.reading.typed))
    return Known(f"read on the bench: {read or WORDS[found.verdict].lower()}", utc_text(last))


def _known_by_card(bench: Bench, case: Case, name: str) -> Known | None:
    """A card whose items were all tried; the look again, said in one sentence, too."""
    said = bench.said_of(Tried)
    tried = [said[key] for key in _items(case, name) if key in said and said[key].answer in ("good", "odd")]
    again = bench.said_of(SecondLook).get("") if name == "recheck" else None
    if len(tried) == len(_items(case, name)):
        return Known(f"its card{_by(tried[-1])}", max(line.at for line in tried))
    return Known(f"looked at again{_by(again)}", again.at) if again else None
