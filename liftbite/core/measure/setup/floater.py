"""A twin's floater: clearance at its stands, the shims that bring them right, and when they want new ones.

- `floater_stands`, `FloaterShims`   shims stand by stand
- `Floater`, `work_out`, `tell`      the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import combinations, product

import numpy as np

from liftbite.core.arrangements.floater_stop.stands import inner_gap, outer_gap
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import (
    MOST_PIECES,
    Asked,
    Band,
    Calculation,
    Lines,
    Move,
    Outcome,
    Pieces,
    Remark,
    Ruler,
    Shown,
    Window,
    mm,
    pieces_of,
    right,
    span,
)
from liftbite.core.units.constants import THOU

#: Clearance at the stands, and how alike the three have to be [m] [practice].
FLOATER = Window(20 * THOU, 25 * THOU)
ALIKE = 2 * THOU
#: What a shim does, by where it sits.
SEATS = {"raises": "under the stand, where it raises the stop", "lowers": "under the plate, where it closes the gap"}


@dataclass(frozen=True, slots=True)
class FloaterShims:
    """Which shim goes under which stand.

    Attributes
    ----------
    pieces : per stand, the shims by index: those at hand, then those that were found under stands, in order
    gaps : per stand, the clearance with them in [m]
    in_window, alike : whether all stands are in the window, and within 0.002 in of each other
    """

    pieces: tuple[tuple[int, ...], ...]
    gaps: tuple[float, ...]
    in_window: bool
    alike: bool


def floater_stands(
    gaps: Sequence[float],
    shims: Sequence[float],
    *,
    opens: bool,
    window: Window = FLOATER,
    under: Sequence[float] = (),
) -> FloaterShims:
    """Shims that bring every stand into its window and keep them alike; the fewest pieces moved that do it best.

    Parameters
    ----------
    gaps : clearance measured at each stand [m]
    shims : measured thicknesses at hand; at most two under a stand, each used once [m]
    opens : True where a shim raises the stop and so opens the gap, False where it closes it: it depends on where the
        shim sits
    window : clearance asked for [m]
    under : shim found under each stand when its gap was measured [m], 0 for none: it may come out, or go elsewhere

    Raises
    ------
    ValueError : no gap, or more than `MOST_PIECES` shims

    >>> from liftbite.core.units.constants import INCH
    >>> found = floater_stands([0.015 * INCH, 0.022 * INCH, 0.0165 * INCH], [0.007 * INCH, 0.006 * INCH], opens=True)
    >>> found.pieces, found.in_window, found.alike
    (((0,), (), (1,)), True, True)
    >>> wide = floater_stands([0.022 * INCH, 0.029 * INCH, 0.023 * INCH], [], opens=True, under=[0, 0.006 * INCH, 0])
    >>> wide.pieces, round(wide.gaps[1] / INCH, 3)
    (((), (), ()), 0.023)
    """
    if not gaps:
        raise ValueError("no gap was measured")
    if len(shims) > MOST_PIECES:
        raise ValueError(f"{len(shims)} shims are too many to try every way; {MOST_PIECES} at most")
    sign = 1.0 if opens else -1.0
    under = [*under, *[0.0] * (len(gaps) - len(under))]
    was: list[tuple[int, ...]] = [()] * len(gaps)
    for stand in (i for i, height in enumerate(under) if height):
        was[stand], shims = (len(shims),), [*shims, under[stand]]
    bare = [gap - sign * height for gap, height in zip(gaps, under, strict=True)]
    stacks = [c for n in range(3) for c in combinations(range(len(shims)), n)]
    middle = (window.low + window.high) / 2

    def better(gap: float) -> list[tuple[int, ...]]:
        """Stacks worth trying under one stand: the dozen nearest to the middle, the dozen of fewest shims inside."""

        def now(c: tuple[int, ...]) -> float:
            return gap + sign * sum(shims[i] for i in c)

        near = sorted(stacks, key=lambda c: (abs(now(c) - middle), len(c)))
        few = sorted((c for c in near if window.holds(now(c))), key=len)
        return list(dict.fromkeys([*few[:12], *near[:12], ()]))

    best: tuple[tuple[object, ...], FloaterShims] | None = None
    for pieces in product(*(dict.fromkeys([*better(gap), was[i]]) for i, gap in enumerate(bare))):
        used = [i for stack in pieces for i in stack]
        if len(used) != len(set(used)):
            continue
        now = tuple(g + sign * sum(shims[i] for i in stack) for g, stack in zip(bare, pieces, strict=True))
        moved = sum(len({*stack} ^ {*before}) for stack, before in zip(pieces, was, strict=True))
        inside = all(window.holds(g) for g in now)
        alike = max(now) - min(now) <= ALIKE + 1e-9
        off = sum(max(window.low - g, g - window.high, 0.0) for g in now)
        rank = (not inside, round(off, 7), not alike, moved, round(max(abs(g - middle) for g in now), 7))
        if best is None or rank < best[0]:
            best = rank, FloaterShims(pieces, now, inside, alike)
    assert best is not None  # no shim at all is always among the ways
    return best[1]


@dataclass(frozen=True, slots=True)
class Floater:
    """A twin's floater.

    Attributes
    ----------
    gaps : clearance measured at each stand [m]
    ways : shims for each place one may sit at that is still asked about: raising the stop, lowering it
    pieces : the shims: those at hand, then those found under stands
    wear, inner, outer : free travel of both discs along the inner one's wear [m]; empty where the lift is not known
    reshim_at : wear of the inner disc at which the stands want new shims [m], or None
    put_in : True where the shims proposed are in
    under : index of the shim that was found under each stand; None for none
    """

    gaps: tuple[float, ...]
    ways: tuple[tuple[str, FloaterShims], ...]
    pieces: Pieces
    wear: tuple[float, ...]
    inner: tuple[float, ...]
    outer: tuple[float, ...]
    reshim_at: float | None
    put_in: bool = False
    under: tuple[int | None, ...] = (None, None, None)

    def out(self, shims: FloaterShims) -> list[int]:
        """Stands whose shim comes out."""
        pairs = zip(self.under, shims.pieces, strict=True)
        return [i for i, (was, stack) in enumerate(pairs, start=1) if was is not None and was not in stack]


def work_out(build: Build, readings: Readings, said_of: Mapping[str, str]) -> Floater | None:
    """The stands of a job's readings with its shims; None until all three are read."""
    shim, _, how = said_of.get("shims", "").partition(" ")
    put_in = how == "in"
    stands = [values_of(readings, "floater_gap", f"Stand {i}")[-1:] for i in (1, 2, 3)]
    gaps = [value for stand in stands for value in stand]
    if len(gaps) < 3:
        return None
    read = {i: values_of(readings, "floater_found", f"Stand {i}")[-1:] for i in (1, 2, 3)}
    found = {i: height[0] for i, height in read.items() if height and height[0] > 0}
    at_hand = pieces_of(readings, "floater_shims")
    order = {i: len(at_hand.heights) + place for place, i in enumerate(found)}
    under = tuple(order.get(i) for i in (1, 2, 3))
    pieces = replace(
        at_hand,
        names=(*at_hand.names, *(f"the shim of stand {i}" for i in found)),
        heights=(*at_hand.heights, *found.values()),
    )
    ways = tuple(
        (
            way,
            floater_stands(gaps, at_hand.heights, opens=way == "raises", under=[found.get(i, 0.0) for i in (1, 2, 3)]),
        )
        for way in ("raises", "lowers")
        if shim in ("", way)
    )
    v = build.evaluate(("plate_lift_available", "reshim_wear", "wear_limit"))
    lift, at, limit = (
        None if isinstance(v[n], Needs | Refused) else float(v[n])
        for n in ("plate_lift_available", "reshim_wear", "wear_limit")
    )
    if lift is None:
        return Floater(tuple(gaps), ways, pieces, (), (), (), at, put_in, under)
    shimmed = ways[0][1]
    gap = float(np.mean(shimmed.gaps)) if shimmed.in_window else (FLOATER.low + FLOATER.high) / 2
    cushion = float(build.known.get("cushion_travel", 0.0))
    wear = np.linspace(0.0, 0.001 if limit is None else limit / 2, 5)
    inner, outer = np.asarray(inner_gap(gap, cushion, wear)), np.asarray(outer_gap(lift, gap, cushion, wear))
    along = [tuple(values.tolist()) for values in (wear, inner, outer)]
    return Floater(tuple(gaps), ways, pieces, along[0], along[1], along[2], at, put_in, under)


