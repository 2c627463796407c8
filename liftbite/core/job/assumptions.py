"""What stands in for figures nobody entered, by layout, use, driveline, release, flywheel and kind of start.

- `use_assumes`, `loss_assumes`, `grade_assumes`   small tables of one option each
- `Start`, `STARTS`, `FLYWHEELS`   kinds of start, flywheel materials
- `LAYOUT_ASSUMES`, `HYDRAULIC`, `CABLE`, `DENSE_AIR`   by layout, by release, for corrected figures

Every one carries its mark and its reason; materials of facings stand in `liftbite.core.job.materials`.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.input import Assumed
from liftbite.core.units.constants import RPM


def use_assumes(factor: float) -> dict[str, Assumed]:
    """The use factor of a kind of use."""
    return {"use_factor": Assumed(factor, "practice", "use factors of the trade, never below 1.1")}


def loss_assumes(share: float, what: str, low: float, high: float) -> dict[str, Assumed]:
    """The loss of a driveline, with its low and high end."""
    return {"driveline_loss": Assumed(share, "practice", f"{what}: middle of the usual losses", low, high)}


def grade_assumes(speed: float) -> dict[str, Assumed]:
    """The quality grade of a balance, as a speed [m/s]."""
    return {"balance_grade": Assumed(speed, "standard", "ISO 21940-11, as chosen")}


_WHY = "kinds of start, rounded"
_LEVEL, _SLOPE = 1.5, 0.5  # acceleration a driver pulls away with [m/s²]


@dataclass(frozen=True, slots=True)
class Start:
    """A kind of start.

    Attributes
    ----------
    label, says : what it is called, one sentence
    by_share : True where the clutch carries a share of the engine's torque, not what an acceleration takes
    rpm : engine speed in a car and on a motorcycle; the latter as a share of the redline where that is known
    asks : acceleration wanted [m/s²], or share of the peak torque [-]
    throttle : most of full load the driver, or the idle governor, gives [-]
    seconds : time from biting to where the driver wants the pedal
    grade : slope, where it names one [-]
    """

    label: str
    says: str
    by_share: bool
    rpm: tuple[float, float]
    asks: float
    throttle: float
    seconds: float
    of_redline: float | None = None
    grade: float | None = None

    def assumes(self, layout: str) -> dict[str, Assumed]:
        """The figures it stands in for."""
        bike = layout != "dry_car"
        speed = self.rpm[bike] * RPM
        share = ("redline", self.of_redline) if bike and self.of_redline else None
        found = {
            "start_engine_speed": Assumed(speed, "practice", _WHY, 0.8 * speed, 1.3 * speed, share_of=share),
            "start_engine_share": Assumed(
                self.throttle, "practice", _WHY, 0.75 * self.throttle, min(1.25 * self.throttle, 1.0)
            ),
            "release_time": Assumed(self.seconds, "practice", _WHY, 0.6 * self.seconds, 1.6 * self.seconds),
        }
        if self.by_share:
            found["start_clutch_share"] = Assumed(self.asks, "practice", _WHY, 0.7 * self.asks, 1.4 * self.asks)
        else:
            found["start_acceleration"] = Assumed(self.asks, "practice", _WHY, 0.6 * self.asks, 1.5 * self.asks)
        if self.grade is not None:
            found["grade"] = Assumed(self.grade, "practice", "a steep ramp", 0.05, 0.2)
        return found


STARTS: Mapping[str, Start] = {
    "creep": Start("Traffic creep", "Idle and a little more.", False, (1000, 2000), _SLOPE, 0.4, 1.0),
    "pull_away": Start(
        "Pull-away", "On the level, as a driver pulls away all day.", False, (1500, 3500), _LEVEL, 1.0, 0.7
    ),
    "hill": Start(
        "Pull-away on a slope",
        "A slope, with the trailer where there is one.",
        False,
        (1500, 3500),
        _SLOPE,
        1.0,
        0.7,
        grade=0.12,
    ),
    "standing": Start("Standing start", "Full throttle, slipped in.", True, (4500, 6000), 1.0, 1.0, 0.8, 0.6),
    "dropped": Start("Dropped clutch", "The pedal is let go.", True, (5000, 6000), 3.0, 1.0, 0.1, 0.6),
}


def _wheel(
    density: float,
    poisson: float,
    strength: tuple[float, float, float],
    tensile: tuple[float, float, float],
    factor: float,
    notch: float,
    burst: float,
) -> dict[str, Assumed]:
    """A flywheel's material; strengths with their low and high end [Pa]."""
    why = "typical of the material; the maker's certificate wins"
    return {
        "density": Assumed(density, "memory", "typical of the material", 0.985 * density, 1.015 * density),
        "poisson_ratio": Assumed(poisson, "memory", "typical of the material", poisson - 0.02, poisson + 0.02),
        "flywheel_strength": Assumed(strength[0], "memory", why, *strength[1:]),
        "flywheel_tensile": Assumed(tensile[0], "memory", why, *tensile[1:]),
        "burst_share": Assumed(
            burst, "handbook", "mean-stress burst criterion, from memory", burst - 0.05, burst + 0.05
        ),
        "strength_factor": Assumed(factor, "handbook", "1.5 on yield; 2 on the tensile strength of grey iron"),
        "stress_concentration": Assumed(
            notch, "handbook", "1.2 for grey iron, of low notch sensitivity; else 1", max(notch - 0.1, 1.0), notch + 0.1
        ),
    }


