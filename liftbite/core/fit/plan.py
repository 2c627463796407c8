"""The steps of a case in order: from the rows of `core.fit.order`, with what came off put back.

- `Planned`, `Plan`   a step in its plan with what it waits for and why, and the whole
- `plan_of`           from a case, with own steps, with what is not on this job, in the order this job took it off

How a plan is made. The rows that apply give each step its needs; a step that is not there hands its needs on. What puts
back follows in the reverse of the order it came off, where the steps that took it off needed one another; what the rows
say outranks that, so a reverse that closes a circle with them is dropped. What is of one's own goes between. At the end
nothing is left that something else already waits for, so that a shut step names what it really waits for.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache, cached_property
from heapq import heapify, heappop, heappush

from liftbite.core.fit.case import Case
from liftbite.core.fit.library import AS_IT_CAME_OFF, BACK_WITH, LIBRARY, called_in
from liftbite.core.fit.order.cases import BLOCKS, CASES, WHEN, blocks_of
from liftbite.core.fit.order.notation import Need, Row, Segment
from liftbite.core.fit.own_steps import MOST_OWN, OWN, OwnPlace, in_rings
from liftbite.core.fit.step import STRETCHES, Reason, Step

ON = "on:"
#: The step nothing of a plan may stay behind of.
LAST_LOOK = "final_look"
#: What may wait until the look for leaks is done; only the road waits for it.
LATER = frozenset({"on:undertray"})
#: What a job has whether or not its off-step is there: bolts are tight, levels are right, drained or not.
_STAYS = frozenset({"housing_tight", "filled", "engine_oil"})
_PLAIN = Reason("reach", "its turn is after that")
_OWN_PLACE = Reason("reach", "it was put there on this job")
_WHOLE = Reason("proof", "nothing starts before everything is back and looked at")
_TAKEN_OFF = Reason("reach", "what was not taken off cannot be put back")
#: Stretch -> its place; what goes back and what is filled come between one another.
_STRETCH = {stretch: place for place, stretch in enumerate(STRETCHES)} | {"fill": 5, "back": 5, "prove": 6}

Needs = dict[str, dict[str, Reason]]


@dataclass(frozen=True, slots=True)
class Planned:
    """A step as it stands in a plan, with the keys it waits for there, and why."""

    step: Step
    needs: tuple[str, ...]
    why: Mapping[str, Reason]

    @property
    def key(self) -> str:
        """Its name for good."""
        return self.step.key


@dataclass(frozen=True, eq=False)
class Plan:
    """The steps of a case in an order that keeps every need.

    Attributes
    ----------
    steps : in that order
    left_out : what of the steps of one's own has no place, in a sentence each
    """

    steps: tuple[Planned, ...]
    left_out: tuple[str, ...] = ()

    @cached_property
    def by_key(self) -> Mapping[str, Planned]:
        """Key -> step."""
        return {planned.key: planned for planned in self.steps}

    @cached_property
    def before(self) -> Mapping[str, frozenset[str]]:
        """Key -> everything that has to come before it."""
        found: dict[str, frozenset[str]] = {}
        for planned in self.steps:
            found[planned.key] = frozenset(planned.needs).union(*(found[n] for n in planned.needs))
        return found

    @cached_property
    def rests_on(self) -> Mapping[str, frozenset[str]]:
        """Key -> everything its proof rests on: all before it, but what was only in the way of something put back."""
        found: dict[str, frozenset[str]] = {}
        for planned in self.steps:
            back = planned.step.off and planned.step.stretch == "back"
            under = [n for n in planned.needs if not (back and planned.why[n].kind == "reach")]
            found[planned.key] = frozenset(under).union(*(found[n] for n in under))
        return found

    @property
    def minutes(self) -> int:
        """About how long it takes in all."""
        return sum(planned.step.minutes for planned in self.steps)


def plan_of(
    case: Case,
    own: Iterable[OwnPlace] = (),
    gone: Iterable[str] = (),
    taken_off: Sequence[str] = (),
) -> Plan:
    """The plan of a case.

    Parameters
    ----------
    case : what it depends on
    own : steps added by the shop or the job; one without a place is left out by name
    gone : keys of steps that are not on this job: there is none, or it stays on
    taken_off : keys of steps in the order this job did them

    >>> bike = Case({"runs": "wet", "arm": "in_case"}, False, False, False, False, 1, "", {"plates": "renewed"}, {})
    >>> [p.key for p in plan_of(bike).steps][:4]
    ['cautions', 'parts_gate', 'stand', 'oil_out']
    """
    made = _Making(case, frozenset(gone))
    made.put_own(list(own))
    made.reverse()
    made.close()
    if case.never:
        made.drop_off_steps()
    return made.plan(taken_off)


class _Making:
    """A plan in the making: which steps there are, and what each waits for."""

    def __init__(self, case: Case, gone: frozenset[str]) -> None:
        held = frozenset(name for name, holds in CASES.items() if holds(case))
        self.case = case
        self.written, left = _written(tuple(blocks_of(case)), held)
        there = [key for key, always in left.items() if always or (key in WHEN and WHEN[key](case))]
        backs = (LIBRARY[key].on for key in there if LIBRARY[key].on in BACK_WITH)
        dropped = {key for each in gone for key in (each, LIBRARY[each].on if each in LIBRARY else "")} - _STAYS
        called = called_in(case)
        self.steps = {key: called(key) for key in dict.fromkeys((*there, *backs)) if key not in dropped}
        self.left_out: list[str] = []
        self.needs: Needs = {key: {} for key in self.steps}
        for key in self.steps:
            self._write(key)

    def _write(self, key: str) -> None:
        step = self.steps[key]
        for need in self.written.get(key, ()):
            for found in self._there(need, frozenset({key})):
                self._add(key, found, None)
        if step.off in self.steps:
            self._add(key, step.off, _TAKEN_OFF)

    def _there(self, need: Need, seen: frozenset[str]) -> set[str]:
        """What stands for a need: the step itself, or what it hands on where it is not there."""
        found: set[str] = set()
        for key in need.any_of:
            if key in self.steps:
                found.add(key)
            elif key not in seen and key not in BACK_WITH:
                for handed in self.written.get(key, ()):
                    found |= self._there(handed, seen | {key})
        return found

    def _add(self, key: str, need: str, reason: Reason | None) -> None:
        if need != key:
            self.needs[key].setdefault(need, reason or self._why(key, need))

    def _why(self, key: str, need: str) -> Reason:
        why = self.steps[key].why
        if key == LAST_LOOK:
            return _WHOLE
        return why.get(need) or why.get("*") or self.steps[need].because or _PLAIN

    # --- steps of one's own

    def put_own(self, own: Sequence[OwnPlace]) -> None:
        """Steps of one's own between those they name; what followed the one waits, unless less is named."""
        rings = in_rings(own)
        for place in own:
            if place.step.key in rings:
                self._refuse(place)
        sound = [place for place in own if place.step.key not in rings]
        if len(sound) > MOST_OWN:
            left = len(sound) - MOST_OWN
            self.left_out.append(f"{left} of {len(sound)} steps of one's own are left out; a plan takes {MOST_OWN}")
        waiting = {place.step.key: place for place in sound[:MOST_OWN]}
        theirs = set(waiting)
        while waiting:
            ready = [place for place in waiting.values() if place.after not in waiting]
            for place in ready:
                del waiting[place.step.key]
                self._put(place, theirs)
        for place in sound[:MOST_OWN]:
            self._put_before(place)

    def _refuse(self, place: OwnPlace) -> None:
        self.left_out.append(f"“{place.step.title}” comes after itself, so it has no place in the plan")

    def _put(self, place: OwnPlace, theirs: Collection[str]) -> None:
        key, after = place.step.key, place.after
        followers = [each for each, needs in self.needs.items() if after in needs]
        self.steps[key] = place.step
        self.needs[key] = {after: _OWN_PLACE} if after in self.steps else {}
        if place.before not in self.steps and place.before not in theirs:
            for each in followers:
                self.needs[each][key] = _OWN_PLACE
        if place.back:
            on = ON + key
            self.steps[key] = replace(place.step, on=on)
            self.steps[on] = Step(on, place.back, "back", place.step.reached, place.step.hands, off=key)
            self.needs[on] = {key: _TAKEN_OFF}

    def _put_before(self, place: OwnPlace) -> None:
        """What a step of one's own comes before waits for it; where that closes a circle it is left out."""
        key, before = place.step.key, place.before
        if before not in self.steps or key not in self.steps:
            return
        if before not in self._ahead(key) | {key}:
            self.needs[before][key] = _OWN_PLACE
            return
        self._refuse(place)
        for gone in (key, ON + key):
            self.steps.pop(gone, None)
            handed = self.needs.pop(gone, {})
            for needs in self.needs.values():
                if needs.pop(gone, None) is not None:
                    needs |= {need: reason for need, reason in handed.items() if need not in needs}

    def _ahead(self, key: str) -> set[str]:
        """Everything a step waits for, directly or by way of others."""
        found: set[str] = set()
        ahead = [key]
        while ahead:
            for need in self.needs.get(ahead.pop(), ()):
                if need not in found:
                    found.add(need)
                    ahead.append(need)
        return found

    # --- what goes back

    def reverse(self) -> None:
        """What came off goes back in reverse, as far as what is written leaves it free."""
        bit = {key: 1 << n for n, key in enumerate(self.steps)}
        ahead = self._closure(bit)
        pairs = [(step.key, step.on) for step in self.steps.values() if step.on in self.steps]
        for n, (late, on_late) in enumerate(pairs):
            if on_late in LATER:
                continue
            for early, on_early in reversed(pairs[:n] + pairs[n + 1 :]):
                if not ahead[late] & bit[early] or ahead[on_early] & bit[on_late] or on_early == on_late:
                    continue
                if ahead[on_late] & bit[on_early]:
                    continue  # what is written wants it the other way round
                self.needs[on_early].setdefault(on_late, self._why_reversed(early, on_late))
                gained = ahead[on_late] | bit[on_late]
                for key in bit:
                    if key == on_early or ahead[key] & bit[on_early]:
                        ahead[key] |= gained

    def _why_reversed(self, early: str, on_late: str) -> Reason:
        """Why something goes back after something else: a carrier goes when what it carried is held again."""
        because = self.steps[on_late].because
        carried = self.steps[early].guards and because is not None and because.kind == "load"
        return because if carried and because else AS_IT_CAME_OFF

    def _closure(self, bit: Mapping[str, int]) -> dict[str, int]:
        """Key -> everything before it, as bits."""
        ahead: dict[str, int] = {}
        for key in _sorted(self.needs):
            mask = 0
            for need in self.needs[key]:
                mask |= ahead[need] | bit[need]
            ahead[key] = mask
        return ahead

    def close(self) -> None:
        """Nothing stays behind of the last look."""
        if LAST_LOOK not in self.steps:
            return
        after: set[str] = {LAST_LOOK}
        for key in _sorted(self.needs):
            if after & set(self.needs[key]):
                after.add(key)
        waited = set().union(*self.needs.values())
        for key, step in self.steps.items():
            back = (step.off or key.startswith(OWN)) and key not in LATER
            if key not in after and (back or key not in waited):
                self._add(LAST_LOOK, key, _WHOLE)

    def drop_off_steps(self) -> None:
        """Without what takes off: nothing was assembled before; what carries and guards stays."""
        off = [key for key, step in self.steps.items() if step.stretch == "down" and not key.startswith(OWN)]
        for key in (key for key in off if not _carries(self.steps[key])):
            handed = self.needs.pop(key)
            del self.steps[key]
            for needs in self.needs.values():
                if needs.pop(key, None) is not None:
                    for need, reason in handed.items():
                        needs.setdefault(need, reason)

    # --- the plan

    def plan(self, taken_off: Sequence[str]) -> Plan:
        """The plan, without needs that follow from others."""
        bit = {key: 1 << n for n, key in enumerate(self.steps)}
        ahead = self._closure(bit)
        lean: Needs = {}
        for key, needs in self.needs.items():
            covered = 0
            for need in needs:
                covered |= ahead[need]
            lean[key] = {need: reason for need, reason in needs.items() if not covered & bit[need]}
        order = _in_order(lean, self._places(taken_off))
        return Plan(tuple(Planned(self.steps[key], tuple(lean[key]), lean[key]) for key in order), tuple(self.left_out))

    def _places(self, taken_off: Sequence[str]) -> dict[str, tuple[int, int]]:
        """Where a step would stand if nothing else held: by its stretch and row; back in reverse of how it came off."""
        rank = {key: n for n, key in enumerate(self.steps)}
        done = {key: n for n, key in enumerate(taken_off)}
        places = {}
        for key, step in self.steps.items():
            at = rank[key]
            if step.off and step.stretch == "back":
                at = -(len(rank) + done[step.off]) if step.off in done else -rank.get(step.off, 0)
            places[key] = (_STRETCH[step.stretch], at)
        return places