def _way_said(found: Floater, way: str, shims: FloaterShims) -> str:
    if shims.in_window and shims.alike:
        out = " and ".join(map(str, found.out(shims)))
        takes = f" Take the shim out from under stand {out}." if out else ""
        return f"With shims {SEATS[way]}, all three come right.{takes}"
    middle = (FLOATER.low + FLOATER.high) / 2
    wanted = [(i, (middle - gap) * (1 if way == "raises" else -1)) for i, gap in enumerate(found.gaps, start=1)]
    off = [(i, t) for (i, t), gap in zip(wanted, found.gaps, strict=True) if not FLOATER.holds(gap)] or wanted
    get = ", ".join(f"stand {i} {span(t)}" for i, t in off if t > 0)
    too = ", ".join(f"stand {i}" for i, t in off if t <= 0)
    says = f"With shims {SEATS[way]}, not all three come right."
    return (
        says
        + (f" Get for {get}." if get else "")
        + (f" No shim more mends {too}: one that is under it comes out; measure what was found there." if too else "")
    )


def _fits_as_it_is(found: Floater) -> bool:
    """True where the stands are right without a shim."""
    alike = max(found.gaps) - min(found.gaps) <= ALIKE + 1e-9
    return alike and all(FLOATER.holds(gap) for gap in found.gaps)


