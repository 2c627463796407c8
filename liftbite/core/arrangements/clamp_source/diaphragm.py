"""The clamp load comes from a diaphragm spring: a conical ring with fingers, levered between plate seat and fulcrum.

The ring is loaded at the plate seat and the fulcrum, not at its edges, so forces and travels are levered
[memory: DIN EN 16984:2017 for the ring]. A new disc sits past the peak of its curve; as facings wear the deflection
falls, the clamp rises to the peak and then drops.

`ring_leverage`, `lever_ratio`, `ring_deflection`, `spring_clamp`, `lifted_spring_force`, `spring_peak_clamp`,
`peak_wear`, `diaphragm_stress`. `lever_arm` comes from the way the cover works.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive
from liftbite.core.quantities.disc_spring import disc_spring_force, disc_spring_stress


def ring_leverage(diaphragm_outer_diameter: Values, diaphragm_inner_diameter: Values, lever_arm: Values) -> Values:
    """How much the ring is levered: its edge travel per plate travel, and plate force per edge force.

    λ = (D_e − D_i) / a

    Parameters
    ----------
    diaphragm_outer_diameter : D_e, outer diameter of the ring [m]
    diaphragm_inner_diameter : D_i, diameter at the roots of the slots [m]
    lever_arm : a, lever arm of the ring, as a diameter [m]

    Returns
    -------
    λ, leverage of the ring [-]

    Range: D_i below D_e; a above 0.
    Source: [geometry: lever].

    >>> round(ring_leverage(0.22, 0.17, 0.03), 4)
    1.6667
    """
    ok = within(
        np.less(diaphragm_inner_diameter, diaphragm_outer_diameter),
        "diaphragm_inner_diameter",
        diaphragm_inner_diameter,
        "below",
        diaphragm_outer_diameter,
        "diaphragm_outer_diameter",
    )
    return plain((diaphragm_outer_diameter - diaphragm_inner_diameter) / lever_arm * ok)


def lever_ratio(fulcrum_diameter: Values, finger_tip_diameter: Values, lever_arm: Values) -> Values:
    """Bearing travel per plate travel.

    R_d = |D_f − D_t| / a

    Parameters
    ----------
    fulcrum_diameter : D_f, where the ring rests in the cover [m]
    finger_tip_diameter : D_t, where the bearing touches the fingers [m]
    lever_arm : a, lever arm of the ring, as a diameter [m]

    Returns
    -------
    R_d, lever ratio of the cover [-]

    Range: D_f and D_t apart; a above 0.
    Source: [geometry: lever].

    >>> round(lever_ratio(0.185, 0.05, 0.03), 2)
    4.5
    """
    ok = positive("finger_tip_diameter", finger_tip_diameter)
    return plain(np.abs(fulcrum_diameter - finger_tip_diameter) / lever_arm * ok)


def _sound(thickness: Values, cone_height: Values) -> Values:
    """1 where h0/t leaves the valley of the curve above zero."""
    most = 2 * np.sqrt(2) * thickness
    return positive("diaphragm_thickness", thickness) * within(
        np.less_equal(cone_height, most), "diaphragm_cone_height", cone_height, "at most", most
    )


def spring_clamp(
    diaphragm_outer_diameter: Values,
    diaphragm_inner_diameter: Values,
    diaphragm_thickness: Values,
    diaphragm_cone_height: Values,
    diaphragm_set: Values,
    ring_leverage: Values,
    wear_movement: Values,
) -> Values:
    """Force of the diaphragm on the plate, at rest.

    F_spring = λ · F_ring(s), s = s_0 − λ·w, F_ring = 4E/(1−ν²)·t⁴/(K_1·D_e²)·(s/t)·[(h_0/t − s/t)·(h_0/t − s/2t) + 1]

    Parameters
    ----------
    diaphragm_outer_diameter : D_e, outer diameter of the ring [m]
    diaphragm_inner_diameter : D_i, diameter at the roots of the slots [m]
    diaphragm_thickness : t, thickness of the ring [m]
    diaphragm_cone_height : h_0, free height of the cone [m]
    diaphragm_set : s_0, how far the ring is pressed flat with a new disc [m]
    ring_leverage : λ, leverage of the ring [-]
    wear_movement : w, how far the plate has moved with wear [m]

    Returns
    -------
    F_spring, spring force on the plate [N]

    Range: h_0 at most 2√2·t, beyond which the valley of the curve goes below zero.
    Source: [memory: DIN EN 16984:2017, after Almen and László, Trans. ASME 58, 1936].

    >>> round(spring_clamp(0.22, 0.17, 0.0026, 0.0042, 0.0048, 1.6667, 0.0))
    5771
    """
    deflection = diaphragm_set - ring_leverage * wear_movement
    force = disc_spring_force(
        deflection, diaphragm_outer_diameter, diaphragm_inner_diameter, diaphragm_thickness, diaphragm_cone_height
    )
    return plain(ring_leverage * force * _sound(diaphragm_thickness, diaphragm_cone_height))


def lifted_spring_force(
    diaphragm_outer_diameter: Values,
    diaphragm_inner_diameter: Values,
    diaphragm_thickness: Values,
    diaphragm_cone_height: Values,
    diaphragm_set: Values,
    ring_leverage: Values,
    wear_movement: Values,
    plate_lift: Values,
) -> Values:
    """Force of the diaphragm on the plate while it lifts, which flattens the ring further.

    F_lift = λ · F_ring(s_0 − λ·w + λ·x)

    Parameters
    ----------
    diaphragm_outer_diameter : D_e, outer diameter of the ring [m]
    diaphragm_inner_diameter : D_i, diameter at the roots of the slots [m]
    diaphragm_thickness : t, thickness of the ring [m]
    diaphragm_cone_height : h_0, free height of the cone [m]
    diaphragm_set : s_0, how far the ring is pressed flat with a new disc [m]
    ring_leverage : λ, leverage of the ring [-]
    wear_movement : w, how far the plate has moved with wear [m]
    plate_lift : x, lift of the plate [m]

    Returns
    -------
    F_lift, spring force on the plate while it lifts [N]

    Range: 0 < D_i < D_e, t and h_0 above 0; elastic.
    Source: [memory: DIN EN 16984:2017, after Almen and László, Trans. ASME 58, 1936].

    >>> round(lifted_spring_force(0.22, 0.17, 0.0026, 0.0042, 0.0048, 1.6667, 0.0, 0.0))
    5771
    """
    return spring_clamp(
        diaphragm_outer_diameter,
        diaphragm_inner_diameter,
        diaphragm_thickness,
        diaphragm_cone_height,
        diaphragm_set,
        ring_leverage,
        wear_movement - plate_lift,
    )


def _peak_deflection(thickness: Values, cone_height: Values, pressed: Values) -> Values:
    """Deflection at the peak of the curve, not beyond the one of a new disc; that one where the curve has no peak."""
    inner = np.maximum(cone_height**2 - 2 * thickness**2, 0) / 3
    peak = np.minimum(cone_height - np.sqrt(inner), pressed)
    return np.where(cone_height > np.sqrt(2) * thickness, peak, pressed)


def spring_peak_clamp(
    diaphragm_outer_diameter: Values,
    diaphragm_inner_diameter: Values,
    diaphragm_thickness: Values,
    diaphragm_cone_height: Values,
    diaphragm_set: Values,
    ring_leverage: Values,
) -> Values:
    """Largest force of the diaphragm on the plate between a new disc and an unloaded ring.

    F_peak = λ · F_ring(s_peak), s_peak = h_0 − √((h_0² − 2t²)/3) for h_0 above √2·t, but not beyond s_0

    Parameters
    ----------
    diaphragm_outer_diameter : D_e, outer diameter of the ring [m]
    diaphragm_inner_diameter : D_i, diameter at the roots of the slots [m]
    diaphragm_thickness : t, thickness of the ring [m]
    diaphragm_cone_height : h_0, free height of the cone [m]
    diaphragm_set : s_0, how far the ring is pressed flat with a new disc [m]
    ring_leverage : λ, leverage of the ring [-]

    Returns
    -------
    F_peak, peak spring force over wear [N]

    Range: 0 < D_i < D_e, t and h_0 above 0; s_0 from 0 to 2·h_0.
    Source: [memory: DIN EN 16984:2017; s_peak from dF/ds = 0].

    >>> round(spring_peak_clamp(0.22, 0.17, 0.0026, 0.0042, 0.0048, 1.6667))
    6350
    """
    peak = _peak_deflection(diaphragm_thickness, diaphragm_cone_height, diaphragm_set)
    force = disc_spring_force(
        peak, diaphragm_outer_diameter, diaphragm_inner_diameter, diaphragm_thickness, diaphragm_cone_height
    )
    return plain(ring_leverage * force)


def peak_wear(
    diaphragm_thickness: Values, diaphragm_cone_height: Values, diaphragm_set: Values, ring_leverage: Values
) -> Values:
    """Movement of the plate with wear at which the clamp is at its peak; 0 where a new disc sits before it.

    w_peak = (s_0 − s_peak)/λ, s_peak = h_0 − √((h_0² − 2t²)/3) for h_0 above √2·t

    Parameters
    ----------
    diaphragm_thickness : t, thickness of the ring [m]
    diaphragm_cone_height : h_0, free height of the cone [m]
    diaphragm_set : s_0, how far the ring is pressed flat with a new disc [m]
    ring_leverage : λ, leverage of the ring [-]

    Returns
    -------
    w_peak, wear at the peak of the clamp [m]

    Range: a cover without an adjuster.
    Source: [memory: DIN EN 16984:2017; s_peak from dF/ds = 0].

    >>> round(peak_wear(0.0026, 0.0042, 0.0048, 1.6667) * 1e3, 3)
    1.063
    """
    peak = _peak_deflection(diaphragm_thickness, diaphragm_cone_height, diaphragm_set)
    return plain((diaphragm_set - peak) / ring_leverage)


def diaphragm_stress(
    diaphragm_outer_diameter: Values,
    diaphragm_inner_diameter: Values,
    diaphragm_thickness: Values,
    diaphragm_cone_height: Values,
    diaphragm_set: Values,
    ring_leverage: Values,
    plate_lift_limit: Values,
) -> Values:
    """Stress at the upper inner edge of the ring at the cover's largest lift, as a positive compression.

    σ = 4E/(1−ν²)·t²/(K_1·D_e²)·(s/t)·[K_2·(h_0/t − s/2t) + K_3], s = s_0 + λ·x_max

    Parameters
    ----------
    diaphragm_outer_diameter : D_e, outer diameter of the ring [m]
    diaphragm_inner_diameter : D_i, diameter at the roots of the slots [m]
    diaphragm_thickness : t, thickness of the ring [m]
    diaphragm_cone_height : h_0, free height of the cone [m]
    diaphragm_set : s_0, how far the ring is pressed flat with a new disc [m]
    ring_leverage : λ, leverage of the ring [-]
    plate_lift_limit : x_max, largest lift the cover allows [m]

    Returns
    -------
    σ, edge stress of the diaphragm [Pa]

    Range: 0 < D_i < D_e, t and h_0 above 0; elastic, at the upper inner edge.
    Source: [memory: DIN EN 16984:2017, stress at the upper inner edge].

    >>> round(diaphragm_stress(0.22, 0.17, 0.0026, 0.0042, 0.0048, 1.6667, 0.0) / 1e6)
    1104
    """
    deflection = diaphragm_set + ring_leverage * plate_lift_limit
    stress = disc_spring_stress(
        deflection, diaphragm_outer_diameter, diaphragm_inner_diameter, diaphragm_thickness, diaphragm_cone_height
    )
    return plain(-stress)
