"""The words of the four questions: what a link and an answer are called, and their sentences, made from what was found.

- `Words`, `WORDS`    key of a link -> its label, its comparison in words, whose limit it is
- `link_label`, `link_sentence`, `link_whose`   a link in words
- `verdict_sentence`  an answer in words
- `unseen_labels`     what could not be looked at, in words
- `refuse_unfinished` refuses a criterion that has no words

Words are made here and nowhere read: what decides anything decides by key, figure and grade.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import replace
from typing import NamedTuple

import numpy as np

from liftbite.core.errors import must_say
from liftbite.core.job.alternatives.facing import OTHER_SIDE
from liftbite.core.job.build import label_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.refusal import refusal_words
from liftbite.core.parts.mismatch import Mismatch, misfit_sentence, rule_of
from liftbite.core.units.sentence import both, both_fine
from liftbite.core.units.show import figure
from liftbite.core.verdicts.criteria import CRITERIA, LIFT_NEW, LIFT_WORN, MIRRORED, Criterion
from liftbite.core.verdicts.verdict import Link, Verdict

#: Places in the friction band, in words.
PLACES: Mapping[str, str] = {"low": "at low friction", "nominal": "", "high": "at high friction"}
#: What has to be typed for a stop to be one, while it is assumed.
ASKS: Mapping[str, str] = dict.fromkeys(
    ("flywheel_strength", "flywheel_tensile"), "type the material's strength, or the wheel's certified speed"
)


class Words(NamedTuple):
    """The words of one kind of link.

    Attributes
    ----------
    label : what a builder calls it
    says : the comparison, from the link's figures and facts
    whose : whose limit it is, where that is the row's own
    placed : True where the sentence begins with the worst place of the friction band
    """

    label: str
    says: Callable[[Link], str]
    whose: str = ""
    placed: bool = False


def _engine(link: Link | Verdict) -> str:
    return "planned engine" if link.facts.get("engine") == "planned" else "engine"


def _times(words: str, quantity: str) -> Callable[[Link], str]:
    """Words with `{}` for how many times what is needed there is."""
    return lambda link: words.format(figure(link.figures[quantity], 3))


def _holds(where: str, link: Link) -> str:
    return f"{where} it holds {figure(link.figures['bite_margin'], 3)} times the {_engine(link)}'s torque"


def _reserve(link: Link) -> str:
    use = CHOICES["use"].option(link.facts.get("use", ""))
    asked = figure(link.figures["use_factor"], 3)
    asks = f"{use.label.lower()} asks for {asked}" if use else f"{asked} is asked for"
    return f"{_holds('at nominal friction', link)}; {asks}"


def _hot_bite(link: Link) -> str:
    return _holds(
        f"at low friction and {both(link.figures['facing_temperature'], 'K')}, as hot as its use gets it,", link
    )


def _stop(words: str, quantity: str) -> Callable[[Link], str]:
    return lambda link: words.format(both(link.figures[quantity], "m"))


def _two(words: str, first: str, second: str, unit: str) -> Callable[[Link], str]:
    """Words with two `{}` for a figure and what it is held against."""
    return lambda link: words.format(both(link.figures[first], unit), both(link.figures[second], unit))


def _floater(link: Link) -> str:
    v = link.figures
    inner, outer = v["inner_gap"], v["outer_gap"]
    left = both_fine(max(min(inner, outer), 0.0), "m")
    which, margin = "inner" if inner < outer else "outer", v["floater_margin"]
    room = "which its wobble takes up" if margin < 0.005 else f"{figure(margin, 3)} times what just frees it"
    return f"leaves the {which} disc {left} for its two faces, {room}"


def _hot(quantity: str, limit: str, how: str) -> Callable[[Link], str]:
    return _two(f"{{}} where the facing stands {{}} for {how}", quantity, limit, "K")


def _pressed(link: Link) -> str:
    v = link.figures
    lasts = "more wears a facing sooner" if v["pressure_margin"] < 1 else "the facing lasts"
    return f"{both(v['mean_pressure'], 'Pa')} where {both(v['pressure_limit'], 'Pa')} is usual; {lasts}"


def _burst(link: Link) -> str:
    v = link.figures
    return f"near {both(v['burst_speed'], 'rad/s', 3)}, {figure(v['burst_margin'], 2)} times the redline"


def _balance(link: Link) -> str:
    v = link.figures
    pulls = both(v["unbalance_force"], "N")
    return f"the grade allows {figure(v['balance_margin'], 3)} times what is left, which pulls with {pulls}"


def _out_of_true(name: str, words: str, reading: str = "") -> Callable[[Link], str]:
    read, limit = reading or f"{name}_runout", f"{name}_limit"
    return lambda link: (
        f"{words} {both_fine(link.figures[read], 'm')}; {both_fine(link.figures[limit], 'm')} is allowed"
    )


def _in_pilot(link: Link) -> str:
    depth, length = link.figures["pilot_engagement"], both_fine(link.figures["pilot_length"], "m")
    if depth <= 0:
        return f"does not reach its pilot, {both_fine(-depth, 'm')} short"
    return f"enters its pilot by {both_fine(depth, 'm')} of {length}"


def _nose(link: Link) -> str:
    v = link.figures
    meets = "; it meets the bottom" if v["pilot_room_margin"] <= 1 else ""
    return f"goes {both_fine(v['pilot_engagement'], 'm')} deep where {both_fine(v['pilot_room'], 'm')} is room{meets}"


def _face_over_schedule(link: Link) -> str:
    where = f"in start {link.figures['start']:g} the face of the {link.facts['face']}"
    return f"{where} is at {both(link.figure, 'K')} where it stands {both(link.limit, 'K')}"


def _through_over_schedule(link: Link) -> str:
    return f"the {link.facts['face']} is at {both(link.figure, 'K')} where it stands {both(link.limit, 'K')}"


def _schedule_ends(link: Link) -> str:
    return f"start {link.figures['start']:g} of {link.figures['planned']:g} {link.facts['outcome']}"


def _slips_away(link: Link | Verdict) -> str:
    """Heat of a clutch that does not hold full load, and where it gets its face to after the time it is kept at it."""
    v = link.figures
    says = f"{both(v['full_load_slip_power'], 'W')} of heat at {both(v['full_load_slip_speed'], 'rad/s')} of slip"
    if "full_load_temperature" not in v:
        return says
    hot, stands = both(v["full_load_temperature"], "K"), both(v["brief_temperature"], "K")
    return f"{says}; after {figure(v['full_load_slip_time'], 3)} s the face is at {hot} where it stands {stands}"


def _misfit(link: Link) -> str:
    return misfit_sentence(
        Mismatch(rule_of(link.facts["rule"]), (link.figures["first"], link.figures["second"]))
    ).rstrip(".")


_OWN = "the engine's own torque"
_PASSED = "what the clutch can pass; more bite moves the break to shaft and gearbox"
_LIFT = f"common practice: {LIFT_NEW} new, {LIFT_WORN} at the wear limit"
_STANDS = "what the facing stands"

#: Key of a link -> its words. A row of `criteria.CRITERIA` without words here is refused when it is loaded.
WORDS: Mapping[str, Words] = {
    "torque_reserve": Words("torque reserve", _reserve),
    "low_friction": Words("low friction", lambda link: _holds("at low friction", link), _OWN),
    "low_friction_hot": Words("low friction, hot", _hot_bite, _OWN),
    "input_shaft": Words(
        "input shaft", _times("carries {} times what the clutch can pass at high friction", "shaft_margin"), _PASSED
    ),
    "splines": Words(
        "splines", _times("carry {} times what the clutch can pass at high friction", "spline_margin"), _PASSED
    ),
    "damper": Words(
        "torsion damper",
        _times("its stops take {} times the engine's torque and a fifth", "damper_margin"),
        "its stops, against the engine's torque and a fifth",
    ),
    "comfortable_lift": Words(
        "lift at a comfortable gap",
        lambda link: (
            f"{figure(link.figures['lift_margin'], 3)} times what is needed; {figure(link.limit, 3)} is asked for"
        ),
        _LIFT,
    ),
    "least_lift": Words("lift at the least gap", _times("{} times what just frees", "least_lift_margin"), _LIFT),
    "worn_lift": Words("lift at the wear limit", _times("{} times what just frees", "least_lift_margin"), _LIFT),
    "effort": Words("effort", _two("takes {}; {} is allowed", "peak_pedal_effort", "effort_limit", "N")),
    "line_pressure": Words(
        "line pressure", _two("reaches {}; the cylinders stand {}", "peak_line_pressure", "pressure_rating", "Pa")
    ),
    "overtravel": Words("overtravel", _stop("fingers bend beyond {}; set a pedal stop there", "pedal_at_overtravel")),
    "master_stroke": Words("master stroke", _stop("the master bottoms at {} of pedal", "pedal_at_master_stop")),
    "slave_stroke": Words(
        "slave stroke", _stop("the slave runs out at {} of pedal; set a pedal stop before it", "pedal_at_slave_stop")
    ),
    "sleeve_end": Words(
        "bearing on its sleeve",
        _stop(
            "the bearing comes off its sleeve at {} of pedal: reserve and stroke add up; spacers or a pedal stop",
            "pedal_at_sleeve_end",
        ),
    ),
    "way_back": Words(
        "the way back",
        _two(
            "brings the pedal back with {} where it is least; seals and pivots take {}",
            "least_pedal_return",
            "pedal_drag",
            "N",
        ),
    ),
    "fluid": Words(
        "fluid", _two("old fluid boils at {}; the housing is at {}", "fluid_wet_boiling", "ambient_temperature", "K")
    ),
    "floater": Words("floater", _floater, "the gap that just frees a face"),
    "start_settles": Words("the start", lambda _: "locks", placed=True),
    "surface": Words(
        "surface in the last start", _hot("surface_temperature", "brief_temperature", "moments"), placed=True
    ),
    "between_starts": Words(
        "plate between starts", _hot("base_temperature", "sustained_temperature", "long"), placed=True
    ),
    "heat_per_area": Words("heat per area", lambda link: f"{both(link.figures['specific_energy'], 'J/m²')} each start"),
    "face_pressure": Words("face pressure", _pressed),
    "face_pressure_limit": Words(
        "face pressure, maker's limit",
        _two("{}; the facing's maker allows {}", "mean_pressure", "pressure_hard_limit", "Pa"),
    ),
    "certified_speed": Words(
        "certified speed",
        _times("{} times the redline is certified by its maker", "certified_margin"),
        "the maker's certificate; 15 % over the redline",
    ),
    "burst_speed": Words("burst speed", _burst, "2 times the redline and more is good, below 1.5 it is not run"),
    "bore_stress": Words(
        "stress at the bore",
        _times("{} times what 15 % over the redline needs", "elastic_margin"),
        "elastic with its factor at 15 % over the redline",
    ),
    "bore_yield": Words(
        "yield at the bore",
        _times("its strength is {} times the stress at 15 % over the redline", "yield_margin"),
        "it may not yield at 15 % over the redline",
    ),
    "missed_shift": Words(
        "disc in a missed shift",
        _two("would turn at {}; burst-tested to {}", "disc_speed_missed_shift", "disc_burst_speed", "rad/s"),
    ),
    "balance": Words("balance", _balance, "the balance grade"),
    "gross_unbalance": Words(
        "gross unbalance",
        _times("{} times G 40 is left before it is not run", "gross_balance_margin"),
        "G 40, common practice",
    ),
    "flywheel_joint": Words(
        "flywheel joint",
        _times("{} times what it has to carry", "joint_margin"),
        "one and a half times the engine's torque, or what the clutch passes",
    ),
    "flywheel_bolts": Words(
        "flywheel bolts",
        _times("proof load is {} times the preload", "proof_margin"),
        "90 % of proof is usual, over 110 % is refused",
    ),
    "housing_bore": Words("bell housing bore", _out_of_true("housing_bore", "runs out")),
    "housing_face": Words("gearbox face", _out_of_true("housing_face", "runs out")),
    "flywheel_face": Words("flywheel face", _out_of_true("flywheel_face", "runs out")),
    "pilot": Words("shaft in its pilot", _in_pilot, "the whole pilot carries the shaft, common practice"),
    "pilot_room": Words("shaft's nose", _nose, "clear of the bottom"),
    "plain_warp": Words("plain plates", _out_of_true("plain_warp", "the worst is warped by", "plain_warp")),
    "push_rod": Words("push rod", _out_of_true("push_rod", "is bowed by", "push_rod_bow")),
    "schedule_surface": Words("surface over the schedule", _face_over_schedule, _STANDS),
    "schedule_through": Words("warmed through over the schedule", _through_over_schedule, _STANDS),
    "schedule": Words("the schedule", _schedule_ends),
    "full_load_slip": Words(
        "slip at full load",
        lambda link: f"Slips at full load: {_slips_away(link)}",
        "what the facing stands for moments",
    ),
    "misfit": Words("", _misfit, "what it has to fit"),
}
#: What is said once of several things that could not be looked at.
_TOGETHER: Mapping[str, str] = {"runout": "runout"}


def words_of(key: str) -> Words:
    """The words of a kind of link; a row of a disc's other side has those of the row it mirrors.

    Raises
    ------
    KeyError : it has none
    """
    return WORDS[MIRRORED.get(key, key)]


def link_label(link: Link) -> str:
    """What a builder calls it."""
    return label_of(link.name).lower() if link.key == "misfit" else _label(link.key)


def _label(key: str) -> str:
    label = _TOGETHER.get(key) or words_of(key).label
    return f"{label}, plate side" if key in MIRRORED else label


def unseen_labels(keys: Iterable[str]) -> list[str]:
    """What could not be looked at, in words."""
    return [_label(key) for key in keys]


def link_sentence(link: Link) -> str:
    """The comparison in words."""
    words = words_of(link.key)
    if link.key in MIRRORED:
        there = {n: link.figures[o] for n, o in OTHER_SIDE.items() if o in link.figures}
        link = replace(link, figures={**link.figures, **there})
    says = words.says(link)
    if words.placed and link.friction:
        says = f"{PLACES['low' if link.friction < 0 else 'high']} {says}"
    asked = ASKS.get(link.facts.get("asks", ""))
    return f"{says}; {asked}" if asked else says


def link_whose(link: Link) -> str:
    """Whose limit it is: the row's own words, or what the limit stands on."""
    standing = {
        "own": "",
        "practice": "common practice",
        "entered": "as entered",
        "worked out": "worked out",
        "assumed": link.facts.get("why", ""),
    }
    return words_of(link.key).whose or standing[link.whose]


