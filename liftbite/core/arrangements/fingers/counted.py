"""The fingers are thrown by speed: their mass off the plane of the pivots adds to the clamp or takes from it."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def centrifugal_clamp(
    finger_mass: Values,
    finger_centroid_radius: Values,
    finger_offset: Values,
    clutch_speed: Values,
    plate_seat_diameter: Values,
    fulcrum_diameter: Values,
) -> Values:
    """Force that speed adds to the clamp; below 0 where the fingers' mass lies past flat.

    ΔF_c = m_f · r_c · ω² · z / (|D_p − D_f|/2)

    Parameters
    ----------
    finger_mass : m_f, mass of all fingers [kg]
    finger_centroid_radius : r_c, radius of their centroid [m]
    finger_offset : z, their centroid off the plane of the pivots, plus where it presses the plate [m]
    clutch_speed : ω, speed of the clutch [rad/s]
    plate_seat_diameter : D_p, where the ring presses the plate [m]
    fulcrum_diameter : D_f, where the ring rests in the cover [m]

    Returns
    -------
    ΔF_c, centrifugal part of the clamp load [N]

    Range: D_p and D_f apart.
    Source: [definition: moment of the centrifugal force about the fulcrum].

    >>> round(centrifugal_clamp(0.25, 0.055, 0.002, 733.04, 0.215, 0.185))
    985
    """
    arm = np.abs(plate_seat_diameter - fulcrum_diameter) / 2
    ok = positive("plate_seat_diameter", arm)
    return plain(finger_mass * finger_centroid_radius * clutch_speed**2 * finger_offset / arm * ok)
