"""The surface of a thin plate rubbed on both faces: no half-space, so the slab is solved.

A second way to the surface of a start: what `face.flash_rise` says of a half-space is held against it.

- `slab_rise`   peak surface rise in one start, flux falling in a straight line to nothing
"""

from __future__ import annotations

import numpy as np


def slab_rise(
    mean_flux: float,
    seconds: float,
    thickness: float,
    conductivity: float,
    density: float,
    specific_heat: float,
    nodes: int = 60,
    steps: int = 400,
) -> float:
    """Highest surface rise of a plate heated alike on both faces, as floaters and plain plates are [K].

    One dimension, half the plate by symmetry, finite volumes in space, trapezoidal rule in time. The flux starts at
    twice its mean and falls in a straight line to 0 after `seconds`.

    Parameters
    ----------
    mean_flux : heat per area and time into each face, mean over the start [W/m²]
    seconds : slip time [s]
    thickness : of the plate [m]
    conductivity, density, specific_heat : of the plate [W/(m·K)], [kg/m³], [J/(kg·K)]
    nodes, steps : of space and time

    Source: [definition: Fourier's law]. For a thick plate it is the half-space of Carslaw and Jaeger.

    >>> thin = slab_rise(6e5, 1.0, 0.006, 50.0, 7200.0, 500.0)
    >>> thick = slab_rise(6e5, 1.0, 0.060, 50.0, 7200.0, 500.0)
    >>> round(thin / thick, 2)
    1.24
    """
    width = thickness / 2 / nodes
    link = conductivity / width
    heat = density * specific_heat * width
    flow = (
        np.diag(np.full(nodes - 1, link), 1)
        + np.diag(np.full(nodes - 1, link), -1)
        - np.diag(np.r_[link, np.full(nodes - 2, 2 * link), link])
    ) / heat
    h = seconds / steps
    step = np.linalg.solve(np.eye(nodes) - h / 2 * flow, np.eye(nodes) + h / 2 * flow)
    push = np.linalg.solve(np.eye(nodes) - h / 2 * flow, np.r_[h / heat, np.zeros(nodes - 1)])
    rise, best = np.zeros(nodes), 0.0
    for i in range(steps):
        flux = 2 * mean_flux * (1 - (i + 0.5) / steps)
        rise = step @ rise + push * flux
        best = max(best, float(rise[0] + flux * width / 2 / conductivity))
    return best
