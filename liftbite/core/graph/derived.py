"""Quantities made from other quantities: turned round, taken along a state, or of another part.

- `Course`    the quantities of a graph along a state, what is read off them worked out once
- `inverse`   the state at which another quantity takes a value
- `along`     what becomes of other quantities along a state: a maximum over a stroke, a minimum over a life
- `renamed`   the quantities of a module under other names
"""

from __future__ import annotations

import inspect
import re
from collections.abc import Callable, Iterable, Mapping, Sequence
from functools import lru_cache
from types import ModuleType
from typing import Any, TypeAlias

import numpy as np
import numpy.typing as npt

from liftbite.core.graph.graph import Figures, Graph, Known, Quantity, Values, functions_of, is_figure, plain


def _moving(graph: Graph, of: Iterable[str], over: str) -> list[str]:
    """The quantities `of` rests on, themselves included, that depend on the state `over`."""
    return [f for f in graph.order(of) if over in graph.upstream([f])]


def _named(function: Quantity, name: str, parameters: Iterable[str], doc: str) -> Quantity:
    function.__name__ = name
    function.__signature__ = inspect.Signature(  # type: ignore[attr-defined]
        [inspect.Parameter(n, inspect.Parameter.POSITIONAL_OR_KEYWORD) for n in parameters]
    )
    function.__doc__ = doc
    return function


#: Lines of single figures that are kept: those of a job in a few states, several times over.
_LINES_KEPT = 1024


class Course:
    """The quantities of a graph along a state, from 0 to the quantity it runs to.

    What several are read off is worked out once: a line of single figures is kept for as long as it is among the last.

    Parameters
    ----------
    graph : the arrangement's quantities
    over, until : the state and the quantity it runs to
    points : how many values of the state

    >>> def height(time, speed): return time * (speed - time)
    >>> Course(Graph([height]), over="time", until="most", points=3).line("height", {"most": 4.0, "speed": 4.0})
    array([0., 4., 0.])
    """

    def __init__(self, graph: Graph, *, over: str, until: str, points: int) -> None:
        self.graph, self.over, self.until, self.points = graph, over, until, points
        self.share = np.linspace(0.0, 1.0, points)
        self.moving = graph.downstream([over])
        self._fixed: dict[str, tuple[str, ...]] = {}

    def fixed(self, of: str) -> tuple[str, ...]:
        """What a quantity needs along the state that does not depend on it, and where the state ends."""
        if of not in self._fixed:
            passed = {p for f in _moving(self.graph, [of], self.over) for p in self.graph.parameters[f]}
            self._fixed[of] = tuple(sorted((passed | {self.until}) - self.moving - {self.over}))
        return self._fixed[of]

    def line(self, of: str, known: Known) -> Figures:
        """A quantity, or the state itself, at every point, from single figures of what is fixed."""
        if of == self.over:
            return np.asarray(known[self.until] * self.share)
        return _line(self, of, *(known[n] for n in self.fixed(of)))


@lru_cache(maxsize=_LINES_KEPT)
def _line(course: Course, of: str, *figures: float) -> Figures:
    known = dict(zip(course.fixed(of), figures, strict=True))
    found = course.graph.functions[of](
        *(known[p] if p in known else course.line(p, known) for p in course.graph.parameters[of])
    )
    line = np.broadcast_to(np.asarray(found, dtype=np.float64), course.share.shape)
    line.flags.writeable = False
    return line