_MPA = 1e6
FLYWHEELS: Mapping[str, tuple[str, str, dict[str, Assumed]]] = {
    "grey_iron": (
        "Grey cast iron",
        "Kept for road use and original speed.",
        _wheel(7200, 0.26, (220 * _MPA, 180 * _MPA, 250 * _MPA), (220 * _MPA, 180 * _MPA, 250 * _MPA), 2, 1.2, 0.65),
    ),
    "nodular_iron": (
        "Nodular iron",
        "Cast, but it stretches before it breaks.",
        _wheel(7100, 0.275, (270 * _MPA, 250 * _MPA, 420 * _MPA), (420 * _MPA, 400 * _MPA, 700 * _MPA), 1.5, 1.0, 0.9),
    ),
    "steel": (
        "Steel",
        "What competition rules ask for.",
        _wheel(7850, 0.3, (250 * _MPA, 230 * _MPA, 700 * _MPA), (400 * _MPA, 380 * _MPA, 900 * _MPA), 1.5, 1.0, 0.9),
    ),
    "aluminium": (
        "Aluminium",
        "Needs a steel friction insert.",
        _wheel(2700, 0.33, (240 * _MPA, 200 * _MPA, 450 * _MPA), (310 * _MPA, 270 * _MPA, 520 * _MPA), 1.5, 1.0, 0.9),
    ),
}


def _plate(density: float, heat: float, conducts: float, cooling: float) -> dict[str, Assumed]:
    why = "typical of the material"
    return {
        "plate_density": Assumed(density, "memory", why, 0.985 * density, 1.015 * density),
        "specific_heat": Assumed(heat, "memory", why, 0.92 * heat, 1.08 * heat),
        "conductivity": Assumed(conducts, "memory", why, 0.85 * conducts, 1.15 * conducts),
        "cooling": Assumed(cooling, "practice", "a plate turning in its housing", 0.6 * cooling, 2 * cooling),
    }


LAYOUT_ASSUMES: Mapping[str, dict[str, Assumed]] = {
    "dry_car": _plate(7200, 500, 50, 8)
    | {
        "wheels_inertia": Assumed(2.5, "practice", "two driven wheels with their shafts", 1.5, 4.0),
        "gearbox_inertia": Assumed(0.01, "practice", "a disc and the first shafts of a gearbox", 0.005, 0.02),
        "least_gap": Assumed(0.00015, "memory", "0.10 to 0.20 mm is enough to free a disc", 0.0001, 0.0002),
        "gap_single": Assumed(0.0004, "memory", "0.3 to 0.5 mm, comfortable for a single disc", 0.0003, 0.0005),
        "gap_several": Assumed(0.0002, "memory", "0.15 to 0.25 mm for two or three discs", 0.00015, 0.00025),
        "hot_coning": Assumed(0.00015, "memory", "0.1 to 0.2 mm", 0.0001, 0.0002),
        "disc_wobble": Assumed(0.0003, "memory", "a disc within 0.5 to 0.8 mm at its rim", 0.0001, 0.0005),
        "facing_depth": Assumed(0.0007, "practice", "1.0 mm over the rivets new, renewed under 0.3", 0.0005, 0.0012),
        "effort_limit": Assumed(180.0, "practice", "140 N normal, 180 N firm, 250 N for racing only", 140.0, 250.0),
    },
    "wet_motorcycle": _plate(7850, 490, 45, 12)
    | {
        "wheels_inertia": Assumed(0.6, "practice", "a rear wheel with its sprocket", 0.4, 0.9),
        "gearbox_inertia": Assumed(0.003, "practice", "a hub and the shafts of a gearbox", 0.001, 0.006),
        "driven_load_share": Assumed(0.9, "practice", "most of the weight goes to the rear in a start", 0.7, 1.0),
        "least_gap": Assumed(0.00006, "memory", "0.06 mm is the least in a wet pack", 0.00005, 0.00008),
        "running_gap": Assumed(0.0001, "memory", "0.10 mm in a wet pack", 0.00008, 0.00015),
        "hot_coning": Assumed(0.0001, "memory", "0.1 to 0.2 mm", 0.00005, 0.0002),
        "plate_wear_allowed": Assumed(0.0002, "practice", "3.0 mm new, renewed under 2.8", 0.0001, 0.0003),
        "effort_limit": Assumed(100.0, "practice", "at the fingers 60 N is light, 100 N firm, 130 N hard", 60.0, 130.0),
    },
}

DENSE_AIR: Mapping[str, Assumed] = {
    "dry_pressure": Assumed(103_000.0, "practice", "a high-pressure day at sea level", 100_000.0, 104_500.0),
    "intake_temperature": Assumed(273.15, "practice", "a day at freezing", 258.15, 293.15),
}

HYDRAULIC: Mapping[str, Assumed] = {"pedal_efficiency": Assumed(0.9, "memory", "0.85 to 0.95", 0.85, 0.95)}
CABLE: Mapping[str, Assumed] = {
    "pedal_efficiency": Assumed(0.85, "memory", "0.75 to 0.95; old cables lose it", 0.75, 0.95)
}
