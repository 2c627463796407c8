"""The disc's own strength: its damper, and the speed a missed shift spins it to.

`damper_margin`, `disc_speed_missed_shift`, `disc_speed_margin`. A car's: a wet pack has none of it.
"""

from __future__ import annotations

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def damper_margin(damper_stop_torque: Values, torque_at_clutch: Values) -> Values:
    """Stop torque of the damper over the engine torque with a fifth in reserve.

    m_damper = T_stop / (1.2 · T_c)

    Parameters
    ----------
    damper_stop_torque : T_stop, torque at which the damper meets its stops [N·m]
    torque_at_clutch : T_c, largest engine torque at the clutch [N·m]

    Returns
    -------
    m_damper, damper margin [-]

    Range: T_c above 0.
    Source: [memory: a fifth above peak torque].

    >>> damper_margin(600.0, 400.0)
    1.25
    """
    return damper_stop_torque / (1.2 * torque_at_clutch)


def disc_speed_missed_shift(redline: Values, gear_ratio_from: Values, gear_ratio_into: Values) -> Values:
    """Speed of the disc, pedal down, after the worst gear is selected by mistake.

    ω_disc = ω_red · i_into/i_from

    Parameters
    ----------
    redline : ω_red, highest engine speed [rad/s]
    gear_ratio_from : i_from, ratio of the gear that is left at the redline [-]
    gear_ratio_into : i_into, ratio of the lowest gear that can be selected by mistake [-]

    Returns
    -------
    ω_disc, disc speed after a missed shift [rad/s]

    Range: i_from and i_into above 0; no slip of the tyres.
    Source: [geometry: the disc turns at road speed times gear].

    >>> round(disc_speed_missed_shift(7000.0, 1.35, 3.40))
    17630
    """
    return redline * gear_ratio_into / gear_ratio_from * positive("gear_ratio_from", gear_ratio_from)


def disc_speed_margin(disc_burst_speed: Values, disc_speed_missed_shift: Values) -> Values:
    """Speed the disc stands over the speed of a missed shift.

    m_disc = ω_burst / ω_disc

    Parameters
    ----------
    disc_burst_speed : ω_burst, speed the disc is proved to [rad/s]
    disc_speed_missed_shift : ω_disc, disc speed after a missed shift [rad/s]

    Returns
    -------
    m_disc, speed margin of the disc [-]

    Range: ω_disc above 0.
    Source: [definition: limit over value].

    >>> disc_speed_margin(1500.0, 1000.0)
    1.5
    """
    return disc_burst_speed / disc_speed_missed_shift
