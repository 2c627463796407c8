"""A value that cannot be: what was refused as data, and the one place its sentence is made in.

- `Refusal`, `refusal_of`   the field, what was typed or worked out, the bound it breaks
- `refusal_words`           the sentence: names the field, what was read, what would be right
- `refusal`                 both, for one error of one build
"""

from __future__ import annotations

from dataclasses import dataclass

from liftbite.core.errors import Bound, OutOfRange
from liftbite.core.graph.guards import AS_MANY
from liftbite.core.job.build import Build, label_of, unit_of
from liftbite.core.units.sentence import both


@dataclass(frozen=True, slots=True)
class Refusal:
    """A value that cannot be.

    Attributes
    ----------
    quantity, value, unit : what was refused, its value and SI unit
    typed : as it was typed; empty where it was worked out
    bound, bound_unit : what it has to respect, and the SI unit of that
    """

    quantity: str
    value: float
    unit: str
    typed: str
    bound: Bound
    bound_unit: str


def refusal_of(error: OutOfRange, build: Build) -> Refusal:
    """What an error of the graph is in a build."""
    entry = build.entries.get(error.quantity)
    unit = unit_of(error.quantity, build.graph)
    other = error.bound.quantity
    return Refusal(
        error.quantity,
        float(error.value),
        unit,
        entry.typed or "" if entry is not None and entry.si is not None else "",
        error.bound,
        unit if other is None else unit_of(other, build.graph),
    )


def refusal_words(found: Refusal) -> str:
    """An impossible value as a sentence that names the field, the value and what would be right."""
    bound, field = found.bound, label_of(found.quantity)
    typed = f"“{found.typed}”" if found.typed else both(found.value, found.unit)
    if bound.relation == AS_MANY:
        other = label_of(bound.quantity or "").lower()
        return f"{field}: {found.value:g} figures, but {bound.value:g} of {other}; one for each."
    right = both(bound.value, found.unit)
    if bound.quantity is None:
        return f"{field} {typed} has to be {bound.relation} {right}."
    other = label_of(bound.quantity).lower()
    limit = f"the {other}, {right}" if found.bound_unit == found.unit else f"{right}, which is what the {other} allows"
    return f"{field} {typed} has to be {bound.relation} {limit}."


def refusal(error: OutOfRange, build: Build) -> str:
    """An impossible value of a build as a sentence."""
    return refusal_words(refusal_of(error, build))
