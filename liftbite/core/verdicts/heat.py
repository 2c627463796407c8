"""Heat: does it survive the way it is used? By the closed form of a start, over the friction band.

- `heat_verdict`   the answer
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Refused
from liftbite.core.job.build import Build
from liftbite.core.units.show import figure
from liftbite.core.verdicts.criteria import HIGH, LOW, NOMINAL, criteria_of, look
from liftbite.core.verdicts.rolled import rolled, still_open, stopped
from liftbite.core.verdicts.verdict import Band, Verdict

#: What the answer shows beside its rows.
_SHOWN = ("slip_energy", "slip_time", "starts_to_limit")


def heat_verdict(build: Build) -> Verdict:
    """Does it survive the way it is used?"""
    needed = tuple(dict.fromkeys(n for c in criteria_of("heat") for n in c.wants))
    missing = build.lacks((*needed, *_SHOWN[:2]))
    if missing:
        return still_open("heat", build, missing)
    v = build.evaluate((*needed, *_SHOWN), stage=build.stage)
    refused = next((v[n] for n in (*needed, *_SHOWN) if isinstance(v[n], Refused)), None)
    if refused is not None and refused.error.quantity == "closing_rate":
        apart = figure(-refused.error.value, 3)
        sentence = "Never locks: the clutch is let to carry less than engine and road bring, so it slips on without end"
        return Verdict("heat", "cooks", f"{sentence} (speeds part by {apart} rad/s each second).")
    if refused is not None:
        return stopped("heat", build, refused)
    over = build.evaluate(
        ("heat_margin", "sustained_margin"), stage=build.stage, friction=np.array([LOW, NOMINAL, HIGH])
    )
    three = np.broadcast_to(np.minimum(over["heat_margin"], over["sustained_margin"]), 3)
    return rolled("heat", look(build, "heat"), Band(float(three.min()), float(three[1]), float(three.max())), 1.0)
