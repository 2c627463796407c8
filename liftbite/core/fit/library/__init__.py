"""Every step there is: a file a stretch of the work, each with a table `STEPS`.

- `before`       Before anything is touched: cautions, what has to be at hand, room under the car.
- `bench`        What is cleaned, read and put in before the clutch goes on.
- `fill`         Fluid, levels, and the proofs up to full load.
- `fit_car`      A car's clutch on, its gearbox in.
- `motorcycle`   A wet pack out and in.
- `take_down`    A car taken down to its flywheel.
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.fit.library import before, bench, fill, fit_car, motorcycle, take_down
from liftbite.core.fit.step import Step

#: Key -> step, in the order of work.
LIBRARY: Mapping[str, Step] = {
    step.key: step for module in (before, take_down, motorcycle, bench, fit_car, fill) for step in module.STEPS
}
