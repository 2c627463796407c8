"""Alignment: how far housing and flywheel face run out, against what is allowed. Readings of the bench.

- bell housing   `housing_bore_margin`, `housing_face_margin`
- flywheel       `flywheel_face_margin`

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