def _carries(step: Step) -> bool:
    """True of what carries something, or keeps current off, whether or not anything comes off."""
    load = step.because is not None and step.because.kind == "load" and step.on in BACK_WITH
    return step.guards and (load or step.key in ("battery", "stand"))


@cache
def _written(names: tuple[str, ...], held: frozenset[str]) -> tuple[Mapping[str, list[Need]], Mapping[str, bool]]:
    """What the rows that apply say: key -> what it needs; and every key of a left side, whether it is always there.

    Parameters
    ----------
    names : the files of rows
    held : the cases that hold
    """
    called = tuple(pair for each in names for pair in BLOCKS[each].called.items())
    without = frozenset().union(*(BLOCKS[name].without for name in names))
    written: dict[str, list[Need]] = {}
    left: dict[str, bool] = {}
    for name in names:
        above: list[str] = []
        for row in BLOCKS[name].rows:
            if (row.case and row.case not in held) or row.segments[0].keys[0] in without:
                continue
            for segment in _under(row, called).segments:
                needs = segment.needs if segment.needs != _ABOVE else [Need((key,)) for key in dict.fromkeys(above)]
                for key in segment.keys:
                    written.setdefault(key, []).extend(needs)
                    left[key] = left.get(key, False) or key in segment.always
            above += (key for key in row.keys if not key.startswith(ON))
    return written, left


