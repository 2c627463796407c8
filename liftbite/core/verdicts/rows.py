"""The rows of `verdicts.criteria` worked out: for one job with its links, or for many candidates at once.

- `Rows`, `look`   the rows of a question for a job: links, gravest first, and what could not be looked at
- `basis_of`         the inputs that quantities stand on, by where their values come from
- `Samples`          quantities of a job for many candidates at once
- `sampled`, `reserves`   a row for every candidate, with its value or only its reserve

A row is worked out by the same functions whether its values are single figures or arrays, so the finder keeps a
candidate exactly where every row of its job is met.
"""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np

from liftbite.core.graph.graph import NO_VALUE, Graph, Known, Needs, Refused, Values
from liftbite.core.job.build import Build, unit_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.verdicts.criteria import NOMINAL, Case, Criterion, criteria_of
from liftbite.core.verdicts.verdict import GRAVITY, Basis, Grade, Link, Question, Whose


def _missing(*values: object) -> bool:
    return any(value is None or isinstance(value, NO_VALUE) for value in values)


@dataclass(frozen=True, slots=True)
class Rows:
    """The rows of a question, worked out for a job.

    Attributes
    ----------
    links : what was looked at, gravest first, then weakest
    unseen : keys of what could not be
    """

    links: tuple[Link, ...]
    unseen: tuple[str, ...]

    @property
    def weakest(self) -> Link:
        """The link that decides: the gravest, and of those the one nearest to its limit."""
        return self.links[0]

    def of(self, key: str) -> Link | None:
        """The link of that key."""
        return next((link for link in self.links if link.key == key), None)


def look(build: Build, question: Question) -> Rows:
    """Works the rows of a question out for a job, at the stage it is judged for.

    A row whose quantity the arrangement does not work out, such as a master's stroke of a cable, is no row of the job.
    """
    rows = [
        c
        for c in criteria_of(question)
        if c.counts(build)
        and (c.only is None or build.known.get(c.only[0]) == c.only[1])
        and c.outranked not in build.known
        and not c.silent
    ]
    blind = [c.key for c in rows if c.unless and build.chosen.has(c.unless)]
    rows = [c for c in rows if not (c.unless and build.chosen.has(c.unless))]
    sheet = _Sheet(build, rows)
    links: list[Link] = []
    unseen: list[str] = blind
    for criterion in rows:
        found = _judged(sheet, criterion)
        if found is None:
            unseen += [] if criterion.if_clear or criterion.told else [criterion.key]
        elif found[0] is not None:
            links.append(found[0])
    return Rows(tuple(sorted(links, key=gravest_first)), tuple(unseen))


def gravest_first(link: Link) -> tuple[int, float]:
    """The order links are told in: gravest first, then weakest."""
    return -GRAVITY[link.grade], link.reserve


#: Input -> its place in the order of work.
_PLACE_OF = {name: place for place, name in enumerate(INPUTS)}


def basis_of(build: Build, names: Sequence[str]) -> Basis:
    """The inputs that quantities stand on, in the order of work, by where their values come from."""
    stands: dict[str, list[str]] = {"entered": [], "measured": [], "assumed": [], "missing": []}
    mark = build.mark
    for name in _inputs_in_order(build.graph, tuple(names)):
        stands[mark(name)].append(name)
    return Basis(tuple(stands["entered"]), tuple(stands["measured"]), tuple(stands["assumed"]))


@lru_cache(maxsize=4096)
def _inputs_in_order(graph: Graph, names: tuple[str, ...]) -> tuple[str, ...]:
    return tuple(sorted(graph.inputs(names) & INPUTS.keys(), key=_PLACE_OF.__getitem__))


class _Sheet:
    """Rows of a job with their values; rows of one state are worked out together."""

    def __init__(self, build: Build, rows: Sequence[Criterion]) -> None:
        self.build = build
        self._wanted: defaultdict[tuple[float, str], set[str]] = defaultdict(set)
        for row in rows:
            for case in row.cases:
                self._wanted[case.key].update(row.wants)
        self._kept: dict[tuple[float, str], tuple[dict[str, float], Known] | None] = {}

    def at(self, case: Case) -> tuple[dict[str, float], Known] | None:
        """The state in figures, and the values of every row looked at in it; None where there is no such state."""
        if case.key not in self._kept:
            self._kept[case.key] = self._worked_out(case)
        return self._kept[case.key]

    def _worked_out(self, case: Case) -> tuple[dict[str, float], Known] | None:
        build = self.build
        named = [v for v in case.state.values() if isinstance(v, str)]
        values = build.evaluate(named, stage=build.stage) if named else {}
        taken = {name: values[v] if isinstance(v, str) else v for name, v in case.state.items()}
        if _missing(*taken.values()):
            return None
        figures = {name: float(v) for name, v in taken.items()}
        ready = build.ready(self._wanted[case.key], figures)
        return figures, build.evaluate(ready, stage=build.stage, friction=case.friction, **figures)


