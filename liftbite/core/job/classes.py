"""Classes of vehicle: what is typical of one, for a job that begins with one figure.

- `VehicleClass`, `CLASSES`   what is assumed of a class, each figure with its ends, and what it picks

A class is invented, and so are its figures: round ones, typical of many vehicles and of none. Whatever is entered
stands in their place.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.input import Assumed
from liftbite.core.job.parts import CAR, MOTORCYCLE
from liftbite.core.units.constants import RPM

_MM, _GRAM_M2 = 1e-3, 1e-3
#: Torque at peak power over peak torque: a curve that has fallen by a seventh [practice].
_FALLEN = 1.16


@dataclass(frozen=True, slots=True)
class VehicleClass:
    """A class of vehicle.

    Attributes
    ----------
    name, label, meaning : name in files, name on screen, one sentence
    layout : of its clutch
    torque, torque_rpm, power_rpm, redline_rpm : of its engine as it left the factory [N·m], [rpm]
    figures : input -> typical value [SI] and how far others differ, as a share
    picks : choice -> the option it begins with
    """

    name: str
    label: str
    meaning: str
    layout: str
    torque: float
    torque_rpm: float
    power_rpm: float
    redline_rpm: float
    figures: Mapping[str, tuple[float, float]]
    picks: Mapping[str, str]

    @property
    def power(self) -> float:
        """Peak power of its engine [W]."""
        return self.torque * self.power_rpm * RPM / _FALLEN

    def assumes(self) -> dict[str, Assumed]:
        """The inputs it stands in for until one is entered."""
        per_torque = self.power / self.torque
        engine = {
            "peak_torque": self._about(self.torque, 0.15, ("peak_power", 1 / per_torque)),
            "peak_torque_speed": self._about(self.torque_rpm * RPM, 0.15),
            "peak_power": self._about(self.power, 0.1, ("peak_torque", per_torque)),
            "peak_power_speed": self._about(self.power_rpm * RPM, 0.05),
            "redline": self._about(self.redline_rpm * RPM, 0.06),
        }
        return engine | {name: self._about(*figure) for name, figure in self.figures.items()}

    def _about(self, value: float, differ: float, share_of: tuple[str, float] | None = None) -> Assumed:
        why = f"typical of this class ({self.label.lower()})"
        return Assumed(value, "practice", why, value * (1 - differ), value * (1 + differ), share_of=share_of,
                       typical=True)  # fmt: skip


def _car(
    discs: tuple[float, float], clamp: float, *, mass: float, tyre: float, first: float, final: float,
    wheel: tuple[float, float, float], crank: float, cover: float, heat: float, master: float = 15.87,
    slave: float = 20.64, stroke: float = 142.0, pedal: float = 5.2, fork: float = 1.7,
) -> dict[str, tuple[float, float]]:  # fmt: skip
    """Disc [mm] and clamp [N]; vehicle [kg], [m]; flywheel [mm], [kg·m²]; plate that takes the heat [kg]; cylinders."""
    outer, inner = discs
    across, bore, inertia = wheel
    return {
        "disc_count": (1.0, 0.0), "outer_diameter": (outer * _MM, 0.06), "inner_diameter": (inner * _MM, 0.06),
        "cover_clamp": (clamp, 0.15), "lever_ratio": (4.0, 0.12),
        "pedal_stroke": (stroke * _MM, 0.1), "pedal_ratio": (pedal, 0.1), "master_diameter": (master * _MM, 0.06),
        "slave_diameter": (slave * _MM, 0.06), "fork_ratio": (fork, 0.12),
        "vehicle_mass": (mass, 0.15), "tyre_radius": (tyre, 0.05), "gear_ratio": (first, 0.12),
        "final_ratio": (final, 0.12), "flywheel_diameter": (across * _MM, 0.06), "flywheel_bore": (bore * _MM, 0.15),
        "flywheel_inertia": (inertia, 0.3), "crank_inertia": (crank, 0.4), "cover_inertia": (cover, 0.3),
        "heat_mass": (heat, 0.25),
    }  # fmt: skip


def _bike(
    plates: int, ring: tuple[float, float], springs: tuple[int, float, float, float], *, primary: float, mass: float,
    tyre: float, first: float, final: float, crank: float, basket: float, heat: float, stroke: float = 60.0,
    lever: float = 4.6, arm: float = 4.3,
) -> dict[str, tuple[float, float]]:  # fmt: skip
    """Friction plates and their ring [mm]; springs: count, rate [N/mm], free and installed length [mm]; vehicle."""
    outer, inner = ring
    count, rate, free, installed = springs
    return {
        "friction_plate_count": (float(plates), 0.0), "outer_diameter": (outer * _MM, 0.05),
        "inner_diameter": (inner * _MM, 0.05), "spring_count": (float(count), 0.0), "spring_rate": (rate * 1e3, 0.12),
        "spring_free_length": (free * _MM, 0.02), "spring_installed_length": (installed * _MM, 0.03),
        "primary_ratio": (primary, 0.08), "pedal_stroke": (stroke * _MM, 0.1), "pedal_ratio": (lever, 0.12),
        "fork_ratio": (arm, 0.15), "vehicle_mass": (mass, 0.12), "tyre_radius": (tyre, 0.05),
        "gear_ratio": (first, 0.1), "final_ratio": (final, 0.1), "crank_inertia": (crank, 0.4),
        "basket_inertia": (basket, 0.3), "heat_mass": (heat, 0.25), "plain_warp": (0.05 * _MM, 0.8),
    }  # fmt: skip


_ROAD = {"curve_source": "peaks", "curve_reference": "crank", "facing_material": "organic",
         "flywheel_material": "grey_iron"}  # fmt: skip
_GENTLE, _TOWING = _ROAD | {"use": "gentle"}, _ROAD | {"use": "towing"}
_WET = {"curve_source": "peaks", "curve_reference": "crank", "facing_material": "paper", "use": "gentle"}

CLASSES: Mapping[str, VehicleClass] = {c.name: c for c in (
    VehicleClass("light_roadster", "Light roadster", "About a tonne, a small engine that turns.", CAR,
                 165, 4500, 6800, 7200,
                 _car((200, 134), 4900, mass=1050, tyre=0.29, first=3.4, final=4.1, wheel=(270, 48, 0.075),
                      crank=0.025, cover=0.03, heat=3.2), _GENTLE),
    VehicleClass("saloon", "Two-litre saloon", "A family car with a naturally aspirated engine.", CAR,
                 195, 4300, 6100, 6600,
                 _car((215, 145), 5200, mass=1450, tyre=0.31, first=3.5, final=3.9, wheel=(280, 48, 0.12),
                      crank=0.04, cover=0.04, heat=3.8), _GENTLE),
    VehicleClass("boosted_coupe", "Boosted coupe", "A turbocharged two-litre, firm clutch.", CAR,
                 330, 3000, 5600, 6800,
                 _car((240, 155), 7600, mass=1400, tyre=0.315, first=3.4, final=3.9, wheel=(285, 60, 0.13),
                      crank=0.045, cover=0.05, heat=4.8), _GENTLE),
    VehicleClass("v8_coupe", "V8 coupe", "Five litres or more, rear drive.", CAR,
                 510, 4000, 5700, 6400,
                 _car((280, 175), 9300, mass=1650, tyre=0.335, first=2.95, final=3.5, wheel=(330, 65, 0.2),
                      crank=0.12, cover=0.09, heat=6.5, master=19.05, slave=23.8, stroke=158, pedal=5.9),
                 _GENTLE | {"flywheel_material": "nodular_iron"}),
    VehicleClass("pick_up", "Pick-up", "A diesel that tows, low first gear.", CAR,
                 400, 2000, 3500, 4400,
                 _car((265, 170), 9000, mass=2200, tyre=0.36, first=4.2, final=3.9, wheel=(310, 65, 0.25),
                      crank=0.1, cover=0.08, heat=6.5, master=17.46, slave=22.2, stroke=150, pedal=5.6), _TOWING),
    VehicleClass("laden_van", "Laden van", "A diesel at its full weight, front drive.", CAR,
                 350, 1800, 3500, 4500,
                 _car((250, 160), 8400, mass=3300, tyre=0.335, first=4.0, final=4.3, wheel=(290, 60, 0.2),
                      crank=0.08, cover=0.06, heat=6.0, master=17.46, slave=22.2, stroke=150, pedal=5.6), _TOWING),
    VehicleClass("sport_four", "Sport four", "A motorcycle's four that makes its power high up.", MOTORCYCLE,
                 66, 10_500, 13_500, 15_000,
                 _bike(9, (125, 103), (5, 15.0, 45.0, 28.0), primary=2.0, mass=275, tyre=0.315, first=2.75,
                       final=2.7, crank=0.006, basket=0.004, heat=1.6, stroke=68, lever=5.0, arm=4.4), _WET),
    VehicleClass("v_twin", "V-twin", "A large twin with torque from low down.", MOTORCYCLE,
                 110, 3500, 5500, 6000,
                 _bike(9, (145, 118), (6, 16.0, 46.0, 30.0), primary=1.65, mass=380, tyre=0.325, first=3.2,
                       final=2.5, crank=0.05, basket=0.012, heat=2.4, stroke=80, lever=5.6, arm=4.6), _WET),
    VehicleClass("single", "Single", "One cylinder, a light motorcycle.", MOTORCYCLE,
                 38, 7000, 9000, 10_000,
                 _bike(7, (126, 104), (5, 18.0, 42.0, 27.0), primary=2.9, mass=200, tyre=0.315, first=2.4,
                       final=3.3, crank=0.006, basket=0.005, heat=1.2, lever=5.1, arm=4.5), _WET),
)}  # fmt: skip
