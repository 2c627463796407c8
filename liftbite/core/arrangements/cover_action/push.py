"""A pushed cover: the fulcrum ring lies inside the plate seat, and the bearing pushes the fingers to the flywheel.

As the discs wear, the finger tips come back towards the gearbox and push the bearing home: its reserve ends the life.

`finger_way`, `lever_arm`, `levered_fulcrum_diameter`, `bearing_wear`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive


def finger_way() -> float:
    """Which way the finger tips go as the discs wear: to the gearbox.

    s_f = +1

    Returns
    -------
    s_f, way of the finger tips with wear, plus to the gearbox [-]

    Range: holds for every push cover.
    Source: [geometry: lever with its fulcrum between load and bearing].
    """
    return 1.0


def levered_fulcrum_diameter(lever_ratio: Values, plate_seat_diameter: Values, finger_tip_diameter: Values) -> Values:
    """Fulcrum that gives a lever ratio, inside the plate seat.

    D_f = (R_d·D_p + D_t) / (R_d + 1)

    Parameters
    ----------
    lever_ratio : R_d, lever ratio of the cover [-]
    plate_seat_diameter : D_p, where the ring presses the plate [m]
    finger_tip_diameter : D_t, where the bearing touches the fingers [m]

    Returns
    -------
    D_f, fulcrum that gives the lever ratio [m]

    Range: R_d above 0; D_t below D_p, the fulcrum between them.
    Source: [geometry: R_d = (D_f − D_t)/(D_p − D_f), turned round].

    >>> round(levered_fulcrum_diameter(4.5, 0.215, 0.05), 3)
    0.185
    """
    return plain((lever_ratio * plate_seat_diameter + finger_tip_diameter) / (lever_ratio + 1))


def bearing_wear(bearing_reserve: Values, release_lever_ratio: Values) -> Values:
    """Wear of the discs that pushes the bearing home.

    w_b = r / R_d

    Parameters
    ----------
    bearing_reserve : r, how far the bearing can be pushed back before it bottoms [m]
    release_lever_ratio : R_d, bearing travel per plate travel [-]

    Returns
    -------
    w_b, wear at which the bearing bottoms [m]

    Range: R_d above 0.
    Source: [geometry: lever].

    >>> round(bearing_wear(0.009, 4.5), 4)
    0.002
    """
    return plain(bearing_reserve / release_lever_ratio * positive("release_lever_ratio", release_lever_ratio))


def lever_arm(plate_seat_diameter: Values, fulcrum_diameter: Values) -> Values:
    """Diameter between plate seat and fulcrum, over which the ring is levered.

    a = D_p − D_f

    Parameters
    ----------
    plate_seat_diameter : D_p, where the ring presses the plate [m]
    fulcrum_diameter : D_f, where the ring rests in the cover [m]

    Returns
    -------
    a, lever arm of the ring, as a diameter [m]

    Range: D_f below D_p; the other way round is no push cover.
    Source: [geometry: lever].

    >>> round(lever_arm(0.215, 0.185), 3)
    0.03
    """
    ok = within(
        np.less(fulcrum_diameter, plate_seat_diameter),
        "fulcrum_diameter",
        fulcrum_diameter,
        "below",
        plate_seat_diameter,
        "plate_seat_diameter",
    )
    return (plate_seat_diameter - fulcrum_diameter) * ok
