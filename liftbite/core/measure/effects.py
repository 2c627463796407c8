"""What measured values do to the four questions: entries for the job's ledger, with what stood there before.

- `EFFECTS`, `effects_of`   how the readings of a check come to entries
- `effects`                 every effect of the readings of a job

Nothing is changed here. An effect taken into the job is an entry like any other, marked measured, and can be undone.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

import numpy as np

from liftbite.core.job.build import Build
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effect import Effect, EffectOf, of_length
from liftbite.core.measure.limit import Limit, LimitName
from liftbite.core.measure.limits import limits_of
from liftbite.core.measure.reading import Readings
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.sweep import Sweep, tir_alone


def effects_of() -> dict[str, EffectOf]:
    """Check -> what its readings enter, those of the set-up's calculations among them, in the order of work."""
    known = {name: check.effect for name, check in CHECKS.items() if check.effect is not None}
    for calculation in CALCULATIONS.values():
        known |= calculation.effects
    return {check: known[check] for check in CHECKS if check in known}


def _swept(build: Build, check: str, tir: float, why: str, limits: Sequence[Limit]) -> list[Effect]:
    """A total indicator reading, and the manual's limit with it."""
    swept = CHECKS[check].swept
    assert swept is not None
    quantity, limit = swept.enters, swept.limit
    if check == "disc_wobble":
        outer, inner = build.known.get("outer_diameter"), build.known.get("inner_diameter")
        if outer is None or inner is None:
            return []
        tir, why = tir * (outer + inner) / 2 / outer, "the rim's full reading, taken down to the mean radius"
    found = [of_length(check, quantity, tir, why)]
    allowed = next((f for f in limits if f.name == "most" and f.mark == "manual" and f.value is not None), None)
    if limit and allowed is not None and allowed.value is not None:
        found.append(of_length(check, limit, allowed.value, f"the manual's: {allowed.why}"))
    return found


def _of_sweeps(
    sweeps: Mapping[str, Sweep], readings: Readings, scales: Mapping[str, float]
) -> Iterator[tuple[str, float, str]]:
    """What the sweeps of a job came to; of one that does not close nothing, of one without angles what was read."""
    for check in (name for name, each in CHECKS.items() if each.swept is not None and each.swept.enters):
        sweep, alone = sweeps.get(check), tir_alone(readings.get(check, ()))
        if sweep is not None and sweep.stands:
            yield check, sweep.tir, "total indicator reading of the sweep"
        elif sweep is None and alone is not None and alone.si is not None:
            yield check, abs(alone.si) * scales.get(check, 1.0), "total indicator reading, taken without angles"


def effects(
    build: Build,
    readings: Readings,
    manual: Mapping[str, Mapping[LimitName, tuple[float, str]]] | None = None,
    entered: Build | None = None,
    sweeps: Mapping[str, Sweep] | None = None,
    scales: Mapping[str, float] | None = None,
    said: Mapping[str, str] | None = None,
) -> list[Effect]:
    """Every quantity of the job that its readings change, in the order of work.

    Parameters
    ----------
    build : the job as it stands
    readings : check -> readings in force
    manual : check -> limits typed for this vehicle, as `findings.limits_of` takes them
    sweeps : check -> its sweep in force, from `sweeps.sweep_of`
    said : what was said where a calculation asks
    scales : face -> from the radius swept to the one its limit is meant at, from `sweep.scale_of`
    entered : the job without what was measured, from `ledger.as_entered`: a cut is taken from that, and so only once
    """
    found: list[Effect] = []
    for check, effect in effects_of().items():
        limits = limits_of(CHECKS[check], build, (manual or {}).get(check, {}))
        stood = entered if entered is not None and effect.once else build
        found += effect.told(stood, readings, said or {}) if effect.told else effect.work_out(stood, readings, limits)
    for check, tir, why in _of_sweeps(sweeps or {}, readings, scales or {}):
        found += _swept(build, check, tir, why, limits_of(CHECKS[check], build, (manual or {}).get(check, {})))
    return [e for e in found if not _stands_already(build, e)]


def _stands_already(build: Build, effect: Effect) -> bool:
    entry = build.entries.get(effect.quantity)
    if entry is None:
        return effect.si == 0 and effect.quantity in build.chosen.assumed and build.known[effect.quantity] == 0
    if effect.si is None or entry.si is None:
        return entry.typed == effect.typed
    return bool(np.isclose(entry.si, effect.si, rtol=1e-3, atol=1e-9))
