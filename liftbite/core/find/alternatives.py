"""Alternatives for one part of a job, side by side: what each would do, and which meets what is asked.

- `Row`, `Beside`   one alternative; all of them with what a builder says of them
- `WorkOut`         how they are worked out

A cell is words, or a figure with its SI unit, or nothing. Screen, command line and interface show these as they come.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import TypeAlias

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build

#: Words, a figure with its SI unit, or nothing.
Cell: TypeAlias = "str | tuple[float, str] | None"


@dataclass(frozen=True, slots=True)
class Row:
    """One alternative.

    Attributes
    ----------
    cells : as many as there are columns
    good : True where it meets what is asked
    present : True for what the job has now
    puts : quantity and text of what would be entered to have it
    """

    cells: tuple[Cell, ...]
    good: bool
    present: bool
    puts: tuple[tuple[str, str], ...]


@dataclass(frozen=True, slots=True)
class Beside:
    """Alternatives side by side.

    Attributes
    ----------
    title, columns : headings
    rows : the best first, those of the job among them
    says : what a builder says of them, a sentence each
    """

    title: str
    columns: tuple[str, ...]
    rows: tuple[Row, ...]
    says: tuple[str, ...]


WorkOut: TypeAlias = Callable[[Build], "Beside | Needs | Refused | None"]
