"""What a quantity says of itself: the docstring is the one place where meaning, formula, unit and source stand.

- `Doc`, `Argument`   the parts of a quantity's docstring
- `read_doc`      docstring to `Doc`

A quantity's docstring has this shape, checked by a test over every quantity:

    Meaning in one sentence.

    X = a · b

    Parameters
    ----------
    name_of_a : a, what it is [unit]

    Returns
    -------
    X, what it is [unit]

    Range: where it holds.
    Source: [mark: text].

    A worked example, run as a doctest.
"""

from __future__ import annotations

import inspect
import re
from collections.abc import Callable
from dataclasses import dataclass
from functools import lru_cache
from typing import Any


@dataclass(frozen=True, slots=True)
class Argument:
    """One symbol of a formula: `r_o, outer radius of the facing [m]`."""

    name: str
    symbol: str
    text: str
    unit: str


@dataclass(frozen=True, slots=True)
class Doc:
    """The parts of a quantity's docstring.

    Attributes
    ----------
    meaning : the first sentence
    formula : the formula as written, "" where the meaning says it all
    arguments : parameter name -> argument
    result : symbol, text and unit of what comes out
    holds : the range in which it holds
    mark : "standard", "handbook", "memory", "practice", "definition" or "geometry"
    source : the mark's text
    """

    meaning: str
    formula: str
    arguments: dict[str, Argument]
    result: Argument
    holds: str
    mark: str
    source: str


_ARGUMENT = re.compile(r"^(?P<symbol>[^,]+), (?P<text>.+) \[(?P<unit>[^\]]+)\]$")
_SOURCE = re.compile(r"Source: \[(?P<mark>\w+)(?:: (?P<text>.+?))?\]\.?$", re.MULTILINE)
MARKS = ("standard", "handbook", "memory", "practice", "definition", "geometry")


def _argument(name: str, line: str) -> Argument:
    match = _ARGUMENT.match(line)
    if match is None:
        raise ValueError(f"{name}: “{line}” is not “symbol, what it is [unit]”")
    return Argument(name, match["symbol"], match["text"], match["unit"])


@lru_cache(maxsize=1024)
def read_doc(function: Callable[..., Any]) -> Doc:
    """The docstring of a quantity, taken apart.

    Raises
    ------
    ValueError : the docstring does not have the shape above
    """
    name = function.__name__
    text = inspect.getdoc(function) or ""
    head, *_ = text.split("Parameters\n----------\n")
    head = head.split("Returns\n-------\n")[0]
    meaning, *formula = [" ".join(block.split("\n")) for block in head.strip().split("\n\n")]
    arguments: dict[str, Argument] = {}
    if "Parameters\n----------\n" in text:
        block = text.split("Parameters\n----------\n")[1].split("\n\n")[0]
        for line in block.splitlines():
            key, _, rest = line.partition(" : ")
            arguments[key] = _argument(key, rest)
    returns = re.search(r"Returns\n-------\n(.+)", text)
    source = _SOURCE.search(text)
    holds = re.search(r"Range: (.+?)(?=\nSource:)", text, re.DOTALL)
    if returns is None or holds is None or source is None or source["mark"] not in MARKS:
        raise ValueError(f"{name}: the docstring wants “Returns”, “Range: text” and “Source: [mark: text]”")
    return Doc(
        meaning=meaning,
        formula="; ".join(formula),
        arguments=arguments,
        result=_argument(name, returns[1]),
        holds=" ".join(holds[1].split()),
        mark=source["mark"],
        source=source["text"] or "",
    )
