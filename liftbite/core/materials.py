"""Friction materials: for each family its friction band, the pressure it carries, how much of the ring touches.

All figures are [memory]: typical of handbook tables (Shigley's Mechanical Engineering Design, table of friction
materials) and of trade data. The user's data sheet wins. Pressure limits are meant as a mean over what touches.

- `Material`    one family
- `MATERIALS`   the families, dry first
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.inputs import MPA, Assumed

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
    character : what a builder says of it
    """

    name: str
    label: str
    runs: str
    friction: tuple[float, float, float]
    pressure_limit: float
    coverage: float
    character: str

    def assumes(self) -> dict[str, Assumed]:
        """The inputs this material stands in for until a data sheet does."""
        low, nominal, high = self.friction
        shape = "buttons cover 40 to 70 % of the ring" if self.coverage < 0.7 else "grooves take 5 to 10 % of the ring"
        return {
            "friction_low": Assumed(low, "memory", f"{self.label}: {_WHY}"),
            "friction_nominal": Assumed(nominal, "memory", f"{self.label}: {_WHY}"),
            "friction_high": Assumed(high, "memory", f"{self.label}: {_WHY}"),
            "pressure_limit": Assumed(self.pressure_limit, "memory", f"{self.label}, a mean: {_WHY}"),
            "coverage": Assumed(self.coverage, "practice", f"{self.label}: {shape}"),
        }


MATERIALS: Mapping[str, Material] = {
    m.name: m
    for m in (
        Material("organic", "Organic, moulded", "dry", (0.25, 0.30, 0.38), 0.35 * MPA, 0.92,
                 "Smooth and tolerant; fades when hot."),
        Material("aramid", "Aramid fibre", "dry", (0.28, 0.33, 0.38), 0.4 * MPA, 0.92,
                 "Smooth, long life; wants careful bedding in, glazes if overheated."),
        Material("cermet", "Ceramic-metallic buttons", "dry", (0.30, 0.38, 0.48), 1.0 * MPA, 0.55,
                 "Sudden, better warm; wears the flywheel."),
        Material("sintered_dry", "Sintered iron or bronze", "dry", (0.28, 0.35, 0.45), 1.5 * MPA, 0.55,
                 "On or off; for racing."),
        Material("carbon", "Carbon composite", "dry", (0.22, 0.30, 0.40), 1.2 * MPA, 0.92,
                 "Weak when cold, needs heat."),
        Material("paper", "Paper-based", "wet", (0.10, 0.12, 0.14), 1.5 * MPA, 0.92,
                 "The motorcycle's standard."),
        Material("sintered_wet", "Sintered", "wet", (0.06, 0.08, 0.10), 2.5 * MPA, 0.92,
                 "Heavy duty; low friction, stands heat."),
    )
}  # fmt: skip
