"""Conical disc springs: the plain formulas the diaphragm modules use.

- `disc_spring_force`    force of a disc spring loaded at its edges
- `disc_spring_stress`   stress at the upper inner edge
- `shape_factor`         K1

Source: [memory: DIN EN 16984:2017, after Almen and László, Trans. ASME 58, 1936]. Checked against the
forces at 0.75·h0 of DIN EN 16983 (values from memory).
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values

YOUNG = 206e9
POISSON = 0.3


def shape_factor(diameter_ratio: Values) -> Values:
    """K1 of a disc spring with δ = De/Di [-]: (1/π)·((δ−1)/δ)² / ((δ+1)/(δ−1) − 2/ln δ).

    >>> round(float(shape_factor(2.0)), 3)
    0.694
    """
    d = diameter_ratio
    return ((d - 1) / d) ** 2 / ((d + 1) / (d - 1) - 2 / np.log(d)) / np.pi


def disc_spring_force(
    deflection: Values, outer: Values, inner: Values, thickness: Values, cone_height: Values
) -> Values:
    """Force [N] at a deflection [m] of a disc spring loaded at its edges, from diameters, thickness, height [m].

    >>> round(float(disc_spring_force(0.75 * 1.1e-3, 0.05, 0.0254, 0.003, 1.1e-3)) / 1e3, 1)
    12.0
    """
    t, a = thickness, cone_height / thickness
    stiffness = 4 * YOUNG / (1 - POISSON**2) * t**4 / (shape_factor(outer / inner) * outer**2)
    # (s/t)·((a − s/t)·(a − s/2t) + 1) as a cubic in s: what a spring's own figures give is worked with once
    cubic, square, straight = 0.5 * stiffness / t**3, -1.5 * a * stiffness / t**2, (a * a + 1) * stiffness / t
    return ((cubic * deflection + square) * deflection + straight) * deflection


def disc_spring_stress(
    deflection: Values, outer: Values, inner: Values, thickness: Values, cone_height: Values
) -> Values:
    """Stress [Pa] at the upper inner edge, compressive below 0, of the same spring."""
    t, h0 = thickness, cone_height
    ratio = outer / inner
    log = np.log(ratio)
    k2 = 6 / np.pi * ((ratio - 1) / log - 1) / log
    k3 = 3 / np.pi * (ratio - 1) / log
    s = deflection / t
    stiffness = 4 * YOUNG / (1 - POISSON**2) * t**2 / (shape_factor(ratio) * outer**2)
    return -stiffness * s * (k2 * (h0 / t - s / 2) + k3)
