"""True: balance of what is balanced together.

In the order in which it is used: `permissible_unbalance`, `balance_margin`, `gross_balance_margin`,
`unbalance_force`.

`residual_unbalance` comes from an arrangement, or is an input. Amounts [kg·m], angles [rad] clockwise seen from the
gearbox side.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def permissible_unbalance(balance_grade: Values, rotating_mass: Values, redline: Values) -> Values:
    """Residual unbalance the grade allows.

    U_per = G · m / ω_red

    Parameters
    ----------
    balance_grade : G, quality grade as a speed [m/s of G]
    rotating_mass : m, mass balanced together [kg]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    U_per, residual unbalance allowed [kg·m]

    Range: G, m and ω_red above 0; a rigid rotor.
    Source: [memory: ISO 21940-11:2016; U[g·mm] = 9549·G[mm/s]·m[kg]/n[rpm]].

    >>> round(permissible_unbalance(0.0063, 10.0, 733.04) * 1e6, 1)
    85.9
    """
    return balance_grade * rotating_mass / redline * positive("redline", redline)


def balance_margin(permissible_unbalance: Values, residual_unbalance: Values) -> Values:
    """Unbalance allowed over unbalance there is.

    m_bal = U_per / U

    Parameters
    ----------
    permissible_unbalance : U_per, residual unbalance allowed [kg·m]
    residual_unbalance : U, residual unbalance there is [kg·m]

    Returns
    -------
    m_bal, balance margin [-]

    Range: U above 0.
    Source: [definition: limit over value].

    >>> balance_margin(86e-6, 43e-6)
    2.0
    """
    return plain(permissible_unbalance / np.maximum(residual_unbalance, 1e-12))


def gross_balance_margin(rotating_mass: Values, redline: Values, residual_unbalance: Values) -> Values:
    """Unbalance at grade G 40 over unbalance there is; below 1 it shakes apart what it is bolted to.

    m_40 = 0.040 m/s · m / (ω_red · U)

    Parameters
    ----------
    rotating_mass : m, mass balanced together [kg]
    redline : ω_red, highest engine speed [rad/s]
    residual_unbalance : U, residual unbalance there is [kg·m]

    Returns
    -------
    m_40, margin to grade G 40 [-]

    Range: m and ω_red above 0; a rigid rotor.
    Source: [practice: G 40, the grade of crank drives of rough engines, as the end of what is run].

    >>> round(gross_balance_margin(10.0, 733.04, 200e-6), 2)
    2.73
    """
    return plain(0.040 * rotating_mass / redline / np.maximum(residual_unbalance, 1e-12))


def unbalance_force(residual_unbalance: Values, redline: Values) -> Values:
    """Force with which the unbalance turns round the crank at the redline.

    F_U = U · ω_red²

    Parameters
    ----------
    residual_unbalance : U, residual unbalance there is [kg·m]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    F_U, force of the unbalance [N]

    Range: U 0 or more; a rigid rotor.
    Source: [definition: centrifugal force].

    >>> round(unbalance_force(0.015842, 628.3185))
    6254
    """
    return residual_unbalance * redline**2
