"""Bite: does it hold the torque?

- `bite_verdict`   the answer, judged at the low end of the friction band and for the planned stage
- `band_of`        a result over the friction band
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Known, Needs, Refused
from liftbite.core.job.build import PLANNED, Build, both, label_of, refusal
from liftbite.core.job.choices import CHOICES
from liftbite.core.quantities.torque_curve import TorqueCurve, intervals_above
from liftbite.core.units.show import figure
from liftbite.core.verdicts.criteria import HIGH, LOW, NOMINAL, look
from liftbite.core.verdicts.verdict import Answer, Band, Verdict


def band_of(value: Any) -> Any:
    """A result over the friction band; what has no value stays as it is."""
    if isinstance(value, Needs | Refused):
        return value
    if isinstance(value, float | int) or np.ndim(value) == 0:
        return Band(float(value), float(value), float(value))
    if value.shape == (3,):
        return Band(*value.tolist())
    low, nominal, high = np.broadcast_to(np.asarray(value, dtype=np.float64), 3)
    return Band(float(low), float(nominal), float(high))


def bite_verdict(build: Build, values: Known, values_now: Known, refusals: Mapping[str, str]) -> Verdict:
    """Does it hold the torque?

    Parameters
    ----------
    build : the job
    values, values_now : results over the friction band, for the stage it is judged for and as it is
    refusals : sentences on values that cannot exist
    """
    margin, target = values["bite_margin"], values["use_factor"]
    pressure = values["pressure_margin"]
    if refusals:
        return Verdict("bite", "cannot be", next(iter(refusals.values())))
    missing = frozenset().union(*(v.names for v in (margin, target, pressure) if isinstance(v, Needs)))
    if missing:
        names = build.chosen.to_ask(missing)
        return Verdict("bite", "open", f"Needs {_listed([_asked_for(n) for n in names])}.", needs=names)
    band, now = band_of(margin), band_of(values_now["bite_margin"])
    impossible = _impossible(build, band)
    if impossible:
        return Verdict("bite", "cannot be", impossible)
    return _judged(build, values, band, now, float(target))


def _impossible(build: Build, band: Band) -> str:
    """Why the margin has no value at a place of the friction band, such as ramps that lock themselves; else empty."""
    for place, value, words in ((LOW, band.low, "low"), (NOMINAL, band.nominal, "nominal"), (HIGH, band.high, "high")):
        if not np.isfinite(value):
            found = build.evaluate(("bite_margin",), stage=PLANNED, friction=place)["bite_margin"]
            why = refusal(found.error, build) if isinstance(found, Refused) else "The margin has no value there."
            return f"At {words} friction: {why}"
    return ""


def _asked_for(name: str) -> str:
    choice = CHOICES.get(name)
    return (choice.asks if choice else "") or label_of(name).lower()


def _listed(words: list[str]) -> str:
    return words[0] if len(words) == 1 else ", ".join(words[:-1]) + " and " + words[-1] if words else ""


def _judged(build: Build, values: Known, band: Band, now: Band, target: float) -> Verdict:
    looked = look(build, "bite")
    weakest = looked.weakest
    state: Answer
    if looked.bad:
        engine = "planned engine" if build.has_plan else "engine"
        held = both(float(band_of(values["holdable_engine_torque"]).low), "N·m")
        made = both(float(values["peak_engine_torque"]), "N·m")
        state = "slips"
        sentence = f"Slips at low friction: holds {held} at the crank, the {engine} makes {made}{_where(values)}."
    elif weakest.reserve < 1:
        state, sentence = "thin", f"Thin on {weakest.label}: {weakest.sentence}."
    else:
        state = "holds"
        sentence = f"Holds: {looked.link('bite_margin').sentence}. Nearest to its limit: {weakest.label}."
    return Verdict("bite", state, sentence, band, now, target, looked.links)


def _where(values: Known) -> str:
    curve: TorqueCurve = values["engine_curve"]
    stretches = intervals_above(curve, band_of(values["holdable_engine_torque"]).low)
    return ", from " + " and ".join(f"{_rpm(a)} to {_rpm(b)} rpm" for a, b in stretches) if stretches else ""


def _rpm(speed: float) -> str:
    return figure(round(speed * 60 / (2 * np.pi), -1))
