"""Release by fluid: pedal or lever, master cylinder, line, slave. The slave itself is another module.

Every travel is told from the lift of the plate, so that pressure and travel are coupled without iteration: lift gives
force, force gives pressure, pressure gives what hose and air swallow, and all of it gives the pedal's travel.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive
from liftbite.core.units.constants import ATMOSPHERE, FREEZING


def master_area(master_diameter: Values) -> Values:
    """Area of the master cylinder.

    A_m = π/4 · d_m²

    Parameters
    ----------
    master_diameter : d_m, bore of the master cylinder [m]

    Returns
    -------
    A_m, area of the master cylinder [m²]

    Range: d_m above 0.
    Source: [geometry: circle].

    >>> round(master_area(0.01905) * 1e6)
    285
    """
    return np.pi / 4 * master_diameter**2 * positive("master_diameter", master_diameter)


def slave_force(bearing_force: Values, fork_ratio: Values, slave_spring_force: Values) -> Values:
    """Force of the slave cylinder at a lift of the plate.

    F_s = F_b / R_f + F_r

    Parameters
    ----------
    bearing_force : F_b, force on the release bearing [N]
    fork_ratio : R_f, slave travel per bearing travel [-]
    slave_spring_force : F_r, return spring that pushes the slave back; below 0 where it pushes out [N]

    Returns
    -------
    F_s, force of the slave cylinder [N]

    Range: R_f above 0.
    Source: [geometry: lever].

    >>> slave_force(1600.0, 2.0, 0.0)
    800.0
    """
    return bearing_force / fork_ratio * positive("fork_ratio", fork_ratio) + slave_spring_force


def line_pressure(slave_force: Values, slave_area: Values) -> Values:
    """Pressure in the line at a lift of the plate.

    p = max(F_s, 0) / A_s

    Parameters
    ----------
    slave_force : F_s, force of the slave cylinder [N]
    slave_area : A_s, area of the slave cylinder [m²]

    Returns
    -------
    p, line pressure [Pa]

    Range: A_s above 0; a spring that only pulls the slave back makes no pressure.
    Source: [definition: force over area].

    >>> line_pressure(1000.0, 0.0005)
    2000000.0
    """
    return plain(np.maximum(slave_force, 0.0) / slave_area)


def soft_volume(line_pressure: Values, hose_swell: Values, trapped_air: Values) -> Values:
    """Fluid that hose and trapped air swallow at a pressure.

    V_soft = C·p + V_air·(1 − p_0/(p_0 + p))

    Parameters
    ----------
    line_pressure : p, line pressure above the air's [Pa]
    hose_swell : C, swelling of hoses per pressure [m³/Pa]
    trapped_air : V_air, air in the system at rest [m³]

    Returns
    -------
    V_soft, fluid swallowed [m³]

    Range: p from 0, which is the air's; C and V_air 0 or more; air that stays at its temperature.
    Source: [definition: isothermal gas (Boyle) and a hose that swells in proportion].

    >>> round(soft_volume(2e6, 0.0, 1e-6) * 1e9)
    952
    """
    return hose_swell * line_pressure + trapped_air * (1 - ATMOSPHERE / (ATMOSPHERE + line_pressure))


def slave_travel(bearing_travel: Values, bearing_clearance: Values, fork_ratio: Values) -> Values:
    """Travel of the slave cylinder at a lift of the plate.

    x_s = (x_b + c_b) · R_f

    Parameters
    ----------
    bearing_travel : x_b, travel of the release bearing from where it touches [m]
    bearing_clearance : c_b, gap taken up on every stroke; 0 where the bearing rides on the fingers [m]
    fork_ratio : R_f, slave travel per bearing travel [-]

    Returns
    -------
    x_s, travel of the slave cylinder [m]

    Range: x_b and c_b 0 or more, R_f above 0.
    Source: [geometry: lever].

    >>> slave_travel(0.007, 0.001, 2.0)
    0.016
    """
    return (bearing_travel + bearing_clearance) * fork_ratio


def master_travel(slave_travel: Values, slave_area: Values, soft_volume: Values, master_area: Values) -> Values:
    """Travel of the master's piston after its port has closed, at a lift of the plate.

    x_m = (A_s · x_s + V_soft) / A_m

    Parameters
    ----------
    slave_travel : x_s, travel of the slave cylinder [m]
    slave_area : A_s, area of the slave cylinder [m²]
    soft_volume : V_soft, fluid that hose and air swallow [m³]
    master_area : A_m, area of the master cylinder [m²]

    Returns
    -------
    x_m, travel of the master's piston after the port [m]

    Range: A_m above 0; x_s and V_soft 0 or more.
    Source: [definition: fluid does not vanish].

    >>> master_travel(0.016, 0.0004, 0.0, 0.00032)
    0.02
    """
    return (slave_area * slave_travel + soft_volume) / master_area


def pedal_travel(master_travel: Values, port_travel: Values, pedal_ratio: Values, pedal_free_play: Values) -> Values:
    """Travel of pedal or lever at a lift of the plate.

    x_p = (x_m + x_port) · R_p + x_free

    Parameters
    ----------
    master_travel : x_m, travel of the master's piston after the port [m]
    port_travel : x_port, travel of the piston until the port is closed [m]
    pedal_ratio : R_p, pad travel per push-rod travel [-]
    pedal_free_play : x_free, free play at the pad [m]

    Returns
    -------
    x_p, travel of the pedal [m]

    Range: x_m 0 or more, R_p above 0.
    Source: [geometry: lever].

    >>> round(pedal_travel(0.02, 0.001, 6.0, 0.008), 3)
    0.134
    """
    return (master_travel + port_travel) * pedal_ratio + pedal_free_play


def pedal_effort(
    line_pressure: Values,
    master_area: Values,
    pedal_ratio: Values,
    pedal_efficiency: Values,
    pedal_spring: Values,
) -> Values:
    """Force at pedal or lever at a lift of the plate.

    F_p = p · A_m / (R_p · η) + F_sp

    Parameters
    ----------
    line_pressure : p, line pressure [Pa]
    master_area : A_m, area of the master cylinder [m²]
    pedal_ratio : R_p, pad travel per push-rod travel [-]
    pedal_efficiency : η, share of the work that friction leaves [-]
    pedal_spring : F_sp, force of the springs at the pad [N]

    Returns
    -------
    F_p, pedal effort [N]

    Range: R_p and η above 0.
    Source: [memory: η 0.85 to 0.95].

    >>> round(pedal_effort(2e6, 0.000285, 6.0, 0.9, 10.0))
    116
    """
    ok = positive("pedal_ratio", pedal_ratio) * positive("pedal_efficiency", pedal_efficiency)
    return line_pressure * master_area / (pedal_ratio * pedal_efficiency) * ok + pedal_spring


def fluid_margin(fluid_wet_boiling: Values, ambient_temperature: Values) -> Values:
    """Boiling point of old fluid over the temperature of the housing, both from 0 °C.

    m_f = (θ_boil − 273.15) / (θ_house − 273.15)

    Parameters
    ----------
    fluid_wet_boiling : θ_boil, boiling point of the fluid with water taken up [K]
    ambient_temperature : θ_house, temperature of the housing [K]

    Returns
    -------
    m_f, margin of the fluid; below 1 it boils [-]

    Range: a housing at freezing or below counts as just above it.
    Source: [definition: limit over value].

    >>> round(fluid_margin(428.15, 353.15), 4)
    1.9375
    """
    return plain((fluid_wet_boiling - FREEZING) / np.maximum(ambient_temperature - FREEZING, 1e-9))


def plate_lift_reach(
    pedal_stroke: Values,
    pedal_free_play: Values,
    pedal_ratio: Values,
    port_travel: Values,
    master_area: Values,
    slave_area: Values,
    fork_ratio: Values,
    bearing_clearance: Values,
    finger_flex: Values,
    release_lever_ratio: Values,
) -> Values:
    """Lift at full pedal if nothing were soft: hose stiff, no air in the line.

    x_reach = ((((x_stroke − x_free)/R_p − x_port) · A_m/A_s)/R_f − c_b) · η_flex/R_d, not below 0

    Parameters
    ----------
    pedal_stroke : x_stroke, full travel of the pedal [m]
    pedal_free_play : x_free, free play at the pad [m]
    pedal_ratio : R_p, pad travel per push-rod travel [-]
    port_travel : x_port, travel of the piston until the port is closed [m]
    master_area : A_m, area of the master cylinder [m²]
    slave_area : A_s, area of the slave cylinder [m²]
    fork_ratio : R_f, slave travel per bearing travel [-]
    bearing_clearance : c_b, gap taken up on every stroke [m]
    finger_flex : η_flex, share of the travel that fingers which bend pass on [-]
    release_lever_ratio : R_d, bearing travel per plate travel [-]

    Returns
    -------
    x_reach, lift at full pedal with nothing soft [m]

    Range: A_m, A_s, R_f and R_d above 0; stiff line and no air, so that it is the most there can be.
    Source: [geometry: the chain from front to back].

    >>> round(plate_lift_reach(0.14, 0.0, 6.0, 0.0, 3e-4, 9e-4, 1.0, 0.0, 1.0, 4.0) * 1e3, 3)
    1.944
    """
    master = (pedal_stroke - pedal_free_play) / pedal_ratio - port_travel
    bearing = master * master_area / slave_area / fork_ratio - bearing_clearance
    return plain(np.maximum(bearing * finger_flex / release_lever_ratio, 0.0))
