"""Friction materials: for each family its friction band, the pressure it carries, how much of the ring touches.

The figures stand in `materials.toml`, each family with its source; a maker's data sheet wins.

- `Material`    one family
- `MATERIALS`   the families, dry first
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from liftbite.core.job.input import Assumed
from liftbite.core.tables import made, rows
from liftbite.core.units.constants import FREEZING
from liftbite.core.units.read import si

_WHY = "typical of handbook tables and trade data; the maker's data sheet wins"


@dataclass(frozen=True, slots=True)
class Material:
    """A family of facings.

    Attributes
    ----------
    name, label : name in files, name on screen
    runs : "dry" or "wet"
    friction : low, nominal, high [-]
    pressure_limit : mean pressure it carries [Pa]
    coverage : share of the ring that touches, buttons or grooves considered [-]
    temperatures : sustained and brief limit [°C]
    cushion : how far a disc of it springs back [m]
    energy : heat per area of a hard start it stands [J/m²]
    wear : facing volume worn per heat, low, taken, high [m³/J]
    character : what a builder says of it
    source : where its figures are from
    heated : how its friction goes with temperature, a file in `arrangements.facing_material`
    """

    name: str
    label: str
    runs: str
    friction: tuple[float, float, float]
    pressure_limit: float
    coverage: float
    temperatures: tuple[float, float]
    cushion: float
    energy: float
    wear: tuple[float, float, float]
    character: str
    source: str
    heated: str = "fading"

    def _stands(self, celsius: float) -> Assumed:
        """A temperature it stands; makers differ by a tenth."""
        return Assumed(
            celsius + FREEZING, "memory", f"{self.label}: {_WHY}", 0.9 * celsius + FREEZING, 1.1 * celsius + FREEZING
        )

    def assumes(self) -> dict[str, Assumed]:
        """The inputs this material stands in for until a data sheet does."""
        low, nominal, high = self.friction
        shape = "buttons cover 40 to 70 % of the ring" if self.coverage < 0.7 else "grooves take 5 to 10 % of the ring"
        return {
            "friction_low": Assumed(low, "memory", f"{self.label}: {_WHY}", 0.9 * low, nominal),
            "friction_nominal": Assumed(nominal, "memory", f"{self.label}: {_WHY}", low, high),
            "friction_high": Assumed(high, "memory", f"{self.label}: {_WHY}", nominal, 1.1 * high),
            "pressure_limit": Assumed(
                self.pressure_limit,
                "memory",
                f"{self.label}, a mean: {_WHY}",
                self.pressure_limit,
                1.5 * self.pressure_limit,
            ),
            "sustained_temperature": self._stands(self.temperatures[0]),
            "brief_temperature": self._stands(self.temperatures[1]),
            "cushion_travel": Assumed(
                self.cushion,
                "memory",
                f"{self.label}: 0.4 to 1.0 mm on a cushioned single disc, 0.2 to 0.3 mm per disc of several, else 0",
                *((0.0004, 0.001, 0.00025) if self.cushion else (0.0, 0.0)),
            ),
            "specific_energy_limit": Assumed(
                self.energy,
                "memory",
                f"{self.label}: a working ceiling per hard start",
                self.energy / 1.5,
                self.energy * 1.33,
            ),
            "wear_rate": Assumed(self.wear[1], "memory", f"{self.label}: the usual rates", self.wear[0], self.wear[2]),
            "coverage": Assumed(
                self.coverage,
                "practice",
                f"{self.label}: {shape}",
                *((0.4, 0.7) if self.coverage < 0.7 else (0.9, 0.95)),
            ),
        }


def _read(name: str, said: Mapping[str, Any]) -> Material:
    figures = {word: si(said[word]) for word in ("pressure_limit", "cushion", "energy") if word in said}
    return made(Material, name, {"name": name, **said, **figures, "wear": [si(rate) for rate in said["wear"]]})


MATERIALS: Mapping[str, Material] = {
    name: _read(name, said) for name, said in rows("liftbite.core.job", "materials.toml").items()
}
