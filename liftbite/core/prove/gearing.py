"""How fast the engine of a job turns over its road, gear by gear.

- `ratios_of`    of every gear
- `primary_of`   engine over clutch
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build


def primary_of(build: Build) -> float:
    """Engine over clutch [-]: a motorcycle's clutch stands behind its primary drive."""
    found = build.evaluate(("primary_ratio",))["primary_ratio"]
    return 1.0 if isinstance(found, Needs | Refused) else float(found)


def ratios_of(build: Build) -> tuple[float, ...]:
    """Engine speed over road speed of every gear [1/m], by the job's ratios and tyre; empty where those are missing."""
    v = build.evaluate(("tyre_radius", "final_ratio"))
    gears = build.known.get("gear_ratios")
    if gears is None or any(isinstance(v[n], Needs | Refused) for n in ("tyre_radius", "final_ratio")):
        return ()
    overall = float(v["final_ratio"]) * primary_of(build) / float(v["tyre_radius"])
    return tuple(float(gear) * overall for gear in np.atleast_1d(gears))
