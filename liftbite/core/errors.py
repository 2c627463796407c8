"""The errors of the core: each one a sentence a builder can act on, with its data."""

from __future__ import annotations

from dataclasses import dataclass


class LiftBiteError(Exception):
    """Base of every error the core raises on purpose."""


class UnreadableEntry(LiftBiteError):
    """What was typed cannot be read as the quantity it was typed for.

    Attributes
    ----------
    reason : the sentence: what was wrong and what would be right
    """

    def __init__(self, reason: str) -> None:
        super().__init__(reason)
        self.reason = reason


class UnreadableFile(LiftBiteError):
    """A file cannot be read; `line` is the 1-based line at fault, or None for the whole file."""

    def __init__(self, reason: str, line: int | None = None) -> None:
        super().__init__(f"Line {line}: {reason}" if line is not None else reason)
        self.reason = reason
        self.line = line


@dataclass(frozen=True, slots=True)
class Bound:
    """What a value has to respect, in words and as a figure: `below outer_diameter 0.24`.

    Attributes
    ----------
    relation : "below", "above", "at least", "at most" or "other than"
    value : the figure [SI]
    quantity : the quantity that sets the figure, or None for a fixed one
    """

    relation: str
    value: float
    quantity: str | None = None


class OutOfRange(LiftBiteError):
    """A value that cannot exist beside the others, such as an inner diameter over the outer one.

    Attributes
    ----------
    quantity : name of the quantity at fault
    value : what it was [SI]
    bound : what it has to respect
    """

    def __init__(self, quantity: str, value: float, bound: Bound) -> None:
        super().__init__(f"{quantity} = {value:g} has to be {bound.relation} {bound.quantity or ''} {bound.value:g}")
        self.quantity = quantity
        self.value = value
        self.bound = bound


def must_say(of: str, holds: object, says: str) -> None:
    """Refuses an entry of a table that does not say all it must, when the table is loaded.

    Parameters
    ----------
    of : which entry of which table
    holds : true where it says so
    says : what is missing, for the one who adds it

    Raises
    ------
    ValueError : it does not hold

    >>> must_say("step “paint”", "", "say what to do: title")
    Traceback (most recent call last):
    ValueError: step “paint”: say what to do: title
    """
    if not holds:
        raise ValueError(f"{of}: {says}")
