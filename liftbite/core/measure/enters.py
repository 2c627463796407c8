"""What readings of a check enter into the job, for the table of checks: wear, lengths, a weight, a period, the worst.

- `rivets_enter`, `plates_enter`   wear
- `springs_enter`     each spring's length
- `weight_enters`, `swing_enters`   a flywheel's weight, and the period of its swing
- `worst_enters`      the largest reading, and the manual's limit with it
"""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf, in_millimetres, of_length
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.limit import Limit, value_of
from liftbite.core.measure.reading import Readings, mean_by_item, values_of

#: Swings that are timed together, and the doubt of one timing [s].
SWINGS, STOPWATCH = 20, INSTRUMENT_KINDS["stopwatch"].uncertainty


def plates_enter(build: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    """Wear of the pack by the mean thickness of every plate."""
    means, new = mean_by_item(readings, "plate_thickness"), value_of(limits, "new")
    if not means or new is None:
        return []
    count = int(build.known.get("friction_plate_count", len(means)))
    if len(means) < count:
        return []  # a plate nobody read is not a plate without wear
    lost = max(new - float(np.mean(list(means.values()))), 0.0) * count
    why = f"{count} plates of {in_millimetres(new)} new, by their mean thickness"
    return [of_length("plate_thickness", "wear", lost, why)]


def rivets_enter(build: Build, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    """Wear by the depth to the rivets on both sides of each disc."""
    new = value_of(limits, "new")
    if new is None or not values_of(readings, "rivet_depth"):
        return []
    lost: dict[str, float] = {}
    for item in (f"Disc {number + 1}" for number in range(max(1, int(build.known.get("disc_count", 1))))):
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


def springs_enter(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    """Each spring's own length."""
    by_spring = mean_by_item(readings, "spring_free_length")
    if len(by_spring) != int(build.known.get("spring_count", -1)):
        return []
    ordered = sorted(by_spring, key=lambda item: int(item.rsplit(" ", 1)[1]))
    typed = "; ".join(in_millimetres(by_spring[item]) for item in ordered)
    why = "each spring's own length, in order round the plate"
    return [
        Effect("spring_free_length", "spring_lengths", "each", None, why),
        Effect("spring_free_length", "spring_free_lengths", typed, None, why),
    ]


def weight_enters(_: Build, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    """The weight as read last."""
    values = values_of(readings, "flywheel_weight")
    if not values:
        return []
    return [Effect("flywheel_weight", "flywheel_mass", f"{round(values[-1], 4):g} kg", values[-1], "as weighed")]


def swing_enters(_: Build, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    """The period of one swing."""
    values = values_of(readings, "flywheel_swing")
    if not values:
        return []
    period = float(np.mean(values)) / SWINGS
    doubt = STOPWATCH / SWINGS / len(values) ** 0.5
    why = f"a twentieth of {len(values)} timing{'s' if len(values) > 1 else ''}, ± {doubt:.2g} s by the thumb"
    return [Effect("flywheel_swing", "swing_period", f"{round(period, 4):g} s", period, why)]


def worst_enters(check: str, quantity: str, why: str) -> EffectOf:
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
