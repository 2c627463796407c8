"""A start: what it is integrated from, and what came of it.

- `LaunchCase`   what a start needs, scalars or arrays of one shape
- `Launch`       what came of it
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Any

import numpy as np
import numpy.typing as npt

from liftbite.core.graph.graph import Figures, Values
from liftbite.core.quantities.torque_curve import TorqueCurve


@dataclass(frozen=True, eq=False)
class LaunchCase:
    """What a start needs; everything at the clutch shaft.

    Attributes
    ----------
    curve : engine torque over engine speed [N·m]
    limiter : engine speed at which the limiter cuts [rad/s]
    throttle_share : most of full load that the driver, or the idle governor, gives [-]
    held : 1 where the throttle is held open from the start, 0 where it follows the clutch
    drag_share : torque of the closed throttle over the peak torque [-]
    primary : crank turns per clutch turn times efficiency for torque [-]; `ratio` the turns alone
    engine_inertia, gearbox_inertia, vehicle_inertia : [kg·m²]
    clutch_torque : torque the pedal lets the clutch carry once it is where the driver wants it [N·m]
    capacity : torque its friction gives cold [N·m]
    grip_torque, load_torque : what the tyres hold, what the road takes [N·m]
    start_speed, stall_speed : [rad/s] at the clutch
    release_time : from biting to there [s]
    start_temperature, sustained, brief : [K]; fade : friction left at `brief` [-]
    heat_capacity : of the hottest plate over its share of the heat [J/K]
    longest : after which the start is given up [s]
    vehicle_speed : of gearbox side and vehicle at the beginning; 0 for a start from rest [rad/s]
    """

    curve: TorqueCurve
    limiter: Values
    throttle_share: Values
    held: Values
    drag_share: Values
    primary: Values
    ratio: Values
    engine_inertia: Values
    gearbox_inertia: Values
    vehicle_inertia: Values
    clutch_torque: Values
    capacity: Values
    grip_torque: Values
    load_torque: Values
    start_speed: Values
    stall_speed: Values
    release_time: Values
    start_temperature: Values
    sustained: Values
    brief: Values
    fade: Values
    heat_capacity: Values
    longest: float = 30.0
    vehicle_speed: Values = 0.0

    def where(self, which: npt.NDArray[np.bool_]) -> LaunchCase:
        """The starts of a mask."""
        return LaunchCase(**_some(vars(self), which))


def _some(values: Mapping[str, Any], which: npt.NDArray[np.bool_]) -> dict[str, Any]:
    return {n: v[which] if isinstance(v, np.ndarray) and v.shape == which.shape else v for n, v in values.items()}


@dataclass(frozen=True, eq=False)
class Launch:
    """What came of a start; scalars or arrays as the case had.

    Attributes
    ----------
    slip_time : time in which the clutch slipped [s]
    energy, tyre_energy : heat of the clutch and of the tyres [J]
    peak_power, peak_torque : of the clutch [W], [N·m]
    lowest_speed, end_speed : of the engine side [rad/s]; `end_gearbox`, `end_vehicle` of the others
    engine_work, road_work : done by the engine, taken by the road [J]
    bulk_temperature : of the hottest plate at the end [K]
    outcome : "locks", "stalls", "spins" (the tyres gave way, then it locked) or "never locks"
    trace : for a single start: time, engine side, gearbox side, vehicle side [rad/s], torque [N·m], heat [J],
        temperature [K]
    """

    slip_time: Values
    energy: Values
    tyre_energy: Values
    peak_power: Values
    peak_torque: Values
    lowest_speed: Values
    end_speed: Values
    end_gearbox: Values
    end_vehicle: Values
    engine_work: Values
    road_work: Values
    bulk_temperature: Values
    outcome: str | npt.NDArray[np.str_]
    trace: dict[str, Figures] = field(default_factory=dict)

    def where(self, which: npt.NDArray[np.bool_]) -> Launch:
        """The starts of a mask."""
        return Launch(**_some(vars(self), which))

    def at(self, places: npt.NDArray[np.intp]) -> Launch:
        """The starts at places, each as often as it is named."""
        found: dict[str, Any] = {n: v[places] if isinstance(v, np.ndarray) else v for n, v in vars(self).items()}
        return Launch(**found)
