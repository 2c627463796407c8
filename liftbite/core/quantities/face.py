"""One friction face: its friction, its pressure, the heat it takes and how hot it gets.

In the order in which it is used:

- friction     `friction_coefficient`
- pressure     `facing_area`, `mean_pressure`, `edge_pressure`, `pressure_margin`
- heat         `specific_energy`, `energy_margin`, `flash_rise`, `surface_temperature`, `heat_margin`,
  `sustained_margin`

Where the two sides of a disc differ these stand for the flywheel's side, and once more, with `other_` before their
names, for the pressure plate's. What the sides make together is an arrangement: `friction_torque`, `heated_area`.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive, ring_exists


def friction_coefficient(
    friction_low: Values,
    friction_nominal: Values,
    friction_high: Values,
    friction_state: Values,
    temperature_factor: Values,
) -> Values:
    """Coefficient of friction at a temperature and a place in the material's band: −1 low, 0 nominal, +1 high.

    μ = f · (μ_nom + s·(μ_high − μ_nom)) for s above 0; μ = f · (μ_nom + s·(μ_nom − μ_low)) below

    Parameters
    ----------
    friction_low : μ_low, low end of the band [-]
    friction_nominal : μ_nom, nominal value [-]
    friction_high : μ_high, high end of the band [-]
    friction_state : s, place in the band from −1 to +1 [-]
    temperature_factor : f, friction left at this temperature [-]

    Returns
    -------
    μ, coefficient of friction [-]

    Range: μ_low ≤ μ_nom ≤ μ_high, all above 0.
    Source: [definition: straight lines between the three figures of the band].

    >>> friction_coefficient(0.25, 0.30, 0.38, -1.0, 1.0), friction_coefficient(0.25, 0.30, 0.38, 0.0, 1.0)
    (0.25, 0.3)
    """
    ok = (
        positive("friction_low", friction_low)
        * within(
            np.less_equal(friction_low, friction_nominal),
            "friction_low",
            friction_low,
            "at most",
            friction_nominal,
            "friction_nominal",
        )
        * within(
            np.greater_equal(friction_high, friction_nominal),
            "friction_high",
            friction_high,
            "at least",
            friction_nominal,
            "friction_nominal",
        )
    )
    up, down = friction_high - friction_nominal, friction_nominal - friction_low
    band = friction_nominal + friction_state * np.where(np.greater(friction_state, 0), up, down)
    return plain(temperature_factor * band * ok)


def facing_area(outer_diameter: Values, inner_diameter: Values, coverage: Values) -> Values:
    """Area of one friction face that really touches.

    A = c · π/4 · (D_o² − D_i²)

    Parameters
    ----------
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]
    coverage : c, share of the ring that is facing [-]

    Returns
    -------
    A, area of one face [m²]

    Range: D_i below D_o, both above 0; c above 0 and at most 1.
    Source: [geometry: ring].

    >>> round(facing_area(0.24, 0.16, 1.0) * 1e4, 2)
    251.33
    """
    ok = ring_exists(outer_diameter, inner_diameter) * positive("coverage", coverage)
    return coverage * np.pi / 4 * (outer_diameter**2 - inner_diameter**2) * ok


def mean_pressure(clamp_load: Values, facing_area: Values) -> Values:
    """Pressure on the facing, averaged over what touches.

    p = F / A

    Parameters
    ----------
    clamp_load : F, force that presses the stack together [N]
    facing_area : A, area of one face [m²]

    Returns
    -------
    p, mean face pressure [Pa]

    Range: A above 0.
    Source: [definition: force over area].

    >>> mean_pressure(8000.0, 0.025)
    320000.0
    """
    return clamp_load / facing_area


def edge_pressure(clamp_load: Values, coverage: Values, outer_diameter: Values, inner_diameter: Values) -> Values:
    """Pressure at the inner edge of a facing that has worn in, where it is highest.

    p_max = 2·F / (c · π · D_i · (D_o − D_i))

    Parameters
    ----------
    clamp_load : F, force that presses the stack together [N]
    coverage : c, share of the ring that is facing [-]
    outer_diameter : D_o, outer diameter of the facing [m]
    inner_diameter : D_i, inner diameter of the facing [m]

    Returns
    -------
    p_max, pressure at the inner edge under uniform wear [Pa]

    Range: D_i above 0 and below D_o.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, section 16-5, uniform wear].

    >>> round(edge_pressure(8000.0, 1.0, 0.24, 0.16))
    397887
    """
    ok = ring_exists(outer_diameter, inner_diameter) * positive("inner_diameter", inner_diameter)
    return 2 * clamp_load / (coverage * np.pi * inner_diameter * (outer_diameter - inner_diameter)) * ok


def pressure_margin(pressure_limit: Values, mean_pressure: Values) -> Values:
    """How far the mean face pressure stays below what the material carries.

    m_p = p_limit / p

    Parameters
    ----------
    pressure_limit : p_limit, mean pressure the material carries [Pa]
    mean_pressure : p, mean face pressure [Pa]

    Returns
    -------
    m_p, pressure margin [-]

    Range: p above 0.
    Source: [definition: limit over value; the limit is meant as a mean].

    >>> pressure_margin(400000.0, 320000.0)
    1.25
    """
    return pressure_limit / mean_pressure


def specific_energy(slip_energy: Values, heated_area: Values) -> Values:
    """Heat of one start over the area of the faces.

    e = E / A_heat

    Parameters
    ----------
    slip_energy : E, heat of one start [J]
    heated_area : A_heat, area the heat of the whole clutch spreads over, as these faces see it [m²]

    Returns
    -------
    e, heat per area of one start [J/m²]

    Range: A_heat above 0.
    Source: [definition: energy over area].

    >>> round(specific_energy(30e3, 0.05) / 1e6, 2)
    0.6
    """
    return slip_energy / heated_area


def energy_margin(specific_energy_limit: Values, specific_energy: Values) -> Values:
    """Heat per area a facing stands over what a start brings.

    m_e = e_limit / e

    Parameters
    ----------
    specific_energy_limit : e_limit, heat per area of a hard start that the facing stands [J/m²]
    specific_energy : e, heat per area of one start [J/m²]

    Returns
    -------
    m_e, energy margin [-]

    Range: e above 0.
    Source: [memory: 0.5 to 1 J/mm² per hard start for dry organic].

    >>> energy_margin(0.7e6, 0.5e6)
    1.4
    """
    return plain(specific_energy_limit / np.maximum(specific_energy, 1e-9))


def flash_rise(
    slip_energy: Values,
    slip_time: Values,
    heated_area: Values,
    conductivity: Values,
    plate_density: Values,
    specific_heat: Values,
) -> Values:
    """How much the surface of a thick plate flashes up in one start; flux falls in a straight line to zero.

    Δϑ_flash = 0.943 · (2·q/√π) · √(t/(k·ρ·c)), q = E/(A_heat·t)

    Parameters
    ----------
    slip_energy : E, heat of one start [J]
    slip_time : t, slip time of a start [s]
    heated_area : A_heat, area the heat of the whole clutch spreads over, as these faces see it [m²]
    conductivity : k, conductivity of the plate [W/(m·K)]
    plate_density : ρ_h, density of the plate [kg/m³]
    specific_heat : c, specific heat of that plate [J/(kg·K)]

    Returns
    -------
    Δϑ_flash, surface rise of one start [K diff]

    Range: t, k, ρ_h and c above 0; a plate thick against the depth heat reaches, power that falls evenly to 0.
    Source: [memory: Carslaw and Jaeger, Conduction of Heat in Solids, 2nd edition; 0.943 for flux that falls to zero].

    >>> round(flash_rise(30e3, 1.0, 0.05, 50.0, 7200.0, 500.0), 1)
    47.6
    """
    flux = slip_energy / (heated_area * slip_time)
    return plain(
        2
        * np.sqrt(2)
        / 3
        * 2
        * flux
        / np.sqrt(np.pi)
        * np.sqrt(slip_time / (conductivity * plate_density * specific_heat))
    )


def surface_temperature(base_temperature: Values, flash_rise: Values, bulk_rise: Values) -> Values:
    """Highest temperature of the rubbing surface, in the last start; flash and bulk rise of one start are not added.

    ϑ_max = ϑ_base + max(Δϑ_flash, Δϑ_bulk)

    Parameters
    ----------
    base_temperature : ϑ_base, temperature before the last start [K]
    flash_rise : Δϑ_flash, surface rise of one start [K diff]
    bulk_rise : Δϑ_bulk, bulk rise of one start [K diff]

    Returns
    -------
    ϑ_max, peak surface temperature [K]

    Range: rises 0 or more; a cautious sum, whichever rise is the larger.
    Source: [practice: the larger of the two].

    >>> surface_temperature(400.0, 80.0, 12.0)
    480.0
    """
    return plain(base_temperature + np.maximum(flash_rise, bulk_rise))


def heat_margin(brief_temperature: Values, surface_temperature: Values, ambient_temperature: Values) -> Values:
    """Rise the facing stands for moments over the rise there is.

    m_heat = (ϑ_b − ϑ_amb) / (ϑ_max − ϑ_amb)

    Parameters
    ----------
    brief_temperature : ϑ_b, temperature it stands for moments [K]
    surface_temperature : ϑ_max, peak surface temperature [K]
    ambient_temperature : ϑ_amb, temperature in the housing [K]

    Returns
    -------
    m_heat, heat margin [-]

    Range: ϑ_max above ϑ_amb, ϑ_b above ϑ_amb.
    Source: [definition: limit over value, both above ambient].

    >>> heat_margin(573.15, 453.15, 353.15)
    2.2
    """
    return plain(
        (brief_temperature - ambient_temperature) / np.maximum(surface_temperature - ambient_temperature, 1e-9)
    )


def sustained_margin(sustained_temperature: Values, base_temperature: Values, ambient_temperature: Values) -> Values:
    """Rise the facing stands for long over the rise of the hot plate between starts.

    m_sus = (ϑ_s − ϑ_amb) / (ϑ_base − ϑ_amb)

    Parameters
    ----------
    sustained_temperature : ϑ_s, temperature it stands for long [K]
    base_temperature : ϑ_base, temperature before the last start [K]
    ambient_temperature : ϑ_amb, temperature in the housing [K]

    Returns
    -------
    m_sus, sustained heat margin [-]

    Range: ϑ_base above ϑ_amb, ϑ_s above ϑ_amb.
    Source: [definition: limit over value, both above ambient].

    >>> sustained_margin(473.15, 413.15, 353.15)
    2.0
    """
    return plain(
        (sustained_temperature - ambient_temperature) / np.maximum(base_temperature - ambient_temperature, 1e-9)
    )
