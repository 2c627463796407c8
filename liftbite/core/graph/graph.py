"""The calculation graph: functions wired by the names of their parameters.

A quantity is a plain function. Its name is the quantity's name, its parameters name the quantities it needs.
A graph is made of modules; choosing an arrangement chooses the modules. Nothing else decides what depends on what.

- `Needs`, `Refused`   why a quantity has no value: inputs are missing, or a value cannot exist
- `within`             how a quantity function guards its documented range, for scalars and arrays alike
- `is_figure`, `plain`  a single figure, told from many and from a curve
- `Graph`              orders the functions and evaluates what is asked for

>>> def area(width, height): return width * height
>>> def price(area, price_per_area): return area * price_per_area
>>> graph = Graph([area, price])
>>> graph.evaluate(["price"], {"width": 2.0, "height": 3.0, "price_per_area": 10.0})["price"]
60.0
>>> sorted(graph.evaluate(["price"], {"width": 2.0})["price"].names)
['height', 'price_per_area']
"""

from __future__ import annotations

import inspect
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from functools import cache, lru_cache
from graphlib import TopologicalSorter
from types import ModuleType
from typing import Any, TypeAlias, cast

import numpy as np
import numpy.typing as npt

from liftbite.core.errors import Bound, OutOfRange

#: Figures of one shape.
Figures: TypeAlias = npt.NDArray[np.float64]
#: A quantity's value: one figure, or many of one shape.
Values: TypeAlias = float | Figures
#: What is true of a value, or of each of many.
Flags: TypeAlias = bool | npt.NDArray[np.bool_]
#: Name -> value: figures, or a curve where the name is one's; `Needs` or `Refused` where there is none.
Known: TypeAlias = Mapping[str, Any]
#: A quantity, or anything that stands in a graph as one.
Quantity: TypeAlias = Callable[..., Any]


@dataclass(frozen=True, slots=True)
class Needs:
    """No value yet: these inputs are missing."""

    names: frozenset[str]


@dataclass(frozen=True, slots=True)
class Refused:
    """No value possible: a value upstream cannot exist beside the others."""

    error: OutOfRange


#: What stands where there is no value.
NO_VALUE = (Needs, Refused)


def within(
    ok: Flags | np.bool_, quantity: str, value: Values, relation: str, limit: Values, limit_of: str | None = None
) -> Values:
    """1 where `ok`; a scalar that is not ok raises, an array is NaN where it is not.

    A quantity multiplies its result by this, so that one impossible candidate out of a million is masked
    and a single impossible value is refused with its name.

    Raises
    ------
    OutOfRange : `ok` is a single False

    >>> within(np.array([True, False]), "x", np.array([1.0, -1.0]), "above", 0.0)
    array([ 1., nan])
    """
    if isinstance(ok, np.ndarray) and ok.ndim:
        return np.where(ok, 1.0, np.nan)
    if ok:
        return 1.0
    raise OutOfRange(quantity, float(value), Bound(relation, float(limit), limit_of))


def is_figure(value: object) -> bool:
    """True for a single figure, which many of one are not, nor a curve.

    >>> is_figure(2.0), is_figure(np.array([2.0]))
    (True, False)
    """
    return isinstance(value, _FIGURE)


_FIGURE = (float, int)


def plain(value: Values) -> Values:
    """A single figure as a float, an array as it is.

    >>> plain(np.array(2.0)), plain(np.array([1.0, 2.0]))
    (2.0, array([1., 2.]))
    """
    return value if isinstance(value, np.ndarray) and value.ndim else float(value)


def functions_of(module: ModuleType) -> list[Quantity]:
    """The quantity functions a module defines, in the order in which they stand."""
    return [
        f
        for name, f in vars(module).items()
        if inspect.isfunction(f) and f.__module__ == module.__name__ and not name.startswith("_")
    ]


