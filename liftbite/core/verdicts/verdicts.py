"""Lift, Heat and True: each rolls up to a margin, its weakest link and the reason in words. Bite stands in `answers`.

- `STATES_OF`   the words of each question: good, thin, bad
- `lift_verdict`, `heat_verdict`, `true_verdict`
- `bite_links`  what else can end the bite: wear, heat, and the parts that break when the clutch does not slip
- `soonest`     what would mend a margin soonest
- `simulated`   the start of the build, integrated

A link whose inputs are not entered is not looked at, and that is said; a verdict is good only where what has to be
looked at has been.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from liftbite.core.analysis.goal_seek import Sought, seek_all
from liftbite.core.analysis.launch import Launch, case_of, launch
from liftbite.core.analysis.life import Life, life
from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, both, both_fine, label_of, refusal
from liftbite.core.job.choices import CAR
from liftbite.core.units.show import figure
from liftbite.core.verdicts.verdict import Band, Link, Verdict

LOW, HIGH = -1.0, 1.0
LIFT_NEW, LIFT_WORN = 1.1, 1.0

#: question -> words for good, thin and bad
STATES_OF: Mapping[str, tuple[str, str, str]] = {
    "bite": ("holds", "thin", "slips"),
    "lift": ("frees", "thin", "drags"),
    "heat": ("stays", "warm", "cooks"),
    "true": ("runs true", "look again", "stop"),
}


@dataclass(frozen=True, slots=True)
class _Found:
    links: list[Link]
    unseen: list[str]

    def look(self, name: str, label: str, value: Any, need: float, sentence: str) -> None:
        """Adds a link, or notes that it could not be looked at; `{}` in the sentence takes the value."""
        if value is None or isinstance(value, Needs | Refused):
            self.unseen.append(label)
        else:
            self.links.append(Link(name, label, float(value) / need, sentence.format(figure(float(value), 3))))


def _rolled(question: str, found: _Found, margin: Band | None, target: float | None, bad: bool) -> Verdict:
    links = tuple(sorted(found.links, key=lambda link: link.reserve))
    weakest = links[0]
    good, thin, worst = STATES_OF[question]
    state = worst if bad else thin if weakest.reserve < 1 else good
    sentence = f"{state[0].upper()}{state[1:]}: {weakest.label}, {weakest.sentence}."
    if found.unseen:
        sentence += f" Not looked at: {', '.join(found.unseen)}."
    return Verdict(question, state, sentence, margin, margin, target, links)


def _open(question: str, build: Build, missing: frozenset[str]) -> Verdict:
    names = build.chosen.to_ask(missing)
    return Verdict(question, "open", f"Needs {', '.join(label_of(n).lower() for n in names)}.", needs=names)


def _stop(question: str, build: Build, refused: Refused) -> Verdict:
    return Verdict(question, "cannot be", refusal(refused.error, build))


def lift_verdict(build: Build) -> Verdict:
    """Does it let go, at an effort the driver can live with? The band is from new to the wear limit."""
    lacks = build.lacks(("lift_margin", "least_lift_margin", "pedal_effort"))
    if lacks:
        return _open("lift", build, lacks)
    now = stroke(build)
    if isinstance(now, Needs):
        return _open("lift", build, now.names)
    if isinstance(now, Refused):
        return _stop("lift", build, now)
    v = build.evaluate(("lift_margin", "least_lift_margin", "wear_limit", "effort_limit", "pressure_rating",
                        "plate_lift_limit"))  # fmt: skip
    for name in ("lift_margin", "least_lift_margin"):
        if isinstance(v[name], Needs):
            return _open("lift", build, v[name].names)
        if isinstance(v[name], Refused):
            return _stop("lift", build, v[name])
    found = _Found([], [])
    found.look("lift_margin", "lift at a comfortable gap", v["lift_margin"], LIFT_NEW,
               f"{{}} times what is needed; {LIFT_NEW} is asked for")  # fmt: skip
    found.look("least_lift_margin", "lift at the least gap", v["least_lift_margin"], 1.0, "{} times what just frees")
    worn = None
    if not isinstance(v["wear_limit"], Needs | Refused):
        worn = stroke(build, wear=float(v["wear_limit"]))
        share = build.evaluate(("least_lift_margin",), wear=float(v["wear_limit"]))["least_lift_margin"]
        found.look("least_lift_margin", "lift at the wear limit", share, LIFT_WORN, "{} times what just frees")
    _effort_links(found, v, now, worn)
    _stop_links(found, build, now)
    _fluid_link(found, build)
    margin = float(v["lift_margin"])
    ends = [margin]
    if isinstance(worn, Stroke):
        ends.append(float(build.evaluate(("lift_margin",), wear=float(v["wear_limit"]))["lift_margin"]))
    drags = _floater_link(found, build) or float(v["least_lift_margin"]) < 1
    return _rolled("lift", found, Band(min(ends), margin, max(ends)), LIFT_NEW, bad=drags)


def _floater_link(found: _Found, build: Build) -> bool:
    """The floater of a twin, where its clearance is known; True where it leaves a disc dragging."""
    if build.known.get("disc_count") != 2:
        return False
    v = build.evaluate(("floater_margin", "inner_gap", "outer_gap"))
    margin = v["floater_margin"]
    if isinstance(margin, Needs | Refused):
        found.unseen.append("floater")
        return False
    inner, outer = float(v["inner_gap"]), float(v["outer_gap"])
    which, left = ("inner", inner) if inner < outer else ("outer", outer)
    words = f"leaves the {which} disc {both_fine(max(left, 0.0), 'm')} for its two faces, {{}} times what just frees it"
    found.look("floater_margin", "floater", margin, 1.0, words)
    return float(margin) < 1


def _effort_links(found: _Found, v: Mapping[str, Any], now: Stroke, worn: Any) -> None:
    effort = max(now.peak_effort, worn.peak_effort if isinstance(worn, Stroke) else 0.0)
    limit = v["effort_limit"]
    if not isinstance(limit, Needs | Refused):
        words = f"takes {both(effort, 'N')}; {both(float(limit), 'N')} is allowed"
        found.links.append(Link("pedal_effort", "effort", float(limit) / max(effort, 1e-9), words))
    if now.pressure is not None and not isinstance(v["pressure_rating"], Needs | Refused):
        pressure, rating = float(now.pressure.max()), float(v["pressure_rating"])
        words = f"reaches {both(pressure, 'Pa')}; the cylinders stand {both(rating, 'Pa')}"
        found.links.append(Link("line_pressure", "line pressure", rating / max(pressure, 1e-9), words))


def _stop_links(found: _Found, build: Build, now: Stroke) -> None:
    full = next(at for name, at in now.stops if name == "pedal_stroke")
    words = {
        "plate_lift_limit": ("overtravel", "fingers bend beyond {}; set a pedal stop there"),
        "master_stroke": ("master stroke", "the master bottoms at {} of pedal"),
        "slave_stroke": ("slave stroke", "the slave runs out at {} of pedal; set a pedal stop before it"),
    }
    for name, (label, says) in words.items():
        at = next((at for stop, at in now.stops if stop == name), None)
        if at is not None:
            found.links.append(Link(name, label, at / full, says.format(both(at, "m"))))
        elif build.known.get(name) is None and (name == "plate_lift_limit" or now.pressure is not None):
            found.unseen.append(label)


def _fluid_link(found: _Found, build: Build) -> None:
    """Old fluid in a warm housing: where its boiling point is known."""
    boils, housing = build.known.get("fluid_wet_boiling"), build.known.get("ambient_temperature")
    if boils is not None and housing is not None and "master_travel" in build.graph.functions:
        words = f"old fluid boils at {both(float(boils), 'K')}; the housing is at {both(float(housing), 'K')}"
        zero = 273.15
        found.links.append(Link("fluid_wet_boiling", "fluid", (boils - zero) / max(housing - zero, 1e-9), words))


def heat_verdict(build: Build, stage: float) -> Verdict:
    """Does it survive the way it is used? By the closed form, over the friction band; `simulated` integrates it."""
    wanted = ("heat_margin", "sustained_margin", "energy_margin", "surface_temperature", "brief_temperature",
              "base_temperature", "sustained_temperature", "specific_energy", "slip_energy", "slip_time",
              "starts_to_limit")  # fmt: skip
    missing = build.lacks(wanted[:-1])
    if missing:
        return _open("heat", build, missing)
    v = build.evaluate(wanted, stage=stage)
    refused = next((v[n] for n in wanted if isinstance(v[n], Refused)), None)
    if refused is not None and refused.error.quantity == "closing_rate":
        apart = figure(-refused.error.value, 3)
        sentence = "Never locks: the clutch is let to carry less than engine and road bring, so it slips on without end"
        return Verdict("heat", "cooks", f"{sentence} (speeds part by {apart} rad/s each second).")
    if refused is not None:
        return _stop("heat", build, refused)
    found = _Found([], [])
    found.look("heat_margin", "surface in the last start", v["heat_margin"], 1.0,
               f"{both(float(v['surface_temperature']), 'K')} where the facing stands "
               f"{both(float(v['brief_temperature']), 'K')} for moments")  # fmt: skip
    found.look("sustained_margin", "plate between starts", v["sustained_margin"], 1.0,
               f"{both(float(v['base_temperature']), 'K')} where the facing stands "
               f"{both(float(v['sustained_temperature']), 'K')} for long")  # fmt: skip
    found.look("energy_margin", "heat per area", v["energy_margin"], 1.0,
               f"{both(float(v['specific_energy']), 'J/m²')} each start")  # fmt: skip
    over = build.evaluate(("heat_margin", "sustained_margin"), stage=stage, friction=np.array([LOW, 0.0, HIGH]))
    three = np.broadcast_to(np.minimum(over["heat_margin"], over["sustained_margin"]), 3)
    margin = float(three[1])
    return _rolled("heat", found, Band(float(three.min()), margin, float(three.max())), 1.0, bad=three.min() < 1)


_SAFE = (
    ("burst_margin", "flywheel strength", "{} times what over-speed and its factor need"),
    ("disc_speed_margin", "disc in a missed shift", "proved to {} times that speed"),
    ("balance_margin", "balance", "the grade allows {} times what is left"),
    ("joint_margin", "flywheel joint", "{} times what it has to carry"),
    ("proof_margin", "flywheel bolts", "proof load {} times the highest preload"),
)
_RUNS = (("housing_bore", "bell housing bore"), ("housing_face", "gearbox face"), ("flywheel_face", "flywheel face"))


def true_verdict(build: Build, stage: float) -> Verdict:
    """Does it run true: speed, balance, joints, and runout where the bench has swept it?

    What could let go stops the job; a runout over its limit is put right before the gearbox goes in.
    """
    runs = tuple(f"{name}_margin" for name, _ in _RUNS)
    seen = tuple(n for n in (*(name for name, *_ in _SAFE), *runs) if not build.lacks((n,)))
    if not seen:
        return _open("true", build, build.lacks(("burst_margin",)))
    v = build.evaluate(seen, stage=stage, friction=HIGH)
    refused = next((v[n] for n in seen if isinstance(v[n], Refused)), None)
    if refused is not None:
        return _stop("true", build, refused)
    found = _Found([], [])
    for name, label, words in _SAFE:
        found.look(name, label, v.get(name), 1.0, words)
    bad = any(link.reserve < 1 for link in found.links)
    swept = [run for run in _RUNS if f"{run[0]}_margin" in seen]
    for name, label in swept:
        runout, limit = (float(build.known[f"{name}_{which}"]) for which in ("runout", "limit"))
        says = f"runs out {both_fine(runout, 'm')}; {both_fine(limit, 'm')} is allowed"
        found.look(f"{name}_margin", label, v[f"{name}_margin"], 1.0, says)
    if build.chosen.options.get("layout") == CAR:
        found.unseen.extend([label for run in _RUNS if run not in swept for label in run[1:]] if swept else ["runout"])
    if not found.links:
        return _open("true", build, build.lacks(("burst_margin",)))
    weakest = min(link.reserve for link in found.links)
    verdict = _rolled("true", found, Band(weakest, weakest, weakest), 1.0, bad=bad)
    if verdict.state == "runs true" and "burst_margin" not in seen:
        return Verdict("true", "look again", verdict.sentence.replace("Runs true:", "Look again:"), verdict.margin,
                       verdict.margin, 1.0, verdict.links)  # fmt: skip
    return verdict


def bite_links(build: Build, stage: float, engine: str) -> tuple[list[Link], Life | None]:
    """What else can end the bite: the wear of the stack, and hot friction; each only where it can be worked out."""
    links: list[Link] = []
    over_life = None if build.chosen.options.get("clamp_source") == "figure" else life(build, stage=stage, friction=LOW)
    if isinstance(over_life, Life) and np.ptp(np.nan_to_num(over_life.clamp)) > 1e-6 * over_life.clamp_new:
        low = over_life.lowest_margin
        words = f"at its lowest over the life of the facings it holds {figure(low, 3)} times the {engine}'s torque"
        links.append(Link("clamp_load", "clamp over wear", low / over_life.target, words))
    if build.lacks(("surface_temperature",)):
        return links, over_life if isinstance(over_life, Life) else None
    hot = build.evaluate(("surface_temperature",), stage=stage)["surface_temperature"]
    if not isinstance(hot, Needs | Refused):
        share = build.evaluate(("bite_margin", "use_factor"), stage=stage, friction=LOW, facing_temperature=hot)
        margin, target = share["bite_margin"], share["use_factor"]
        if not isinstance(margin, Needs | Refused) and not isinstance(target, Needs | Refused):
            words = f"at {both(float(hot), 'K')} it holds {figure(float(margin), 3)} times the {engine}'s torque"
            links.append(Link("friction_coefficient", "hot friction", float(margin), words))
    return links, over_life if isinstance(over_life, Life) else None


def fuse_links(build: Build, stage: float) -> list[Link]:
    """The parts that break when the clutch does not slip: high friction, highest clamp."""
    found = _Found([], [])
    wanted = tuple(n for n in ("shaft_margin", "spline_margin", "damper_margin") if not build.lacks((n,)))
    if not wanted:
        return []
    peak = build.evaluate(("spring_peak_clamp",))["spring_peak_clamp"]
    states = {} if isinstance(peak, Needs | Refused) else {"spring_clamp": peak}
    v = build.evaluate(wanted, stage=stage, friction=HIGH, **states)
    for name, label, words in (
        ("shaft_margin", "input shaft", "carries {} times what the clutch can pass at high friction"),
        ("spline_margin", "splines", "carry {} times what the clutch can pass at high friction"),
        ("damper_margin", "torsion damper", "its stops take {} times the engine's torque and a fifth"),
    ):
        found.look(name, label, v.get(name), 1.0, words)
    return found.links


def simulated(build: Build, stage: float) -> Launch | Needs | Refused:
    """The start of the build, integrated at nominal friction."""
    case = case_of(build, stage=stage)
    return case if isinstance(case, Needs | Refused) else launch(case)


def soonest(build: Build, verdict: Verdict, stage: float, most: int = 3) -> list[Sought]:
    """What would mend the weakest link of a verdict soonest: the smallest single changes that reach what is needed."""
    if not verdict.links or verdict.links[0].reserve >= 1:
        return []
    name = verdict.links[0].name
    if not name.endswith("_margin"):
        name = "bite_margin" if verdict.question == "bite" else ""
    if name not in build.graph.functions:
        return []
    target = {"bite_margin": verdict.target, "lift_margin": LIFT_NEW}.get(name) or 1.0
    friction = 0.0 if verdict.question != "bite" else LOW if name == "bite_margin" else HIGH
    return [s for s in seek_all(build, name, target, stage=stage, friction=friction) if s.reached][:most]