def tell(found: Floater) -> Outcome:
    """A twin's floater: whether the shims at hand bring its stands right, and when they want new ones."""
    ask = "" if len(found.ways) == 1 else " Say where a shim sits on this clutch, and one answer is left."
    fits = _fits_as_it_is(found) or (found.put_in and all(s.in_window and s.alike for _, s in found.ways))
    sentence = " ".join(_way_said(found, way, shims) for way, shims in found.ways) + ask
    if _fits_as_it_is(found):
        sentence = "All three stands are right as they are; no shim is needed."
    elif found.put_in:
        now = ", ".join(span(gap) for gap in found.ways[0][1].gaps)
        sentence = f"With the shims put in the stands are at {now}: {'right' if fits else 'not all right'}."
    working = [
        f"Each stand: {span(FLOATER.low)} to {span(FLOATER.high)}, and all within {span(ALIKE)} of each other "
        "[practice]."
    ]
    for way, shims in found.ways:
        sign = "+" if way == "raises" else "−"
        sums = []
        for before, was, stack, after in zip(found.gaps, found.under, shims.pieces, shims.gaps, strict=True):
            less = 0.0 if was is None or was in stack else found.pieces.heights[was]
            back = f" {'−' if sign == '+' else '+'} {mm(less)}" if less else ""
            terms = back + "".join(f" {sign} {mm(found.pieces.heights[i])}" for i in stack if i != was)
            sums.append(f"{mm(before)}{terms} = {mm(after)}" if terms else f"{mm(before)} as it is")
        working.append(f"{SEATS[way][0].upper()}{SEATS[way][1:]}: {'; '.join(sums)} mm.")
    if found.wear:
        working.append(
            f"New, the inner disc is left {span(found.inner[0])} and the outer one {span(found.outer[0])}: "
            "f − cushion, and lift − f − cushion. The stops are fixed to the flywheel, so f grows one for "
            "one as the inner disc wears and the outer gap shrinks by as much."
        )
        if not found.ways[0][1].in_window:
            working.append("As no shims at hand bring the stands right, f is taken at the middle of its window here.")
    return Outcome(sentence, right(fits), (*working, *found.pieces.tried()), tuple(_shows(found)))


def _shows(found: Floater) -> list[Shown]:
    shows: list[Shown] = []
    for way, shims in found.ways:
        comes_right = shims.in_window and shims.alike
        shows.append(Remark(f"Shims {SEATS[way]}", "reuse" if comes_right else "put right"))
        moves = tuple(
            Move(f"Stand {i}: {found.pieces.named(stack) or 'no shim'}", before, after)
            for i, (before, after, stack) in enumerate(zip(found.gaps, shims.gaps, shims.pieces, strict=True), start=1)
        )
        shows.append(
            Ruler(
                "Gap of each stand, without and with its shims",
                (Band("asked for", FLOATER.low, FLOATER.high, leading=True),),
                moves=moves,
            )
        )
    if found.wear and found.wear[-1] > 0:
        shows.append(
            Lines(
                "Free travel of both discs as the inner one wears",
                "worn",
                found.wear,
                {"inner disc": found.inner, "outer disc": found.outer},
                "outer disc",
            )
        )
        at = found.reshim_at
        shows.append(
            Remark(
                "The stops are fixed to the flywheel: as the inner disc wears, the outer one loses its gap."
                if at is None
                else f"The stands want new shims when the inner disc has worn {span(at)}: from there the outer drags."
            )
        )
    return shows


def _effects(_: Build, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    gaps = values_of(readings, "floater_gap")
    if not gaps:
        return []
    return [_worst_stand(gaps, "the worst stand")]


def _told_effects(build: Build, readings: Readings, said_of: Mapping[str, str]) -> list[Effect]:
    """The worst stand, as measured, or as the shims that were put in leave it."""
    found = work_out(build, readings, said_of)
    if found is None or not found.put_in:
        return _effects(build, readings, ())
    return [_worst_stand(found.ways[0][1].gaps, "the worst stand with the shims put in")]


def _worst_stand(gaps: Sequence[float], why: str) -> Effect:
    middle = (FLOATER.low + FLOATER.high) / 2
    return of_length("floater_gap", "floater_clearance", max(gaps, key=lambda g: abs(g - middle)), why)


CALCULATION = Calculation(
    "floater",
    "Stands of the floater",
    "floater",
    ("floater_gap", "floater_shims", "floater_found"),
    "all three stands",
    work_out,
    tell,
    Asked(
        "floater_gap",
        "shims",
        "A shim sits",
        {
            "": "not said: both ways shown",
            "raises": "under the stand: it raises the stop",
            "lowers": "under the plate: it closes the gap",
            "raises in": "under the stand, and the shims proposed are in",
            "lowers in": "under the plate, and the shims proposed are in",
        },
    ),
    {"floater_gap": EffectOf(_effects, told=_told_effects)},
)
