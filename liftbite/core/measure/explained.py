"""How a verdict of the bench was worked out, line by line, with its figures, its rule and whose it is.

- `finding_explained`   readings against limits, life, distance
- `sweep_explained`     the fit of a circle and the dowel

The sums of the set-up are told in `proofs_said`.
"""

from __future__ import annotations

from collections.abc import Sequence

from liftbite.core.measure.check import Check
from liftbite.core.measure.instruments import GUARD_RULES
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.limit import Limit, value_of
from liftbite.core.measure.sweep import Sweep
from liftbite.core.units.sentence import both_fine
from liftbite.core.units.show import figure

ISO = "[memory: ISO 14253-1:2017, rules for deciding]"


def finding_explained(check: Check, finding: Finding, limits: Sequence[Limit], rule: str) -> tuple[str, ...]:
    """How the readings of a check came to their verdict; empty while nothing was held against anything.

    >>> from liftbite.core.measure.checks import CHECKS
    >>> finding_explained(CHECKS["basket"], Finding("basket", "open"), (), "full")
    ()
    """
    share = GUARD_RULES[rule][1]
    said = []
    for held in finding.held:
        limit = held.limit
        if limit.value is None:
            continue
        least = limit.name == "least"
        inside = held.value - limit.value if least else limit.value - held.value
        terms = (held.value, limit.value) if least else (limit.value, held.value)
        first, second = (both_fine(v, check.unit) for v in terms)
        said.append(f"Inside the limit by {first} − {second} = {both_fine(inside, check.unit)}.")
        of_two = limit.name == "spread" or check.kind == "sweep"
        doubt = "√(U₁² + U₂²), of two readings," if of_two else "U"
        said.append(
            f"Guard band {figure(share, 3)} · {doubt} = {both_fine(held.guard, check.unit)}, k = 2. Inside by "
            f"more passes, outside by more fails, between is too close to call {ISO}."
        )
    if finding.used is not None:
        said += _life(check, finding, limits)
    return tuple(said)


def _life(check: Check, finding: Finding, limits: Sequence[Limit]) -> list[str]:
    assert finding.used is not None
    new = value_of(limits, "new")
    least = next((h for h in finding.held if h.limit.name == "least"), None)
    if new is None or least is None or least.limit.value is None:
        return []
    low, best, high = (round(u * 100) for u in finding.used)
    a, b, c = (both_fine(v, check.unit) for v in (new, least.value, least.limit.value))
    return [f"Life used = (new − now)/(new − limit) = ({a} − {b})/({a} − {c}) = {best} %, {low} to {high} % with ± U."]


def sweep_explained(check: Check, sweep: Sweep) -> tuple[str, ...]:
    """How a sweep came to its centre, and its dowel."""
    unit, fit = check.unit, sweep.fit
    e = float(fit.eccentricity)
    sign = (
        "From inside, the wall is nearest where the dial reads highest: distance d = −r."
        if check.from_inside
        else "The surface is nearest where the dial reads highest: distance d = r."
    )
    what = "half the lean" if check.of_face else "off centre"
    said = [
        f"{sign} The bracket's sag · cos θ is taken off first.",
        "Least squares of d = a + b·cos θ + c·sin θ, with 2θ from six angles up: e = √(b² + c²), φ = atan2(c, b).",
        f"e, {what}, = {both_fine(e, unit)} ± {both_fine(sweep.doubt, unit)} (U·√(2/n)), n = {len(sweep.angles)}; "
        f"total indicator reading = largest − smallest = {both_fine(float(fit.tir), unit)}, of the fit 2·e.",
    ]
    if sweep.dowels:
        best = sweep.dowels[0]
        said.append(
            f"Dowel: the housing moves against φ, so the high side stands at φ + 180°; what is left is "
            f"2·|e − offset| = 2·|{both_fine(e, unit)} − {both_fine(best.offset, unit)}| = "
            f"{both_fine(best.residual, unit)} [practice]."
        )
    return tuple(said)
