"""The calculations of the set-up, a file each: a file with a `CALCULATION` is one, nothing else has to know it.

- `air`            Trapped air, from the slave's travel at full pedal.
- `bearing`        A concentric bearing's cushion: X less Y and the spacers, inside the window that wear and stroke
  ask for.
- `calculation`    What a calculation of the set-up is, what it tells, and how that is shown.
- `end_float`      An input shaft's end float, and the shims that take it up.
- `floater`        A twin's floater: clearance at its stands, the shims that bring them right, and when they want new
  ones.
- `flywheel_cut`   A flywheel that was cut, or is another height than the one that comes out: fingers, clamp and hub.
- `fork`           A bearing of another height on a fork: free play, how the fork turns, and the slave's stroke.
- `housing_gap`    The gap between gearbox and engine read at four places: which way the tail goes, and how far.
- `pack`           A wet pack: plates counted, and plain plates of another thickness.
- `shaft`          The input shaft in its pilot: how far it enters, and what is left below it.
- `travel`         Slave travel and bite point held against the stroke the job works out: what is short, and what that
  looks like.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from importlib import import_module
from pkgutil import iter_modules
from types import MappingProxyType

from liftbite.core.job.build import Build
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.limit import LimitName
from liftbite.core.measure.reading import Readings
from liftbite.core.measure.setup.calculation import Asked, Calculation, Outcome, within


def _registered() -> dict[str, Calculation]:
    modules = [import_module(f"{__name__}.{found.name}") for found in iter_modules(__path__)]
    calculations: list[Calculation] = [m.CALCULATION for m in modules if hasattr(m, "CALCULATION")]
    order = list(CHECKS)
    return {c.name: c for c in sorted(calculations, key=lambda c: order.index(c.checks[0]))}


#: Verdict of a calculation -> its words on screen and paper.
WORDS: Mapping[str, str] = {"reuse": "Comes right", "put right": "Put right", "stop": "Stop"}
CALCULATIONS: Mapping[str, Calculation] = _registered()


def outcome_of(
    build: Build,
    readings: Readings,
    said: Mapping[str, str] | None = None,
    given: Mapping[str, Mapping[LimitName, tuple[float, str]]] = MappingProxyType({}),
) -> Iterator[tuple[Calculation, Outcome | None]]:
    """Every calculation with what it comes to, None while readings for it are missing.

    Parameters
    ----------
    build : the job
    readings : check -> readings in force
    said : what was said where a calculation asks: name of the setting -> option
    given : check -> limits a kit maker or a manual gives
    """
    for calculation in CALCULATIONS.values():
        found = calculation.work_out(build, readings, said or {})
        window = given.get(calculation.window_of, {})
        yield calculation, None if found is None else within(calculation.tell(found), window)


def asked_of_check(check: str) -> Asked | None:
    """What is asked about a check's readings.

    >>> asked_of_check("floater_gap").name, asked_of_check("basket")
    ('shims', None)
    """
    return next((c.asks for c in CALCULATIONS.values() if c.asks is not None and c.asks.check == check), None)
