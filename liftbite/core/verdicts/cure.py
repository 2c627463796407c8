"""What would mend an answer soonest.

- `soonest`   the smallest single changes that bring the weakest link of an answer to what is needed
"""

from __future__ import annotations

from liftbite.core.analysis.goal_seek import Sought, seek_all
from liftbite.core.job.build import Build
from liftbite.core.verdicts.criteria import HIGH, LIFT_NEW, LOW
from liftbite.core.verdicts.verdict import Verdict


def soonest(build: Build, verdict: Verdict, most: int = 3) -> list[Sought]:
    """The smallest single changes that reach what is needed, at most `most` of them."""
    if not verdict.links or verdict.links[0].reserve >= 1:
        return []
    name = verdict.links[0].name
    if not name.endswith("_margin"):
        name = "bite_margin" if verdict.question == "bite" else ""
    if name not in build.graph.functions:
        return []
    target = {"bite_margin": verdict.target, "lift_margin": LIFT_NEW}.get(name) or 1.0
    friction = 0.0 if verdict.question != "bite" else LOW if name == "bite_margin" else HIGH
    return [s for s in seek_all(build, name, target, stage=build.stage, friction=friction) if s.reached][:most]
