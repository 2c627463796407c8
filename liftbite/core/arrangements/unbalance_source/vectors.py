"""The residual unbalance as the vector sum of what the parts bring."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.guards import same_length
from liftbite.core.quantities.torque_curve import Array


def residual_unbalance(unbalance_amounts: Array, unbalance_angles: Array) -> float:
    """Unbalance left when several parts bring theirs, each at its angle.

    U = |Σ U_i · e^(jφ_i)|

    Parameters
    ----------
    unbalance_amounts : U_i, unbalance of each part [kg·m]
    unbalance_angles : φ_i, where each points, clockwise seen from the gearbox side [rad]

    Returns
    -------
    U, residual unbalance there is [kg·m]

    Range: as many angles as contributions.
    Source: [geometry: unbalances add as vectors].

    >>> round(residual_unbalance(np.array([3e-6, 4e-6]), np.array([0.0, np.pi / 2])) * 1e6, 9)
    5.0
    """
    same_length("unbalance_angles", unbalance_angles, "unbalance_amounts", unbalance_amounts)
    return float(abs(np.sum(np.asarray(unbalance_amounts) * np.exp(1j * np.asarray(unbalance_angles)))))
