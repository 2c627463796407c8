"""Bite: does it hold the torque?

- `bite_verdict`   the answer, for the planned stage and in the state it stands in
- `band_of`        a result over the friction band
- `lasts_until`    the wear at which it first falls short
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Known, Needs, Refused
from liftbite.core.job.build import PLANNED, Build
from liftbite.core.job.refusal import Refusal, refusal_of
from liftbite.core.quantities.torque_curve import intervals_above
from liftbite.core.verdicts.criteria import HIGH, LOW, NOMINAL
from liftbite.core.verdicts.rolled import rolled, still_open
from liftbite.core.verdicts.rows import engine_of, look
from liftbite.core.verdicts.verdict import Band, Verdict


def band_of(value: Any) -> Any:
    """A result over the friction band; what has no value stays as it is."""
    if isinstance(value, float):
        return Band(float(value), float(value), float(value))
    if isinstance(value, np.ndarray) and value.shape == (3,):
        return Band(*value.tolist())
    if isinstance(value, Needs | Refused):
        return value
    if np.ndim(value) == 0:
        return Band(float(value), float(value), float(value))
    low, nominal, high = np.broadcast_to(np.asarray(value, dtype=np.float64), 3)
    return Band(float(low), float(nominal), float(high))


def bite_verdict(build: Build, values: Known, values_now: Known, refusals: Mapping[str, Refusal]) -> Verdict:
    """Does it hold the torque?

    Parameters
    ----------
    build : the job
    values, values_now : results over the friction band, for the stage it is judged for and as it is
    refusals : values that cannot exist, by quantity
    """
    margin, target = values["bite_margin"], values["use_factor"]
    if refusals:
        return Verdict("bite", "cannot be", "refused", refused=next(iter(refusals.values())))
    missing = frozenset().union(*(v.names for v in (margin, target) if isinstance(v, Needs)))
    if missing:
        return still_open("bite", build, missing)
    band, now = band_of(margin), band_of(values_now["bite_margin"])
    return _impossible(build, band) or _judged(build, values, band, now, float(target))


def _impossible(build: Build, band: Band) -> Verdict | None:
    """An answer whose margin has no value at a place of the friction band, such as ramps that lock themselves."""
    for place, value, name in ((LOW, band.low, "low"), (NOMINAL, band.nominal, "nominal"), (HIGH, band.high, "high")):
        if not np.isfinite(value):
            found = build.evaluate(("bite_margin",), stage=PLANNED, friction=place)["bite_margin"]
            why = refusal_of(found.error, build) if isinstance(found, Refused) else None
            return Verdict("bite", "cannot be", "refused", facts={"place": name}, refused=why)
    return None


def _judged(build: Build, values: Known, band: Band, now: Band, target: float) -> Verdict:
    found = replace(rolled("bite", look(build, "bite"), band, target, HEADLINE), margin_now=now)
    if found.state == "slips":
        held, peak = band_of(values["holdable_engine_torque"]), float(values["peak_engine_torque"])
        return replace(
            found,
            facts={"engine": engine_of(build), "even_at": "high" if held.high < peak else "nominal"},
            figures={"holds": held.nominal, "peak": peak},
            slips=tuple(intervals_above(values["engine_curve"], held.nominal)),
        )
    life = lasts_until(build, target) if found.state == "holds" else None
    return found if life is None else replace(found, figures={"thin_from": life})


#: What is shown of Bite where nothing falls short.
HEADLINE = "torque_reserve"
_POINTS = 61


def lasts_until(build: Build, target: float) -> float | None:
    """The smallest wear at which it first falls short of its use or slips at low friction, hot; None where none does.

    Parameters
    ----------
    build : the job, which stands at the wear found
    target : margin its use asks for at nominal friction [-]

    Returns
    -------
    wear of the whole stack [m], from what it has lost already to its limit
    """
    limit = build.evaluate(("wear_limit",))["wear_limit"]
    if isinstance(limit, Needs | Refused):
        return None
    start = float(build.known.get("wear", 0.0))
    if not float(limit) > start:
        return None
    wear = np.linspace(start, float(limit), _POINTS)
    hot = build.evaluate(("hot_temperature",), stage=build.stage)["hot_temperature"]
    states = {} if isinstance(hot, Needs | Refused) else {"facing_temperature": float(hot)}
    cases = [(NOMINAL, target, {}), (LOW, 1.0, {}), *([(LOW, 1.0, states)] if states else [])]
    reserve = np.full(_POINTS, np.inf)
    for place, need, more in cases:
        found = build.evaluate(("bite_margin",), stage=build.stage, friction=place, wear=wear, **more)["bite_margin"]
        if not isinstance(found, Needs | Refused):
            reserve = np.minimum(reserve, np.nan_to_num(np.broadcast_to(found, _POINTS), nan=0.0) / need)
    short = np.flatnonzero(reserve < 1)
    if not short.size:
        return None
    i = int(short[0])
    if i == 0:
        return start
    share = (reserve[i - 1] - 1) / (reserve[i - 1] - reserve[i])
    return float(wear[i - 1] + share * (wear[i] - wear[i - 1]))
