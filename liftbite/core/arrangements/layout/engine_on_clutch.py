"""A car: crank, flywheel and cover turn with the clutch."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def engine_inertia(crank_inertia: Values, flywheel_inertia: Values, cover_inertia: Values) -> Values:
    """Inertia on the engine side of the clutch.

    I_e = I_c + I_w + I_p

    Parameters
    ----------
    crank_inertia : I_c, inertia of the crankshaft with its damper [kg·m²]
    flywheel_inertia : I_w, inertia of the flywheel [kg·m²]
    cover_inertia : I_p, inertia of cover and pressure plate [kg·m²]

    Returns
    -------
    I_e, inertia on the engine side, at the clutch shaft [kg·m²]

    Range: all three 0 or more; all on one shaft at crank speed.
    Source: [definition: they turn together].

    >>> round(engine_inertia(0.05, 0.12, 0.05), 3)
    0.22
    """
    return crank_inertia + flywheel_inertia + cover_inertia
