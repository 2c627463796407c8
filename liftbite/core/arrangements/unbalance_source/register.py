"""The residual unbalance from how far the assembly sits off its register."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def residual_unbalance(rotating_mass: Values, register_offset: Values) -> Values:
    """Unbalance of an assembly that sits off its register.

    U = m · e

    Parameters
    ----------
    rotating_mass : m, mass balanced together [kg]
    register_offset : e, how far it sits off its register [m]

    Returns
    -------
    U, residual unbalance there is [kg·m]

    Range: m above 0, e 0 or more; what the register's play alone brings.
    Source: [definition: mass times offset].

    >>> round(residual_unbalance(10.0, 0.02e-3) * 1e6)
    200
    """
    return rotating_mass * register_offset
