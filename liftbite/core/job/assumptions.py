"""What stands in for figures nobody entered, by layout, use, driveline, release, flywheel and kind of start.

- `use_assumes`, `loss_assumes`, `grade_assumes`, `start_assumes`   small tables of one option each
- `STARTS`, `FLYWHEELS`   kinds of start, flywheel materials
- `LAYOUT_ASSUMES`, `HYDRAULIC`, `CABLE`, `DENSE_AIR`   by layout, by release, for corrected figures

Every one carries its mark and its reason; materials of facings stand in `liftbite.core.job.materials`.
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.job.inputs import Assumed
from liftbite.core.units.constants import RPM


def use_assumes(factor: float) -> dict[str, Assumed]:
    """The use factor of a kind of use."""
    return {"use_factor": Assumed(factor, "practice", "use factors of the trade, never below 1.1")}


def loss_assumes(share: float, what: str) -> dict[str, Assumed]:
    """The loss of a driveline."""
    return {"driveline_loss": Assumed(share, "practice", f"{what}: middle of the usual losses")}


def grade_assumes(speed: float) -> dict[str, Assumed]:
    """The quality grade of a balance, as a speed [m/s]."""
    return {"balance_grade": Assumed(speed, "standard", "ISO 21940-11, as chosen")}


def start_assumes(rpm: float, clutch: float, engine_share: float, seconds: float) -> dict[str, Assumed]:
    """Speed [rpm], shares of the peak torque and time [s] of a kind of start."""
    why = "kinds of start, rounded"
    return {
        "start_engine_speed": Assumed(rpm * RPM, "practice", why),
        "start_clutch_share": Assumed(clutch, "practice", why),
        "start_engine_share": Assumed(engine_share, "practice", why),
        "release_time": Assumed(seconds, "practice", why),
    }


STARTS: Mapping[str, tuple[str, str, tuple[float, float, float, float]]] = {
    "creep": ("Traffic creep", "Idle and a little more.", (1100, 0.15, 0.12, 1.5)),
    "pull_away": ("Pull-away, loaded or on a slope", "A slope, a trailer.", (1800, 0.5, 0.45, 1.5)),
    "standing": ("Standing start", "Full throttle, slipped in.", (4500, 1.0, 0.95, 0.8)),
    "dropped": ("Dropped clutch", "The pedal is let go.", (5000, 3.0, 1.0, 0.1)),
}


def _wheel(density: float, poisson: float, strength: float, factor: float) -> dict[str, Assumed]:
    return {
        "density": Assumed(density, "memory", "typical of the material"),
        "poisson_ratio": Assumed(poisson, "memory", "typical of the material"),
        "flywheel_strength": Assumed(strength, "memory", "typical of the material; the maker's certificate wins"),
        "strength_factor": Assumed(factor, "memory", "4 on yield for steel, 6 on tensile strength for grey iron"),
    }


FLYWHEELS: Mapping[str, tuple[str, str, dict[str, Assumed]]] = {
    "grey_iron": ("Grey cast iron", "Kept for road use and original speed.", _wheel(7200, 0.26, 220e6, 6)),
    "steel": ("Steel", "What competition rules ask for.", _wheel(7850, 0.3, 600e6, 4)),
    "aluminium": ("Aluminium", "Needs a steel friction insert.", _wheel(2700, 0.33, 270e6, 4)),
}


def _plate(density: float, heat: float, conducts: float, cooling: float) -> dict[str, Assumed]:
    return {
        "plate_density": Assumed(density, "memory", "typical of the material"),
        "specific_heat": Assumed(heat, "memory", "typical of the material"),
        "conductivity": Assumed(conducts, "memory", "typical of the material"),
        "cooling": Assumed(cooling, "practice", "a plate turning in its housing"),
    }


LAYOUT_ASSUMES: Mapping[str, dict[str, Assumed]] = {
    "dry_car": _plate(7200, 500, 50, 8) | {
        "least_gap": Assumed(0.00015, "memory", "0.10 to 0.20 mm is enough to free a disc"),
        "gap_single": Assumed(0.0004, "memory", "0.3 to 0.5 mm, comfortable for a single disc"),
        "gap_several": Assumed(0.0002, "memory", "0.15 to 0.25 mm for two or three discs"),
        "hot_coning": Assumed(0.00015, "memory", "0.1 to 0.2 mm"),
        "disc_wobble": Assumed(0.0003, "memory", "a disc within 0.5 to 0.8 mm at its rim"),
        "facing_depth": Assumed(0.0007, "practice", "1.0 mm over the rivets when new, renewed under 0.3"),
        "effort_limit": Assumed(180.0, "practice", "up to 180 N is firm, 250 N for racing only"),
    },
    "wet_motorcycle": _plate(7850, 490, 45, 12) | {
        "least_gap": Assumed(0.00008, "memory", "0.08 to 0.15 mm in a wet pack"),
        "running_gap": Assumed(0.00012, "memory", "0.08 to 0.15 mm in a wet pack"),
        "hot_coning": Assumed(0.0001, "memory", "0.1 to 0.2 mm"),
        "plate_wear_allowed": Assumed(0.0002, "practice", "3.0 mm new, renewed under 2.8"),
        "effort_limit": Assumed(65.0, "practice", "up to 65 N at the fingers is firm, 90 N too much for traffic"),
    },
}  # fmt: skip

DENSE_AIR: Mapping[str, Assumed] = {
    "dry_pressure": Assumed(103_000.0, "practice", "a high-pressure day at sea level"),
    "intake_temperature": Assumed(273.15, "practice", "a day at freezing"),
}

HYDRAULIC: Mapping[str, Assumed] = {"pedal_efficiency": Assumed(0.9, "memory", "0.85 to 0.95")}
CABLE: Mapping[str, Assumed] = {"pedal_efficiency": Assumed(0.85, "memory", "0.75 to 0.95; old cables lose it")}
