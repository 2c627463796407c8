"""The joint of flywheel and crank: its bolts, and the torque it carries by friction.

- bolts      `bolt_stress_area`, `bolt_proof_load`, `bolt_yield_load`, `bolt_preload`, `low_preload`, `proof_margin`
- joint      `joint_slip_torque`, `joint_margin`

The joint is checked with friction and clamp at the high end of their bands: the opposite of Bite.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain, within
from liftbite.core.graph.guards import positive
from liftbite.core.units.constants import INCH

#: Modulus of elasticity of steel [Pa], and how many times as stiff as the bolt a steel joint is.
STEEL, JOINT = 206e9, 4.0


def bolt_stress_area(bolt_diameter: Values, bolt_pitch: Values) -> Values:
    """Area of the bolt that carries the load.

    A_s = π/4 · (d_b − 0.9382·P)², inch threads π/4 · (d_b − 0.9743·P)²

    Parameters
    ----------
    bolt_diameter : d_b, nominal diameter of the bolt [m]
    bolt_pitch : P, pitch of its thread [m]

    Returns
    -------
    A_s, stress area of the bolt [m²]

    Range: threads of 60°, d_b above 0.9743·P; a pitch of a whole number to the inch is an inch thread's.
    Source: [standard: ISO 898-1:2013, table 5]; [memory: ASME B1.1, tensile stress area].

    >>> round(bolt_stress_area(0.010, 0.0015) * 1e6, 1), round(bolt_stress_area(9.525e-3, 25.4e-3 / 16) * 1e6, 1)
    (58.0, 50.0)
    """
    ok = within(np.less(bolt_pitch, bolt_diameter), "bolt_pitch", bolt_pitch, "below", bolt_diameter, "bolt_diameter")
    to_the_inch = INCH / np.asarray(bolt_pitch, dtype=float)
    off = np.where(np.abs(to_the_inch - np.round(to_the_inch)) < 1e-4, 0.9743, 0.9382)
    return plain(np.pi / 4 * (bolt_diameter - off * bolt_pitch) ** 2 * ok)


def bolt_proof_load(bolt_stress_area: Values, bolt_proof_strength: Values) -> Values:
    """Pull the bolt stands without staying longer.

    F_proof = A_s · S_p

    Parameters
    ----------
    bolt_stress_area : A_s, stress area of the bolt [m²]
    bolt_proof_strength : S_p, proof strength of its class [Pa]

    Returns
    -------
    F_proof, proof load of a bolt [N]

    Range: A_s and S_p above 0.
    Source: [standard: ISO 898-1:2013, table 5].

    >>> round(bolt_proof_load(58e-6, 830e6))
    48140
    """
    return bolt_stress_area * bolt_proof_strength


def bolt_yield_load(bolt_proof_load: Values) -> Values:
    """Force at which a bolt yields, by the ratio that its class has between yield and proof strength.

    F_y = 1.13 · F_proof

    Parameters
    ----------
    bolt_proof_load : F_proof, proof load of a bolt [N]

    Returns
    -------
    F_y, yield load of a bolt [N]

    Range: classes 8.8 to 12.9, whose ratios are 1.10 to 1.13.
    Source: [memory: ISO 898-1:2013, table 3: 640/580, 940/830, 1100/970].

    >>> round(bolt_yield_load(48140.0))
    54398
    """
    return 1.13 * bolt_proof_load


def bolt_preload(
    bolt_torque: Values,
    torque_factor: Values,
    bolt_diameter: Values,
    bolt_angle: Values,
    bolt_pitch: Values,
    bolt_stress_area: Values,
    bolt_grip: Values,
    bolt_yield_load: Values,
) -> Values:
    """Preload of a bolt by its tightening torque, and by the angle after it, which stretches bolt and joint.

    F_b = T/(K·d) for α = 0; min(T/(K·d) + α/2π·p/(1/k_b + 1/k_j), F_y) beyond, k_b = E·A_s/L, k_j = 4·k_b

    Parameters
    ----------
    bolt_torque : T, tightening torque [N·m]
    torque_factor : K, torque factor of the bolts' finish [-]
    bolt_diameter : d, nominal diameter [m]
    bolt_angle : α, angle turned on after the torque [rad]
    bolt_pitch : p, pitch of the thread [m]
    bolt_stress_area : A_s, stress area of the thread [m²]
    bolt_grip : L, length clamped [m]
    bolt_yield_load : F_y, yield load of a bolt [N]

    Returns
    -------
    F_b, preload of a bolt [N]

    Range: K and L above 0; steel, E = 206 GPa, joint three to five times as stiff as the bolt.
    Source: [memory: Shigley's Mechanical Engineering Design, 10th edition, sections 8-5 and 8-8].

    >>> round(bolt_preload(85.0, 0.2, 0.010, 0.0, 0.0015, 58e-6, 0.02, 54398.0))
    42500
    >>> round(bolt_preload(27.0, 0.2, 0.010, 2.0944, 0.00125, 61.2e-6, 0.03, 57000.0))
    57000
    """
    snug = bolt_torque / (torque_factor * bolt_diameter) * positive("torque_factor", torque_factor)
    bolt = STEEL * bolt_stress_area / bolt_grip
    turned = np.minimum(snug + bolt_angle / (2 * np.pi) * bolt_pitch * bolt / (1 + 1 / JOINT), bolt_yield_load)
    return plain(np.where(np.greater(bolt_angle, 0), turned, snug) * positive("bolt_grip", bolt_grip))


def low_preload(bolt_preload: Values, preload_scatter: Values, bolt_angle: Values) -> Values:
    """The preload counted on for slip: less the scatter of a torque wrench, or what torsion leaves after an angle.

    F_low = F_b·(1 − s_b) for α = 0; 0.8·F_b beyond

    Parameters
    ----------
    bolt_preload : F_b, preload of a bolt [N]
    preload_scatter : s_b, scatter of a torque wrench [-]
    bolt_angle : α, angle turned on after the torque [rad]

    Returns
    -------
    F_low, preload counted on [N]

    Range: s_b from 0 to below 1.
    Source: [practice: 25 to 30 % by torque wrench; 0.82 to 0.91 of yield is left by the torsion of tightening].

    >>> low_preload(40000.0, 0.3, 0.0), low_preload(50000.0, 0.3, 1.57)
    (28000.0, 40000.0)
    """
    return plain(np.where(np.greater(bolt_angle, 0), 0.8 * bolt_preload, bolt_preload * (1 - preload_scatter)))


def proof_margin(bolt_proof_load: Values, bolt_preload: Values, bolt_angle: Values) -> Values:
    """Proof load of the bolts over their nominal preload; the scatter of a torque wrench is not counted twice.

    m_proof = F_proof / F_b for α = 0; without end for bolts tightened by an angle, which end at yield on purpose

    Parameters
    ----------
    bolt_proof_load : F_proof, proof load of a bolt [N]
    bolt_preload : F_b, preload of a bolt [N]
    bolt_angle : α, angle turned on after the torque [rad]

    Returns
    -------
    m_proof, proof margin of the bolts [-]

    Range: F_b above 0; up to 90 % of proof is usual, above 110 % is refused; bolts by angle are used once.
    Source: [practice: 75 % of proof for bolts used again, 90 % for those that stay, at the nominal torque factor].

    >>> round(proof_margin(48140.0, 34000.0, 0.0), 3)
    1.416
    """
    return plain(np.where(np.greater(bolt_angle, 0), np.inf, bolt_proof_load / bolt_preload))


def joint_slip_torque(
    bolt_count: Values,
    low_preload: Values,
    joint_friction: Values,
    bolt_circle_diameter: Values,
    dowel_torque: Values,
) -> Values:
    """Torque the flywheel joint carries before it slips, at the lowest preload the wrench may have given.

    T_joint = n_b · F_low · μ_j · D_b/2 + T_d

    Parameters
    ----------
    bolt_count : n_b, bolts that hold the flywheel [count]
    low_preload : F_low, preload counted on [N]
    joint_friction : μ_j, friction of flywheel on crank [-]
    bolt_circle_diameter : D_b, diameter of the bolt circle [m]
    dowel_torque : T_d, torque the dowels carry [N·m]

    Returns
    -------
    T_joint, slip torque of the flywheel joint [N·m]

    Range: n_b one or more, μ_j above 0; clean, flat faces.
    Source: [memory: friction 0.12 to 0.15 steel on steel, dry].

    >>> round(joint_slip_torque(8.0, 32000.0, 0.15, 0.07, 0.0))
    1344
    """
    return bolt_count * low_preload * joint_friction * bolt_circle_diameter / 2 + dowel_torque


def joint_margin(joint_slip_torque: Values, holdable_engine_torque: Values, peak_engine_torque: Values) -> Values:
    """Slip torque of the flywheel joint over what it has to carry: engine and a half, or what the clutch can pass.

    m_joint = T_joint / max(1.5·T_max, T_hold)

    Parameters
    ----------
    joint_slip_torque : T_joint, slip torque of the flywheel joint [N·m]
    holdable_engine_torque : T_hold, engine torque the clutch can hold [N·m]
    peak_engine_torque : T_max, peak engine torque [N·m]

    Returns
    -------
    m_joint, joint margin [-]

    Range: T_max or T_hold above 0.
    Source: [practice: one and a half times the peak, and not the fuse].

    >>> joint_margin(1200.0, 500.0, 400.0)
    2.0
    """
    return plain(joint_slip_torque / np.maximum(1.5 * peak_engine_torque, holdable_engine_torque))