def verdict_sentence(verdict: Verdict) -> str:
    """An answer in words: what is, then why."""
    head, rest = _answered(verdict)
    if verdict.typical:
        head += ", if it is typical of its class"
    return f"{head}: {rest}" if rest else head


def _answered(verdict: Verdict) -> tuple[str, str]:
    """An answer's first words, and its reason; the reason is empty where the first words say all."""
    match verdict.reason:
        case "unread":
            return "The job cannot be read; nothing of it is lost.", ""
        case "awaited":
            return "Being worked out.", ""
        case "needs":
            return f"Needs {_needed(verdict)}.", ""
        case "refused":
            why = refusal_words(verdict.refused) if verdict.refused else "The margin has no value there."
            place = verdict.facts.get("place")
            return (f"At {place} friction", why) if place else (why, "")
        case "misfit":
            return "Does not fit", link_sentence(verdict.links[0])
        case "stalls":
            at = _at(verdict)
            return f"The start stalls the engine{at}", "more engine speed, a slower pedal or a lower gear."
        case "never locks":
            return f"Never locks{_at(verdict)}", f"{_why_not_locked(verdict)}."
        case "slips at full load":
            return _slipping(verdict)
        case "judged":
            return _judged(verdict)


def _needed(verdict: Verdict) -> str:
    """What an answer waits for; Bite names it as a builder would and joins the last with "and"."""
    if verdict.question != "bite":
        return ", ".join(label_of(n).lower() for n in verdict.needs)
    asked = [(CHOICES[n].asks if n in CHOICES else "") or label_of(n).lower() for n in verdict.needs]
    return asked[0] if len(asked) == 1 else ", ".join(asked[:-1]) + " and " + asked[-1] if asked else ""