def inverse(name: str, course: Course, *, of: str, equals: str, doc: str = "") -> Quantity:
    """The quantity `name`: the state of a course at which `of` equals `equals`.

    It is a quantity like any other. Its parameters are what `of` needs that does not itself depend on the state, so
    the graph works those out once; the rest is evaluated again at each trial. `of` has to rise with the state; where
    it lies above the goal already at 0, the answer is 0, where it never gets there, the end of the course.

    Parameters
    ----------
    name : the quantity's name
    course : the arrangement's quantities along the state; for single figures the trials begin between two of its points
    of, equals : the names above
    doc : docstring with the parameters left out; they are taken from the quantities passed through

    >>> def height(time, speed): return time * speed
    >>> course = Course(Graph([height]), over="time", until="most", points=9)
    >>> when = inverse("when", course, of="height", equals="goal")
    >>> inspect.signature(when), round(when(3.0, 10.0, 2.0), 9)
    (<Signature (goal, most, speed)>, 1.5)
    """
    graph, over, reach = course.graph, course.over, course.until
    moving = _moving(graph, [of], over)
    names = sorted({*course.fixed(of), equals})

    def solve(*arguments: Values) -> Values:
        known = dict(zip(names, arguments, strict=True))
        goal = known[equals]

        def miss(state: Values) -> Values:
            values = {**known, over: state}
            for f in moving:
                values[f] = graph.functions[f](*(values[p] for p in graph.parameters[f]))
            found: Values = values[of] - goal
            return found

        if all(map(is_figure, arguments)):
            missed = course.line(of, known) - goal
            first = int((missed >= 0).argmax())
            between = (first - 1, first) if missed[0] < 0 < missed[-1] else (0, -1)
            low, high = (np.asarray(known[reach] * course.share[i]) for i in between)
            at_low, at_high = (missed[i] for i in between)
        else:
            at_high = np.asarray(miss(known[reach]))
            low, high = np.broadcast_arrays(np.zeros(at_high.shape), np.asarray(known[reach], dtype=np.float64))
            at_low = miss(low)
        return plain(_illinois(miss, low, high, at_low, at_high))

    return _named(solve, name, names, doc)


def _illinois(
    miss: Callable[[Values], Values], low: Figures, high: Figures, at_low: Values, at_high: Values, trials: int = 40
) -> Figures:
    """Root between `low` and `high`, element by element, by false position with the Illinois step."""
    root = np.where(at_low >= 0, low, high) + 0 * (at_low + at_high)  # an impossible candidate stays NaN
    inside = (at_low < 0) & (at_high > 0)
    if not np.any(inside):
        return root
    a, b, fa, fb = low, high, at_low, at_high
    for _ in range(trials):
        with np.errstate(divide="ignore", invalid="ignore"):
            c = np.where(fb != fa, (a * fb - b * fa) / (fb - fa), a)
        fc = miss(c)
        same = fc * fb > 0
        a, fa = np.where(same, a, b), np.where(same, fa / 2, fb)
        b, fb = c, fc
        if np.all(np.abs(np.where(inside, fc, 0.0)) <= 1e-12 + 1e-10 * np.abs(high - low)):
            break
    return np.where(inside, b, root)


#: Values along a state, by name: its axis is the last.
Along: TypeAlias = Mapping[str, Figures]
#: Places along it.
Places: TypeAlias = npt.NDArray[np.intp]
#: Candidates worked out along a state at once: as many as stay in a processor's cache.
_BLOCK = 1024


