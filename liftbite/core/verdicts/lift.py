"""Lift: does it let go, at an effort the driver can live with?

- `lift_verdict`   the answer; its band is from new to the wear limit
"""

from __future__ import annotations

from liftbite.core.analysis.stroke import STROKE_NEEDS
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.verdicts.criteria import LIFT_NEW
from liftbite.core.verdicts.rolled import rolled, still_open, stopped
from liftbite.core.verdicts.rows import look
from liftbite.core.verdicts.verdict import Band, Verdict


def lift_verdict(build: Build) -> Verdict:
    """Does it let go?"""
    lacks = build.lacks(("lift_margin", "least_lift_margin", "pedal_effort"))
    if lacks:
        return still_open("lift", build, lacks)
    wanted = (*STROKE_NEEDS, "lift_margin", "least_lift_margin")
    v = build.evaluate((*wanted, "wear_limit"))
    for name in wanted:
        if isinstance(v[name], Needs):
            return still_open("lift", build, v[name].names)
        if isinstance(v[name], Refused):
            return stopped("lift", build, v[name])
    ends = [margin := float(v["lift_margin"])]
    limit = v["wear_limit"]
    if not isinstance(limit, Needs | Refused):
        worn = build.evaluate(("lift_margin",), wear=float(limit))["lift_margin"]
        ends += [] if isinstance(worn, Needs | Refused) else [float(worn)]
    return rolled("lift", look(build, "lift"), Band(min(ends), margin, max(ends)), LIFT_NEW, "comfortable_lift")
