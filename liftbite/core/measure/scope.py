"""How far a job goes: which checks are asked for.

- `SCOPES`, `asked_in`   how far the job goes, and whether a check belongs to it

[practice: what is looked at while it is open; no source].
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.job.parts import OPENINGS, reached
from liftbite.core.measure.check import Check

#: Scope -> what it is called: every opening, and a job that follows its complaint and asks for nothing by itself.
SCOPES: Mapping[str, str] = {
    "everything": "Everything",
    "clutch_flywheel": "Clutch and flywheel",
    "clutch": "Clutch",
    "bearing": "Release bearing",
    "hydraulics": "Hydraulics only",
    "complaint": "Complaint only",
}


def asked_in(scope: str, check: Check) -> bool:
    """True where a scope asks for a check; a scope nobody set asks for everything, and every one for what a job added.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> asked_in("hydraulics", CHECKS["slave_travel"]), asked_in("hydraulics", CHECKS["ring_gear"])
    (True, False)
    """
    if check.own or scope not in SCOPES:
        return True
    return scope in OPENINGS and reached(check.part, scope)
