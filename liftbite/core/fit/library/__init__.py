"""Every step there is: a file a stretch of the work, each with a table `STEPS`.

- `before`       Before anything is touched: cautions, what has to be at hand, room under the car.
- `bench`        What is cleaned, read and put in before the clutch goes on.
- `fill`         Fluid, levels, and the proofs up to full load.
- `fit_car`      A car's clutch on, its gearbox in.
- `motorcycle`   A wet pack out and in.
- `take_down`    A car taken down to its flywheel.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping
from functools import partial

from liftbite.core.errors import must_say
from liftbite.core.fit.library import before, bench, fill, fit_car, motorcycle, take_down
from liftbite.core.fit.step import Step
from liftbite.core.job.parts import PARTS

#: Key -> step, in the order of work.
LIBRARY: Mapping[str, Step] = {
    step.key: step for module in (before, take_down, motorcycle, bench, fit_car, fill) for step in module.STEPS
}


def refuse_unfinished(step: Step, known: Collection[str]) -> None:
    """Refuses a step that does not say all it must, when the library is loaded.

    Parameters
    ----------
    step : the step
    known : keys of the steps there are

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it
    """

    must = partial(must_say, f"step “{step.key}”")
    must(step.title, "say what to do: title")
    for part in (*step.parts, *filter(None, (step.part,))):
        must(part in PARTS, f"“{part}” is no part; add it to core/job/parts.py, or name one of its keys")
    for need in step.needs:
        must(need.removeprefix("back:") in known, f"comes after “{need}”, which is no step")
    must(step.evidence != "bolts" or step.joint, "bolts that prove it name their joint: joint")


for _step in LIBRARY.values():
    refuse_unfinished(_step, LIBRARY)
