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
from liftbite.core.job.build import PLANNED, Build, label_of, refusal
from liftbite.core.job.choices import CHOICES
from liftbite.core.quantities.torque_curve import TorqueCurve, intervals_above
from liftbite.core.units.sentence import both, both_fine
from liftbite.core.units.show import figure
from liftbite.core.verdicts.criteria import HIGH, LOW, NOMINAL
from liftbite.core.verdicts.looked import look
from liftbite.core.verdicts.rolled import capital, rolled, unseen_words
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


def bite_verdict(build: Build, values: Known, values_now: Known, refusals: Mapping[str, str]) -> Verdict:
    """Does it hold the torque?

    Parameters
    ----------
    build : the job
    values, values_now : results over the friction band, for the stage it is judged for and as it is
    refusals : sentences on values that cannot exist
    """
    margin, target = values["bite_margin"], values["use_factor"]
    if refusals:
        return Verdict("bite", "cannot be", next(iter(refusals.values())))
    missing = frozenset().union(*(v.names for v in (margin, target) if isinstance(v, Needs)))
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
    found = rolled("bite", looked, band, target, HEADLINE)
    engine = "planned engine" if build.has_plan else "engine"
    made = both(float(values["peak_engine_torque"]), "N·m")
    sentence = f"{capital(found.state)}: {found.deciding.sentence if found.deciding else ''}."
    if found.state == "slips":
        held = band_of(values["holdable_engine_torque"])
        places = [
            words for words, at in (("nominal", held.nominal), ("high", held.high)) if at < values["peak_engine_torque"]
        ]
        at = " and even at ".join(places)
        carries = both(float(held.nominal), "N·m")
        sentence = f"Slips at {at} friction: holds {carries} at the crank, the {engine} makes {made}{_where(values)}."
    elif found.deciding is not None and found.deciding.label != HEADLINE:
        sentence = f"{capital(found.state)} on {found.deciding.label}: {found.deciding.sentence}."
    life = lasts_until(build, target) if found.state == "holds" else None
    if life is not None:
        sentence += f" Thin from {both_fine(life, 'm')} of wear."
    return replace(found, margin_now=now, sentence=sentence + unseen_words(looked.unseen))


#: What is shown of Bite where nothing falls short.
HEADLINE = "torque reserve"
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


def _where(values: Known) -> str:
    curve: TorqueCurve = values["engine_curve"]
    stretches = intervals_above(curve, band_of(values["holdable_engine_torque"]).nominal)
    return ", from " + " and ".join(f"{_rpm(a)} to {_rpm(b)} rpm" for a, b in stretches) if stretches else ""


def _rpm(speed: float) -> str:
    return figure(round(speed * 60 / (2 * np.pi), -1))