def _judged(sheet: _Sheet, criterion: Criterion) -> tuple[Link | None] | None:
    """The link of a row, in a tuple: empty of it where there is nothing to tell; None where it cannot be looked at."""
    build = sheet.build
    worst: tuple[float, dict[str, float], float] | None = None
    for case in criterion.cases:
        found = sheet.at(case)
        if found is None or _missing(*(found[1].get(name) for name in criterion.wants)):
            continue
        state, v = found
        figures = {name: float(v[name]) for name in criterion.wants} | state
        if np.isinf(figures[criterion.value]):
            return (None,)  # an end that is never reached
        need = figures[criterion.need] if isinstance(criterion.need, str) else criterion.need
        reserve = float(criterion.reserve(figures[criterion.value], need))
        if worst is None or reserve < worst[0]:
            worst = reserve, figures, case.friction
    if worst is None or np.isnan(worst[0]):
        return None
    return (_link(build, criterion, *worst),)


def _link(build: Build, criterion: Criterion, reserve: float, figures: Mapping[str, float], friction: float) -> Link:
    shown, limit = criterion.shows or (criterion.value, criterion.need)
    bad = (
        criterion.bad_below is not None
        and (reserve if criterion.most else figures[criterion.value]) < criterion.bad_below
    )
    soft = [n for n in criterion.softened if build.mark(n) == "assumed"] if bad else []
    grade: Grade = "note" if criterion.told else "bad" if bad and not soft else "short" if reserve < 1 else "good"
    whose = _whose(build, limit)
    return Link(
        criterion.key,
        criterion.link,
        reserve,
        grade,
        figures[shown],
        figures[limit] if isinstance(limit, str) else limit,
        unit_of(shown, build.graph),
        criterion.most or criterion.shows is not None,
        whose,
        figures,
        _facts(build, whose, limit, soft),
        basis_of(build, criterion.names),
        criterion.value if criterion.value in build.graph.functions else "",
        friction,
        criterion.short,
    )


def engine_of(build: Build) -> str:
    """Which engine is spoken of: "planned" or "now"."""
    return "planned" if build.has_plan else "now"


def _facts(build: Build, whose: Whose, limit: float | str, soft: Sequence[str]) -> dict[str, str]:
    """The keys a row's sentence is made of."""
    facts = {"engine": engine_of(build), "use": build.chosen.options.get("use", "")}
    if whose == "assumed":
        facts["why"] = build.chosen.assumed[str(limit)].why
    return {**facts, "asks": soft[0]} if soft else facts


def _whose(build: Build, limit: float | str) -> Whose:
    """Whose limit a quantity is."""
    if not isinstance(limit, str):
        return "practice"
    if limit in build.entries:
        return "entered"
    return "assumed" if limit in build.chosen.assumed else "worked out"


#: Values of some quantities at states, for many candidates: None for what cannot be worked out.
Sampled = Callable[..., Known]


class Samples:
    """Quantities of a job for many candidates at once; what was worked out in one state serves again in that state."""

    def __init__(self, build: Build, known: dict[str, Any], size: int) -> None:
        self.build, self.at = build, np.arange(size)
        self._kept: dict[tuple[float, tuple[str, ...]], dict[str, Any]] = {}
        self._known = known

    def values(self, names: Sequence[str], friction: float = NOMINAL, **states: Values) -> dict[str, Any]:
        """Values of the candidates at a place in the friction band and other states; None for what has none."""
        key = friction, tuple(sorted(states))
        if key not in self._kept:
            self._kept[key] = {**self._known, "friction_state": friction, **states}
        kept = self._kept[key]
        self.build.graph.extend(kept, names)
        return {n: _plain(kept[n], self.at.size) for n in names}


def _plain(value: Any, size: int) -> Any:
    if isinstance(value, Needs):
        return None
    if isinstance(value, Refused):
        return np.full(size, np.nan)
    return np.broadcast_to(np.asarray(value, dtype=np.float64), size)


def reserves(criterion: Criterion, values: Sampled) -> Iterator[Values]:
    """The reserve of a row for every candidate, in one of its states after the other; below 1 it falls short."""
    return (reserve for reserve, _ in sampled(criterion, values))


def sampled(criterion: Criterion, values: Sampled) -> Iterator[tuple[Values, Values]]:
    """Reserve and value of a row for every candidate, in one of its states after the other.

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
        for friction in criterion.places:
            v = values(criterion.names, friction, **taken)
            if _missing(*(v[name] for name in criterion.names)):
                continue
            need = v[criterion.need] if isinstance(criterion.need, str) else criterion.need
            reserve = criterion.reserve(v[criterion.value], need)
            if criterion.outranked:
                given = values((criterion.outranked,), NOMINAL)[criterion.outranked]
                reserve = reserve if given is None else np.where(np.isfinite(given), np.inf, reserve)
            if criterion.only is None:
                yield reserve, v[criterion.value]
                continue
            name, asked = criterion.only
            counted = values((name,), NOMINAL)[name]
            if counted is not None:
                counts = np.asarray(counted) == asked
                yield np.where(counts, reserve, np.inf), np.where(counts, v[criterion.value], np.inf)