class Graph:
    """Quantity functions of one arrangement, wired by parameter name.

    Parameters
    ----------
    functions : the quantities; two of the same name, or a circle, are a mistake of the arrangement

    Raises
    ------
    ValueError : a name is supplied twice
    graphlib.CycleError : a quantity needs itself
    """

    def __init__(self, functions: Iterable[Quantity]) -> None:
        self.functions: dict[str, Quantity] = {}
        for function in functions:
            if function.__name__ in self.functions:
                raise ValueError(f"{function.__name__} is supplied twice")
            self.functions[function.__name__] = function
        self.parameters: dict[str, tuple[str, ...]] = {
            name: _parameters(function) for name, function in self.functions.items()
        }
        self._sequence = [n for n in TopologicalSorter(self.parameters).static_order() if n in self.functions]
        self._inputs: dict[frozenset[str], frozenset[str]] = {}
        self._downstream: dict[frozenset[str], frozenset[str]] = {}
        self._upstream: dict[frozenset[str], frozenset[str]] = {}
        self._plans: dict[frozenset[str], list[tuple[str, Quantity, tuple[str, ...]]]] = {}

    def upstream(self, wanted: Iterable[str]) -> frozenset[str]:
        """Every name, quantity or input, that `wanted` rests on, itself included."""
        key = frozenset(wanted)
        if key not in self._upstream:
            found: set[str] = set()
            open_names = list(key)
            while open_names:
                name = open_names.pop()
                if name not in found:
                    found.add(name)
                    open_names.extend(self.parameters.get(name, ()))
            self._upstream[key] = frozenset(found)
        return self._upstream[key]

    def downstream(self, changed: Iterable[str]) -> frozenset[str]:
        """The quantities that rest on any of `changed`."""
        key = frozenset(changed)
        if key not in self._downstream:
            moved = set(key)
            for name in self._sequence:  # each after what it needs, so one pass finds them all
                if not moved.isdisjoint(self.parameters[name]):
                    moved.add(name)
            self._downstream[key] = frozenset(moved - key)
        return self._downstream[key]

    def split(self, wanted: frozenset[str], changed: frozenset[str]) -> tuple[frozenset[str], frozenset[str]]:
        """The quantities `wanted` rests on that `changed` does not touch, and all that it does, itself included."""
        return _split(self, wanted, changed)

    def inputs(self, wanted: Iterable[str]) -> frozenset[str]:
        """The inputs, names no function supplies, that `wanted` rests on."""
        key = frozenset(wanted)
        if key not in self._inputs:
            self._inputs[key] = self.upstream(key) - self.functions.keys()
        return self._inputs[key]

    def order(self, wanted: Iterable[str]) -> list[str]:
        """The quantities `wanted` rests on, themselves included, each after what it needs."""
        needed = self.upstream(wanted)
        return [name for name in self._sequence if name in needed]

    def _plan(self, wanted: frozenset[str]) -> list[tuple[str, Quantity, tuple[str, ...]]]:
        if wanted not in self._plans:
            self._plans[wanted] = [(n, self.functions[n], self.parameters[n]) for n in self.order(wanted)]
        return self._plans[wanted]

    def evaluate(self, wanted: Iterable[str], known: Known) -> dict[str, Any]:
        """Values of `wanted` and of all they rest on, given `known` [SI].

        A known value is taken as it is, even where a function could supply it. What has no value is a
        `Needs` or a `Refused`; nothing a builder enters makes this raise.
        """
        values = dict(known)
        self.extend(values, wanted)
        return values

    def extend(self, values: dict[str, Any], wanted: Iterable[str]) -> None:
        """Works `wanted`, and all it rests on, out into `values`, as far as it is not there yet."""
        wanted = frozenset(wanted)
        if wanted <= values.keys():
            return
        get = values.__getitem__
        for name, function, parameters in self._plan(wanted):
            if name in values:
                continue
            try:
                arguments = tuple(map(get, parameters))
            except KeyError:
                arguments = tuple(values.get(p, _MISSING) for p in parameters)
            if not _NO_VALUES.isdisjoint(map(type, arguments)):
                values[name] = _why_not(parameters, arguments)
                continue
            try:
                values[name] = function(*arguments)
            except OutOfRange as error:
                values[name] = Refused(error)
        for name in wanted:
            if name not in values:
                values[name] = need_of(name)


@lru_cache(maxsize=4096)
def _split(graph: Graph, wanted: frozenset[str], changed: frozenset[str]) -> tuple[frozenset[str], frozenset[str]]:
    moved = graph.downstream(changed) | changed
    return frozenset(graph.upstream(wanted) & graph.functions.keys()) - moved, moved


@cache
def _parameters(function: Quantity) -> tuple[str, ...]:
    """The names a quantity needs; read once, for the same functions stand in many graphs."""
    return tuple(inspect.signature(function).parameters)


class _Missing:
    """What stands for an argument that nobody gave."""


_MISSING = _Missing()
_NO_VALUES = frozenset({_Missing, Needs, Refused})


def _why_not(parameters: tuple[str, ...], arguments: tuple[Any, ...]) -> Needs | Refused:
    """Why a quantity has no value: what is refused upstream goes before what is missing."""
    missing: dict[int, Needs] = {}  # by identity: one need stands in many places
    for name, argument in zip(parameters, arguments, strict=True):
        kind = type(argument)
        if kind is Refused:
            return cast(Refused, argument)
        if kind is Needs or kind is _Missing:
            need = argument if kind is Needs else need_of(name)
            missing[id(need)] = need
    return need if len(missing) == 1 else _all_of(*missing.values())


@cache
def need_of(name: str) -> Needs:
    """What stands for an input that nobody gave."""
    return Needs(frozenset({name}))


@lru_cache(maxsize=4096)
def _all_of(*needs: Needs) -> Needs:
    return Needs(frozenset().union(*(need.names for need in needs)))
