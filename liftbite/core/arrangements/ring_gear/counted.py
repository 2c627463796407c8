"""The ring gear's mass hangs at the rim and pulls the flywheel apart with it."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def ring_gear_stress(
    ring_gear_mass: Values,
    ring_gear_diameter: Values,
    redline: Values,
    flywheel_thickness: Values,
    flywheel_diameter: Values,
    flywheel_bore: Values,
) -> Values:
    """Hoop stress that a shrunk-on ring gear adds to the flywheel's section at the redline.

    σ_g = m_g·r_g·ω_red² / (2π·t·(r_o − r_i))

    Parameters
    ----------
    ring_gear_mass : m_g, mass of the ring gear [kg]
    ring_gear_diameter : D_g, mean diameter of the ring gear [m]
    redline : ω_red, highest engine speed [rad/s]
    flywheel_thickness : t, thickness of the flywheel [m]
    flywheel_diameter : D_w, outer diameter of the flywheel [m]
    flywheel_bore : d_w, bore of the flywheel [m]

    Returns
    -------
    σ_g, hoop stress that the ring gear adds at the redline [Pa]

    Range: t above 0, d_w below D_w; r = D/2. The gear's own strength is left aside.
    Source: [handbook: mean-stress burst criterion, from memory; half of a ring's centrifugal pull on either side].

    >>> round(ring_gear_stress(1.5, 0.29, 700.0, 0.025, 0.28, 0.04) / 1e6, 2)
    5.65
    """
    width = (flywheel_diameter - flywheel_bore) / 2
    pull = ring_gear_mass * ring_gear_diameter / 2 * redline**2
    return pull / (2 * np.pi * flywheel_thickness * width) * positive("flywheel_thickness", flywheel_thickness)
