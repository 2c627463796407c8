"""True: does the flywheel hold together? Its burst speed, and the stress it has at its bore.

In the order in which it is used:

- burst      `mean_hoop_stress`, `burst_speed`, `burst_margin`, `certified_margin`
- elastic    `overspeed`, `bore_stress`, `elastic_margin`, `yield_margin`
- rim        `rim_speed`

A car's: a motorcycle's clutch has no flywheel. `ring_gear_stress` comes from an arrangement.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive


def mean_hoop_stress(
    density: Values,
    flywheel_diameter: Values,
    flywheel_bore: Values,
    hole_width: Values,
    ring_gear_stress: Values,
    redline: Values,
) -> Values:
    """Hoop stress of the flywheel at the redline, averaged over its section: what a ductile disc bursts by.

    σ_m = ρ·ω_red²·(r_o³ − r_i³)/(3·(r_o − r_i)) · (r_o − r_i)/(r_o − r_i − w_h) + σ_g

    Parameters
    ----------
    density : ρ, density of the flywheel [kg/m³]
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    flywheel_bore : d_w, bore of the flywheel [m]
    hole_width : w_h, width of the holes that lie on one radius, together [m]
    ring_gear_stress : σ_g, hoop stress that the ring gear adds at the redline [Pa]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    σ_m, mean hoop stress at the redline [Pa]

    Range: d_w above 0 and below D_w, w_h below the width of the ring; a plate of even thickness, r = D/2.
    Source: [handbook: mean-stress burst criterion, from memory; the integral of ρω²r² over the section, halved].

    >>> round(mean_hoop_stress(7200.0, 0.28, 0.04, 0.0, 0.0, 680.68) / 1e6, 1)
    25.4
    """
    ok = positive("flywheel_bore", flywheel_bore) * within(
        np.less(flywheel_bore, flywheel_diameter),
        "flywheel_bore",
        flywheel_bore,
        "below",
        flywheel_diameter,
        "flywheel_diameter",
    )
    ro, ri = flywheel_diameter / 2, flywheel_bore / 2
    left = ro - ri - hole_width
    ok = ok * within(np.greater(left, 0), "hole_width", hole_width, "below", ro - ri)
    return density * redline**2 * (ro**3 - ri**3) / 3 / left * ok + ring_gear_stress


def burst_speed(
    flywheel_tensile: Values, flywheel_strength: Values, burst_share: Values, mean_hoop_stress: Values, redline: Values
) -> Values:
    """Speed at which the flywheel bursts: its mean hoop stress reaches a share of its tensile strength.

    ω_b = ω_red · √(c_b · max(R_m, S) / σ_m)

    Parameters
    ----------
    flywheel_tensile : R_m, tensile strength of the flywheel [Pa]
    flywheel_strength : S, yield strength of the flywheel, or for grey iron its tensile strength [Pa]
    burst_share : c_b, share of the tensile strength at which a disc of this material bursts [-]
    mean_hoop_stress : σ_m, mean hoop stress at the redline [Pa]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    ω_b, burst speed of the flywheel [rad/s]

    Range: σ_m above 0; c_b 0.9 for ductile metal, 0.65 for grey iron; R_m below S is taken as S.
    Source: [handbook: mean-stress burst criterion, from memory; 0.65 by judgement, between mean and peak stress].

    >>> round(burst_speed(220e6, 220e6, 0.65, 25.4e6, 680.68) * 60 / 6.283185, -2)
    15400.0
    """
    return plain(redline * np.sqrt(burst_share * np.maximum(flywheel_tensile, flywheel_strength) / mean_hoop_stress))


def burst_margin(burst_speed: Values, redline: Values) -> Values:
    """Burst speed as a multiple of the redline: 2.0 and more is good, below 1.5 it is not to be run.

    m_burst = ω_b / ω_red

    Parameters
    ----------
    burst_speed : ω_b, burst speed of the flywheel [rad/s]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    m_burst, burst speed over redline [-]

    Range: ω_red above 0.
    Source: [handbook: burst speed against redline; 2.0 and 1.5 by judgement].

    >>> burst_margin(1600.0, 800.0)
    2.0
    """
    return burst_speed / redline * positive("redline", redline)


def certified_margin(certified_speed: Values, redline: Values) -> Values:
    """Speed the flywheel's maker certifies, as a multiple of the redline; it outranks what is worked out.

    m_cert = ω_cert / ω_red

    Parameters
    ----------
    certified_speed : ω_cert, speed the maker certifies [rad/s]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    m_cert, certified speed over redline [-]

    Range: ω_red above 0.
    Source: [definition: the maker's figure over the redline].

    >>> certified_margin(1000.0, 800.0)
    1.25
    """
    return certified_speed / redline * positive("redline", redline)


def overspeed(redline: Values) -> Values:
    """Speed at which the flywheel has to stay elastic.

    ω_over = 1.15 · ω_red

    Parameters
    ----------
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    ω_over, over-speed [rad/s]

    Range: ω_red above 0.
    Source: [practice: 15 % over the redline; a missed shift goes further].

    >>> overspeed(100.0)
    114.99999999999999
    """
    return 1.15 * redline


def bore_stress(
    density: Values,
    poisson_ratio: Values,
    flywheel_diameter: Values,
    flywheel_bore: Values,
    overspeed: Values,
    stress_concentration: Values,
) -> Values:
    """Elastic peak of the flywheel's stress, at its bore, at over-speed.

    σ = K_n · ρ·ω²·(3+ν)/4 · (r_o² + r_i²·(1−ν)/(3+ν))

    Parameters
    ----------
    density : ρ, density of the flywheel [kg/m³]
    poisson_ratio : ν, ratio of Poisson of the flywheel [-]
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    flywheel_bore : d_w, bore of the flywheel [m]
    overspeed : ω_over, over-speed [rad/s]
    stress_concentration : K_n, notch factor of the material: 1.2 for grey iron, 1 for ductile metal [-]

    Returns
    -------
    σ, elastic peak at the bore at over-speed [Pa]

    Range: d_w above 0 and below D_w; a plate of even thickness.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 3-15, rotating rings].

    >>> round(bore_stress(7200.0, 0.26, 0.3, 0.04, 843.0, 1.0) / 1e6, 1)
    94.2
    """
    ok = positive("flywheel_bore", flywheel_bore) * within(
        np.less(flywheel_bore, flywheel_diameter),
        "flywheel_bore",
        flywheel_bore,
        "below",
        flywheel_diameter,
        "flywheel_diameter",
    )
    ro, ri = flywheel_diameter / 2, flywheel_bore / 2
    ring = ro**2 + ri**2 * (1 - poisson_ratio) / (3 + poisson_ratio)
    return stress_concentration * density * overspeed**2 * (3 + poisson_ratio) / 4 * ring * ok


def elastic_margin(flywheel_strength: Values, strength_factor: Values, bore_stress: Values) -> Values:
    """Stress allowed at the bore over the elastic peak there; below 1 it is looked at again.

    m_el = S / (n_S · σ)

    Parameters
    ----------
    flywheel_strength : S, yield strength of the flywheel, or for grey iron its tensile strength [Pa]
    strength_factor : n_S, factor asked for on that strength [-]
    bore_stress : σ, elastic peak at the bore at over-speed [Pa]

    Returns
    -------
    m_el, elastic margin of the flywheel [-]

    Range: σ above 0, n_S 1 or more.
    Source: [handbook: 1.5 on yield for steel and aluminium, 2 on tensile strength for grey iron; by judgement].

    >>> elastic_margin(240e6, 1.5, 80e6)
    2.0
    """
    return flywheel_strength / (strength_factor * bore_stress)


def yield_margin(flywheel_strength: Values, bore_stress: Values) -> Values:
    """Strength of the flywheel over the elastic peak at its bore; below 1 it is not to be run.

    m_y = S / σ

    Parameters
    ----------
    flywheel_strength : S, yield strength of the flywheel, or for grey iron its tensile strength [Pa]
    bore_stress : σ, elastic peak at the bore at over-speed [Pa]

    Returns
    -------
    m_y, strength over the elastic peak [-]

    Range: σ above 0.
    Source: [definition: strength over stress].

    >>> yield_margin(240e6, 80e6)
    3.0
    """
    return flywheel_strength / bore_stress


def rim_speed(flywheel_diameter: Values, redline: Values) -> Values:
    """Speed of the flywheel rim at the redline.

    v = ω_red · D_w/2

    Parameters
    ----------
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    redline : ω_red, highest engine speed [rad/s]

    Returns
    -------
    v, rim speed at the redline [m/s]

    Range: D_w and ω_red above 0.
    Source: [geometry: circle].

    >>> rim_speed(0.3, 700.0)
    105.0
    """
    return redline * flywheel_diameter / 2
