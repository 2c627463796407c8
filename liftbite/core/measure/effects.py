"""What measured values do to the four questions: entries for the job's ledger, with what stood there before.

- `EFFECTS`, `effects_of`   how the readings of a check come to entries
- `effects`                 every effect of the readings of a job

Nothing is changed here. An effect taken into the job is an entry like any other, marked measured, and can be undone.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

import numpy as np

from liftbite.core.job.build import Build
from liftbite.core.measure.check import Limit, LimitName
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effect import Effect, EffectOf, in_millimetres, of_length
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.judgement import Readings, mean_by_item, values_of
from liftbite.core.measure.limits import limits_of, value_of
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.sweep import Sweep, tir_alone

#: Swings that are timed together, and the doubt of one timing [s].
SWINGS, STOPWATCH = 20, INSTRUMENT_KINDS["stopwatch"].uncertainty


def _plates(build: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    means, new = mean_by_item(readings, "plate_thickness"), value_of(limits, "new")
    if not means or new is None:
        return []
    count = int(build.known.get("friction_plate_count", len(means)))
    if len(means) < count:
        return []  # a plate nobody read is not a plate without wear
    lost = max(new - float(np.mean(list(means.values()))), 0.0) * count
    why = f"{count} plates of {in_millimetres(new)} new, by their mean thickness"
    return [of_length("plate_thickness", "wear", lost, why)]


def _rivets(build: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    new = value_of(limits, "new")
    if new is None or not values_of(readings, "rivet_depth"):
        return []
    lost: dict[str, float] = {}
    for item in dict.fromkeys(p.item for p in CHECKS["rivet_depth"].places(build)):
        for side in ("flywheel side", "plate side"):
            depths = values_of(readings, "rivet_depth", f"{item}, {side}")
            if not depths:
                return []  # a side nobody read is not a side without wear
            lost[item] = lost.get(item, 0.0) + max(new - float(np.mean(depths)), 0.0)
    why = f"both sides of each disc, {in_millimetres(new)} new"
    found = [of_length("rivet_depth", "wear", sum(lost.values()), why)]
    if int(build.known.get("disc_count", 1)) > 1 and "Disc 1" in lost:
        found.append(of_length("rivet_depth", "inner_wear", lost["Disc 1"], "disc 1 runs at the flywheel"))
    return found


def _springs(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    by_spring = mean_by_item(readings, "spring_free_length")
    if len(by_spring) != int(build.known.get("spring_count", -1)):
        return []
    ordered = sorted(by_spring, key=lambda item: int(item.rsplit(" ", 1)[1]))
    typed = "; ".join(in_millimetres(by_spring[item]) for item in ordered)
    why = "each spring's own length, in order round the plate"
    return [Effect("spring_free_length", "spring_lengths", "each", None, why),
            Effect("spring_free_length", "spring_free_lengths", typed, None, why)]  # fmt: skip


def _weight(_: Build, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    values = values_of(readings, "flywheel_weight")
    if not values:
        return []
    return [Effect("flywheel_weight", "flywheel_mass", f"{round(values[-1], 4):g} kg", values[-1], "as weighed")]


def _swing(_: Build, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    values = values_of(readings, "flywheel_swing")
    if not values:
        return []
    period = float(np.mean(values)) / SWINGS
    doubt = STOPWATCH / SWINGS / len(values) ** 0.5
    why = f"a twentieth of {len(values)} timing{'s' if len(values) > 1 else ''}, ± {doubt:.2g} s by the thumb"
    return [Effect("flywheel_swing", "swing_period", f"{round(period, 4):g} s", period, why)]


def _worst(check: str, quantity: str, why: str) -> EffectOf:
    """The largest reading of a check, and the manual's limit with it."""

    def effect(_: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
        values = values_of(readings, check)
        if not values:
            return []
        found = [of_length(check, quantity, float(np.max(values)), why)]
        allowed = next((f for f in limits if f.name == "most" and f.mark == "manual" and f.value is not None), None)
        if allowed is not None and allowed.value is not None:
            found.append(of_length(check, f"{check}_limit", allowed.value, f"the manual's: {allowed.why}"))
        return found

    return EffectOf(effect)


#: Check -> what its readings enter, of checks that feed no calculation of the set-up; those bring their own.
EFFECTS: Mapping[str, EffectOf] = {
    "rivet_depth": EffectOf(_rivets), "plate_thickness": EffectOf(_plates), "spring_free_length": EffectOf(_springs),
    "flywheel_weight": EffectOf(_weight), "flywheel_swing": EffectOf(_swing),
    "plain_warp": _worst("plain_warp", "plain_warp", "the worst plate read"),
    "push_rod": _worst("push_rod", "push_rod_bow", "the thickest blade that went under"),
}  # fmt: skip


def effects_of() -> dict[str, EffectOf]:
    """Check -> what its readings enter, those of the set-up's calculations among them, in the order of work."""
    known = dict(EFFECTS)
    for calculation in CALCULATIONS.values():
        known |= calculation.effects
    return {check: known[check] for check in CHECKS if check in known}


#: Sweep -> what its runout is entered as, and the limit it is held against there.
_SWEPT: Mapping[str, tuple[str, str]] = {
    "disc_wobble": ("disc_wobble", ""),
    "bore_runout": ("housing_bore_runout", "housing_bore_limit"),
    "housing_face": ("housing_face_runout", "housing_face_limit"),
    "flywheel_runout": ("flywheel_face_runout", "flywheel_face_limit"),
}


def _swept(build: Build, check: str, tir: float, why: str, limits: Sequence[Limit]) -> list[Effect]:
    """A total indicator reading, and the manual's limit with it."""
    quantity, limit = _SWEPT[check]
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
    for check in _SWEPT:
        sweep, alone = sweeps.get(check), tir_alone(readings.get(check, ()))
        if sweep is not None and sweep.stands:
            yield check, sweep.tir, "total indicator reading of the sweep"
        elif sweep is None and alone is not None and alone.si is not None:
            yield check, abs(alone.si) * scales.get(check, 1.0), "total indicator reading, taken without angles"


def effects(
    build: Build, readings: Readings, manual: Mapping[str, Mapping[LimitName, tuple[float, str]]] | None = None,
    entered: Build | None = None, sweeps: Mapping[str, Sweep] | None = None, scales: Mapping[str, float] | None = None,
    said: Mapping[str, str] | None = None,
) -> list[Effect]:  # fmt: skip
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
