"""Classes of vehicle: what is typical of one, for a job that begins with one figure.

- `VehicleClass`, `CLASSES`   what is assumed of a class, each figure with its ends, and what it picks

A class is invented, and so are its figures in `classes.toml`: round ones, typical of many vehicles and of none.
Whatever is entered stands in their place.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from liftbite.core.job.input import Assumed
from liftbite.core.tables import made, rows
from liftbite.core.units.constants import RPM
from liftbite.core.units.read import si

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
    source : where its figures are from
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
    source: str

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
        return Assumed(
            value, "practice", why, value * (1 - differ), value * (1 + differ), share_of=share_of, typical=True
        )


def _figure(said: str | float) -> float:
    return si(said) if isinstance(said, str) else float(said)


def _read(name: str, said: Mapping[str, Any], differ: Mapping[str, Mapping[str, float]]) -> VehicleClass:
    figures = {
        figure: (_figure(value), float(differ[said["layout"]][figure])) for figure, value in said["figures"].items()
    }
    return made(VehicleClass, name, {"name": name, **said, "figures": figures})


def _classes() -> dict[str, VehicleClass]:
    table = rows("liftbite.core.job", "classes.toml")
    return {name: _read(name, said, table["differ"]) for name, said in table["class"].items()}


CLASSES: Mapping[str, VehicleClass] = _classes()
