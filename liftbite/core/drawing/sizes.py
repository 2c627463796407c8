"""The sizes a section is drawn with. What nobody entered is drawn with a usual size, and listed as such.

- `Size`, `Sizes`   one size; all of them with the names of those nobody entered
- `sizes_of`        from a build
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, field

import numpy as np

from liftbite.core.drawing.motion import faces_of
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build

Usual = Callable[["Sizes"], float]


@dataclass
class Sizes:
    """Sizes by name [m], and which of them are drawn without having been entered."""

    build: Build
    discs: int
    car: bool
    drawn: dict[str, float] = field(default_factory=dict)
    usual: list[str] = field(default_factory=list)

    def __getitem__(self, name: str) -> float:
        """A size: entered, worked out, or else its usual one, which is then noted."""
        if name not in self.drawn:
            value = self.build.known.get(name)
            if value is None and name in self.build.graph.functions:
                found = self.build.evaluate((name,))[name]
                value = None if isinstance(found, Needs | Refused) else float(np.mean(found))
            if value is None or not np.isfinite(value):
                value = _USUAL[name](self)
                self.usual.append(name)
            self.drawn[name] = float(value)
        return self.drawn[name]

    @property
    def way(self) -> float:
        """Which way the finger tips go with wear: plus to the gearbox."""
        return float(self.build.evaluate(("finger_way",))["finger_way"])

    @property
    def thickness(self) -> float:
        """Of a disc or friction plate, new."""
        return self["disc_thickness"] if self.car else self["friction_plate_thickness"]

    @property
    def between(self) -> float:
        """Of what stands between two discs or friction plates."""
        return self["floater_thickness"] if self.car else self["plain_plate_thickness"]

    @property
    def stack(self) -> float:
        """Length of the stack, new and clamped."""
        between = (self.discs - 1) * self.between if self.discs > 1 else 0.0
        return self.discs * self.thickness + between


def _inner(s: Sizes) -> float:
    return s["outer_diameter"] * (0.65 if s.car else 0.78)


def _fulcrum(s: Sizes) -> float:
    """The fulcrum that gives the lever ratio entered."""
    ratio, seat, tip = s["lever_ratio"], s["plate_seat_diameter"], s["finger_tip_diameter"]
    made = s.build.graph.functions["levered_fulcrum_diameter"]
    return float(made(ratio, seat, tip))


_USUAL: dict[str, Usual] = {
    "outer_diameter": lambda s: 0.240 if s.car else 0.140,
    "inner_diameter": _inner,
    "other_outer_diameter": lambda s: s["outer_diameter"],
    "other_inner_diameter": lambda s: s["inner_diameter"],
    "disc_thickness": lambda s: 0.008,
    "floater_thickness": lambda s: 0.009,
    "friction_plate_thickness": lambda s: 0.003,
    "plain_plate_thickness": lambda s: 0.0016,
    "pressure_plate_thickness": lambda s: 0.016 if s.car else 0.006,
    "flywheel_thickness": lambda s: 0.024,
    "flywheel_diameter": lambda s: s["outer_diameter"] + 0.060,
    "flywheel_bore": lambda s: 0.036,
    "bolt_circle_diameter": lambda s: 0.074,
    "shaft_diameter": lambda s: 0.025 if s.car else 0.024,
    "finger_tip_diameter": lambda s: 0.052,
    "plate_seat_diameter": lambda s: s["outer_diameter"] * 0.93,
    "lever_ratio": lambda s: 4.0,
    "fulcrum_diameter": _fulcrum,
    "diaphragm_outer_diameter": lambda s: max(s["plate_seat_diameter"], s["fulcrum_diameter"]) + 0.004,
    "diaphragm_thickness": lambda s: 0.0026,
    "spring_circle_diameter": lambda s: s["inner_diameter"] * (1.05 if s.car else 0.72),
    "coil_mean_diameter": lambda s: 0.013 if not s.car else 0.024,
    "spring_installed_length": lambda s: 0.030 if not s.car else 0.040,
    "slave_diameter": lambda s: 0.0206,
    "slave_outer_diameter": lambda s: 0.052,
    "slave_inner_diameter": lambda s: 0.038,
    "master_diameter": lambda s: 0.01905 if s.car else 0.014,
    "master_stroke": lambda s: 0.035,
    "slave_stroke": lambda s: 0.030,
    "fork_ratio": lambda s: 2.0,
    "pedal_ratio": lambda s: 6.0,
}


def sizes_of(build: Build) -> Sizes:
    """The sizes of a build; asked for one by one as the drawing needs them."""
    discs, car = faces_of(build)
    return Sizes(build, discs, car)
