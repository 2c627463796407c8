"""Release by cable: pedal or lever, cable, fork or arm. The cable stretches with the force in it."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def cable_force(bearing_force: Values, fork_ratio: Values, arm_efficiency: Values) -> Values:
    """Force in the cable at a lift of the plate.

    F_c = F_b / (R_f · η_arm)

    Parameters
    ----------
    bearing_force : F_b, force on the release bearing or lifter [N]
    fork_ratio : R_f, cable travel per bearing travel [-]
    arm_efficiency : η_arm, share of the work the arm passes on [-]

    Returns
    -------
    F_c, force in the cable [N]

    Range: R_f and η_arm above 0.
    Source: [geometry: lever].

    >>> round(cable_force(1200.0, 3.0, 0.8))
    500
    """
    ok = positive("fork_ratio", fork_ratio) * positive("arm_efficiency", arm_efficiency)
    return bearing_force / (fork_ratio * arm_efficiency) * ok


def cable_travel(bearing_travel: Values, bearing_clearance: Values, fork_ratio: Values) -> Values:
    """Travel of the cable's inner at the fork or arm, at a lift of the plate.

    x_c = (x_b + c_b) · R_f

    Parameters
    ----------
    bearing_travel : x_b, travel of the release bearing from where it touches [m]
    bearing_clearance : c_b, gap taken up on every stroke [m]
    fork_ratio : R_f, cable travel per bearing travel [-]

    Returns
    -------
    x_c, travel of the cable [m]

    Range: x_b and c_b 0 or more, R_f above 0; a cable that does not stretch.
    Source: [geometry: lever].

    >>> round(cable_travel(0.002, 0.0, 4.0), 4)
    0.008
    """
    return (bearing_travel + bearing_clearance) * fork_ratio


def cable_stretch(cable_force: Values, cable_stiffness: Values) -> Values:
    """Stretch of the cable under its force.

    Δ = F_c / k_c, k_c = E·A/L

    Parameters
    ----------
    cable_force : F_c, force in the cable [N]
    cable_stiffness : k_c, stiffness of the cable with its outer [N/m]

    Returns
    -------
    Δ, stretch of the cable [m]

    Range: k_c above 0.
    Source: [definition: Hooke's law].

    >>> round(cable_stretch(300.0, 3e5) * 1e3, 3)
    1.0
    """
    return cable_force / cable_stiffness * positive("cable_stiffness", cable_stiffness)


def pedal_travel(cable_travel: Values, cable_stretch: Values, pedal_ratio: Values, pedal_free_play: Values) -> Values:
    """Travel of pedal or lever at a lift of the plate.

    x_p = (x_c + Δ) · R_p + x_free

    Parameters
    ----------
    cable_travel : x_c, travel of the cable [m]
    cable_stretch : Δ, stretch of the cable [m]
    pedal_ratio : R_p, pad travel per cable travel [-]
    pedal_free_play : x_free, free play at the pad [m]

    Returns
    -------
    x_p, travel of the pedal [m]

    Range: x_c and Δ 0 or more, R_p above 0.
    Source: [geometry: lever].

    >>> round(pedal_travel(0.008, 0.001, 5.0, 0.012), 3)
    0.057
    """
    return (cable_travel + cable_stretch) * pedal_ratio + pedal_free_play


def pedal_effort(cable_force: Values, pedal_ratio: Values, pedal_efficiency: Values, pedal_spring: Values) -> Values:
    """Force at pedal or lever at a lift of the plate.

    F_p = F_c / (R_p · η) + F_sp

    Parameters
    ----------
    cable_force : F_c, force in the cable [N]
    pedal_ratio : R_p, pad travel per cable travel [-]
    pedal_efficiency : η, share of the work that cable and pivot leave [-]
    pedal_spring : F_sp, force of the springs at the pad [N]

    Returns
    -------
    F_p, pedal effort [N]

    Range: R_p and η above 0.
    Source: [memory: η 0.75 to 0.95; old, dry or kinked cables lose it].

    >>> round(pedal_effort(400.0, 5.0, 0.8, 5.0))
    105
    """
    ok = positive("pedal_ratio", pedal_ratio) * positive("pedal_efficiency", pedal_efficiency)
    return cable_force / (pedal_ratio * pedal_efficiency) * ok + pedal_spring


def plate_lift_reach(
    pedal_stroke: Values,
    pedal_free_play: Values,
    pedal_ratio: Values,
    fork_ratio: Values,
    bearing_clearance: Values,
    finger_flex: Values,
    release_lever_ratio: Values,
) -> Values:
    """Lift at full pedal if the cable did not stretch.

    x_reach = ((x_stroke − x_free)/(R_p · R_f) − c_b) · η_flex/R_d, not below 0

    Parameters
    ----------
    pedal_stroke : x_stroke, full travel of the pedal or lever [m]
    pedal_free_play : x_free, free play at the pad [m]
    pedal_ratio : R_p, pad travel per cable travel [-]
    fork_ratio : R_f, cable travel per bearing travel [-]
    bearing_clearance : c_b, gap taken up on every stroke [m]
    finger_flex : η_flex, share of the travel that fingers which bend pass on [-]
    release_lever_ratio : R_d, bearing travel per plate travel [-]

    Returns
    -------
    x_reach, lift at full pedal with nothing soft [m]

    Range: R_p, R_f and R_d above 0; a cable that does not stretch, so that it is the most there can be.
    Source: [geometry: the chain from front to back].

    >>> round(plate_lift_reach(0.07, 0.01, 5.0, 4.0, 0.0, 1.0, 1.0) * 1e3, 3)
    3.0
    """
    bearing = (pedal_stroke - pedal_free_play) / (pedal_ratio * fork_ratio) - bearing_clearance
    return plain(np.maximum(bearing * finger_flex / release_lever_ratio, 0.0))
