"""The two sides of every disc differ: in facing, radii or how much of the ring is faced.

The flywheel's side goes by the plain names, the pressure plate's by those with `other_` before them. Heat is shared as
the friction torque is: in proportion to friction and radius.

`other_effective_radius`, `friction_torque`, `heat_split`, `heated_area`, `other_heated_area`, `plate_heat_share`,
`facing_area_total`, `wear_evenness`, `wear_per_start`, `first_side_heat`, `stack_sustained`, `stack_brief`,
`stack_fade`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive


def other_effective_radius(
    effective_radius: Values,
    outer_diameter: Values,
    inner_diameter: Values,
    other_outer_diameter: Values,
    other_inner_diameter: Values,
) -> Values:
    """Radius at which friction acts on the pressure plate's side.

    r_2 = r_1 · (D_o2 + D_i2)/(D_o + D_i)

    Parameters
    ----------
    effective_radius : r_1, radius at which friction acts [m]
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]
    other_outer_diameter : D_o2, outer diameter of the other facing [m]
    other_inner_diameter : D_i2, inner diameter of the other facing [m]

    Returns
    -------
    r_2, radius at which friction acts on the other side [m]

    Range: D_i2 below D_o2; exact for uniform wear, within a percent for the other models.
    Source: [geometry: the mean radius of either ring].

    >>> round(other_effective_radius(0.1, 0.24, 0.16, 0.25, 0.17), 4)
    0.105
    """
    ok = within(
        np.less(other_inner_diameter, other_outer_diameter),
        "other_inner_diameter",
        other_inner_diameter,
        "below",
        other_outer_diameter,
        "other_outer_diameter",
    )
    scale = (other_outer_diameter + other_inner_diameter) / (outer_diameter + inner_diameter)
    return effective_radius * scale * ok


def friction_torque(
    effective_faces: Values,
    friction_coefficient: Values,
    effective_radius: Values,
    other_friction_coefficient: Values,
    other_effective_radius: Values,
    clamp_load: Values,
) -> Values:
    """Torque the friction faces carry before they slip, the sum over both kinds.

    T_f = F · N_eff/2 · (μ_1·r_1 + μ_2·r_2)

    Parameters
    ----------
    effective_faces : N_eff, interfaces at full clamp [-]
    friction_coefficient : μ_1, coefficient of friction of the facing [-]
    effective_radius : r_1, radius at which friction acts [m]
    other_friction_coefficient : μ_2, coefficient of friction of the other facing [-]
    other_effective_radius : r_2, radius at which friction acts on the other side [m]
    clamp_load : F, force that presses the stack together [N]

    Returns
    -------
    T_f, torque of the friction faces [N·m]

    Range: F above 0; as many faces of one kind as of the other.
    Source: [definition: sum over the faces of one stack, which carry one clamp].

    >>> round(friction_torque(2.0, 0.25, 0.100, 0.30, 0.105, 8000.0))
    452
    """
    both = friction_coefficient * effective_radius + other_friction_coefficient * other_effective_radius
    return clamp_load * effective_faces / 2 * both * positive("clamp_load", clamp_load)


def heat_split(
    friction_coefficient: Values,
    effective_radius: Values,
    other_friction_coefficient: Values,
    other_effective_radius: Values,
) -> Values:
    """Share of the heat that the flywheel's side of a disc makes.

    a_1 = μ_1·r_1 / (μ_1·r_1 + μ_2·r_2)

    Parameters
    ----------
    friction_coefficient : μ_1, coefficient of friction of the facing [-]
    effective_radius : r_1, radius at which friction acts [m]
    other_friction_coefficient : μ_2, coefficient of friction of the other facing [-]
    other_effective_radius : r_2, radius at which friction acts on the other side [m]

    Returns
    -------
    a_1, share of the heat the first side makes [-]

    Range: friction and radii above 0.
    Source: [definition: both sides slip alike, so heat goes as torque].

    >>> round(heat_split(0.25, 0.100, 0.30, 0.105), 4)
    0.4425
    """
    first = friction_coefficient * effective_radius
    return first / (first + other_friction_coefficient * other_effective_radius)


def heated_area(friction_faces: Values, facing_area: Values, heat_split: Values) -> Values:
    """Area the whole heat would spread over if every face were as hot as the flywheel's side.

    A_heat = N/2 · A_1/a_1

    Parameters
    ----------
    friction_faces : N, friction interfaces in the stack [-]
    facing_area : A_1, area of one face [m²]
    heat_split : a_1, share of the heat the first side makes [-]

    Returns
    -------
    A_heat, area the heat of the whole clutch spreads over, as these faces see it [m²]

    Range: N two or more.
    Source: [definition: half of the faces take a_1 of the heat].

    >>> heated_area(2.0, 0.02, 0.5)
    0.04
    """
    return friction_faces / 2 * facing_area / heat_split


def other_heated_area(friction_faces: Values, other_facing_area: Values, heat_split: Values) -> Values:
    """Area the whole heat would spread over if every face were as hot as the pressure plate's side.

    A_heat2 = N/2 · A_2/(1 − a_1)

    Parameters
    ----------
    friction_faces : N, friction interfaces in the stack [-]
    other_facing_area : A_2, area of one face of the other side [m²]
    heat_split : a_1, share of the heat the first side makes [-]

    Returns
    -------
    A_heat2, area the heat of the whole clutch spreads over, as the other faces see it [m²]

    Range: N two or more.
    Source: [definition: half of the faces take the rest of the heat].

    >>> other_heated_area(2.0, 0.02, 0.5)
    0.04
    """
    return friction_faces / 2 * other_facing_area / (1 - heat_split)


def plate_heat_share(heat_share: Values, heat_split: Values, disc_count: Values) -> Values:
    """Share of the heat that the hottest plate takes.

    a_p = 2·a_h·(1 − a_1) for one disc, a_h for several, whose floater has a face of either kind

    Parameters
    ----------
    heat_share : a_h, share of the heat the hottest plate takes where all faces are alike [-]
    heat_split : a_1, share of the heat the first side makes [-]
    disc_count : n_discs, discs in the clutch [count]

    Returns
    -------
    a_p, share of the heat the hottest plate takes [-]

    Range: one disc to three; the pressure plate is the hottest of one disc.
    Source: [definition: each plate takes what its faces get].

    >>> plate_heat_share(0.5, 0.45, 1.0), plate_heat_share(0.5, 0.45, 2.0)
    (0.55, 0.5)
    """
    return plain(heat_share * np.where(np.greater(disc_count, 1), 1.0, 2 * (1 - heat_split)))


def facing_area_total(friction_faces: Values, facing_area: Values, other_facing_area: Values) -> Values:
    """Area of all friction faces together.

    A_total = N/2 · (A_1 + A_2)

    Parameters
    ----------
    friction_faces : N, friction interfaces in the stack [-]
    facing_area : A_1, area of one face [m²]
    other_facing_area : A_2, area of one face of the other side [m²]

    Returns
    -------
    A_total, area of all faces [m²]

    Range: N two or more.
    Source: [geometry: sum over faces].

    >>> round(facing_area_total(2.0, 0.02, 0.01), 3)
    0.03
    """
    return friction_faces / 2 * (facing_area + other_facing_area)


def wear_evenness(
    wear_rate: Values,
    other_wear_rate: Values,
    heat_split: Values,
    facing_area: Values,
    other_facing_area: Values,
) -> Values:
    """How much of the depth of both sides is used when the side that wears more is done.

    ε = (t_1 + t_2)/(2·max(t_1, t_2)), t_1 = k_w1·a_1/A_1, t_2 = k_w2·(1 − a_1)/A_2

    Parameters
    ----------
    wear_rate : k_w1, facing volume worn per heat [m³/J]
    other_wear_rate : k_w2, volume of the other facing worn per heat [m³/J]
    heat_split : a_1, share of the heat the first side makes [-]
    facing_area : A_1, area of one face [m²]
    other_facing_area : A_2, area of one face of the other side [m²]

    Returns
    -------
    ε, mean wear of both sides over that of the side that wears more [-]

    Range: 0.5 to 1; as much depth on either side.
    Source: [definition: each side wears by its own share of the heat].

    >>> wear_evenness(3e-14, 3e-14, 0.5, 0.02, 0.02), wear_evenness(4e-14, 2e-14, 0.5, 0.02, 0.02)
    (1.0, 0.75)
    """
    first, second = wear_rate * heat_split / facing_area, other_wear_rate * (1 - heat_split) / other_facing_area
    return plain((first + second) / (2 * np.maximum(first, second)))


def wear_per_start(
    wear_rate: Values,
    other_wear_rate: Values,
    heat_split: Values,
    slip_energy: Values,
    facing_area: Values,
    other_facing_area: Values,
) -> Values:
    """Thickness all discs together lose in one start, both sides.

    w_1 = E · (k_w1·a_1/A_1 + k_w2·(1 − a_1)/A_2)

    Parameters
    ----------
    wear_rate : k_w1, facing volume worn per heat [m³/J]
    other_wear_rate : k_w2, volume of the other facing worn per heat [m³/J]
    heat_split : a_1, share of the heat the first side makes [-]
    slip_energy : E, heat of one start [J]
    facing_area : A_1, area of one face [m²]
    other_facing_area : A_2, area of one face of the other side [m²]

    Returns
    -------
    w_1, wear of the stack per start [m]

    Range: areas above 0; facings within their temperatures.
    Source: [definition: worn volume of a face is its wear rate times its share of the heat].

    >>> round(wear_per_start(5e-14, 5e-14, 0.5, 30e3, 0.025, 0.025) * 1e9, 1)
    60.0
    """
    first, second = wear_rate * heat_split / facing_area, other_wear_rate * (1 - heat_split) / other_facing_area
    return slip_energy * (first + second)


def stack_sustained(sustained_temperature: Values, other_sustained_temperature: Values) -> Values:
    """Temperature the facing stands for long: of a stack, the lower of its two facings.

    ϑ_s_st = min(ϑ_s1, ϑ_s2)

    Parameters
    ----------
    sustained_temperature : ϑ_s1, temperature the facing stands for long [K]
    other_sustained_temperature : ϑ_s2, the other side's [K]

    Returns
    -------
    ϑ_s_st, temperature the facing stands for long, of the whole stack [K]

    Range: a start fades a stack by the side that fades first, which is the cautious way.
    Source: [practice: the weaker side decides].

    >>> stack_sustained(473.15, 673.15)
    473.15
    """
    return plain(np.minimum(sustained_temperature, other_sustained_temperature))


def stack_brief(brief_temperature: Values, other_brief_temperature: Values) -> Values:
    """Temperature it stands for moments: of a stack, the lower of its two facings.

    ϑ_b_st = min(ϑ_b1, ϑ_b2)

    Parameters
    ----------
    brief_temperature : ϑ_b1, temperature it stands for moments [K]
    other_brief_temperature : ϑ_b2, the other side's [K]

    Returns
    -------
    ϑ_b_st, temperature it stands for moments, of the whole stack [K]

    Range: a start fades a stack by the side that fades first, which is the cautious way.
    Source: [practice: the weaker side decides].

    >>> stack_brief(573.15, 873.15)
    573.15
    """
    return plain(np.minimum(brief_temperature, other_brief_temperature))


def stack_fade(fade_share: Values, other_fade_share: Values) -> Values:
    """Share of the friction left at the brief limit: of a stack, the lower of its two facings.

    f_fade_st = min(f_fade1, f_fade2)

    Parameters
    ----------
    fade_share : f_fade1, share of the friction left at the brief limit [-]
    other_fade_share : f_fade2, the other side's [-]

    Returns
    -------
    f_fade_st, share of the friction left at the brief limit, of the whole stack [-]

    Range: a start fades a stack by the side that fades first, which is the cautious way.
    Source: [practice: the weaker side decides].

    >>> stack_fade(0.6, 0.7)
    0.6
    """
    return plain(np.minimum(fade_share, other_fade_share))


def first_side_heat(heat_split: Values) -> Values:
    """Share of the heat that the flywheel's sides of the discs make.

    a_1 = a_1 of a disc

    Parameters
    ----------
    heat_split : a_1, share of the heat the first side makes [-]

    Returns
    -------
    a_1, share of the heat the flywheel's sides of all discs make [-]

    Range: every disc the same way round.
    Source: [definition: discs alike].

    >>> first_side_heat(0.44)
    0.44
    """
    return heat_split
