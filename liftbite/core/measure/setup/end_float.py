"""An input shaft's end float, and the shims that take it up.

- `shims_for_float`                 which shims, and what is left
- `EndFloat`, `work_out`, `tell`    the calculation

Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import combinations

from liftbite.core.job.build import Build
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import (
    MOST_PIECES,
    Asked,
    Calculation,
    Outcome,
    Pieces,
    mm,
    pieces_of,
    right,
    span,
)

#: Floats that differ by less are alike: no micrometer tells them apart [m]; the fewer shims win.
TELLS = 2e-6
#: An end float no dial tells from none [m] [practice].
NIL = 0.02e-3


def shims_for_float(end_float: float, shims: Sequence[float]) -> tuple[tuple[int, ...], float]:
    """Which shims take up an end float to nil but free, and the float left: never less than nothing.

    >>> shims_for_float(0.30e-3, [0.10e-3, 0.25e-3, 0.15e-3])[0]
    (1,)
    """
    if len(shims) > MOST_PIECES:
        raise ValueError(f"{len(shims)} shims are too many to try every way; {MOST_PIECES} at most")
    stacks = [c for n in range(len(shims) + 1) for c in combinations(range(len(shims)), n)]
    left = {c: end_float - sum(shims[i] for i in c) for c in stacks}
    fits = [c for c in stacks if left[c] >= -1e-9]
    best = min(fits, key=lambda c: (round(left[c] / TELLS), len(c)), default=())
    return best, left.get(best, end_float)


@dataclass(frozen=True, slots=True)
class EndFloat:
    """An input shaft's end float, the shims that take it up, and what is left [m]; `put_in` once they are in."""

    measured: float
    pieces: Pieces
    taken: tuple[int, ...]
    left: float
    put_in: bool = False


def work_out(_: Build, readings: Readings, said_of: Mapping[str, str]) -> EndFloat | None:
    """The end float of a job's readings; None until it was measured."""
    measured, pieces = values_of(readings, "end_float"), pieces_of(readings, "retainer_shims")
    if not measured:
        return None
    picked = BEHIND.get(said_of.get("behind", ""), ("", None))[1]
    if picked is None:
        return EndFloat(measured[-1], pieces, *shims_for_float(measured[-1], pieces.heights))
    there = tuple(i for i in picked if i < len(pieces.heights))
    return EndFloat(measured[-1], pieces, there, measured[-1] - sum(pieces.heights[i] for i in there), put_in=True)


def tell(found: EndFloat) -> Outcome:
    """An input shaft's end float and the shims that take it up."""
    names = found.pieces.names
    if found.measured <= NIL:
        sentence = f"End float {span(max(found.measured, 0.0))}: nil. It passes where the shaft turns free by hand."
    elif found.put_in:
        sentence = f"With {found.pieces.named(found.taken) or 'no shim'} behind the retainer {_left_said(found.left)}"
    elif not names:
        sentence = (
            f"End float {span(found.measured)}: nil but free turning is wanted. Measure the shims at hand, "
            f"or get one of {span(found.measured)}."
        )
    elif not found.taken:
        sentence = (
            f"End float {span(found.measured)}: no shim at hand is thin enough. Get one of {span(found.measured)}."
        )
    else:
        with_what = found.pieces.named(found.taken)
        verb = "takes" if len(found.taken) == 1 else "take"
        sentence = f"{with_what} {verb} the end float to {span(found.left)}; thickest at the race."
    terms = "".join(f" − {mm(found.pieces.heights[i])}" for i in found.taken)
    fine = abs(found.left) <= NIL if found.put_in else found.measured <= NIL
    return Outcome(
        sentence,
        right(fine),
        (
            f"Left = end float − shims = {mm(found.measured)}{terms} = {mm(found.left)} mm: the least that is not "
            "below nothing, with the fewest shims. Nil but free turning [practice]; the manual's figure comes first.",
            *found.pieces.tried(),
        ),
        length=found.left if found.put_in else found.measured,
    )


def _left_said(left: float) -> str:
    if left < -NIL:
        return f"the shaft is clamped: they are {span(-left)} too much. Take some out, or the bearing runs hot."
    return "the end float is nil: right where it turns free." if left <= NIL else f"{span(left)} of end float is left."


#: What is behind the retainer -> in words, and the shims by index; the first where nothing was said.
BEHIND: Mapping[str, tuple[str, tuple[int, ...] | None]] = {
    "": ("not fitted yet", None),
    "none": ("no shim", ()),
    "1": ("Shim 1", (0,)),
    "2": ("Shim 2", (1,)),
    "1+2": ("Shims 1 and 2", (0, 1)),
}

CALCULATION = Calculation(
    "end_float",
    "End float of the input shaft",
    "retainer_shims",
    ("end_float", "retainer_shims"),
    "the end float",
    work_out,
    tell,
    Asked("end_float", "behind", "Behind the retainer", {name: words for name, (words, _) in BEHIND.items()}),
    window_of="end_float",
)
