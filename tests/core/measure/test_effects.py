"""Measured values in the graph: what they become, and what they do to the four questions."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np
import pytest

from liftbite.core.analysis.life import life
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.ledger import Entry, read_entry
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effects import effects
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.parts_list import needs, worst, worth_it
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import SweepSettings
from liftbite.core.measure.sweep import Sweep, sweep_of
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.words import verdict_sentence
from tests.core.test_every_quantity import WHOLE_MOTORCYCLE
from tests.jobs import CAR, FULL, MOTORCYCLE, entries

TWIN = FULL | {"disc_count": "2"}


def taken(mm: Mapping[str, float], uncertainty: float = 3e-5) -> list[Reading]:
    return [Reading(place, v / 1e3, f"{v} mm", "caliper", uncertainty) for place, v in mm.items()]


def made(typed: Mapping[str, str], readings: Mapping[str, Sequence[Reading]]) -> dict[str, str]:
    return {e.quantity: e.typed for e in effects(build_of(entries(dict(typed))), readings)}


def with_effects(typed: Mapping[str, str], readings: Mapping[str, Sequence[Reading]]) -> dict[str, Entry]:
    present = entries(dict(typed))
    for e in effects(build_of(present), readings):
        present[e.quantity] = Entry(e.quantity, e.typed, e.si, "measured")
    return present


RIVETS = {f"Disc 1, {side}, {i}": 0.7 for side in ("flywheel side", "plate side") for i in (1, 2, 3)}
PACK = {f"Plate {i}, place {j}": 2.9 for i in range(1, 8) for j in (1, 2, 3)}
TIRED = {f"Spring {i}": v for i, v in enumerate([43.6, 43.5, 43.6, 43.4, 43.5, 43.6], start=1)}


def test_rivet_depths_become_wear_of_the_stack() -> None:
    assert made(FULL, {"rivet_depth": taken(RIVETS)}) == {"wear": "0.6 mm"}
    limits = FULL | {"facing_depth": "1.2 mm"}
    assert made(limits, {"rivet_depth": taken(RIVETS)}) == {"wear": "1 mm"}


def test_a_twin_keeps_the_inner_discs_wear_apart() -> None:
    both = RIVETS | {f"Disc 2, {side}, {i}": 0.9 for side in ("flywheel side", "plate side") for i in (1, 2, 3)}
    assert made(TWIN, {"rivet_depth": taken(both)}) == {"wear": "0.8 mm", "inner_wear": "0.6 mm"}


def test_a_side_nobody_read_is_not_a_side_without_wear() -> None:
    one_side = {place: depth for place, depth in RIVETS.items() if "plate side" not in place}
    assert made(FULL, {"rivet_depth": taken(one_side)}) == {}
    assert made(TWIN, {"rivet_depth": taken(RIVETS)}) == {}


def test_a_pack_wears_by_the_mean_of_its_plates() -> None:
    assert made(MOTORCYCLE, {"plate_thickness": taken(PACK)}) == {"wear": "0.7 mm"}
    assert made(MOTORCYCLE, {"plate_thickness": taken(dict.fromkeys(PACK, 3.0))}) == {}


def test_each_spring_goes_in_with_its_own_length_once_all_are_read() -> None:
    found = made(MOTORCYCLE, {"spring_free_length": taken(TIRED)})
    assert found["spring_lengths"] == "each"
    assert found["spring_free_lengths"].startswith("43.6 mm; 43.5 mm")
    assert made(MOTORCYCLE, {"spring_free_length": taken({"Spring 1": 43.6})}) == {}


def test_tired_springs_and_worn_plates_take_from_bite() -> None:
    before = answer(entries(WHOLE_MOTORCYCLE)).verdict
    plain = {q: t for q, t in WHOLE_MOTORCYCLE.items() if q not in {"spring_lengths", "spring_free_lengths"}}
    readings = {"plate_thickness": taken(PACK), "spring_free_length": taken(TIRED)}
    after = answer(with_effects(plain, readings)).verdict
    assert before.margin is not None
    assert after.margin is not None
    assert after.margin.low < before.margin.low
    by_hand = build_of(
        entries(plain, spring_lengths="each", spring_free_lengths="43.6; 43.5; 43.6; 43.4; 43.5; 43.6 mm")
    )
    clamp = by_hand.evaluate(("bite_margin",), stage=1.0, friction=-1.0, wear=0.7e-3)["bite_margin"]
    assert after.margin.low == pytest.approx(float(clamp))


def test_wear_found_is_the_state_everything_stands_at() -> None:
    """A stack measured 0.6 mm thinner is the same stack looked at after 0.6 mm of wear."""
    worn = build_of(entries(FULL, wear="0.6 mm"))
    new = build_of(entries(FULL))
    for name in ("clamp_load", "bite_margin", "lift_margin", "starts_to_limit"):
        assert worn.evaluate((name,))[name] == pytest.approx(float(new.evaluate((name,), wear=0.6e-3)[name]))
    assert worn.mark("wear") == "entered"
    assert new.mark("wear") == "assumed"


def test_the_bearings_reserve_measured_on_worn_discs_counts_from_there() -> None:
    def bearing_end(build: Build) -> float:
        found = life(build, stage=0.0, friction=-1.0)
        return dict(found.ends)["bearing"]  # type: ignore[union-attr]

    new, worn = bearing_end(build_of(entries(FULL))), bearing_end(build_of(entries(FULL, wear="0.5 mm")))
    assert worn - new == pytest.approx(0.5e-3)


def test_x_and_y_become_the_bearings_reserve() -> None:
    readings = {"depth_x": taken({"At 12": 80.0, "At 4": 80.2}), "depth_y": taken({"At 12": 70.0})}
    assert made(FULL, readings) == {"bearing_reserve": "10.1 mm"}
    assert made(FULL, {"depth_x": taken({"At 12": 80.0})}) == {}
    assert made(FULL, {"depth_x": taken({"At 12": 60.0}), "depth_y": taken({"At 12": 70.0})}) == {}


def test_face_and_seat_cut_alike_move_the_fingers_and_cut_apart_age_the_cover() -> None:
    alike = made(FULL, {"face_cut": taken({"Once": 0.5}), "seat_cut": taken({"Once": 0.5})})
    assert "diaphragm_set" not in alike
    assert alike["bearing_reserve"] == "9.5 mm"
    apart = made(FULL, {"face_cut": taken({"Once": 0.5})})
    levered = (225 - 178) / (221 - 191)
    assert float(apart["diaphragm_set"].split()[0]) == pytest.approx(5.2 - 0.5 * levered, abs=2e-3)
    ratio = float(build_of(entries(FULL)).evaluate(("release_lever_ratio",))["release_lever_ratio"])
    assert float(apart["bearing_reserve"].split()[0]) == pytest.approx(9 - 0.5 * ratio, rel=1e-3)


#: What it takes for True to run true: a stronger wheel and joint.
SOUND = FULL | {
    "flywheel_strength": "900 MPa",
    "shaft_diameter": "30 mm",
    "bolt_torque": "120 N·m",
    "bolt_diameter": "12 mm",
}


def swept(check: str, *mm: float, sag: float = 0.0) -> dict[str, Sweep]:
    """A sweep at even angles, the first read again at the end."""
    count = len(mm) - 1
    places = [*(f"{i * 360 / count:g}°" for i in range(count)), "0° again"]
    readings = [Reading(place, v / 1e3, "", "dial", 1e-5) for place, v in zip(places, mm, strict=True)]
    found = sweep_of(CHECKS[check], readings, SweepSettings(sag=sag), None)
    assert found is not None
    return {check: found}


def made_of(typed: Mapping[str, str], sweeps: Mapping[str, Sweep], **manual: tuple[float, str]) -> dict[str, str]:
    limits = dict.fromkeys(sweeps, manual)
    return {e.quantity: e.typed for e in effects(build_of(entries(dict(typed))), {}, limits, sweeps=sweeps)}


def test_the_rims_wobble_is_taken_down_to_the_mean_radius() -> None:
    share = (240 + 155) / 2 / 240
    found = made_of(FULL | {"disc_wobble": "0.2 mm"}, swept("disc_wobble", 0, 0.4, 0.8, 0.4, 0))
    assert found == {"disc_wobble": f"{0.8 * share:.3f} mm"}
    assert made_of({"layout": "dry_car"}, swept("disc_wobble", 0, 0.4, 0.8, 0.4, 0)) == {}


@pytest.mark.parametrize(
    ("check", "quantity"),
    [("bore_runout", "housing_bore"), ("housing_face", "housing_face"), ("flywheel_runout", "flywheel_face")],
)
def test_a_runout_that_was_swept_goes_into_true(check: str, quantity: str) -> None:
    sweeps = swept(check, 0, 0.15, 0.3, 0.15, 0)
    assert made_of(CAR, sweeps) == {f"{quantity}_runout": "0.3 mm"}
    assert made_of(CAR | {f"{quantity}_runout": "0.3 mm"}, sweeps) == {}
    allowed = made_of(CAR, sweeps, most=(4e-4, "p. 12"))
    assert allowed == {f"{quantity}_runout": "0.3 mm", f"{quantity}_limit": "0.4 mm"}
    before = answer(entries(SOUND)).others[2]
    after = answer(entries(SOUND | made_of(SOUND, sweeps))).others[2]
    mended = answer(entries(SOUND | made_of(SOUND, sweeps, most=(4e-4, "")))).others[2]
    assert (before.state, after.state, mended.state) == ("runs true", "look again", "runs true")
    assert after.deciding is not None
    assert (after.deciding.figure, after.deciding.most) == (pytest.approx(0.3e-3), True)
    assert after.deciding.reserve == pytest.approx(after.deciding.limit / 0.3e-3)
    assert "runs out 0.3 mm (0.0118 in)" in verdict_sentence(after)
    assert "is allowed" in verdict_sentence(after)


def test_a_sweep_that_does_not_close_changes_nothing() -> None:
    assert made_of(CAR, swept("bore_runout", 0, 0.1, 0.3, 0.15, 0.06)) == {}


def test_a_brackets_sag_is_no_runout() -> None:
    sag = 0.05
    readings = [sag * np.cos(np.radians(a)) for a in (0, 90, 180, 270, 0)]
    assert made_of(CAR, swept("bore_runout", *readings, sag=sag / 1e3)) == {"housing_bore_runout": "0 mm"}


def test_what_was_not_swept_is_said_and_what_could_burst_still_stops() -> None:
    whole = {q: t for q, t in SOUND.items() if not q.endswith(("bore_runout", "face_runout"))}
    assert verdict_sentence(answer(entries(whole)).others[2]).endswith("Not looked at: runout.")
    one = verdict_sentence(answer(entries(whole | {"housing_bore_runout": "0.02 mm"})).others[2])
    assert one.endswith("Not looked at: gearbox face, flywheel face.")
    fast = SOUND | {"redline": "30000 rpm", "housing_bore_runout": "1 mm"}
    assumed = answer(entries(fast)).others[2]
    assert assumed.state == "look again", "no stop from a strength nobody typed"
    (burst,) = (link for link in assumed.links if link.key == "burst_speed")
    assert (burst.grade, burst.facts["asks"]) == ("short", "flywheel_tensile")
    burst = answer(entries(fast | {"flywheel_strength": "250 MPa", "flywheel_tensile": "400 MPa"})).others[2]
    assert burst.state == "stop"
    alone = answer(entries({"layout": "dry_car", "housing_bore_runout": "0.02 mm"})).others[2]
    assert alone.state == "look again"
    assert "burst speed" in verdict_sentence(alone)


def test_a_value_that_stands_already_is_no_effect() -> None:
    readings = {"rivet_depth": taken(RIVETS)}
    assert made(FULL | {"wear": "0.6 mm"}, readings) == {}


def test_effects_are_entries_a_job_takes() -> None:
    for typed, readings in [(FULL, {"rivet_depth": taken(RIVETS)}), (MOTORCYCLE, {"spring_free_length": taken(TIRED)})]:
        for e in effects(build_of(entries(typed)), readings):
            entry = read_entry(e.quantity, e.typed)
            if e.si is not None:
                assert entry.si == pytest.approx(e.si, rel=1e-3)


def test_a_weight_and_a_swing_become_the_flywheels_inertia() -> None:
    """[handbook: trifilar pendulum]: twenty swings in 28 s are a period of 1.4 s."""
    readings = {
        "flywheel_weight": [Reading("Once", 8.2, "8.2 kg", "scale", 5e-3)],
        "flywheel_swing": [
            Reading("First time", 28.1, "", "stopwatch", 0.2),
            Reading("Second time", 27.9, "", "stopwatch", 0.2),
        ],
    }
    assert made(CAR, readings) == {"flywheel_mass": "8.2 kg", "swing_period": "1.4 s"}
    swung = build_of(
        with_effects(CAR | {"inertia_source": "swing", "wire_radius": "120 mm", "wire_length": "1.5 m"}, readings)
    )
    inertia = float(swung.evaluate(("flywheel_inertia",))["flywheel_inertia"])
    assert inertia == pytest.approx(8.2 * 9.80665 * 0.12**2 * 1.4**2 / (4 * np.pi**2 * 1.5), rel=1e-4)


# --- decisions


def finding(check: str, verdict: str) -> Finding:
    return Finding(check, verdict, taken=1, wanted=1)


def parts(typed: Mapping[str, str], *found: tuple[str, str], **practices: str) -> dict[str, list[str]]:
    begins = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()}
    listed: dict[str, list[str]] = {}
    for need in needs(build_of(entries(dict(typed))), [finding(*f) for f in found], begins | practices):
        listed.setdefault(need.work, []).append(need.part)
    return listed


def test_springs_go_with_a_plate_set() -> None:
    read = ("plate_thickness", "renew as set")
    assert parts(MOTORCYCLE, read, small="bad")["get"] == ["plates", "springs", "spring_bolts"]
    assert "get" not in parts(MOTORCYCLE, ("plate_thickness", "reuse"))


def test_a_release_bearing_goes_with_every_clutch() -> None:
    got = parts(CAR, ("rivet_depth", "renew"))["get"]
    assert {"disc", "bearing", "pilot", "rear_seal", "input_seal"} <= set(got)


def test_schools_decide_where_builders_differ() -> None:
    got = parts(CAR, ("rivet_depth", "renew"), pilot="bad", seal="bad", face="always")
    assert "pilot" not in got["get"]
    assert "rear_seal" not in got["get"]
    assert got["dress"] == ["flywheel"]
    leaking = parts(CAR, ("rear_seal", "renew"), seal="bad")
    assert leaking["get"] == ["rear_seal"]


def test_a_flywheel_that_goes_is_not_machined_and_takes_its_bolts_along() -> None:
    got = parts(CAR, ("flywheel_face", "stop"), ("rivet_depth", "renew"), face="always")
    assert {"flywheel", "flywheel_bolts"} <= set(got["get"])
    assert "dress" not in got


def test_too_close_to_call_is_measured_better() -> None:
    assert parts(MOTORCYCLE, ("plate_thickness", "too close to call"))["measure"] == ["plates"]


def test_every_reason_is_kept_once() -> None:
    begins = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()}
    found = [finding("plate_thickness", "renew as set"), finding("plate_condition", "renew as set")]
    (plate, *_) = needs(build_of(entries(MOTORCYCLE)), [*found, *found], begins)
    assert len(plate.reasons) == 2


@pytest.mark.parametrize(("chance", "pays"), [(0.0, False), (0.03, False), (0.05, True), (1.0, True)])
def test_while_it_is_open(chance: float, pays: bool) -> None:
    offer = worth_it("pilot", 25.0, chance, 8.0, 70.0)
    assert offer.pays is pays
    assert worth_it("pilot", 25.0, offer.even, 8.0, 70.0).later == pytest.approx(offer.now)


@pytest.mark.parametrize("figures", [(25.0, 1.1, 8.0, 70.0), (25.0, -0.1, 8.0, 70.0), (-1.0, 0.1, 8.0, 70.0)])
def test_what_is_no_sum(figures: tuple[float, ...]) -> None:
    with pytest.raises(ValueError, match=r"chance|0 or more"):
        worth_it("pilot", *figures)


def test_the_worst_of_several_findings() -> None:
    assert worst([finding("a", "reuse"), finding("b", "renew"), finding("c", "open")]) == "renew"
    assert worst([finding("a", "open")]) == "open"
