"""All combinations of a shelf of parts against a brief: which hold, which are worth a look, what excludes the rest.

- `FinderPart`, `Shelf`   parts by slot, each with the values and options it brings, its properties and its price
- `Candidates`         the combinations worth a look and what excluded the others
- `search`           evaluates every combination, in chunks of bounded memory
- `STEPS`           how far two combinations have to be apart to be two
- `non_dominated`   the rows no other row beats in everything

Combinations whose parts bring the same options share a graph and are evaluated together, arrays in place of scalars.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import product
from typing import Any, TypeAlias

import numpy as np
import numpy.typing as npt

from liftbite.core.graph.graph import Values
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.inputs import FITS
from liftbite.core.job.ledger import Entry
from liftbite.core.parts.mismatch import RULES, bare_aluminium
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.verdicts.criteria import CRITERIA, LOW
from liftbite.core.verdicts.looked import Samples, reserves

CHUNK = 65_536
Mask: TypeAlias = npt.NDArray[np.bool_]
Places: TypeAlias = npt.NDArray[np.intp]


@dataclass(frozen=True, slots=True)
class FinderPart:
    """A part on the shelf.

    Attributes
    ----------
    name, price : what it is called, what it costs
    values : quantity -> value [SI]
    options : choice -> option it brings
    properties : what has to fit, as in `mismatch.RULES`
    """

    name: str
    price: float = 0.0
    values: Mapping[str, float] = field(default_factory=dict)
    options: Mapping[str, str] = field(default_factory=dict)
    properties: Mapping[str, float | str | bool] = field(default_factory=dict)


Shelf = Mapping[str, Sequence[FinderPart]]

#: Objective -> +1 where more is better, −1 where less is.
OBJECTIVES: Mapping[str, int] = {
    "bite": 1, "lift": 1, "effort": -1, "inertia": -1, "heat": 1, "price": -1,
}  # fmt: skip

#: Limit -> what is said of those it excludes, in the order they are looked at: what costs least first.
LIMITS: Mapping[str, str] = {
    "mismatch": "parts that do not go together",
    "impossible": "a build that cannot exist",
    "bite": "less bite than the use asks for",
    "pressure": "face pressure over what the facing's maker allows",
    "lift": "less lift than is needed",
    "true": "flywheel, balance or joint short of its limit",
    "fuse": "shaft, splines or damper break before the clutch slips",
    "floater": "a floater that leaves one disc dragging",
    "comfort": "no comfortable gap, or a drag once worn",
    "overtravel": "more lift than the cover allows",
    "effort": "more effort than is allowed",
    "strokes": "a cylinder at its end or over its pressure before full pedal, or fluid that boils",
    "stalls": "a start that stalls the engine or never locks",
    "heat": "hotter than the facing stands",
    "hot": "slips at the heat of its own starts",
}
_EFFORT = next(c for c in CRITERIA if c.excludes == "effort")


@dataclass(frozen=True, eq=False)
class Candidates:
    """What a search found.

    Attributes
    ----------
    total, kept : combinations evaluated, and those that pass every limit
    front : the non-dominated ones: slot -> part name, objective -> value
    excluded : limit -> how many it excludes, each counted at the first limit it fails
    unseen : objectives that could not be worked out from brief and shelf
    complete : False where it was cancelled
    """

    total: int
    kept: int
    front: list[dict[str, Any]]
    excluded: dict[str, int]
    unseen: tuple[str, ...]
    complete: bool


#: Steps in which objectives are told apart: what is closer than this is equal to a builder.
STEPS: Mapping[str, float] = {
    "bite": 0.05, "lift": 0.05, "effort": 5.0, "inertia": 0.005, "heat": 0.25, "price": 10.0,
}  # fmt: skip
#: Rows held against others at once, and how many of the others are tried first.
_BLOCK, _STRONGEST = 512, 64


def non_dominated(rows: Array) -> Array:
    """Mask of the rows that no other row equals or beats in every column and beats in one; more is better.

    >>> non_dominated(np.array([[1.0, 2.0], [2.0, 1.0], [1.0, 1.0]]))
    array([ True,  True, False])
    """
    order = np.argsort(-rows.sum(axis=1), kind="stable")  # no row is beaten by one with a smaller sum
    front = np.empty((0, rows.shape[1]))
    mask = np.zeros(len(rows), dtype=bool)
    for start in range(0, len(rows), _BLOCK):
        at = order[start : start + _BLOCK]
        at = at[~_beaten(rows[at], front)]
        at = at[~_beaten(rows[at], rows[at])]
        mask[at] = True
        front = np.vstack([front, rows[at]])
    return mask


def _beaten(rows: Array, by: Array) -> Mask:
    """Mask of `rows` that some row of `by` equals or beats in every column and beats in one.

    The strongest of `by` beat most of what is beaten at all; only what they leave is held against all.
    """
    mask = np.zeros(len(rows), dtype=bool)
    strongest = by[np.argsort(-by.sum(axis=1))[:_STRONGEST]]
    for start in range(0, len(rows), _BLOCK):
        at = np.arange(start, min(start + _BLOCK, len(rows)))
        for among in (strongest, by) if len(by) > _STRONGEST else (by,):
            lost = _beaten_at_once(rows[at], among)
            mask[at[lost]] = True
            at = at[~lost]
    return mask


def _beaten_at_once(rows: Array, by: Array) -> Mask:
    if not len(rows) or not len(by):
        return np.zeros(len(rows), dtype=bool)
    at_least = by[:, 0] >= rows[:, :1]
    for column in range(1, rows.shape[1]):
        at_least &= np.ascontiguousarray(by[:, column]) >= rows[:, column, None]
    first = at_least.argmax(axis=1)
    covered = at_least[np.arange(len(rows)), first]
    beaten: Mask = covered & np.any(by[first] > rows, axis=1)
    doubt = covered & ~beaten  # the first is its equal; another may still beat it
    better = np.zeros((np.count_nonzero(doubt), len(by)), dtype=bool)
    for column in range(rows.shape[1]):
        better |= np.ascontiguousarray(by[:, column]) > rows[doubt, column, None]
    beaten[doubt] = np.any(at_least[doubt] & better, axis=1)
    return beaten


def _groups(shelf: Shelf) -> Iterator[dict[str, list[FinderPart]]]:
    """The shelf split so that within each piece all parts of a slot bring the same options."""
    split = []
    for parts in shelf.values():
        by_options: dict[tuple[tuple[str, str], ...], list[FinderPart]] = {}
        for part in parts:
            by_options.setdefault(tuple(sorted(part.options.items())), []).append(part)
        split.append(list(by_options.values()))
    for pieces in product(*split):
        yield dict(zip(shelf, pieces, strict=True))


def _clashes(build: Build, piece: Mapping[str, list[FinderPart]], index: Mapping[str, Places], size: int) -> Mask:
    """Mask of the combinations whose parts break a rule, among themselves or with what the job has."""
    bad = np.full(size, bare_aluminium(build.chosen.traits))

    def side(slot: str, name: str) -> Values:
        if slot in piece:
            stated = [p.properties.get(name, np.nan) for p in piece[slot]]
            return np.array(stated, dtype=np.float64)[index[slot]]
        quantity = FITS.get((slot, name), "")
        return float(build.known[quantity]) if quantity in build.entries and quantity in build.known else np.nan

    for rule in RULES:
        if rule.first[0] in piece or rule.second[0] in piece:
            bad |= np.abs(side(*rule.first) - side(*rule.second)) > rule.within
    return bad


def search(
    brief: Mapping[str, Entry],
    shelf: Shelf,
    *,
    stage: float = 1.0,
    all_four: bool = False,
    progress: Callable[[int, int], bool] | None = None,
    seen: Callable[[Candidates], None] | None = None,
) -> Candidates:
    """Evaluates every combination of one part from each slot.

    Parameters
    ----------
    brief : entries of the job; parts override what they bring
    shelf : slot -> parts
    stage : engine as it is (0) or as planned (1)
    all_four : True to keep only what is good in Bite, Lift, Heat and True alike, not just what works
    progress : called with done and total after each chunk; returning False cancels
    seen : called after each chunk with what was found so far
    """
    total = int(np.prod([len(parts) for parts in shelf.values()], dtype=np.int64)) if shelf else 0
    done = kept = 0
    excluded: Counter[str] = Counter()
    unseen: set[str] = set()
    names: list[dict[str, Any]] = []
    rows = np.empty((0, len(OBJECTIVES)))
    for piece in _groups(shelf):
        options = {c: o for parts in piece.values() for c, o in parts[0].options.items()}
        build = build_of({**brief, **{c: Entry(c, o) for c, o in options.items()}})
        sizes = [len(parts) for parts in piece.values()]
        count = int(np.prod(sizes, dtype=np.int64))
        for start in range(0, count, CHUNK):
            flat = np.arange(start, min(start + CHUNK, count))
            index = dict(zip(piece, np.unravel_index(flat, sizes), strict=True))
            found, out, blind = _evaluate(build, piece, index, flat.size, stage, all_four=all_four)
            excluded.update(out)
            unseen |= blind
            kept += len(found)
            if len(found):
                names, rows = _merge(names, rows, piece, index, found)
            done += flat.size
            if seen is not None:
                seen(_candidates(done, kept, names, rows, excluded, unseen, complete=False))
            if progress is not None and not progress(done, total):
                return _candidates(done, kept, names, rows, excluded, unseen, complete=False)
    return _candidates(done, kept, names, rows, excluded, unseen, complete=True)


class _Left(Samples):
    """The candidates still in the running, with their values: what fails a limit is not worked out further."""

    def keep(self, ok: Mask) -> None:
        """Keeps what is `ok` among what is left."""
        if np.all(ok):
            return
        shape, self.at = self.at.shape, self.at[ok]
        for store in (self._known, *self._kept.values()):
            for name, value in store.items():
                kind = type(value)
                if kind is np.ndarray and value.shape == shape:
                    store[name] = value[ok]
                elif kind is LaunchCase or kind is Launch:
                    store[name] = value.taken(ok)


def _evaluate(
    build: Build, piece: Mapping[str, list[FinderPart]], index: Mapping[str, Places], size: int, stage: float, *,
    all_four: bool,
) -> tuple[Array, Counter[str], set[str]]:  # fmt: skip
    """Rows of those that pass (position, then the objectives, more is better), what excluded the rest, blind spots."""
    out: Counter[str] = Counter()
    known: dict[str, Any] = {**build.known, "stage": stage}
    for slot, parts in piece.items():
        for quantity in {q for p in parts for q in p.values} - build.graph.functions.keys():
            known[quantity] = np.array([p.values.get(quantity, np.nan) for p in parts])[index[slot]]
    if isinstance(known.get("disc_count"), np.ndarray):
        for quantity, assumed in build.chosen.assumed.items():
            if (
                assumed.several is not None
                and quantity not in build.entries
                and known[quantity] is build.known[quantity]
            ):
                known[quantity] = np.where(known["disc_count"] > 1, assumed.several, assumed.value)
    left = _Left(build, known, size)

    def narrow(limit: str, ok: Mask) -> None:
        out[limit] += int(left.at.size - ok.sum())
        left.keep(ok)

    narrow("mismatch", ~_clashes(build, piece, index, size))
    bite = left.values(("bite_margin",), LOW)["bite_margin"]  # what cannot exist at low friction is left out too
    if bite is not None:
        narrow("impossible", np.isfinite(bite))
    for limit in LIMITS:
        rows = [c for c in CRITERIA if c.excludes == limit and (c.works or all_four)]
        for row in (c for c in rows if c.counts(build)):
            for found in reserves(row, left.values):
                narrow(limit, np.broadcast_to(np.asarray(found) >= 1, left.at.shape))
    columns = _objectives(left)
    columns["price"] = np.zeros(left.at.size) + sum(
        np.array([p.price for p in parts])[index[slot][left.at]] for slot, parts in piece.items()
    )
    blind = {name for name in OBJECTIVES if columns[name] is None}
    every = [sign * _or_nothing(columns[n], left.at.size) for n, sign in OBJECTIVES.items()]
    return np.column_stack([left.at, *every]), out, blind


def _or_nothing(column: Array | None, size: int) -> Array:
    return np.zeros(size) if column is None else column


def _objectives(left: _Left) -> dict[str, Array | None]:
    """What is told of those that pass, but for the price."""
    nominal = left.values(("heat_margin", "sustained_margin", "lift_margin", "engine_inertia", "effort_limit"))
    heat, sustained = nominal["heat_margin"], nominal["sustained_margin"]
    spare, limit = list(reserves(_EFFORT, left.values)), nominal["effort_limit"]
    return {
        "bite": left.values(("bite_margin",))["bite_margin"], "lift": nominal["lift_margin"],
        "inertia": nominal["engine_inertia"],
        "heat": np.minimum(heat, sustained) if heat is not None and sustained is not None else heat,
        "effort": limit / np.min(np.asarray(spare), axis=0) if spare and limit is not None
        else left.values(("peak_pedal_effort",))["peak_pedal_effort"],
    }  # fmt: skip


def _merge(
    names: list[dict[str, Any]],
    rows: Array,
    piece: Mapping[str, list[FinderPart]],
    index: Mapping[str, Places],
    found: Array,
) -> tuple[list[dict[str, Any]], Array]:
    """The front with a chunk's passing rows taken in; rows that differ by less than `STEPS` count as one."""
    steps, had = np.array([STEPS[o] for o in OBJECTIVES]), len(rows)
    every = np.vstack([rows, found[:, 1:]])
    stepped = np.floor(every / steps).astype(np.float32)  # whole numbers: exact, and half as much to go through
    new = _distinct(stepped)
    new = new[new >= had]
    new = new[~_beaten(stepped[new], stepped[:had])]
    new = new[non_dominated(stepped[new])]
    keep = np.append(np.flatnonzero(~_beaten(stepped[:had], stepped[new])), new)
    labels = [
        names[k] if k < had else
        {slot: parts[int(index[slot][int(found[k - had, 0])])].name for slot, parts in piece.items()}
        for k in keep
    ]  # fmt: skip
    return labels, every[keep]


def _distinct(rows: Array) -> Places:
    """Places of the first of every row, in order; whole numbers are told apart as one number a row where they fit.

    >>> _distinct(np.array([[1.0, 2.0], [3.0, 2.0], [1.0, 2.0]]))
    array([0, 1])
    """
    low = rows.min(axis=0)
    spans = rows.max(axis=0) - low + 1
    if np.prod(spans) < 2**62:  # not so where one is infinite
        whole = tuple((rows - low).astype(np.int64).T)
        _, first = np.unique(np.ravel_multi_index(whole, tuple(spans.astype(np.int64))), return_index=True)
    else:
        _, first = np.unique(rows, axis=0, return_index=True)
    return np.sort(first)


def _candidates(
    done: int, kept: int, names: list[dict[str, Any]], rows: Array, excluded: Counter[str], unseen: set[str], *,
    complete: bool,
) -> Candidates:  # fmt: skip
    front = [
        {
            **name,
            **{o: sign * float(v) for (o, sign), v in zip(OBJECTIVES.items(), row, strict=True) if o not in unseen},
        }
        for name, row in zip(names, rows, strict=True)
    ]
    return Candidates(done, kept, front, {k: v for k, v in excluded.items() if v}, tuple(sorted(unseen)), complete)
