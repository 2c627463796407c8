"""A motorcycle: the crank turns faster than the clutch, so its inertia counts by the ratio squared."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def engine_inertia(crank_inertia: Values, basket_inertia: Values, primary_ratio: Values) -> Values:
    """Inertia on the engine side, at the clutch shaft.

    I_e = i_p² · I_c + I_b

    Parameters
    ----------
    crank_inertia : I_c, inertia of the crankshaft with its flywheel [kg·m²]
    basket_inertia : I_b, inertia of basket and friction plates [kg·m²]
    primary_ratio : i_p, primary reduction [-]

    Returns
    -------
    I_e, inertia on the engine side, at the clutch shaft [kg·m²]

    Range: all three 0 or more, i_p above 0; at clutch speed.
    Source: [definition: equal kinetic energy].

    >>> round(engine_inertia(0.01, 0.01, 1.75), 5)
    0.04063
    """
    return primary_ratio**2 * crank_inertia + basket_inertia
