"""Ranges that many quantities share, each returning 1, or NaN per impossible candidate, or raising.

- `positive`      a value above zero
- `ring_exists`   an inner diameter below the outer one
- `share_lost`    a loss from nothing to below everything
- `same_length`   as many figures of one as of another
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, within

AS_MANY = "as many as"


def positive(quantity: str, value: Values) -> Values:
    """1 where `value` is above 0.

    Raises
    ------
    OutOfRange : a single value that is not
    """
    return 1.0 if isinstance(value, float) and value > 0 else within(np.greater(value, 0), quantity, value, "above", 0)


def ring_exists(outer_diameter: Values, inner_diameter: Values) -> Values:
    """1 where the inner diameter lies below the outer one [m].

    Raises
    ------
    OutOfRange : a single pair that does not
    """
    ok = np.less(inner_diameter, outer_diameter)
    return within(ok, "inner_diameter", inner_diameter, "below", outer_diameter, "outer_diameter")


def share_lost(quantity: str, value: Values) -> Values:
    """1 where `value` is a loss from 0 to below 1.

    Raises
    ------
    OutOfRange : a single value that is not
    """
    ok = np.greater_equal(value, 0) & np.less(value, 1)
    return within(
        ok,
        quantity,
        value,
        "below" if np.all(np.greater_equal(value, 0)) else "at least",
        1 if np.all(np.greater_equal(value, 0)) else 0,
    )


def same_length(quantity: str, values: Values, other: str, others: Values) -> Values:
    """1 where there are as many figures of one input as of another.

    Raises
    ------
    OutOfRange : there are not
    """
    return within(np.size(values) == np.size(others), quantity, np.size(values), AS_MANY, np.size(others), other)
