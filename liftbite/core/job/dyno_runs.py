"""The runs of a dynamometer file: one below the other, or side by side, each with its peak.

- `propose_file`   a mapping for a file as it comes, of its first run, with every run it holds
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_file import raw_columns, read_curve, runs_down, runs_in
from liftbite.core.job.dyno_mapping import ColumnMapping, Proposal, Run, named_as, propose

#: More runs than this are not offered.
MOST_RUNS = 12


def propose_file(text: str) -> Proposal:
    """A mapping for a file, to be confirmed: of its first run where it holds several.

    Raises
    ------
    UnreadableFile : no line has two figures

    >>> [r.label for r in propose_file("rpm,Nm run 1,Nm run 2\\n2000,200,210\\n3000,220,231\\n").runs]
    ['Nm run 1', 'Nm run 2']
    """
    found = propose(text)
    side = list(_side_by_side(found))
    if len(side) > 1:
        return _offering(text, found, side)
    try:
        raw = raw_columns(text, found.mapping)
        speed, made = raw["speed"], raw["torque" if "torque" in raw else "power"]
    except (UnreadableFile, KeyError):
        return found
    count = len(runs_in(speed))
    if count > 1:
        return _offering(text, found, [(f"Run {n}", replace(found.mapping, run=n)) for n in range(1, count + 1)])
    if down := runs_down(speed, made):
        says = f"{down} rows after the highest speed are the run-down; they are left out."
        return replace(found, mapping=replace(found.mapping, sweep="up"), questions=(*found.questions, says))
    return found


def _side_by_side(found: Proposal) -> Iterator[tuple[str, ColumnMapping]]:
    """Every torque column, or where there is none every power column, with the speed column before it."""
    role = "torque" if found.mapping.torque is not None else "power"
    alike = [c for c in named_as(found.columns, role) if c.index != found.mapping.speed]
    speeds: list[int | None] = [c.index for c in named_as(found.columns, "speed")]
    for column in alike:
        before = [i for i in speeds if i is not None and i < column.index]
        speed = before[-1] if before else found.mapping.speed
        if role == "torque":
            own = replace(found.mapping, speed=speed, torque=column.index, torque_unit=column.unit, power=None)
        else:
            own = replace(found.mapping, speed=speed, power=column.index, power_unit=column.unit)
        yield column.heading or f"Column {column.index + 1}", own


def _offering(text: str, found: Proposal, runs: Sequence[tuple[str, ColumnMapping]]) -> Proposal:
    """The runs that can be read, each with its peak, the first of them proposed."""
    told = []
    for label, mapping in runs[:MOST_RUNS]:
        try:
            curve = read_curve(text, mapping).curve
        except UnreadableFile:
            told.append(Run(label, mapping, float("nan"), float("nan")))
        else:
            told.append(Run(label, mapping, curve.peak_torque, curve.peak_torque_speed))
    asks = f"It holds {len(runs)} runs. Which one is it?"
    return replace(found, mapping=told[0].mapping, runs=tuple(told), questions=(*found.questions, asks))
