"""Balance sums: contributions as vectors, drilling, packs turned by a bolt hole, external balance.

- `Residual`, `vector_sum`   several unbalances as one
- `turned_pack`              two balanced halves put together turned by bolt holes
- `drill_depth`              how deep to drill a radial hole for a correction
- `external_mismatch`        what a wrong external balance leaves

Amounts [kg·m], angles [rad] clockwise seen from the gearbox side.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from liftbite.core.quantities.torque_curve import Array


@dataclass(frozen=True, slots=True)
class Residual:
    """An unbalance: how much and where it points."""

    amount: float
    angle: float


def vector_sum(amounts: Array, angles: Array) -> Residual:
    """One unbalance for several.

    >>> r = vector_sum(np.array([3.0, 4.0]), np.array([0.0, np.pi / 2]))
    >>> round(r.amount, 9), round(r.angle, 4)
    (5.0, 0.9273)
    """
    total = np.sum(np.asarray(amounts) * np.exp(1j * np.asarray(angles)))
    return Residual(float(abs(total)), float(np.angle(total) % (2 * np.pi)))


def turned_pack(first: Residual, second: Residual, holes: int, turned_by: int) -> Residual:
    """What a pack has when its second half is bolted on `turned_by` holes of `holes` away from its mark.

    Source: [geometry: the residuals add as vectors].

    >>> one, other = Residual(1.0, 0.0), Residual(1.0, np.pi)
    >>> round(turned_pack(one, other, 6, 0).amount, 9), turned_pack(one, other, 6, 3).amount
    (0.0, 2.0)
    """
    turn = 2 * np.pi * turned_by / holes
    return vector_sum(np.array([first.amount, second.amount]), np.array([first.angle, second.angle + turn]))


def drill_depth(unbalance: float, radius: float, diameter: float, density: float) -> float:
    """Depth of the full-diameter part of a hole drilled radially inwards from `radius` that removes `unbalance` [m].

    The mass's own radius falls as the drill goes in, so U = ρ·π/4·d²·∫(r − x)dx over the depth, plus the cone of a
    118° point, which holds as much as 0.1·d of full depth (its height is 0.3·d).

    Raises
    ------
    ValueError : the hole would go past the middle

    >>> depth = drill_depth(150e-6, 0.14, 0.010, 7200.0)
    >>> round(depth * 1e3, 2)
    0.91
    """
    area = np.pi / 4 * diameter**2 * density
    inside = radius**2 - 2 * unbalance / area
    if inside < 0:
        raise ValueError(f"a {diameter * 1e3:g} mm hole at {radius * 1e3:g} mm cannot remove {unbalance * 1e6:g} g·mm")
    return float(radius - np.sqrt(inside) - 0.1 * diameter)


def external_mismatch(engine_class: float, flywheel_class: float) -> float:
    """Unbalance that is left when the flywheel's external balance is not the engine's [kg·m].

    >>> round(external_mismatch(50 * 0.0007200778, 28 * 0.0007200778) * 1e6)
    15842
    """
    return abs(engine_class - flywheel_class)
