"""Heat: does it survive the way it is used? By the integrated start, over the friction band.

- `heat_verdict`   the answer
- `scheduled`      what a schedule of starts adds to it

A start that stalls, or never locks, is no start the clutch survives, whatever its heat; and where the clutch does not
hold full load no start decides: then what it slips away does.
"""

from __future__ import annotations

from dataclasses import replace

from liftbite.core.analysis.stint import Stint, stint
from liftbite.core.graph.graph import Known, Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.verdicts.criteria import HIGH, LOW, NOMINAL, criteria_of
from liftbite.core.verdicts.rolled import rolled, still_open, stopped
from liftbite.core.verdicts.rows import basis_of, gravest_first, look
from liftbite.core.verdicts.verdict import Band, Grade, Link, Verdict

#: What the answer shows beside its rows.
_SHOWN = ("slip_energy", "slip_time", "starts_to_limit", "start_run", "bite_margin")
#: What is looked at over the whole friction band.
_OVER = ("heat_margin", "sustained_margin", "start_run")
_PLACE = {LOW: "low", NOMINAL: "nominal", HIGH: "high"}
_SLIPPING = ("full_load_slip_power", "full_load_temperature", "brief_temperature")


def heat_verdict(build: Build) -> Verdict:
    """Does it survive the way it is used?"""
    rows = [c for c in criteria_of("heat") if not c.told and not c.if_clear]
    needed = tuple(dict.fromkeys(n for c in rows for n in c.wants))
    missing = build.lacks((*needed, *_SHOWN))
    if missing:
        return still_open("heat", build, missing)
    v = build.evaluate((*needed, *_SHOWN), stage=build.stage)
    refused = next((v[n] for n in (*needed, *_SHOWN) if isinstance(v[n], Refused)), None)
    if refused is not None:
        return stopped("heat", build, refused)
    if float(v["bite_margin"]) < 1:
        return _slips_at_full_load(build)
    over = {place: build.evaluate(_OVER, stage=build.stage, friction=place) for place in (LOW, NOMINAL, HIGH)}
    for place in (NOMINAL, LOW, HIGH):
        refused = next((over[place][n] for n in _OVER if isinstance(over[place][n], Refused)), None)
        if refused is not None:
            return stopped("heat", build, refused)
        run = over[place]["start_run"]
        if run.outcome in {"stalls", "never locks"}:
            return _never_settles(build, str(run.outcome), place)
    low, nominal, high = (min(float(x["heat_margin"]), float(x["sustained_margin"])) for x in over.values())
    band = Band(min(low, nominal, high), nominal, max(low, nominal, high))
    looked = look(build, "heat")
    planned = scheduled(build)
    if isinstance(planned, Needs):
        return still_open("heat", build, planned.names)
    if isinstance(planned, Refused):
        return stopped("heat", build, planned)
    links = tuple(sorted((*looked.links, *planned), key=gravest_first))
    headline = "schedule_surface" if planned else "surface"
    return rolled("heat", replace(looked, links=links), band, 1.0, headline)


def scheduled(build: Build) -> tuple[Link, ...] | Needs | Refused:
    """What a schedule of starts makes of the faces and of what they rub on; nothing where none was entered."""
    found = stint(build, stage=build.stage)
    if not isinstance(found, Stint):
        return () if found is None else found
    ambient = float(build.known["ambient_temperature"])
    hot = min(found.peaks, key=lambda p: (p.brief - ambient) / max(p.surface - ambient, 1e-9))
    warm = min(found.peaks, key=lambda p: (p.sustained - ambient) / max(p.through - ambient, 1e-9))
    basis = basis_of(build, ("start_case", "heat_network"))

    def link(key: str, face: str, reached: float, stands: float, **figures: float) -> Link:
        reserve = (stands - ambient) / max(reached - ambient, 1e-9)
        grade: Grade = "good" if reserve >= 1 else "bad"
        return Link(
            key, "start_schedule", reserve, grade, reached, stands, "K", True, "own", figures, {"face": face}, basis
        )

    links = [
        link("schedule_surface", hot.name, hot.surface, hot.brief, start=hot.start),
        link("schedule_through", warm.name, warm.through, warm.sustained),
    ]
    if found.outcome not in {"locks", "spins"}:
        figures = {"start": float(len(found.begins)), "planned": float(found.planned)}
        links.append(
            Link(
                "schedule", "start_schedule", 0.0, "bad", figures=figures, facts={"outcome": found.outcome}, basis=basis
            )
        )
    return tuple(links)


def _never_settles(build: Build, outcome: str, place: float) -> Verdict:
    """A start that stalls the engine or never locks, and what keeps it from it."""
    v = build.evaluate(
        ("start_load_torque", "start_full_torque", "start_clutch_torque", "torque_capacity"),
        stage=build.stage,
        friction=place,
    )
    facts = {"place": _PLACE[place]}
    if outcome == "stalls":
        return Verdict("heat", "look again", "stalls", facts=facts)
    load, full, asked, holds = (
        _of(v, n) for n in ("start_load_torque", "start_full_torque", "start_clutch_torque", "torque_capacity")
    )
    why = "engine" if load >= full else "clutch" if load >= holds else "pedal"
    return Verdict(
        "heat",
        "cooks",
        "never locks",
        facts=facts | {"why": why},
        figures={"load": load, "full": full, "asked": asked, "holds": holds},
    )


def _of(v: Known, name: str) -> float:
    return float("nan") if isinstance(v[name], Needs | Refused) else float(v[name])


def _slips_at_full_load(build: Build) -> Verdict:
    """What a clutch that does not hold full load makes of it: heat by how long it is kept slipping."""
    v = build.evaluate(_SLIPPING, stage=build.stage)
    figures = {n: float(v[n]) for n in ("full_load_slip_power", "brief_temperature")}
    figures["full_load_slip_speed"] = float(build.known["full_load_slip_speed"])
    reached = v["full_load_temperature"]
    if isinstance(reached, Needs | Refused):
        return Verdict("heat", "open", "slips at full load", needs=("full_load_slip_time",), figures=figures)
    hot, stands = float(reached), figures["brief_temperature"]
    figures |= {"full_load_temperature": hot, "full_load_slip_time": float(build.known["full_load_slip_time"])}
    if hot <= stands:
        return Verdict("heat", "open", "slips at full load", figures=figures)
    ambient = float(build.known["ambient_temperature"])
    link = Link(
        "full_load_slip",
        "full_load_temperature",
        (stands - ambient) / (hot - ambient),
        "bad",
        hot,
        stands,
        "K",
        True,
        "own",
        figures,
        {},
        basis_of(build, _SLIPPING),
        "full_load_temperature",
    )
    return Verdict("heat", "cooks", "slips at full load", links=(link,), deciding=link, figures=figures)
