"""Starts: one or thousands at once, and none twice.

- `launch`   what comes of a case, or of as many as its arrays hold

`launch_case` holds what goes in and comes out, `launch_run` integrates. A start that was integrated lately is not
again, those that are alike are integrated once, and a few are quicker one after the other.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Any, TypeAlias

import numpy as np
import numpy.typing as npt

from liftbite.core.graph.graph import Values, is_figure
from liftbite.core.quantities.launch_case import Launch, LaunchCase
from liftbite.core.quantities.launch_run import EASY, MANY, SINGLE, full_load, integrated
from liftbite.core.quantities.torque_curve import Array, TorqueCurve

Places: TypeAlias = npt.NDArray[np.intp]
#: A temperature no clutch comes to [K].
_ANY = 1e6
#: So few starts are integrated one after the other, which is quicker.
_FEW = 8


def launch(case: LaunchCase, fineness: float = 1.0) -> Launch:
    """Integrates a start, or as many as the arrays of the case hold; one that was integrated lately is not again.

    Parameters
    ----------
    case : what the start needs
    fineness : how many times shorter than usual the steps are
    """
    curve, *figures = vars(case).values()
    many = [np.shape(value) for value in figures if not is_figure(value)]
    if not many:
        return _single(curve, *figures, fineness=fineness)
    shape = np.broadcast_shapes(*many)
    if shape == ():
        return _single(curve, *map(float, figures), fineness=fineness)
    size = int(np.prod(shape))
    if not 0 < size <= _FEW or len(shape) > 1:
        return _each_once(case, shape, fineness)
    rows = {n: v if n == "curve" else np.broadcast_to(v, shape) for n, v in vars(case).items()}
    each = [launch(_case({n: v if n == "curve" else v[i] for n, v in rows.items()}), fineness) for i in range(size)]
    joined: dict[str, Any] = {n: np.array([getattr(one, n) for one in each]) for n in vars(each[0]) if n != "trace"}
    return Launch(**joined)


def _capacity_that_counts(c: LaunchCase, *, single: bool) -> Values:
    """Its capacity, or one that depends on nothing where no capacity matters: a driver lets the clutch carry less than
    it holds even faded, less than the tyres hold, and less than the engine gives.
    """
    ops = SINGLE if single else MANY
    full = c.throttle_share * c.primary * full_load(c.curve, c.limiter, single)(c.start_speed * c.ratio)
    free = ops.both(c.clutch_torque <= c.fade * c.capacity, c.clutch_torque < EASY * full)
    free = ops.both(free, ops.both(c.clutch_torque < c.grip_torque, c.held < 1))
    return ops.pick(free, c.clutch_torque / ops.most(c.fade, 1e-3), c.capacity)


def _without_capacity(case: LaunchCase) -> LaunchCase:
    """Many starts, with a capacity that depends on nothing where no capacity matters."""
    return replace(case, capacity=_capacity_that_counts(case, single=False))


def _each_once(case: LaunchCase, shape: tuple[int, ...], fineness: float) -> Launch:
    """Many starts, those that are alike integrated once: alike as they are given, and then as far as it matters."""
    if len(shape) > 1:
        return integrated(_without_capacity(case), fineness)
    given, size, back = _distinct(case, shape[0])
    plain, _, again = _distinct(_without_capacity(given), size)
    found = integrated(plain, fineness)
    for places in (again, back):
        found = found if places is None else found.at(places)
    return found


def _distinct(case: LaunchCase, size: int) -> tuple[LaunchCase, int, Places | None]:
    """The distinct ones of many starts, how many, and which of them each is; None where most are distinct anyway."""
    varied = {n: np.broadcast_to(v, size) for n, v in vars(case).items() if n != "curve" and np.ndim(v)}
    if not varied or not all(np.isfinite(v).all() for v in varied.values()):
        return case, size, None
    first, back = _alike(np.array(list(varied.values())))
    if 2 * len(first) > size:
        return case, size, None
    return _case(vars(case) | {n: v[first] for n, v in varied.items()}), len(first), back


def _alike(columns: Array) -> tuple[Places, Places]:
    """Place of the first of every distinct case, and for every case which of those it is.

    Cases are told apart by one number made of the bits of all their figures; that those of one number are alike is
    looked at, and where it is not so, they are compared figure by figure.

    >>> _alike(np.array([[1.0, 2.0, 1.0], [5.0, 5.0, 5.0]]))
    (array([0, 1]), array([0, 1, 0]))
    """
    odd = np.random.default_rng(0).integers(2**62, size=len(columns), dtype=np.uint64) * np.uint64(2) + np.uint64(1)
    bits = np.ascontiguousarray(columns + 0.0).view(np.uint64)
    _, first, back = np.unique((bits ^ bits >> np.uint64(29)).T @ odd, return_index=True, return_inverse=True)
    if not np.array_equal(columns[:, first[back]], columns):
        _, first, back = np.unique(columns, axis=1, return_index=True, return_inverse=True)
    return first, back.ravel()


def _case(values: Mapping[str, Any]) -> LaunchCase:
    return LaunchCase(**values)


@lru_cache(maxsize=1024)
def _single(curve: TorqueCurve, *figures: float, fineness: float) -> Launch:
    """One start. As long as nothing fades, or no capacity matters, how warm the clutch is moves nothing: it is
    integrated once for all temperatures, and is so much warmer afterwards.
    """
    case = LaunchCase(curve, *figures)
    capacity = _capacity_that_counts(case, single=True)
    cold = vars(case) | {"capacity": capacity, "start_temperature": 0.0, "sustained": _ANY, "brief": 2 * _ANY}
    found = _kept(*cold.values(), fineness=fineness)
    free = capacity != case.capacity
    if not free and case.start_temperature + found.bulk_temperature > case.sustained:  # the cold one begins at 0
        return _kept(curve, *figures, fineness=fineness)
    warmth = {"temperature": found.trace["temperature"] + case.start_temperature} if found.trace else {}
    return replace(found, bulk_temperature=found.bulk_temperature + case.start_temperature, trace=found.trace | warmth)


@lru_cache(maxsize=256)
def _kept(curve: TorqueCurve, *figures: float, fineness: float) -> Launch:
    return integrated(LaunchCase(curve, *figures), fineness)