def along(
    name: str,
    course: Course,
    *,
    of: Sequence[str],
    take: Callable[[Along], Figures],
    near: Callable[[Along], Places] | None = None,
    near_of: Sequence[str] | None = None,
    stride: int = 10,
    beyond: bool = True,
    beside: Sequence[str] = (),
    doc: str = "",
) -> Quantity:
    """The quantity `name`: what `take` makes of others along a state.

    It is a quantity like any other, of one figure or of many: the state is a trailing axis of its own, so that a single
    job and a thousand candidates are worked out by the same code and come to the same figure.

    Parameters
    ----------
    name : the quantity's name
    course : the arrangement's quantities along the state; with `near` it has one point more than a multiple of `stride`
    of : the quantities along the state
    take : the values of `of` along the state, by name and with the state's axis last, and those of `beside`, each with
        an axis of one where they are many, to the result
    near : from every `stride`-th point to the index of the one around which the rest is looked at, where the result
        hangs on a stretch of the state only; the points are those of the whole
    near_of : the quantities `near` looks at, `of` where nothing is said
    beyond : False where only what lies before that point is looked at
    beside : what `take` needs besides
    doc : docstring with the parameters left out

    >>> def height(time, speed): return time * (speed - time)
    >>> course = Course(Graph([height]), over="time", until="most", points=5)
    >>> highest = along("highest", course, of=["height"], take=lambda v: v["height"].max(axis=-1))
    >>> inspect.signature(highest), highest(4.0, 4.0)
    (<Signature (most, speed)>, 4.0)
    >>> highest(np.array([4.0, 2.0]), 4.0)
    array([4., 4.])
    """
    graph, over = course.graph, course.over
    names = sorted({course.until, *beside, *(p for n in of for p in course.fixed(n))})
    wanted = tuple(dict.fromkeys((over, *of)))
    looked = wanted if near_of is None else tuple(dict.fromkeys((over, *near_of)))
    orders = {asked: _moving(graph, asked, over) for asked in (wanted, looked)}
    around = np.arange((2 if beyond else 1) * stride + 1)

    def lines(known: Known, asked: tuple[str, ...], at: Places | slice) -> Along:
        values = {**known, over: known[course.until] * course.share[at]}
        for f in orders[asked]:
            values[f] = graph.functions[f](*(values[p] for p in graph.parameters[f]))
        shape = np.broadcast_shapes(*(np.shape(values[n]) for n in asked))
        return {n: np.broadcast_to(np.asarray(values[n], dtype=np.float64), shape) for n in asked}

    def kept(known: Known, asked: tuple[str, ...], at: Places | slice) -> Along:
        return {n: course.line(n, known)[at] for n in asked}

    def block(known: Known, found: Callable[[Known, tuple[str, ...], Places | slice], Along]) -> Figures:
        more = {n: np.asarray(known[n], dtype=np.float64) for n in beside}
        if near is None:
            return take({**found(known, wanted, slice(None)), **more})
        middle = near({**found(known, looked, slice(None, None, stride)), **more}) * stride
        first = np.minimum(np.maximum(middle - stride, 0), course.points - around.size)
        return take({**found(known, wanted, np.asarray(first)[..., np.newaxis] + around), **more})

    def taken(*arguments: Values) -> Values:
        if all(map(is_figure, arguments)):
            return float(block(dict(zip(names, arguments, strict=True)), kept))
        known = {n: _with_axis(v) for n, v in zip(names, arguments, strict=True)}
        many = max((v.shape[0] for v in known.values() if isinstance(v, np.ndarray) and v.ndim == 2), default=0)
        if many <= _BLOCK:
            return plain(block(known, lines))
        parts = (slice(at, min(at + _BLOCK, many)) for at in range(0, many, _BLOCK))
        return np.concatenate(
            [
                np.broadcast_to(
                    block({n: _cut(v, many, part) for n, v in known.items()}, lines), part.stop - part.start
                )
                for part in parts
            ]
        )

    return _named(taken, name, names, doc)


def _cut(value: Any, many: int, part: slice) -> Any:
    """The block's share of a value; one figure where it is the same for all of them, so that it is worked with once."""
    if not isinstance(value, np.ndarray) or value.ndim != 2 or value.shape[0] != many:
        return value
    share = value[part]
    return share[:1] if np.all(share == share[0]) else share


def _with_axis(value: Any) -> Any:
    """A value with room for one more axis, which the state takes; curves and single figures stay as they are."""
    return value[..., np.newaxis] if isinstance(value, np.ndarray) and value.ndim else value


def renamed(module: ModuleType, names: Mapping[str, str]) -> ModuleType:
    """A module whose quantities stand for the same of another part: names changed, in parameters and docstrings too.

    >>> from liftbite.core.arrangements.inertia_source import weight as inertia_by_weight
    >>> old = renamed(inertia_by_weight, {n: f"old_{n}" for n in ("flywheel_inertia", "flywheel_mass")})
    >>> [f.__name__ for f in functions_of(old)], round(old.old_flywheel_inertia(8.0, 0.3, 0.7), 4)
    (['old_flywheel_inertia'], 0.0882)
    """
    made = ModuleType(f"{module.__name__}.renamed")
    words = re.compile(r"\b(" + "|".join(map(re.escape, names)) + r")\b")
    for function in functions_of(module):
        signature = inspect.signature(function)
        parameters = [p.replace(name=names.get(p.name, p.name)) for p in signature.parameters.values()]
        other = _passed_on(function)
        other.__name__ = names.get(function.__name__, function.__name__)
        other.__module__ = made.__name__
        other.__doc__ = words.sub(lambda m: names[m[0]], function.__doc__ or "")
        other.__signature__ = signature.replace(parameters=parameters)  # type: ignore[attr-defined]
        setattr(made, other.__name__, other)
    return made


def _passed_on(function: Quantity) -> Quantity:
    def passed(*values: Any) -> Any:
        return function(*values)

    return passed
