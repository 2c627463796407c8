"""One quantity of the job that readings change, ready to be entered.

- `Effect`     what is entered, and how it follows from the readings
- `EffectOf`   how an effect is worked out, and from which state of the job
- `in_millimetres`, `of_length`   a length as it is entered
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from liftbite.core.job.build import Build
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings
from liftbite.core.units.read import from_si


@dataclass(frozen=True, slots=True)
class Effect:
    """One quantity that readings change.

    Attributes
    ----------
    check : the check it comes from
    quantity : input or choice it is entered as
    typed : what is entered
    si : its value [SI]; None for a choice or several figures
    why : how it follows from the readings
    """

    check: str
    quantity: str
    typed: str
    si: float | None
    why: str


@dataclass(frozen=True, slots=True)
class EffectOf:
    """How readings of a check come to effects.

    Attributes
    ----------
    work_out : build, readings in force and the check's limits to effects
    told : build, readings, and what was asked of calculations to effects; in place of `work_out`
    once : True where the readings say what changed, not what stands there: then the job as entered is taken, so that a
        cut taken in is not taken twice
    """

    work_out: Callable[[Build, Readings, Sequence[Limit]], list[Effect]]
    once: bool = False
    told: Callable[[Build, Readings, Mapping[str, str]], list[Effect]] | None = None


def in_millimetres(value: float) -> str:
    """A length as it is entered.

    >>> in_millimetres(0.00123)
    '1.23 mm'
    """
    return f"{round(from_si(value, 'mm'), 3):g} mm"


def of_length(check: str, quantity: str, value: float, why: str) -> Effect:
    """An effect that is a length [m]."""
    return Effect(check, quantity, in_millimetres(value), value, why)
