"""Friction materials: for each family its friction band, the pressure it carries, how much of the ring touches.

All figures are [memory]: typical of handbook tables (Shigley's Mechanical Engineering Design, table of friction
materials) and of trade data. The user's data sheet wins. Pressure limits are meant as a mean over what touches.

- `Material`    one family
- `MATERIALS`   the families, dry first
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.input import Assumed
from liftbite.core.units.constants import FREEZING, MPA

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
    heated: str = "fading"

    def _stands(self, celsius: float) -> Assumed:
        """A temperature it stands; makers differ by a tenth."""
        return Assumed(celsius + FREEZING, "memory", f"{self.label}: {_WHY}", 0.9 * celsius + FREEZING,
                       1.1 * celsius + FREEZING)  # fmt: skip

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


MATERIALS: Mapping[str, Material] = {
    m.name: m
    for m in (
        Material("organic", "Organic, moulded", "dry", (0.25, 0.30, 0.38), 0.35 * MPA, 0.92, (200, 300), 0.0007, 750000, (2e-14, 3e-14, 10e-14),
                 "Smooth and tolerant; fades when hot."),
        Material("aramid", "Aramid fibre", "dry", (0.28, 0.33, 0.38), 0.4 * MPA, 0.92, (250, 370), 0.0007, 900000, (2e-14, 3e-14, 8e-14),
                 "Smooth, long life; wants careful bedding in, glazes if overheated."),
        Material("cermet", "Ceramic-metallic buttons", "dry", (0.30, 0.38, 0.48), 1.0 * MPA, 0.55, (400, 600), 0.0, 1.5e+06, (2e-14, 4e-14, 6e-14),
                 "Sudden, better warm; wears the flywheel."),
        Material("sintered_dry", "Sintered iron or bronze", "dry", (0.28, 0.35, 0.45), 1.5 * MPA, 0.55, (350, 550), 0.0, 1.5e+06, (2e-14, 4e-14, 6e-14),
                 "On or off; for racing."),
        Material("carbon", "Carbon composite", "dry", (0.22, 0.30, 0.40), 1.2 * MPA, 0.92, (700, 900), 0.0, 2.5e+06, (1e-14, 2e-14, 4e-14),
                 "Weak when cold, needs heat.", "carbon"),
        Material("paper", "Paper-based", "wet", (0.11, 0.13, 0.16), 1.5 * MPA, 0.92, (150, 250), 0.0, 600000, (0.5e-14, 1e-14, 2e-14),
                 "The motorcycle's standard."),
        Material("sintered_wet", "Sintered", "wet", (0.06, 0.08, 0.10), 2.5 * MPA, 0.92, (250, 400), 0.0, 1.2e+06, (0.4e-14, 0.8e-14, 2e-14),
                 "Heavy duty; low friction, stands heat."),
    )
}  # fmt: skip