_ABOVE = (Need(("[above]",)),)


@cache
def _under(row: Row, names: tuple[tuple[str, str], ...]) -> Row:
    """A row under the names its keys have with a layout."""
    called = dict(names)

    def now(keys: Iterable[str]) -> tuple[str, ...]:
        return tuple(called.get(key, key) for key in keys)

    return Row(
        row.case,
        tuple(
            Segment(now(s.always), now(s.sometimes), tuple(Need(now(n.any_of)) for n in s.needs if n.any_of != _EVERY))
            for s in row.segments
        ),
    )


#: Every step that puts something back: `_Making.close` sees to it, for it hangs on what else is there.
_EVERY = ("[every on-step]",)


def _sorted(needs: Mapping[str, Mapping[str, object]]) -> list[str]:
    """Any order that keeps every need.

    Raises
    ------
    ValueError : some wait for one another
    """
    waits = {key: len(wanted) for key, wanted in needs.items()}
    after: dict[str, list[str]] = {}
    for key, wanted in needs.items():
        for need in wanted:
            after.setdefault(need, []).append(key)
    found = [key for key, count in waits.items() if not count]
    for key in found:
        for each in after.get(key, ()):
            waits[each] -= 1
            if not waits[each]:
                found.append(each)
    if len(found) < len(waits):
        raise ValueError(f"these wait for one another: {', '.join(sorted(set(waits) - set(found)))}")
    return found


def _in_order(needs: Mapping[str, Iterable[str]], place: Mapping[str, tuple[int, int]]) -> list[str]:
    """An order that keeps every need, as near to the places as it can be."""
    waits = {key: len(list(wanted)) for key, wanted in needs.items()}
    after: dict[str, list[str]] = {}
    for key, wanted in needs.items():
        for need in wanted:
            after.setdefault(need, []).append(key)
    number = {key: n for n, key in enumerate(needs)}
    ready = [(place[key], number[key], key) for key, count in waits.items() if not count]
    heapify(ready)
    found = []
    while ready:
        key = heappop(ready)[2]
        found.append(key)
        for each in after.get(key, ()):
            waits[each] -= 1
            if not waits[each]:
                heappush(ready, (place[each], number[each], each))
    return found
