"""True: does it run true: speed, balance, joints, and runout where it was swept?

- `true_verdict`   the answer

What could let go stops the job; a runout over its limit is put right before the gearbox goes in.
"""

from __future__ import annotations

from dataclasses import replace

from liftbite.core.graph.graph import Refused
from liftbite.core.job.build import Build
from liftbite.core.verdicts.criteria import HIGH, criteria_of
from liftbite.core.verdicts.rolled import rolled, still_open, stopped
from liftbite.core.verdicts.rows import Rows, look
from liftbite.core.verdicts.verdict import Verdict

#: Without one of these a car's answer is not a good one: whether the flywheel stands its speed.
_FIRST = "burst_margin"
_STANDS = (_FIRST, "certified_margin")


def true_verdict(build: Build) -> Verdict:
    """Does it run true?"""
    rows = [c for c in criteria_of("true") if c.value in build.graph.functions]
    seen = build.ready([c.value for c in rows])
    first = _FIRST if _FIRST in build.graph.functions else "plain_warp_margin"
    if not seen:
        return still_open("true", build, build.lacks((first,)))
    v = build.evaluate(seen, stage=build.stage, friction=HIGH)
    refused = next((v[n] for n in seen if isinstance(v[n], Refused)), None)
    if refused is not None:
        return stopped("true", build, refused)
    looked = look(build, "true")
    judged = [link for link in looked.links if link.grade != "note"]
    if not judged:
        return still_open("true", build, build.lacks((first,)))
    runouts = [c.key for c in rows if c.together == "runout"]
    verdict = rolled("true", Rows(looked.links, _once(looked.unseen, runouts)), None, None, "burst_speed")
    stands = any(link.name in _STANDS for link in judged)
    if verdict.state == "runs true" and not stands and _FIRST in build.graph.functions:
        return replace(verdict, state="look again")
    return verdict


def _once(unseen: tuple[str, ...], runouts: list[str]) -> tuple[str, ...]:
    """What was not looked at; runout is named once where nothing was swept."""
    swept = [key for key in unseen if key in runouts]
    rest = tuple(key for key in unseen if key not in runouts)
    return (*rest, "runout") if runouts and len(swept) == len(runouts) else (*rest, *swept)
