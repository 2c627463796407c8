"""The answers of a job at one moment: results, verdict, chart, assumptions, and what is still missing.

In the order in which it is used:

- `RESULTS`   what the answer to Bite is read from
- `Chart`     engine torque over speed with the capacity across it
- `Answers`, `answer`   all of it
- `stands_on`   the assumptions behind one question

Bite is judged for the planned stage: that is the day it has to hold.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache, lru_cache
from typing import Any

import numpy as np

from liftbite.core.graph.graph import Known, Needs, Refused, functions_of
from liftbite.core.job.build import NOW, PLANNED, Build, build_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry, Unusual, unusual
from liftbite.core.job.refusal import Refusal, refusal_of
from liftbite.core.quantities.torque_curve import TorqueCurve, intervals_above
from liftbite.core.verdicts.bite import band_of, bite_verdict
from liftbite.core.verdicts.criteria import HIGH, LOW, NOMINAL, margins_of
from liftbite.core.verdicts.fits import misfit_links
from liftbite.core.verdicts.heat import heat_verdict
from liftbite.core.verdicts.lift import lift_verdict
from liftbite.core.verdicts.results import RESULTS_OF, asked_of, results_in
from liftbite.core.verdicts.rolled import misfitted
from liftbite.core.verdicts.true import true_verdict
from liftbite.core.verdicts.verdict import Band, Question, Verdict

#: Results of the first question, which no job is without.
RESULTS = RESULTS_OF["bite"]
_ALWAYS = tuple(n for n in RESULTS if n != "spring_rate")
_WANTED = (*_ALWAYS, "use_factor", "engine_curve")


@dataclass(frozen=True, slots=True)
class Chart:
    """Engine torque over speed, and the torque the clutch holds, all at the crank.

    Attributes
    ----------
    now, planned : torque curves; `planned` is None where nothing is planned
    holds : engine torque the clutch can hold, None while it cannot be worked out
    keeps : engine torque held with the reserve the use asks for, at nominal friction
    slips : stretches of speed [rad/s] in which the engine gets through at nominal friction
    """

    now: TorqueCurve
    planned: TorqueCurve | None
    holds: Band | None
    keeps: float | None
    slips: tuple[tuple[float, float], ...]


@dataclass(frozen=True, slots=True)
class Assumption:
    """A value or an option nobody entered: its name, what is taken, whose figure it is."""

    name: str
    value: float | None
    option: str | None
    mark: str
    why: str


@dataclass(frozen=True, slots=True)
class Answers:
    """All a job says at one moment.

    Attributes
    ----------
    build : what is known
    asked : inputs this arrangement has a field for, in the order of work
    results, results_now : result -> band, `Needs` or `Refused`, planned stage and as it is
    verdict : the answer to Bite
    others : the answers to Lift, Heat and True
    chart : None while there is no curve
    assumptions : what the answer stands on that nobody entered
    questions : input -> a question about an unusual figure
    refusals : values that cannot exist, by the quantity at fault
    """

    build: Build
    asked: tuple[str, ...]
    results: Known
    results_now: Known
    verdict: Verdict
    others: tuple[Verdict, ...]
    chart: Chart | None
    assumptions: tuple[Assumption, ...]
    questions: Mapping[str, Unusual]
    refusals: Mapping[str, Refusal]


def answer(entries: Mapping[str, Entry]) -> Answers:
    """Works a job out.

    >>> answer({"layout": Entry("layout", "dry_car")}).verdict.state
    'open'
    """
    build = build_of(entries)
    graph = build.graph
    shown = results_in(graph)
    wanted = (*(n for n in shown if n not in RESULTS or n == "spring_rate"), *_WANTED)
    values_now = _over_band(build, wanted, NOW)
    has_plan = build.has_plan
    values = _over_band(build, wanted, PLANNED) if has_plan else values_now
    asked = asked_of(build)
    refusals = _refusals(values, build)
    clashes = misfit_links(build)
    lift, heat, true = (
        misfitted(v, clashes.get(v.question, ()))
        for v in (lift_verdict(build), heat_verdict(build), true_verdict(build))
    )
    bite = misfitted(bite_verdict(build, values, values_now, refusals), clashes.get("bite", ()))
    bite, *others = (_if_typical(v, build) for v in (bite, lift, heat, true))
    seen = ("bite", *(v.question for v in others if v.state != "open"))
    results_now = {name: band_of(values_now[name]) for name in shown}
    return Answers(
        build=build,
        asked=asked,
        results={name: band_of(values[name]) for name in shown} if has_plan else results_now,
        results_now=results_now,
        verdict=bite,
        others=tuple(others),
        chart=_chart(values_now, values, has_plan),
        assumptions=_assumptions(build, *_rests_on(build, seen)),
        questions={e.quantity: q for e in entries.values() if e.quantity in asked and (q := unusual(e))},
        refusals=refusals,
    )


def bite_alone(entries: Mapping[str, Entry]) -> Verdict:
    """The answer to Bite and no other: what a whole answer says of it, without the time the others take.

    >>> bite_alone({"layout": Entry("layout", "dry_car")}).state
    'open'
    """
    build = build_of(entries)
    values_now = _over_band(build, _WANTED, NOW)
    values = _over_band(build, _WANTED, PLANNED) if build.has_plan else values_now
    found = bite_verdict(build, values, values_now, _refusals(values, build))
    return _if_typical(misfitted(found, misfit_links(build).get("bite", ())), build)


def _over_band(build: Build, wanted: Sequence[str], stage: float) -> Known:
    """Values over the friction band, as three or as the one they all are; worked out in states the verdicts look at."""
    nominal = build.evaluate(wanted, stage=stage, friction=NOMINAL)
    moved = build.graph.downstream(["friction_state"])
    moving = [name for name in wanted if name in moved]
    low, high = (build.evaluate(moving, stage=stage, friction=place) for place in (LOW, HIGH))
    return {n: _three(low[n], nominal[n], high[n]) if n in moved else nominal[n] for n in wanted}


def _three(low: Any, nominal: Any, high: Any) -> Any:
    """Three values as an array, NaN where friction has one refused; what is alike in all, or missing, as it is."""
    each = (low, nominal, high)
    missing = next((v for v in each if isinstance(v, Needs)), None)
    if missing is not None:
        return missing
    refused = [v.error for v in each if isinstance(v, Refused)]
    alike = len({(e.quantity, e.value) for e in refused}) == 1 if len(refused) == len(each) else low == nominal == high
    if alike:
        return nominal
    return np.array([np.nan if isinstance(v, Refused) else v for v in each], dtype=np.float64)


def _refusals(values: Known, build: Build) -> dict[str, Refusal]:
    return {
        v.error.quantity: refusal_of(v.error, build)
        for n, v in values.items()
        if isinstance(v, Refused) and n in {*RESULTS, "use_factor", "engine_curve"}
    }


def _if_typical(verdict: Verdict, build: Build) -> Verdict:
    """A verdict whose deciding link rests on figures of a class of vehicle is marked so."""
    decides = verdict.deciding
    guesses = (build.chosen.assumed.get(name) for name in (decides.basis.assumed if decides else ()))
    return replace(verdict, typical=any(a.typical for a in guesses if a is not None))


def _rests_on(build: Build, questions: Collection[Question]) -> tuple[tuple[str, ...], Collection[str]]:
    """The inputs the answers to `questions` rest on, in the order of work, and all they pass through."""
    looked = build.ready([n for q in questions for n in margins_of(q) if n in build.graph.functions])
    looked += _ALWAYS if "bite" in questions else ()
    needed = build.graph.inputs(looked)
    return tuple(name for name in INPUTS if name in needed), build.graph.upstream(looked)


def _chart(values_now: Known, values: Known, has_plan: bool) -> Chart | None:
    now, planned = values_now["engine_curve"], values["engine_curve"]
    if not isinstance(now, TorqueCurve):
        return None
    curve = planned if isinstance(planned, TorqueCurve) else now
    holds = band_of(values["holdable_engine_torque"])
    holds = holds if isinstance(holds, Band) else None
    keeps = band_of(values["kept_engine_torque"])
    return Chart(
        now=now,
        planned=planned if has_plan and isinstance(planned, TorqueCurve) else None,
        holds=holds,
        keeps=keeps.nominal if isinstance(keeps, Band) else None,
        slips=tuple(intervals_above(curve, holds.nominal)) if holds else (),
    )


def stands_on(build: Build, question: Question) -> tuple[Assumption, ...]:
    """What the answer to a question stands on that nobody entered."""
    return _assumptions(build, *_rests_on(build, [question]))


@lru_cache(maxsize=512)
def _picked_by_class(options: tuple[tuple[str, str], ...]) -> Mapping[str, str]:
    """Choices nobody made that begin as the class of vehicle has them, and the sentence that says so."""
    found = (CHOICES[name].option(value) for name, value in options)
    return {name: f"typical of this class ({o.label.lower()})" for o in found if o for name in o.picks}


@cache
def _brought(choice: str, option: str) -> frozenset[str]:
    """The quantities an option brings."""
    modules = CHOICES[choice].modules_of(CHOICES[choice].option(option))
    return frozenset(f.__name__ for module in modules for f in functions_of(module))


def _assumptions(build: Build, asked: tuple[str, ...], used: Collection[str]) -> tuple[Assumption, ...]:
    listed = [
        Assumption(name, build.known.get(name, a.value), None, a.mark, a.why)
        for name in asked
        if name not in build.entries and (a := build.chosen.assumed.get(name))
    ]
    picked = _picked_by_class(tuple(build.chosen.options.items()))
    for name in (n for n in CHOICES if n in build.chosen.begun):  # in the order of work, which a set has not
        choice = CHOICES[name]
        option = choice.option(build.chosen.options[name])
        brought = _brought(name, option.value) if option else frozenset()
        if name in picked and option:
            listed.append(Assumption(name, None, option.label, "practice", picked[name]))
        elif choice.assumption and option and not brought.isdisjoint(used):
            listed.append(Assumption(name, None, option.label, "practice", option.meaning))
    return tuple(listed)
