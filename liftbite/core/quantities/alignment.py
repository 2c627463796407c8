"""Alignment: how far housing and flywheel face run out, against what is allowed. Readings of the bench.

- bell housing   `housing_bore_margin`, `housing_face_margin`
- flywheel       `flywheel_face_margin`
- input shaft    `pilot_margin`, `pilot_room_margin`

Runouts are total indicator readings, as swept from the crank.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain

#: Below a micrometre a face runs true as far as any dial can tell [m].
LEAST = 1e-6


def housing_bore_margin(housing_bore_limit: Values, housing_bore_runout: Values) -> Values:
    """Runout allowed over runout there is, of the bell housing's bore round the crank.

    m_bore = t_bore / r_bore

    Parameters
    ----------
    housing_bore_limit : t_bore, runout allowed, total indicator reading [m]
    housing_bore_runout : r_bore, runout swept from the crank, total indicator reading [m]

    Returns
    -------
    m_bore, margin of the housing's bore [-]

    Range: both above 0; a runout of 0 leaves a reserve without end.
    Source: [practice: 0.005 in, read as total indicator reading; a bore off centre wears input shaft and hub].

    >>> round(housing_bore_margin(0.127e-3, 0.33e-3), 3)
    0.385
    """
    return plain(housing_bore_limit / np.maximum(housing_bore_runout, LEAST))


def housing_face_margin(housing_face_limit: Values, housing_face_runout: Values) -> Values:
    """Runout allowed over runout there is, of the face the gearbox is bolted to.

    m_face = t_face / r_face

    Parameters
    ----------
    housing_face_limit : t_face, runout allowed across the bore circle, total indicator reading [m]
    housing_face_runout : r_face, runout swept from the crank, total indicator reading [m]

    Returns
    -------
    m_face, margin of the housing's face [-]

    Range: both above 0; a runout of 0 leaves a reserve without end.
    Source: [practice: 0.005 in across the bore circle].

    >>> housing_face_margin(0.127e-3, 0.0635e-3)
    2.0
    """
    return plain(housing_face_limit / np.maximum(housing_face_runout, LEAST))


def flywheel_face_margin(flywheel_face_limit: Values, flywheel_face_runout: Values) -> Values:
    """Runout allowed over runout there is, of the flywheel's friction face.

    m_fw = t_fw / r_fw

    Parameters
    ----------
    flywheel_face_limit : t_fw, runout allowed at the rim, total indicator reading [m]
    flywheel_face_runout : r_fw, runout at the rim, total indicator reading [m]

    Returns
    -------
    m_fw, margin of the flywheel's face [-]

    Range: both above 0; a runout of 0 leaves a reserve without end.
    Source: [practice: 0.005 in at the rim].

    >>> flywheel_face_margin(0.127e-3, 0.254e-3)
    0.5
    """
    return plain(flywheel_face_limit / np.maximum(flywheel_face_runout, LEAST))


def pilot_margin(pilot_engagement: Values, pilot_length: Values) -> Values:
    """How much of its pilot bearing the input shaft runs in.

    m_p = e_p / l_p

    Parameters
    ----------
    pilot_engagement : e_p, how deep the shaft enters the pilot, below 0 where it does not reach it [m]
    pilot_length : l_p, length of the pilot bearing [m]

    Returns
    -------
    m_p, share of the pilot that carries the shaft [-]

    Range: l_p above 0; 1 and more where the shaft passes the whole pilot.
    Source: [practice: the sum of the depths, both ends checked].

    >>> pilot_margin(0.012, 0.016)
    0.75
    """
    return plain(pilot_engagement / pilot_length)


def pilot_room_margin(pilot_room: Values, pilot_engagement: Values) -> Values:
    """Room for the shaft's nose over how deep it goes.

    m_r = h_p / e_p

    Parameters
    ----------
    pilot_room : h_p, from the pilot's near edge to the bottom of the bore [m]
    pilot_engagement : e_p, how deep the shaft enters [m]

    Returns
    -------
    m_r, room over depth [-]

    Range: below 1 the nose meets the bottom before the gearbox meets the housing.
    Source: [practice: the sum of the depths, both ends checked].

    >>> pilot_room_margin(0.026, 0.013)
    2.0
    """
    return plain(pilot_room / np.maximum(pilot_engagement, LEAST))
