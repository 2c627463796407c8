"""Lift: does it let go? From the plate back to the bearing; the chain from there to the pedal is an arrangement.

In the order in which it is used:

- needed       `lift_needed`, `lift_needed_least`
- at the plate `cushion_force`, `bearing_force`, `bearing_travel`
- margins      `lift_margin`, `least_lift_margin`, `overtravel_margin`

`plate_lift` is a state: every force and travel of the stroke is a function of it. How far the plate is lifted at full
pedal, `plate_lift_available`, is that function turned round (`liftbite.core.graph.derived.inverse`).
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def lift_needed(friction_faces: Values, running_gap: Values, springback: Values, hot_coning: Values) -> Values:
    """Lift of the plate that frees every face with a comfortable gap.

    x_need = N · g + x_spring + x_hot

    Parameters
    ----------
    friction_faces : N, friction interfaces in the stack [-]
    running_gap : g, comfortable gap per face [m]
    springback : x_spring, what discs spring back when unloaded, with half their wobble [m]
    hot_coning : x_hot, coning and tilt of a hot plate [m]

    Returns
    -------
    x_need, lift needed [m]

    Range: N two or more, everything else 0 or more.
    Source: [memory: gaps per face].

    >>> round(lift_needed(2, 0.0004, 0.00085, 0.0) * 1e3, 2)
    1.65
    """
    return friction_faces * running_gap + springback + hot_coning


def lift_needed_least(friction_faces: Values, least_gap: Values, springback: Values, hot_coning: Values) -> Values:
    """Lift of the plate that just frees every face.

    x_least = N · g_least + x_spring + x_hot

    Parameters
    ----------
    friction_faces : N, friction interfaces in the stack [-]
    least_gap : g_least, gap per face that is just enough [m]
    springback : x_spring, what discs spring back when unloaded, with half their wobble [m]
    hot_coning : x_hot, coning and tilt of a hot plate [m]

    Returns
    -------
    x_least, lift that just frees [m]

    Range: N two or more, everything else 0 or more.
    Source: [memory: gaps per face].

    >>> round(lift_needed_least(2, 0.00015, 0.00085, 0.0) * 1e3, 2)
    1.15
    """
    return friction_faces * least_gap + springback + hot_coning


def cushion_force(spring_clamp: Values, cushion_stack: Values, plate_lift: Values) -> Values:
    """Force with which the cushion springs in the discs still push the plate while it lifts.

    F_cush = F_spring · (1 − x/c)² up to x = c, then 0

    Parameters
    ----------
    spring_clamp : F_spring, spring force at rest, which the cushion carries [N]
    cushion_stack : c, how far the cushions of all discs spring back [m]
    plate_lift : x, lift of the plate [m]

    Returns
    -------
    F_cush, cushion force on the plate [N]

    Range: c above 0, x from 0; a cushion whose force falls to 0 with no step.
    Source: [practice: a progressive cushion].

    >>> round(cushion_force(8000.0, 0.001, 0.0005)), cushion_force(8000.0, 0.0, 0.0)
    (2000, 0.0)
    """
    stack = np.where(np.greater(cushion_stack, 0), cushion_stack, 1.0)
    left = np.minimum(np.maximum(1 - plate_lift / stack, 0.0), 1.0)
    return plain(np.where(np.greater(cushion_stack, 0), spring_clamp * left**2, 0.0))


def bearing_force(
    lifted_spring_force: Values, cushion_force: Values, strap_force: Values, release_lever_ratio: Values
) -> Values:
    """Force of the release bearing at a lift of the plate; the crank's thrust bearing carries it too.

    F_b = max(F_lift + F_strap − F_cush, 0) / R_d

    Parameters
    ----------
    lifted_spring_force : F_lift, spring force on the plate while it lifts [N]
    cushion_force : F_cush, cushion force on the plate [N]
    strap_force : F_strap, force of the straps towards the flywheel [N]
    release_lever_ratio : R_d, bearing travel per plate travel [-]

    Returns
    -------
    F_b, force on the release bearing and the crank's thrust bearing [N]

    Range: R_d above 0.
    Source: [geometry: lever].

    >>> bearing_force(8000.0, 2000.0, 0.0, 4.0)
    1500.0
    """
    ok = positive("release_lever_ratio", release_lever_ratio)
    return plain(np.maximum(lifted_spring_force + strap_force - cushion_force, 0.0) / release_lever_ratio * ok)


def bearing_travel(plate_lift: Values, release_lever_ratio: Values, finger_flex: Values) -> Values:
    """Travel of the release bearing at a lift of the plate.

    x_b = x · R_d / η_flex

    Parameters
    ----------
    plate_lift : x, lift of the plate [m]
    release_lever_ratio : R_d, bearing travel per plate travel [-]
    finger_flex : η_flex, share of the travel that fingers which bend pass on [-]

    Returns
    -------
    x_b, travel of the release bearing from where it touches [m]

    Range: η_flex above 0.
    Source: [memory: 0.85 to 1.0].

    >>> round(bearing_travel(0.0015, 4.0, 0.95) * 1e3, 3)
    6.316
    """
    return plate_lift * release_lever_ratio / finger_flex * positive("finger_flex", finger_flex)


def lift_margin(plate_lift_available: Values, lift_needed: Values) -> Values:
    """Lift of the plate at full pedal over the lift needed at the comfortable gap.

    m_lift = x_full / x_need

    Parameters
    ----------
    plate_lift_available : x_full, lift at full pedal [m]
    lift_needed : x_need, lift needed [m]

    Returns
    -------
    m_lift, lift margin [-]

    Range: x_need above 0.
    Source: [definition: available over needed].

    >>> round(lift_margin(0.0018, 0.0015), 3)
    1.2
    """
    return plate_lift_available / lift_needed * positive("lift_needed", lift_needed)


def least_lift_margin(plate_lift_available: Values, lift_needed_least: Values) -> Values:
    """Lift of the plate at full pedal over the lift that just frees; below 1 the clutch drags.

    m_least = x_full / x_least

    Parameters
    ----------
    plate_lift_available : x_full, lift at full pedal [m]
    lift_needed_least : x_least, lift that just frees [m]

    Returns
    -------
    m_least, lift margin at the least gap [-]

    Range: x_least above 0.
    Source: [definition: available over needed].

    >>> round(least_lift_margin(0.0018, 0.0012), 3)
    1.5
    """
    return plate_lift_available / lift_needed_least * positive("lift_needed_least", lift_needed_least)


def overtravel_margin(plate_lift_limit: Values, plate_lift_available: Values) -> Values:
    """Largest lift the cover allows over the lift at full pedal; below 1 a pedal stop is needed.

    m_over = x_max / x_full

    Parameters
    ----------
    plate_lift_limit : x_max, largest lift the cover allows [m]
    plate_lift_available : x_full, lift at full pedal [m]

    Returns
    -------
    m_over, overtravel margin [-]

    Range: x_full above 0; a lift of 0 leaves a reserve without end.
    Source: [definition: limit over value].

    >>> round(overtravel_margin(0.0024, 0.0018), 3)
    1.333
    """
    return plain(plate_lift_limit / np.maximum(plate_lift_available, 1e-9))
