"""What makes a clutch slip, drag, judder, howl or shake; what each shows; and the tests that tell them apart.

- `Test`, `TESTS`     something to look at, try or ask, with its answers and how often each is given by a sound vehicle
- `Cause`, `CAUSES`   a fault: which complaints it makes, how often it is the one, which answers it gives, what mends it
- `refuse_unfinished`   refuses a table that names what there is none of

Shares are round figures of the trade [practice], no source: they order causes, they measure nothing.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from liftbite.core.job.parts import CAR, MOTORCYCLE, PARTS
from liftbite.core.measure.checks import CHECKS

#: The answer that tells nothing: a look that settles nothing closes nothing.
CANNOT_TELL = "cannot tell"


@dataclass(frozen=True, slots=True)
class Test:
    """Something that separates causes.

    Attributes
    ----------
    name : in the record
    ask : what is done, as one would say it across a bench
    minutes : what it takes
    answers : answer -> how often a vehicle without the fault gives it [-], together 1
    layout : "dry_car" or "wet_motorcycle"; empty for both
    opens : True where the gearbox has to come out, or the cover off
    """

    name: str
    ask: str
    minutes: float
    answers: Mapping[str, float]
    layout: str = ""
    opens: bool = False


def _test(name: str, ask: str, minutes: float, layout: str = "", opens: bool = False, **answers: float) -> Test:
    return Test(name, ask, minutes, {a.replace("_", " "): p for a, p in answers.items()}, layout, opens)


TESTS: Mapping[str, Test] = {t.name: t for t in (
    _test("since", "Since when: slowly worse, at once after work on it, or suddenly?", 1,
          slowly=0.5, after_work=0.25, suddenly=0.25),
    _test("when_hot", "Only when hot, or cold as well?", 1, only_hot=0.2, cold_too=0.8),
    _test("high_revs", "Only at high engine speed?", 1, only_high=0.15, any_speed=0.85),
    _test("roll_on", "Full throttle from low revs in a high gear: does the engine run away?", 6, runs_away=0.15,
          holds=0.85),
    _test("pump", "Pump the pedal five times quickly: does it firm up or free better?", 2, better=0.1, same=0.9),
    _test("hold_down", "Hold the pedal down for a minute: does it creep, or begin to drive?", 3, creeps=0.07,
          stays=0.93),
    _test("fluid_level", "Fluid in the reservoir: level, colour, and any wet boot?", 3, low_or_wet=0.1, dark=0.2,
          fine=0.7),
    _test("slave_travel", "Slave travel at full pedal against what the job works out?", 12, short=0.12, right=0.88),
    _test("free_play", "Free play at pedal or lever, by hand?", 2, none=0.08, too_much=0.1, right=0.82),
    _test("crack_bleeder", "While it misbehaves: crack the bleeder. Does it come right at once?", 8, comes_right=0.04,
          no_change=0.96, layout=CAR),
    _test("hose", "Helper presses the pedal: does the hose, the bulkhead or the fork visibly move?", 4, moves=0.07,
          still=0.93),
    _test("reverse_wait", "Clutch down, wait five seconds, into reverse: does it still grind?", 2, grinds=0.2,
          goes_in=0.8,
          layout=CAR),
    _test("engine_off", "Engine off: do all gears go in sweetly?", 2, sweetly=0.9, hard_too=0.1),
    _test("noise_down", "Noise: with the pedal down, up, or at idle whatever the pedal does?", 2, down=0.12, up=0.12,
          idle=0.1, none=0.66),
    _test("light_touch", "Rest a foot lightly on the pedal: does the noise change?", 2, changes=0.1, same=0.9),
    _test("shake_down", "Vibration: the same with the clutch down?", 2, same_down=0.2, gone_down=0.1, none=0.7),
    _test("take_up", "Judder: only when starting from cold, after wet weather, or always?", 3, cold_or_wet=0.1,
          always=0.1,
          none=0.8),
    _test("mounts", "Engine and gearbox mounts, with a bar?", 8, loose=0.08, firm=0.92, layout=CAR),
    _test("housing_wet", "Bell housing's lowest point, with a mirror: wet?", 5, wet=0.1, dry=0.9, layout=CAR),
    _test("oil", "Engine oil: grade and class on the bottle, and when it was changed?", 3, wrong_class=0.05, right=0.95,
          layout=MOTORCYCLE),
    _test("idle_gears", "Raise the idle by 200 rpm: does the rattle go?", 3, goes=0.06, stays=0.94),
    _test("smell", "Smell at the inspection hole or the filler: burnt?", 2, burnt=0.12, not_burnt=0.88),
    _test("output_turns", "In gear, clutch up, engine off: turn a wheel or the shaft. Does the engine turn?", 6,
          does_not=0.02, turns=0.98),
    _test("cable", "Cable or lever: frayed, kinked, dry, or the arm past its mark?", 4, bad=0.1, good=0.9),
    _test("floor", "Pedal at the floor: noise, or does it go stiff before the stop?", 2, noise_at_floor=0.05,
          fine=0.95),
    _test("rivet_depth", "Out: facing down to the rivets?", 15, opens=True, worn=0.15, good=0.85, layout=CAR),
    _test("faces", "Out: faces and facings: oil, hot spots, glaze?", 10, opens=True, oily=0.08, spotted=0.12, clean=0.8,
          layout=CAR),
    _test("fingers", "Out: finger heights against each other?", 8, opens=True, uneven=0.07, even=0.93, layout=CAR),
    _test("hub_slides", "Out: does the disc slide on its shaft, and is it the right way round?", 5, opens=True,
          sticks=0.06,
          wrong_way=0.02, slides=0.92, layout=CAR),
    _test("stands", "Out: feeler at the floater's stands?", 10, opens=True, out_of_window=0.1, inside=0.9, layout=CAR),
    _test("pilot_turns", "Out: pilot bearing by finger?", 3, opens=True, rough=0.1, smooth=0.9, layout=CAR),
    _test("plates", "Out: plates: thickness, blue, warp?", 15, opens=True, thin=0.12, warped=0.1, good=0.78,
          layout=MOTORCYCLE),
    _test("springs", "Out: free length of the springs?", 8, opens=True, short=0.12, right=0.88, layout=MOTORCYCLE),
    _test("basket", "Out: basket and hub: notches a nail catches in?", 5, opens=True, notched=0.12, smooth=0.88,
          layout=MOTORCYCLE),
)}  # fmt: skip


@dataclass(frozen=True, slots=True)
class Cause:
    """A fault.

    Attributes
    ----------
    name, words : in the record, on screen
    shows : complaint -> how often it makes it [-]
    often : how often it is the one, against others of the same complaint [-]
    tells : test -> answer -> how often this fault gives it [-]
    mends : what mends it
    layout : "dry_car" or "wet_motorcycle"; empty for both
    closes : keys of the parts that are got once it was found; nothing where it wants none
    scope : how far the job goes then; empty where it wants no work
    """

    name: str
    words: str
    shows: Mapping[str, float]
    often: float
    tells: Mapping[str, Mapping[str, float]]
    mends: str
    layout: str = ""
    closes: tuple[str, ...] = ()
    scope: str = ""


def _cause(
    name: str, words: str, shows: Mapping[str, float], often: float, tells: Mapping[str, str | Mapping[str, float]],
    mends: str, layout: str = "", closes: tuple[str, ...] = (), scope: str = "",
) -> Cause:  # fmt: skip
    """A cause whose answers are named: a plain answer is given nine times of ten."""
    full = {test: _mostly(test, said) if isinstance(said, str) else said for test, said in tells.items()}
    return Cause(name, words, shows, often, full, mends, layout, closes, scope)


def _mostly(test: str, said: str) -> dict[str, float]:
    answers = TESTS[test].answers
    rest = sum(p for a, p in answers.items() if a != said)
    return {a: 0.9 if a == said else 0.1 * p / rest for a, p in answers.items()}


CAUSES: Mapping[str, Cause] = {c.name: c for c in (
    _cause("worn_facing", "facing worn to the rivets", {"slips": 0.9, "smell": 0.4}, 3.0,
           {"since": "slowly", "roll_on": "runs away", "rivet_depth": "worn", "free_play": {"none": 0.3,
           "too much": 0.05,
            "right": 0.65}, "when_hot": {"only hot": 0.3, "cold too": 0.7}}, "disc, and what goes with it", CAR,
           closes=("disc",), scope="clutch"),
    _cause("small_clamp", "too little clamp for the torque", {"slips": 0.95, "smell": 0.3}, 1.5,
           {"since": {"slowly": 0.1, "after work": 0.7, "suddenly": 0.2}, "roll_on": "runs away", "faces": "clean",
            "rivet_depth": "good", "slave_travel": "right"}, "a cover with more clamp, or a disc with more friction",
            CAR,
           closes=("cover",), scope="clutch"),
    _cause("oily_facing", "oil or grease on the facing", {"slips": 0.8, "judders": 0.8, "smell": 0.3}, 1.2,
           {"housing_wet": "wet", "faces": "oily", "roll_on": "runs away", "take_up": "always"},
           "seal and disc, face degreased", CAR,
           closes=("disc", "rear_seal", "input_seal",), scope="clutch_flywheel"),
    _cause("glazed", "facing overheated, glazed or fading", {"slips": 0.85, "smell": 0.9, "judders": 0.3}, 1.2,
           {"smell": "burnt", "since": "suddenly", "faces": "spotted", "roll_on": "runs away",
            "when_hot": {"only hot": 0.6, "cold too": 0.4}}, "disc; faces dressed; bed in again", CAR,
           closes=("disc",), scope="clutch_flywheel"),
    _cause("no_free_play", "no free play: the bearing is always loaded", {"slips": 0.7, "noise": 0.6, "smell": 0.2},
           1.2,
           {"free_play": "none", "light_touch": {"changes": 0.6, "same": 0.4}, "roll_on": "runs away"},
           "set free play; look at the bearing", "",
           scope="hydraulics"),
    _cause("bottomed_bearing", "release bearing bottomed: no reserve left", {"slips": 0.8, "noise": 0.4}, 0.7,
           {"since": {"slowly": 0.5, "after work": 0.45, "suddenly": 0.05}, "roll_on": "runs away",
            "free_play": {"none": 0.5, "too much": 0.0, "right": 0.5}, "crack_bleeder": {"comes right": 0.1,
            "no change": 0.9}}, "take a spacer out; measure X and Y", CAR,
           closes=("bearing",), scope="bearing"),
    _cause("port_shut", "compensation port shut: no push-rod play", {"slips": 0.7, "pedal": 0.6, "smell": 0.2}, 0.6,
           {"when_hot": "only hot", "crack_bleeder": "comes right", "free_play": {"none": 0.7, "too much": 0.0,
            "right": 0.3}, "since": {"slowly": 0.1, "after work": 0.8, "suddenly": 0.1}},
           "push-rod play at the master", CAR,
           scope="hydraulics"),
    _cause("fingers_thrown", "fingers past flat, thrown by speed", {"slips": 0.5, "drags": 0.7}, 0.3,
           {"high_revs": "only high"}, "set-up of the fingers, another cover", CAR,
           closes=("cover",), scope="clutch"),
    _cause("air", "air in the hydraulics", {"drags": 0.9, "pedal": 0.9}, 2.2,
           {"pump": "better", "slave_travel": "short", "since": {"slowly": 0.25, "after work": 0.65, "suddenly": 0.1},
            "engine_off": "sweetly", "reverse_wait": "grinds"}, "bleed it, then read the slave's travel",
           closes=("fluid",), scope="hydraulics"),
    _cause("leak", "a leak: low fluid or a wet boot", {"drags": 0.85, "pedal": 0.9}, 1.4,
           {"fluid_level": "low or wet", "slave_travel": "short", "pump": {"better": 0.7, "same": 0.3},
            "since": "slowly", "engine_off": "sweetly"}, "both cylinders and the line; then bleed", "",
           closes=("master", "slave", "fluid",), scope="hydraulics"),
    _cause("master_bypass", "fluid passes by in the master", {"drags": 0.85, "pedal": 0.7}, 0.9,
           {"hold_down": "creeps", "fluid_level": "fine", "pump": {"better": 0.5, "same": 0.5}, "since": "slowly"},
           "master cylinder",
           closes=("master", "fluid",), scope="hydraulics"),
    _cause("swells", "hose swells, or bulkhead or fork flexes", {"drags": 0.8, "pedal": 0.5}, 0.7,
           {"hose": "moves", "slave_travel": "short", "pump": "same", "since": {"slowly": 0.4, "after work": 0.55,
            "suddenly": 0.05}}, "a braided hose; what flexes made stiff",
           closes=("line", "fluid",), scope="hydraulics"),
    _cause("boils", "wet fluid that boils by a hot bearing", {"drags": 0.8, "pedal": 0.8}, 0.5,
           {"when_hot": "only hot", "fluid_level": {"low or wet": 0.05, "dark": 0.85, "fine": 0.1},
            "pump": {"better": 0.8, "same": 0.2}}, "fresh fluid of the named grade", "",
           closes=("fluid",), scope="hydraulics"),
    _cause("too_much_play", "too much free play or a stretched cable", {"drags": 0.85, "pedal": 0.4}, 1.2,
           {"free_play": "too much", "since": "slowly", "engine_off": "sweetly"}, "adjust; renew a tired cable",
           closes=("line",), scope="hydraulics"),
    _cause("bad_cable", "cable frayed, kinked or dry", {"pedal": 0.8, "drags": 0.5}, 0.9,
           {"cable": "bad", "since": "slowly"}, "cable, and its way round bends",
           closes=("line",), scope="hydraulics"),
    _cause("too_little_lift", "the set-up lifts too little", {"drags": 0.9}, 1.0,
           {"since": "after work", "slave_travel": "right", "pump": "same", "engine_off": "sweetly",
           "reverse_wait": "grinds"},
           "cylinders or ratio that lift more: Lift says how much", "",
           scope="hydraulics"),
    _cause("floater", "floater's clearance out of its window", {"drags": 0.85, "noise": 0.1}, 0.8,
           {"stands": "out of window", "slave_travel": "right", "pump": "same"}, "shims at the stands", CAR,
           scope="clutch"),
    _cause("disc_stuck", "disc stuck on its splines, or warped", {"drags": 0.9, "judders": 0.1}, 0.8,
           {"hub_slides": "sticks", "slave_travel": "right", "pump": "same", "since": {"slowly": 0.3, "after work": 0.5,
            "suddenly": 0.2}}, "clean and grease the splines, or renew the disc", CAR,
           scope="clutch"),
    _cause("disc_reversed", "disc the wrong way round", {"drags": 0.9, "noise": 0.3, "judders": 0.1}, 0.5,
           {"since": "after work", "hub_slides": "wrong way", "slave_travel": "right", "pump": "same"},
           "out again, the disc turned round", CAR,
           scope="clutch"),
    _cause("fingers_uneven", "fingers bent, broken or uneven", {"drags": 0.7, "judders": 0.4, "vibration": 0.4,
           "pedal": 0.3, "noise": 0.1},
           0.7, {"fingers": "uneven", "slave_travel": "right"}, "cover", CAR,
           closes=("cover",), scope="clutch"),
    _cause("pilot_seized", "pilot bearing seized", {"drags": 0.7, "noise": 0.7}, 0.7,
           {"pilot_turns": "rough", "noise_down": "down", "reverse_wait": "grinds", "slave_travel": "right",
            "light_touch": "same"}, "pilot bearing", CAR,
           closes=("pilot",), scope="clutch"),
    _cause("release_bearing", "release bearing worn", {"noise": 0.95, "pedal": 0.1}, 2.0,
           {"noise_down": "down", "light_touch": "changes", "pilot_turns": "smooth"}, "release bearing", "",
           closes=("bearing",), scope="bearing"),
    _cause("input_bearing", "gearbox input bearing", {"noise": 0.9}, 1.0, {"noise_down": "up", "light_touch": "same"},
           "gearbox bearing", CAR,
           closes=("input_bearing",), scope="complaint"),
    _cause("gear_rattle", "gear rattle of a light flywheel: no fault", {"noise": 0.8}, 0.8,
           {"noise_down": {"down": 0.0, "up": 0.5, "idle": 0.45, "none": 0.05}, "idle_gears": "goes",
            "since": {"slowly": 0.05, "after work": 0.93, "suddenly": 0.02}, "light_touch": "same"},
           "raise the idle, or a sprung hub", CAR),
    _cause("hot_spots", "hot spots or chatter marks on the faces", {"judders": 0.9, "vibration": 0.1}, 1.5,
           {"faces": "spotted", "take_up": "always", "mounts": "firm", "housing_wet": "dry"},
           "faces machined or renewed",
           CAR,
           scope="clutch_flywheel"),
    _cause("loose_mounts", "loose engine or gearbox mounts", {"judders": 0.8, "vibration": 0.4, "noise": 0.2}, 0.9,
           {"mounts": "loose"}, "mounts", CAR,
           closes=("mounts",), scope="complaint"),
    _cause("solid_hub", "grip of a solid hub or of buttons: as built", {"judders": 0.7, "noise": 0.3}, 0.6,
           {"since": "after work", "take_up": "always", "mounts": "firm", "housing_wet": "dry", "faces": "clean"},
           "a sprung hub or another facing", CAR,
           closes=("disc",), scope="clutch"),
    _cause("damp", "a film of rust after standing: no fault", {"judders": 0.5}, 0.5,
           {"take_up": "cold or wet", "mounts": "firm"}, "a few starts clean it off", CAR),
    _cause("unbalanced", "balance: unmarked cover, lost weight, other class", {"vibration": 0.95}, 1.5,
           {"shake_down": "same down", "since": "after work"}, "balance the set, marks in line", CAR,
           scope="clutch_flywheel"),
    _cause("disc_out_of_true", "disc or its hub out of true", {"vibration": 0.6, "drags": 0.3, "judders": 0.25}, 0.5,
           {"shake_down": "gone down"}, "disc", CAR,
           closes=("disc",), scope="clutch"),
    _cause("burst", "facing burst, hub sheared or shaft broken", {"no drive": 0.95, "noise": 0.3}, 1.5,
           {"since": "suddenly", "output_turns": "does not", "slave_travel": "right"},
           "open it up before it turns again", CAR,
           scope="everything"),
    _cause("overtravel", "over-travel: fingers in the hub", {"noise": 0.4, "drags": 0.2}, 0.4,
           {"floor": "noise at floor", "since": "after work"}, "a pedal stop where Lift says", CAR,
           scope="clutch"),
    _cause("wrong_oil", "oil of a class no wet clutch takes", {"slips": 0.85, "drags": 0.1}, 1.3,
           {"oil": "wrong class", "since": {"slowly": 0.05, "after work": 0.9, "suddenly": 0.05}},
           "oil of the class the manual names, plates washed", MOTORCYCLE,
           closes=("engine_oil",), scope="clutch"),
    _cause("thin_plates", "plates thin or burnt", {"slips": 0.9, "smell": 0.5}, 2.0,
           {"plates": "thin", "since": "slowly", "roll_on": "runs away", "smell": {"burnt": 0.4, "not burnt": 0.6}},
           "plate set with springs", MOTORCYCLE,
           closes=("plates", "springs",), scope="clutch"),
    _cause("short_springs", "springs tired", {"slips": 0.9}, 1.5,
           {"springs": "short", "since": "slowly", "roll_on": "runs away", "plates": "good"}, "spring set", MOTORCYCLE,
           closes=("springs",), scope="clutch"),
    _cause("warped_plates", "plates warped", {"drags": 0.85, "judders": 0.5}, 1.3,
           {"plates": "warped", "engine_off": "sweetly", "since": {"slowly": 0.5, "after work": 0.3, "suddenly": 0.2}},
           "plate set", MOTORCYCLE,
           closes=("plates",), scope="clutch"),
    _cause("notched", "basket or hub notched", {"drags": 0.8, "judders": 0.4, "pedal": 0.4, "noise": 0.2}, 1.3,
           {"basket": "notched", "since": "slowly", "engine_off": "sweetly"}, "basket and hub", MOTORCYCLE,
           closes=("basket",), scope="clutch"),
    _cause("pack_noise", "primary gear, cush rubbers or basket bearing", {"noise": 0.9, "vibration": 0.3}, 1.0,
           {"noise_down": {"down": 0.05, "up": 0.25, "idle": 0.65, "none": 0.05}, "light_touch": "same"},
           "rubbers or bearing of the basket", MOTORCYCLE,
           closes=("cush_rubbers",), scope="clutch"),
    _cause("damper", "damper springs of the disc loose or broken", {"noise": 0.6, "judders": 0.4, "vibration": 0.15},
           0.4, {"noise_down": {"down": 0.1, "up": 0.3, "idle": 0.5, "none": 0.1}, "light_touch": "same"}, "disc", CAR,
           closes=("disc",), scope="clutch"),
    _cause("fork_worn", "fork, pivot or sleeve worn", {"drags": 0.5, "pedal": 0.5, "noise": 0.45}, 0.6,
           {"hose": {"moves": 0.5, "still": 0.5}, "since": "slowly"}, "fork, pivot and clip", CAR,
           closes=("fork", "pivot", "pivot_clip"), scope="bearing"),
    _cause("heavy", "heavy as it is built: strong clamp, short arm, or dry joints", {"pedal": 0.75}, 0.8,
           {"pump": "same", "hold_down": "stays"}, "ratio of pedal, arm or cylinders; grease at the joints",
           scope="hydraulics"),
    _cause("lifter_worn", "lifter bearing worn or push rod bent", {"drags": 0.5, "pedal": 0.5, "noise": 0.3}, 0.6,
           {"engine_off": "sweetly", "noise_down": "down"}, "lifter bearing, push rod", MOTORCYCLE,
           closes=("lifter", "push_rod"), scope="bearing"),
)}  # fmt: skip


def refuse_unfinished() -> None:
    """Refuses a table in which a cause, or a check that speaks for one, names what there is none of.

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it
    """

    def must(holds: object, says: str) -> None:
        if not holds:
            raise ValueError(says)

    for cause in CAUSES.values():
        must(cause.shows, f"cause “{cause.name}”: say which complaints it makes: shows")
        must(cause.mends, f"cause “{cause.name}”: say what mends it: mends")
        for part in cause.closes:
            must(
                part in PARTS,
                f"cause “{cause.name}” closes into “{part}”, which is no part; add it to core/job/parts.py",
            )
        for test, answers in cause.tells.items():
            must(test in TESTS, f"cause “{cause.name}” tells of “{test}”, which is no test")
            unknown = set(answers) - set(TESTS[test].answers)
            must(not unknown, f"cause “{cause.name}”, {test}: {', '.join(sorted(unknown))} is no answer of it")
    for check in CHECKS.values():
        for name in (*check.causes, *(cause for grade in check.grades for cause in grade.causes)):
            must(name in CAUSES, f"check “{check.name}” speaks for “{name}”, which is no cause")


refuse_unfinished()
