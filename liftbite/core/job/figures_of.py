"""Whose figures those are that were typed before a part was said to be renewed.

- `FIGURES_OF`   answer -> what it is called and what it does
- `figures_of`   the choice that says so of a part
- `with_figures` the parts it is asked of: those that have figures
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from liftbite.core.job.parts import Part, fated

#: Of the part that goes in, of the one that comes out, or of both alike.
FIGURES_OF: Mapping[str, tuple[str, str]] = {
    "both": ("Of both: like for like", "The new part is the same as the old one."),
    "goes_in": ("Of the part that goes in", "What was found has none of them: nobody typed the old part's."),
    "comes_out": ("Of the part that comes out", "They stay with what was found; the new part's are to be typed."),
}


def figures_of(part: str) -> str:
    """The name of the choice that says whose figures those are that a part was typed with.

    >>> figures_of("disc")
    'disc_figures'
    """
    return f"{part}_figures"


def with_figures() -> Iterator[Part]:
    """The parts that have figures, and may be renewed."""
    return (part for part in fated() if part.slots or part.figures)
