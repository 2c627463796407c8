"""Every coil spring's own free length was measured: one tired spring lowers the clamp and tilts it."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive
from liftbite.core.quantities.torque_curve import Array


def spring_free_length(spring_free_lengths: Array, spring_installed_length: Values, wear_movement: Values) -> Values:
    """Mean free length, which is what the sum of the springs' forces depends on; one shorter than its seat pulls not.

    L_free = Σ max(L_i, L_inst + w) / n

    Parameters
    ----------
    spring_free_lengths : L_i, free length of each spring, in order round the plate [m]
    spring_installed_length : L_inst, length between its seats with the new pack clamped [m]
    wear_movement : w, how far the plate has moved with wear [m]

    Returns
    -------
    L_free, mean free length [m]

    Range: one spring or more.
    Source: [definition: F = Σ k·(L_i − L_inst − w), none below 0].

    >>> round(spring_free_length(np.array([0.045, 0.044, 0.043]), 0.030, 0.0), 6)
    0.044
    """
    lengths = np.reshape(spring_free_lengths, (-1, *([1] * np.ndim(spring_installed_length + wear_movement))))
    return plain(np.mean(np.maximum(lengths, spring_installed_length + wear_movement), axis=0))


def spring_count(spring_free_lengths: Array) -> float:
    """How many springs were measured.

    n = number of L_i

    Parameters
    ----------
    spring_free_lengths : L_i, free length of each spring, in order round the plate [m]

    Returns
    -------
    n, springs measured [count]

    Range: one spring or more.
    Source: [definition: count].

    >>> spring_count(np.array([0.045, 0.044, 0.043]))
    3.0
    """
    return float(np.size(spring_free_lengths))


def spring_spread(spring_free_lengths: Array) -> float:
    """Difference of the longest and the shortest spring.

    ΔL = max L_i − min L_i

    Parameters
    ----------
    spring_free_lengths : L_i, free length of each spring, in order round the plate [m]

    Returns
    -------
    ΔL, spread of the free lengths [m]

    Range: one spring or more.
    Source: [definition: range].

    >>> round(spring_spread(np.array([0.045, 0.044, 0.043])), 6)
    0.002
    """
    return float(np.ptp(spring_free_lengths))


def clamp_offset(
    spring_free_lengths: Array, spring_rate: Values, spring_circle_diameter: Values, spring_clamp: Values
) -> Values:
    """How far from the middle the clamp load acts: unequal springs press one side harder.

    e = k · (D_s/2) · |Σ L_i · (cos θ_i, sin θ_i)| / F_spring, θ_i = 2π·i/n

    Parameters
    ----------
    spring_free_lengths : L_i, free length of each spring, in order round the plate [m]
    spring_rate : k, rate of one spring [N/m]
    spring_circle_diameter : D_s, diameter of the circle the springs stand on [m]
    spring_clamp : F_spring, spring force on the plate [N]

    Returns
    -------
    e, offset of the clamp load [m]

    Range: F_spring above 0; springs of one rate, evenly spaced, a plate that stays parallel.
    Source: [definition: moment of the spring forces about the middle].

    >>> round(clamp_offset(np.array([0.045, 0.045, 0.045]), 2e4, 0.1, 900.0), 9)
    0.0
    """
    angle = 2 * np.pi * np.arange(np.size(spring_free_lengths)) / np.size(spring_free_lengths)
    moment = np.hypot(np.sum(spring_free_lengths * np.cos(angle)), np.sum(spring_free_lengths * np.sin(angle)))
    return plain(
        spring_rate * spring_circle_diameter / 2 * moment / spring_clamp * positive("spring_clamp", spring_clamp)
    )


def clamp_offset_direction(spring_free_lengths: Array) -> float:
    """Which way the clamp load acts off the middle: the angle from the first spring, the way they were measured round.

    φ = atan2(Σ L_i · sin θ_i, Σ L_i · cos θ_i), θ_i = 2π·i/n

    Parameters
    ----------
    spring_free_lengths : L_i, free length of each spring, in order round the plate [m]

    Returns
    -------
    φ, direction of the heavier side from the first spring [rad]

    Range: 0 to 2π; says nothing where the springs are alike.
    Source: [definition: moment of the spring forces about the middle].

    >>> round(np.degrees(clamp_offset_direction(np.array([0.045, 0.046, 0.045, 0.045]))))
    90
    """
    angle = 2 * np.pi * np.arange(np.size(spring_free_lengths)) / np.size(spring_free_lengths)
    across, along = (float(np.sum(spring_free_lengths * part)) for part in (np.sin(angle), np.cos(angle)))
    return float(np.arctan2(across, along) % (2 * np.pi))