def _at(verdict: Verdict) -> str:
    place = PLACES[verdict.facts.get("place", "nominal")]
    return f" {place}" if place else ""


def _why_not_locked(verdict: Verdict) -> str:
    v = verdict.figures
    load, asked = both(v["load"], "N·m"), both(v["asked"], "N·m")
    match verdict.facts["why"]:
        case "engine":
            return (
                f"the road asks for {load} at the clutch and the engine gives {both(v['full'], 'N·m')} at the "
                "speed of the start: it cannot pull away in this gear; a lower gear or more engine "
                "speed"
            )
        case "clutch":
            return f"the road asks for {load}, the clutch holds {both(v['holds'], 'N·m')}: a lower gear or more clamp"
        case _:
            return (
                f"the clutch is let to carry {asked}, which is not enough to bring both sides together: less "
                "throttle, a lower gear or more bite"
            )


def _slipping(verdict: Verdict) -> tuple[str, str]:
    head, rest = "Slips at full load", _slips_away(verdict)
    if "full_load_temperature" not in verdict.figures:
        return head, f"{rest}; how long the driver keeps at it decides, no start does."
    return head, f"{rest}." if verdict.state == "cooks" else f"{rest}. No start decides it: mend Bite first."


def _judged(verdict: Verdict) -> tuple[str, str]:
    decides = verdict.deciding
    says = link_sentence(decides) if decides else ""
    head = verdict.state[:1].upper() + verdict.state[1:]
    labels = ", ".join(unseen_labels(verdict.unseen))
    tail = f" Not looked at: {labels}." if labels else ""
    if verdict.question != "bite":
        return head, f"{link_label(decides) if decides else ''}, {says}.{tail}"
    if "thin_from" in verdict.figures:
        tail = f" Thin from {both_fine(verdict.figures['thin_from'], 'm')} of wear.{tail}"
    if verdict.state == "slips":
        at = "nominal and even at high" if verdict.facts["even_at"] == "high" else "nominal"
        v = verdict.figures
        where = " and ".join(f"{_rpm(a)} to {_rpm(b)} rpm" for a, b in verdict.slips)
        return (
            f"Slips at {at} friction",
            f"holds {both(v['holds'], 'N·m')} at the crank, the {_engine(verdict)} makes "
            f"{both(v['peak'], 'N·m')}{f', from {where}' if where else ''}.{tail}",
        )
    if decides is not None and decides.key != "torque_reserve":
        head += f" on {link_label(decides)}"
    return head, f"{says}.{tail}"


def _rpm(speed: float) -> str:
    return figure(round(speed * 60 / (2 * np.pi), -1))


def refuse_unfinished(row: Criterion) -> None:
    """Refuses a criterion that has no words.

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it
    """
    must_say(
        f"criterion “{row.key}”",
        MIRRORED.get(row.key, row.key) in WORDS,
        "say what it is called and how it compares: WORDS in core/verdicts/words.py",
    )


for _row in CRITERIA.values():
    refuse_unfinished(_row)
