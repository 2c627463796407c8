"""What would mend an answer soonest.

- `soonest`   the smallest single changes that bring the weakest link of an answer to what is needed
"""

from __future__ import annotations

from liftbite.core.analysis.goal_seek import Sought, seek_all
from liftbite.core.job.build import Build
from liftbite.core.verdicts.criteria import criteria_of
from liftbite.core.verdicts.verdict import Verdict


def soonest(build: Build, verdict: Verdict, most: int = 3) -> list[Sought]:
    """The smallest single changes that reach what is needed, at most `most` of them."""
    link = verdict.deciding
    if link is None or link.grade not in {"short", "bad"} or verdict.state == "does not fit":
        return []
    name = link.name
    if not name.endswith("_margin"):
        name = "bite_margin" if verdict.question == "bite" else ""
    if name not in build.graph.functions:
        return []
    row = next(c for c in criteria_of(verdict.question) if c.key == link.key)
    target = link.limit if row.value == name and not row.shows else row.need if isinstance(row.need, float) else 1.0
    return [s for s in seek_all(build, name, target, stage=build.stage, friction=row.friction) if s.reached][:most]
