"""Both sides of every disc carry the same facing."""

from __future__ import annotations

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def friction_torque(
    effective_faces: Values, friction_coefficient: Values, clamp_load: Values, effective_radius: Values
) -> Values:
    """Torque the friction faces carry before they slip.

    T_f = N_eff · μ · F · r_e

    Parameters
    ----------
    effective_faces : N_eff, interfaces at full clamp [-]
    friction_coefficient : μ, coefficient of friction of the facing [-]
    clamp_load : F, force that presses the stack together [N]
    effective_radius : r_e, radius at which friction acts [m]

    Returns
    -------
    T_f, torque of the friction faces [N·m]

    Range: F above 0.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-5].

    >>> friction_torque(2.0, 0.25, 8000.0, 0.125)
    500.0
    """
    return effective_faces * friction_coefficient * clamp_load * effective_radius * positive("clamp_load", clamp_load)


def facing_area_total(facing_area: Values, friction_faces: Values) -> Values:
    """Area of all friction faces together, which is what heat and wear spread over.

    A_total = N · A

    Parameters
    ----------
    facing_area : A, area of one face [m²]
    friction_faces : N, friction interfaces in the stack [-]

    Returns
    -------
    A_total, area of all faces [m²]

    Range: A above 0, N two or more.
    Source: [geometry: sum over faces].

    >>> facing_area_total(0.02, 2)
    0.04
    """
    return facing_area * friction_faces


def heated_area(facing_area_total: Values) -> Values:
    """Area the heat of a start spreads over.

    A_heat = A_total

    Parameters
    ----------
    facing_area_total : A_total, area of all faces [m²]

    Returns
    -------
    A_heat, area the heat of the whole clutch spreads over, as these faces see it [m²]

    Range: faces alike, which share the heat alike.
    Source: [definition: sum over faces].

    >>> heated_area(0.04)
    0.04
    """
    return facing_area_total


def plate_heat_share(heat_share: Values) -> Values:
    """Share of the heat that the hottest plate takes.

    a_p = a_h

    Parameters
    ----------
    heat_share : a_h, share of the heat the hottest plate takes where all faces are alike [-]

    Returns
    -------
    a_p, share of the heat the hottest plate takes [-]

    Range: faces alike.
    Source: [definition: each plate takes what its faces get].

    >>> plate_heat_share(0.5)
    0.5
    """
    return heat_share


def wear_per_start(wear_rate: Values, slip_energy: Values, facing_area: Values) -> Values:
    """Thickness all discs together lose in one start.

    w_1 = k_w · E / A

    Parameters
    ----------
    wear_rate : k_w, facing volume worn per heat [m³/J]
    slip_energy : E, heat of one start [J]
    facing_area : A, area of one face [m²]

    Returns
    -------
    w_1, wear of the stack per start [m]

    Range: A above 0; a facing within its temperatures.
    Source: [memory: wear rates by material].

    >>> round(wear_per_start(5e-14, 30e3, 0.025) * 1e9, 1)
    60.0
    """
    return wear_rate * slip_energy / facing_area


def wear_evenness() -> Values:
    """How much of its depth the less worn side has used when the other is done.

    ε = 1

    Returns
    -------
    ε, mean wear of both sides over that of the side that wears more [-]

    Range: both sides alike.
    Source: [definition: alike sides wear alike].

    >>> wear_evenness()
    1.0
    """
    return 1.0


def stack_sustained(sustained_temperature: Values) -> Values:
    """Temperature the facing stands for long, of a stack whose faces are alike.

    ϑ_s_st = ϑ_s

    Parameters
    ----------
    sustained_temperature : ϑ_s, temperature the facing stands for long [K]

    Returns
    -------
    ϑ_s_st, temperature the facing stands for long, of the whole stack [K]

    Range: both sides alike.
    Source: [definition: one facing].

    >>> stack_sustained(473.15)
    473.15
    """
    return sustained_temperature


def stack_brief(brief_temperature: Values) -> Values:
    """Temperature it stands for moments, of a stack whose faces are alike.

    ϑ_b_st = ϑ_b

    Parameters
    ----------
    brief_temperature : ϑ_b, temperature it stands for moments [K]

    Returns
    -------
    ϑ_b_st, temperature it stands for moments, of the whole stack [K]

    Range: both sides alike.
    Source: [definition: one facing].

    >>> stack_brief(473.15)
    473.15
    """
    return brief_temperature


def stack_fade(fade_share: Values) -> Values:
    """Share of the friction left at the brief limit, of a stack whose faces are alike.

    f_fade_st = f_fade

    Parameters
    ----------
    fade_share : f_fade, share of the friction left at the brief limit [-]

    Returns
    -------
    f_fade_st, share of the friction left at the brief limit, of the whole stack [-]

    Range: both sides alike.
    Source: [definition: one facing].

    >>> stack_fade(0.6)
    0.6
    """
    return fade_share


def first_side_heat() -> float:
    """Share of the heat that the flywheel's sides of the discs make: half of it, as they are alike.

    a_1 = 1/2

    Returns
    -------
    a_1, share of the heat the flywheel's sides of all discs make [-]

    Range: both sides alike.
    Source: [definition: alike faces share the heat alike].

    >>> first_side_heat()
    0.5
    """
    return 0.5
