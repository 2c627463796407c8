"""All combinations of parts that bring the same options: which limit each misses first, and what the others come to.

- `FinderPart`, `Shelf`   parts by slot, each with the values and options it brings, its properties and its price
- `LIMITS`, `OBJECTIVES`   what a combination may miss, in order, and what those that miss nothing are told apart by
- `Combinations`      the combinations, and what becomes of some of them

Most limits hang on some of the parts only: bite on disc and cover, travel on cover and cylinders. Such a limit is
worked out once for the combinations of those parts, its *cells*, and every combination looks its own up; only what
hangs on nearly all parts is worked out for every combination, many at once, arrays in place of single figures.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from functools import partial
from math import prod
from typing import Any, NamedTuple, TypeAlias

import numpy as np
import numpy.typing as npt

from liftbite.core.errors import must_say
from liftbite.core.find.front import Mask, Places
from liftbite.core.graph.graph import Values
from liftbite.core.job.build import Build
from liftbite.core.job.inputs import FITS
from liftbite.core.parts.mismatch import RULES, Rule, bare_aluminium
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.verdicts.criteria import CRITERIA, LOW, Criterion
from liftbite.core.verdicts.rows import Samples, reserves

#: So many cells are kept, at most, and so many are worked out at once.
_CELLS, _BLOCK = 2_000_000, 65_536
#: The place of a limit that nothing missed.
_NONE = 127


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
    "bite": 1,
    "lift": 1,
    "effort": -1,
    "inertia": -1,
    "heat": 1,
    "price": -1,
}

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
for _row in CRITERIA.values():
    must_say(
        f"criterion “{_row.key}”", _row.told or _row.excludes in LIMITS, f"“{_row.excludes}” is no limit of the finder"
    )
_EFFORT = CRITERIA["effort"]
#: What an objective is read off.
_READ_OFF: Mapping[str, tuple[str, ...]] = {
    "bite": ("bite_margin",),
    "lift": ("lift_margin",),
    "inertia": ("engine_inertia",),
    "heat": ("heat_margin", "sustained_margin"),
    "effort": ("peak_pedal_effort", "effort_limit"),
}


class Passed(NamedTuple):
    """Of some combinations: those that miss nothing, their objectives with more being better, what the rest misses.

    Attributes
    ----------
    at : their places among all combinations
    rows : objectives, a row each
    excluded : limit -> how many miss it first
    unseen : objectives that could not be worked out
    """

    at: Places
    rows: Array
    excluded: Counter[str]
    unseen: set[str]


class _Left(Samples):
    """Combinations still in the running, with their values: what misses a limit is not worked out further."""

    def __init__(self, build: Build, known: dict[str, Any], index: Mapping[str, Places], at: Places) -> None:
        super().__init__(build, known, at.size)
        self.at, self.index = at, dict(index)

    def keep(self, ok: Mask) -> None:
        """Keeps what is `ok` among what is left."""
        if np.all(ok):
            return
        shape, self.at = self.at.shape, self.at[ok]
        self.index = {slot: places[ok] for slot, places in self.index.items()}
        for store in (self._known, *self._kept.values()):
            for name, value in store.items():
                kind = type(value)
                if kind is np.ndarray and value.shape == shape:
                    store[name] = value[ok]
                elif kind is LaunchCase or kind is Launch:
                    store[name] = value.where(ok)


#: Looks at what is left, and says what of it is all right; what is not may be taken away between one and the next.
_Look: TypeAlias = Callable[[_Left], Iterable[Mask]]


class _Test(NamedTuple):
    """Something a combination may miss: the limit by its place, the slots it hangs on, and how it is looked at."""

    limit: int
    slots: tuple[str, ...]
    look: _Look


class _Cells:
    """The combinations of some slots: the limit each misses first, and objectives that hang on these slots only.

    They are worked out a block at a time, when one of the block is asked for.
    """

    def __init__(self, slots: tuple[str, ...], sizes: Mapping[str, int]) -> None:
        self.slots, self.sizes = slots, tuple(sizes[slot] for slot in slots)
        self.size = prod(self.sizes)
        self.missed = np.full(self.size, _NONE, dtype=np.int8)
        self.told: dict[str, Array] = {}
        self.tests: list[_Test] = []
        self.tells: list[str] = []
        self._done = np.zeros(-(-self.size // _BLOCK), dtype=bool)

    def of(self, index: Mapping[str, Places]) -> Places:
        """The cell of every combination, from the places of its parts in their slots."""
        if not self.slots:
            return np.zeros(1, dtype=np.intp)
        return np.ravel_multi_index(tuple(index[slot] for slot in self.slots), self.sizes)

    def open_blocks(self, cells: Places) -> Iterator[slice]:
        """The blocks some cells are in that were not worked out yet, each told once."""
        asked = np.bincount(cells // _BLOCK, minlength=self._done.size) > 0
        for block in np.flatnonzero(asked & ~self._done).tolist():
            self._done[block] = True
            yield slice(block * _BLOCK, min((block + 1) * _BLOCK, self.size))


class Combinations:
    """All combinations of one part from each slot, whose parts bring the same options.

    Parameters
    ----------
    build : the brief with those options
    piece : slot -> parts
    stage : engine as it is (0) or as planned (1)
    all_four : True to keep only what is good in Bite, Lift, Heat and True alike, not just what works
    """

    def __init__(
        self, build: Build, piece: Mapping[str, Sequence[FinderPart]], stage: float, *, all_four: bool
    ) -> None:
        self.build, self.piece = build, piece
        self.sizes = {slot: len(parts) for slot, parts in piece.items()}
        self.count = prod(self.sizes.values())
        self._known: dict[str, Any] = {**build.known, "stage": stage}
        self._brought = _brought(build, piece)
        self._price = {slot: np.array([p.price for p in parts]) for slot, parts in piece.items()}
        self._cells: dict[tuple[str, ...], _Cells] = {}
        self._late: list[_Test] = []
        for test in self._tests(all_four):
            cells = self._cells_of(test.slots)
            (self._late if cells is None else cells.tests).append(test)
        self._tells_late: list[str] = []
        for name, read_off in _READ_OFF.items():
            cells = self._cells_of(self._hangs_on({*read_off, *(_asks(_EFFORT) if name == "effort" else ())}))
            (self._tells_late if cells is None else cells.tells).append(name)
        self._unseen: set[str] = set()

    def parts_of(self, at: int) -> dict[str, str]:
        """Slot -> name of the part, of a combination by its place among all."""
        places = np.unravel_index(at, tuple(self.sizes.values()))
        return {slot: parts[int(i)].name for (slot, parts), i in zip(self.piece.items(), places, strict=True)}

    def passed(self, some: range) -> Passed:
        """What becomes of the combinations at some places."""
        flat = np.arange(some.start, some.stop)
        index = dict(zip(self.piece, np.unravel_index(flat, tuple(self.sizes.values())), strict=True))
        missed, places = self._missed_by_cells(self._cells.values(), index, flat.size)
        at, told = self._worked_out(index, missed, self._late, self._tells_late)
        columns = dict(told)
        columns["price"] = sum((self._price[slot][index[slot][at]] for slot in index), np.zeros(at.size))
        for cells in self._cells.values():
            columns |= {name: found[places[cells.slots][at]] for name, found in cells.told.items()}
        nothing = np.zeros(at.size)
        rows = np.column_stack([sign * columns.get(name, nothing) for name, sign in OBJECTIVES.items()])
        counts = np.bincount(missed[missed != _NONE], minlength=len(LIMITS))
        excluded = Counter(dict(zip(LIMITS, counts.tolist(), strict=True)))
        return Passed(at + some.start, rows, excluded, set(self._unseen))

    def _missed_by_cells(
        self, among: Iterable[_Cells], index: Mapping[str, Places], size: int
    ) -> tuple[npt.NDArray[np.int8], dict[tuple[str, ...], Places]]:
        """The limit each combination misses first by cells, and the cells of each."""
        missed = np.full(size, _NONE, dtype=np.int8)
        places: dict[tuple[str, ...], Places] = {}
        for cells in among:
            places[cells.slots] = np.broadcast_to(cells.of(index), size)
            self._work_out(cells, places[cells.slots])
            np.minimum(missed, cells.missed[places[cells.slots]], out=missed)
        return missed, places

    def _work_out(self, cells: _Cells, places: Places) -> None:
        """Works out the blocks of cells that some are in; what fewer slots have missed by then is not looked at."""
        fewer = [c for c in self._cells.values() if set(c.slots) < set(cells.slots)]
        for block in cells.open_blocks(places):
            every = np.arange(block.start, block.stop)
            index = dict(zip(cells.slots, np.unravel_index(every, cells.sizes), strict=True)) if cells.slots else {}
            missed, _ = self._missed_by_cells(fewer, index, every.size)
            at, told = self._worked_out(index, missed, cells.tests, cells.tells)
            cells.missed[block] = missed
            for name, found in told.items():
                cells.told.setdefault(name, np.full(cells.size, np.nan))[at + block.start] = found

    def _worked_out(
        self, index: Mapping[str, Places], missed: npt.NDArray[np.int8], tests: Iterable[_Test], tells: Iterable[str]
    ) -> tuple[Places, dict[str, Array]]:
        """Writes down what combinations miss; those that miss nothing, and objectives of those.

        Parameters
        ----------
        index : places of their parts in the slots they are of
        missed : the limit each has missed so far, taken further
        tests, tells : what is looked at, in the order of the limits, and the objectives that are told
        """
        left: _Left | None = None
        for test in tests:
            left = self._narrowed(left, index, missed >= test.limit)
            for ok in test.look(left):
                missed[left.at[~ok]] = test.limit
                left.keep(ok)
        told = {}
        for name in tells:
            left = self._narrowed(left, index, missed == _NONE)
            found = _told(name, left)
            if found is None:
                self._unseen.add(name)
            else:
                told[name] = found
        return np.flatnonzero(missed == _NONE), told

    def _narrowed(self, left: _Left | None, index: Mapping[str, Places], ok: Mask) -> _Left:
        """What is still in the running among combinations of some slots, those that are `ok`."""
        if left is not None:
            left.keep(ok[left.at])
            return left
        at = np.flatnonzero(ok)
        known, places = dict(self._known), {slot: all_of_them[at] for slot, all_of_them in index.items()}
        for quantity, (slot, column) in self._brought.items():
            if slot in index:
                known[quantity] = column[places[slot]]
            else:
                known.pop(quantity, None)
        return _Left(self.build, known, places, at)

    def _cells_of(self, slots: tuple[str, ...]) -> _Cells | None:
        """The cells of some slots; None where they are nearly as many as the combinations, or too many to keep."""
        if slots not in self._cells:
            cells = _Cells(slots, self.sizes)
            if cells.size > _CELLS or 2 * cells.size > self.count:
                return None
            self._cells[slots] = cells
        return self._cells[slots]

    def _hangs_on(self, names: Iterable[str]) -> tuple[str, ...]:
        """The slots whose parts bring anything that quantities rest on."""
        upstream = self.build.graph.upstream(names)
        slots = {slot for quantity, (slot, _) in self._brought.items() if quantity in upstream}
        return tuple(slot for slot in self.piece if slot in slots)

    def _tests(self, all_four: bool) -> Iterator[_Test]:
        """All that a combination may miss, in the order of the limits."""
        for place, limit in enumerate(LIMITS):
            if limit == "mismatch":
                for rule in RULES:
                    slots = tuple(slot for slot in self.piece if slot in {rule.first[0], rule.second[0]})
                    if slots:
                        yield _Test(place, slots, partial(self._agrees, rule))
                if bare_aluminium(self.build.chosen.traits):
                    yield _Test(place, (), lambda left: [np.zeros(left.at.size, dtype=bool)])
            if limit == "impossible":  # what cannot exist at low friction is left out too
                yield _Test(place, self._hangs_on(["bite_margin"]), _exists)
            for row in CRITERIA.values():
                if row.excludes == limit and (row.works or all_four) and row.counts(self.build):
                    yield _Test(place, self._hangs_on(_asks(row)), partial(_met, row))

    def _agrees(self, rule: Rule, left: _Left) -> Iterator[Mask]:
        """Where both sides of a rule agree, or one of them says nothing."""

        def side(slot: str, name: str) -> Values:
            if slot in self.piece:
                stated = [p.properties.get(name, np.nan) for p in self.piece[slot]]
                return np.array(stated, dtype=np.float64)[left.index[slot]]
            quantity = FITS.get((slot, name), "")
            known = self.build.known
            return float(known[quantity]) if quantity in self.build.entries and quantity in known else np.nan

        apart = np.abs(side(*rule.first) - side(*rule.second))
        yield np.broadcast_to(~(apart > rule.within), left.at.shape)


def _brought(build: Build, piece: Mapping[str, Sequence[FinderPart]]) -> dict[str, tuple[str, Array]]:
    """Quantity -> the slot whose parts bring it, and what each of them brings; where two do, the later counts."""
    found: dict[str, tuple[str, Array]] = {}
    for slot, parts in piece.items():
        for quantity in {q for p in parts for q in p.values} - build.graph.functions.keys():
            found[quantity] = slot, np.array([p.values.get(quantity, np.nan) for p in parts])
    if "disc_count" in found:
        slot, discs = found["disc_count"]
        for quantity, assumed in build.chosen.assumed.items():
            if assumed.several is not None and quantity not in build.entries and quantity not in found:
                found[quantity] = slot, np.where(discs > 1, assumed.several, assumed.value)
    return found


def _asks(row: Criterion) -> set[str]:
    """The quantities a row is judged by, with those its states take their values from and what it gives way to."""
    states = {v for state in row.states for v in state.values() if isinstance(v, str)}
    return {*row.names, *states, *([row.outranked] if row.outranked else ()), *([row.only[0]] if row.only else ())}


def _exists(left: _Left) -> Iterator[Mask]:
    margin = left.values(("bite_margin",), LOW)["bite_margin"]
    if margin is not None:
        yield np.isfinite(margin)


def _met(row: Criterion, left: _Left) -> Iterator[Mask]:
    return (np.broadcast_to(np.asarray(found) >= 1, left.at.shape) for found in reserves(row, left.values))


def _told(name: str, left: _Left) -> Array | None:
    """An objective of what is left; None where it cannot be worked out."""
    if name == "effort":
        spare, limit = list(reserves(_EFFORT, left.values)), left.values(("effort_limit",))["effort_limit"]
        if spare and limit is not None:
            return np.asarray(limit / np.min(np.asarray(spare), axis=0))
        found: Array | None = left.values(("peak_pedal_effort",))["peak_pedal_effort"]
        return found
    values = left.values(_READ_OFF[name])
    first, *rest = (values[n] for n in _READ_OFF[name])
    if first is not None and rest and rest[0] is not None:
        return np.asarray(np.minimum(first, rest[0]))
    return None if first is None else np.asarray(first)
