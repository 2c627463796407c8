"""Clamp and margin over the wear of the stack, and what ends its life first: facings, clamp or bearing.

- `Life`   the curves and the ends
- `life`   from a build

Clamp is not monotone in wear: a diaphragm rises to its peak before it drops. So the whole range is scanned, and the
target counts as lost at the first wear at which the margin goes below it.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.torque_curve import Array

_POINTS = 141


@dataclass(frozen=True, eq=False)
class Life:
    """The stack from new to its limit.

    Attributes
    ----------
    wear : thickness lost by all discs [m]
    clamp : clamp load over wear [N], NaN where the clutch would be open
    margin : bite margin over wear, at the place in the friction band asked for [-]
    target : margin asked for [-]
    clamp_new, clamp_peak, clamp_limit : new, largest and at the wear limit [N]
    wear_at_peak : where the clamp is largest [m]
    target_lost : wear at which the margin first goes below the target [m]; 0 where it never reaches it, None where it
        keeps it to the limit
    ends : what can end the life with the wear at which it does [m], first first
    shims_at : wear of the inner disc at which a twin's stands want new shims [m]: a service, not an end; or None
    """

    wear: Array
    clamp: Array
    margin: Array
    target: float
    clamp_new: float
    clamp_peak: float
    clamp_limit: float
    wear_at_peak: float
    target_lost: float | None
    ends: tuple[tuple[str, float], ...]
    shims_at: float | None = None

    @property
    def lowest_margin(self) -> float:
        """Lowest margin between new and the wear limit [-]."""
        return float(np.nan_to_num(self.margin, nan=0.0).min())


def life(build: Build, *, stage: float, friction: float) -> Life | Needs | Refused:
    """Clamp and margin from new to the wear limit, or what is missing or impossible."""
    states = {"stage": stage, "friction": friction}
    new = build.evaluate(("bite_margin", "wear_limit", "use_factor", "bearing_wear", "sleeve_wear"), **states)
    for name in ("bite_margin", "wear_limit", "use_factor"):
        if isinstance(new[name], Needs | Refused):
            found: Needs | Refused = new[name]
            return found
    limit, target = float(new["wear_limit"]), float(new["use_factor"])
    wear = np.linspace(0.0, limit, _POINTS)
    worn = build.evaluate(("clamp_load", "bite_margin"), **states, wear=wear)
    clamp = np.broadcast_to(np.asarray(worn["clamp_load"], dtype=np.float64), wear.shape)
    margin = np.broadcast_to(np.asarray(worn["bite_margin"], dtype=np.float64), wear.shape)
    lost = _first_below(wear, margin, target)
    ends = [("facings", limit)]
    if lost is not None:
        ends.append(("clamp", lost))
    worn_off = float(build.known.get("wear", 0.0))  # the reserve was measured with the discs as they are
    for name, left in (("bearing", new["bearing_wear"]), ("sleeve", new["sleeve_wear"])):
        if not isinstance(left, Needs | Refused) and np.isfinite(left):
            ends.append((name, worn_off + float(left)))
    peak = int(np.nanargmax(clamp))
    at_peak = _wear_at_peak(build, states, float(wear[peak]), limit)
    return Life(
        wear,
        clamp,
        margin,
        target,
        float(clamp[0]),
        float(clamp[peak]),
        float(clamp[-1]),
        at_peak,
        lost,
        tuple(sorted(ends, key=lambda pair: pair[1])),
        _shims_at(build, limit),
    )


def _shims_at(build: Build, limit: float) -> float | None:
    """Wear of a twin's inner disc at which its floater leaves the outer one too little, within its life."""
    if build.known.get("disc_count") != 2 or "reshim_wear" not in build.graph.functions:
        return None
    found = build.evaluate(("reshim_wear",))["reshim_wear"]
    return float(found) if not isinstance(found, Needs | Refused) and 0 < float(found) < limit / 2 else None


def _wear_at_peak(build: Build, states: Mapping[str, float], scanned: float, limit: float) -> float:
    """The wear at which the clamp is largest: a diaphragm's own, where its peak lies within the life."""
    if "peak_wear" not in build.graph.functions or build.chosen.has("self-adjusting cover"):
        return scanned
    found = build.evaluate(("peak_wear",), **states)["peak_wear"]
    return scanned if isinstance(found, Needs | Refused) or not 0 < float(found) < limit else float(found)


def _first_below(wear: Array, margin: Array, target: float) -> float | None:
    short = ~(margin >= target)
    if not short.any():
        return None
    i = int(short.argmax())
    if i == 0 or not np.isfinite(margin[i]):
        return float(wear[i])
    share = (margin[i - 1] - target) / (margin[i - 1] - margin[i])
    return float(wear[i - 1] + share * (wear[i] - wear[i - 1]))
