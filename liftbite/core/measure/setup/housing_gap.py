"""The gap between gearbox and engine read at four places: which way the tail goes, and how far.

- `tail_move`    from the gaps, which have to lie in a plane
- `HousingGap`, `work_out`, `tell`   the calculation

The shaft enters when both faces are parallel. The tail goes towards the wider side of the gap, by the difference of the
two gaps times how far it lies behind the face, over the diameter the gaps were read across. Lengths in metres.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.build import Build
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import Calculation, Outcome, Remark, mm, right, span

#: Where it is read, by the clock, seen from behind the gearbox; and the two lengths that turn gaps into a move.
CLOCK = ("At 12", "At 3", "At 6", "At 9")
TAIL, ACROSS = "Face to tail", "Across the housing"
#: Gaps that differ by less are even: a blade tells no more [m] [practice].
EVEN = 0.3e-3


def tail_move(wide: float, narrow: float, tail: float, across: float) -> float:
    """How far the tail moves towards the wider side [m].

    move = (wide − narrow) · tail/across

    Parameters
    ----------
    wide, narrow : gaps on both sides of a diameter [m]
    tail : from the face to the tail [m]
    across : diameter the gaps were read across [m], above 0

    Source: [geometry: similar triangles].

    >>> round(tail_move(0.008, 0.002, 0.700, 0.350) * 1e3, 1)
    12.0
    """
    return (wide - narrow) * tail / across


@dataclass(frozen=True, slots=True)
class HousingGap:
    """Gaps by the clock, and the tail's move up and to the right, minus down and to the left [m].

    `tail`, `across` are None where they were not measured: then only the way is said.
    """

    gaps: Mapping[str, float]
    up: float
    right: float
    tail: float | None
    across: float | None

    @property
    def twist(self) -> float:
        """What keeps the four from lying in one plane [m]: 12 and 6 together less 3 and 9; nil for any plane."""
        return self.gaps["At 12"] + self.gaps["At 6"] - self.gaps["At 3"] - self.gaps["At 9"]

    @property
    def is_plane(self) -> bool:
        """True where four blades, each trusted by half of `EVEN`, may have read two flat faces.

        Source: [geometry: across a plane, opposite gaps add up to the same on every diameter].
        """
        return abs(self.twist) <= 2 * EVEN + 1e-9


def work_out(_: Build, readings: Readings, __: Mapping[str, str]) -> HousingGap | None:
    """The move of the tail from a job's readings; None until all four places are read."""
    read = {place: values_of(readings, "housing_gap", place)[-1:] for place in (*CLOCK, TAIL, ACROSS)}
    if any(not read[place] for place in CLOCK):
        return None
    gaps = {place: read[place][0] for place in CLOCK}
    tail, across = (read[name][0] if read[name] else None for name in (TAIL, ACROSS))
    known = tail is not None and across is not None and across > 0
    scale = tail / across if known and tail is not None and across is not None else 1.0
    return HousingGap(
        gaps,
        (gaps["At 12"] - gaps["At 6"]) * scale,
        (gaps["At 3"] - gaps["At 9"]) * scale,
        tail if known else None,
        across if known else None,
    )


def tell(found: HousingGap) -> Outcome:
    """Which way the tail goes, and how far; nothing moves by gaps that no two flat faces have."""
    if not found.is_plane:
        return _measure_again(found)
    high = found.gaps["At 12"] - found.gaps["At 6"]
    side = found.gaps["At 3"] - found.gaps["At 9"]
    even = abs(high) <= EVEN and abs(side) <= EVEN
    moves = [
        f"{way}{f' by {span(abs(move))}' if found.tail is not None else ''}"
        for apart, move, way in (
            (high, found.up, "up" if high > 0 else "down"),
            (side, found.right, "to 3" if side > 0 else "to 9"),
        )
        if abs(apart) > EVEN
    ]
    sentence = (
        "The gap is even: a gear in, output held, turn the crank slowly, and it goes home."
        if even
        else (f"The tail goes {' and '.join(moves)}, towards the wider side.")
    )
    if not even and found.tail is None:
        sentence += " Measure the tail's distance and the housing across, and it is said how far."
    working = [f"Gaps: {', '.join(f'{place.lower()} {mm(gap)}' for place, gap in found.gaps.items())} mm."]
    if found.tail is not None and found.across is not None:
        working += [
            f"Move = (wider − narrower) · tail/across = ({mm(max(one, other))} − {mm(min(one, other))}) · "
            f"{mm(found.tail)}/{mm(found.across)} = {mm(abs(move))} mm [geometry]."
            for one, other, move in (
                (found.gaps["At 12"], found.gaps["At 6"], found.up),
                (found.gaps["At 3"], found.gaps["At 9"], found.right),
            )
        ]
    shows = (
        () if even else (Remark("Never draw it in by its bolts: force means a wrong angle or something in the way."),)
    )
    return Outcome(sentence, right(even), tuple(working), shows)


def _measure_again(found: HousingGap) -> Outcome:
    gaps = found.gaps
    one, other = gaps["At 12"] + gaps["At 6"], gaps["At 3"] + gaps["At 9"]
    return Outcome(
        f"Measure again: no two flat faces have these gaps. 12 and 6 make {span(one)}, 3 and 9 make {span(other)}; "
        "they would be alike.",
        "put right",
        (
            f"Gaps: {', '.join(f'{place.lower()} {mm(gap)}' for place, gap in gaps.items())} mm.",
            f"Across a plane opposite gaps add up to the same: {mm(one)} − {mm(other)} = {mm(found.twist)} mm, more "
            f"than four blades of {mm(EVEN / 2)} mm explain [geometry].",
        ),
        (Remark("A burr, a dowel, a hose between the faces, or a blade that was misread."),),
        again=True,
    )


CALCULATION = Calculation(
    "housing_gap", "Gap of the gearbox", "gearbox", ("housing_gap",), "the gap at all four places", work_out, tell
)
