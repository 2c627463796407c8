"""A pulled cover: the fulcrum ring lies outside the plate seat, and the bearing pulls the fingers to the gearbox.

As the discs wear, the finger tips go on towards the engine and away from the gearbox: no reserve is used up.

`finger_way`, `lever_arm`, `levered_fulcrum_diameter`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within


def finger_way() -> float:
    """Which way the finger tips go as the discs wear: to the engine.

    s_f = −1

    Returns
    -------
    s_f, way of the finger tips with wear, plus to the gearbox [-]

    Range: holds for every pull cover.
    Source: [geometry: lever with its load between fulcrum and bearing].
    """
    return -1.0


def levered_fulcrum_diameter(lever_ratio: Values, plate_seat_diameter: Values, finger_tip_diameter: Values) -> Values:
    """Fulcrum that gives a lever ratio, outside the plate seat.

    D_f = (R_d·D_p − D_t) / (R_d − 1)

    Parameters
    ----------
    lever_ratio : R_d, lever ratio of the cover [-]
    plate_seat_diameter : D_p, where the ring presses the plate [m]
    finger_tip_diameter : D_t, where the bearing touches the fingers [m]

    Returns
    -------
    D_f, fulcrum that gives the lever ratio [m]

    Range: R_d above 1.
    Source: [geometry: R_d = (D_f − D_t)/(D_f − D_p), turned round].

    >>> round(levered_fulcrum_diameter(5.5, 0.185, 0.05), 3)
    0.215
    """
    return plain((lever_ratio * plate_seat_diameter - finger_tip_diameter) / (lever_ratio - 1))


def lever_arm(plate_seat_diameter: Values, fulcrum_diameter: Values) -> Values:
    """Diameter between plate seat and fulcrum, over which the ring is levered.

    a = D_f − D_p

    Parameters
    ----------
    plate_seat_diameter : D_p, where the ring presses the plate [m]
    fulcrum_diameter : D_f, where the ring rests in the cover [m]

    Returns
    -------
    a, lever arm of the ring, as a diameter [m]

    Range: D_f above D_p; the other way round is no pull cover.
    Source: [geometry: lever].

    >>> round(lever_arm(0.185, 0.215), 3)
    0.03
    """
    ok = within(
        np.greater(fulcrum_diameter, plate_seat_diameter),
        "fulcrum_diameter",
        fulcrum_diameter,
        "above",
        plate_seat_diameter,
        "plate_seat_diameter",
    )
    return (fulcrum_diameter - plate_seat_diameter) * ok
