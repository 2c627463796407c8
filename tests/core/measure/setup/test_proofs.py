"""The sums of the set-up from a job's readings: what they come to, what they say, and that every sum told comes out."""

from __future__ import annotations

import re
from collections.abc import Mapping

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.job.build import Build, build_of
from liftbite.core.measure.judgement import Reading
from liftbite.core.measure.setup.proofs import Proofs, computed_window, pieces_of, proofs, trapped_air
from liftbite.core.measure.setup.proofs_said import Said, say
from tests.core.test_every_quantity import CABLE_CAR
from tests.jobs import CAR, FULL, MOTORCYCLE, entries

FORK_CAR = {**{q: t for q, t in FULL.items() if not q.startswith("slave_")}, "release": "hydraulic_fork",
            "slave_diameter": "22 mm", "fork_ratio": "1.6", "slave_stroke": "30 mm"}  # fmt: skip
TWIN = FULL | {"disc_count": "2"}
NO_STROKE = {q: t for q, t in FULL.items() if q != "slave_stroke"}


def taken(mm: Mapping[str, float], uncertainty: float = 3e-5) -> list[Reading]:
    return [Reading(place, v / 1e3, f"{v} mm", "caliper", uncertainty) for place, v in mm.items()]


def found(typed: Mapping[str, str], shim: str = "", **readings: Mapping[str, float]) -> Proofs:
    return proofs(build_of(entries(dict(typed))), {check: taken(mm) for check, mm in readings.items()}, shim)


def said(which: str, typed: Mapping[str, str], shim: str = "", **readings: Mapping[str, float]) -> Said:
    return say(found(typed, shim, **readings))[which]


_NUMBER = r"−?\d+(?:\.\d+)?"
_SUM = re.compile(rf"(\(?{_NUMBER}(?: mm)?(?: (?:[−+·] )\(?{_NUMBER}\)?)+) = ({_NUMBER})(?![\d.])")


def sums_told(said: Said) -> list[tuple[float, float]]:
    """Every sum of plain figures in a working, worked out again by Python, beside what the working says."""
    told = []
    for line in said.working:
        for left, right in _SUM.findall(line):
            text = left.replace("−", "-").replace("·", "*").replace(" mm", "")
            assert re.fullmatch(r"[-+*() \d.]+", text), text
            told.append((float(eval(text)), float(right.replace("−", "-"))))  # figures alone, as asserted
    return told


# --- a concentric bearing


def test_the_computed_window_covers_the_wear_to_come() -> None:
    build = build_of(entries(FULL, slave_stroke="25 mm"))
    window = computed_window(build)
    assert window is not None
    v = build.evaluate(("wear_limit", "release_lever_ratio"))
    assert window.low == pytest.approx(float(v["wear_limit"] * v["release_lever_ratio"]) + 0.5e-3)
    worn = computed_window(build_of(entries(FULL, slave_stroke="25 mm", wear="0.5 mm")))
    assert worn is not None
    assert worn.low < window.low
    assert computed_window(build_of(entries(NO_STROKE))) is None


def test_the_sums_wait_for_their_readings() -> None:
    assert found(FULL) == Proofs()
    assert say(Proofs()) == {}
    bearing = found(FULL, depth_x={"At 12": 80.0, "At 4": 80.1}, depth_y={"At 12": 62.0},
                    spacers={"Spacer 1": 6.4, "Spacer 2": 3.2}).bearing  # fmt: skip
    assert bearing is not None
    assert bearing.cushion == pytest.approx(18.05e-3)
    assert bearing.doubt == pytest.approx((2**0.5 * 3e-5) + 0.05e-3)
    assert len(bearing.stacks) == 4
    assert found(TWIN, floater_gap={"Stand 1": 0.5, "Stand 2": 0.55}).floater is None
    assert found(TWIN, floater_gap={"Stand 1": 0.5, "Stand 2": 0.55, "Stand 3": 0.6}).floater is not None


def test_the_last_reading_of_a_spacer_is_its_thickness() -> None:
    readings = {"spacers": taken({"Spacer 1": 9.9}) + taken({"Spacer 1": 3.0})}
    assert pieces_of(readings, "spacers").heights == (3e-3,)


def test_more_spacers_than_can_be_tried_are_told() -> None:
    many = {f"Spacer {i}": 1 + i / 10 for i in range(1, 13)}
    pieces = pieces_of({"spacers": taken(many)}, "spacers")
    assert pieces.names == tuple(f"Spacer {i}" for i in range(1, 11))
    assert pieces.untried == 2
    words = said("bearing", FULL, depth_x={"At 12": 80}, depth_y={"At 12": 70}, spacers=many)
    assert words.working[-1] == "12 pieces were measured; the first 10 are tried."


@pytest.mark.parametrize(("typed", "x", "y", "spacers", "says"), [
    (NO_STROKE, 70, 75, {}, "already meets the fingers"),
    (NO_STROKE, 80, 73.5, {}, "With no spacer the cushion is 6.5 mm"),
    (NO_STROKE, 80, 60, {"Spacer 1": 2}, "No stack at hand falls in 1/8 to 3/8 in. Nearest: with Spacer 1"),
    (NO_STROKE, 80, 70.475, {}, "stands on the doubt of the readings"),
    (FULL | {"slave_stroke": "12 mm"}, 80, 70, {}, "No cushion serves"),
    (FULL | {"slave_stroke": "30 mm"}, 80, 40, {}, "No stack at hand falls between"),
    (FULL | {"slave_stroke": "30 mm"}, 80, 68, {}, "It lies outside the rule of 1/8 to 3/8 in, which counts less"),
])  # fmt: skip
def test_what_a_bearings_sum_says(
    typed: dict[str, str], x: float, y: float, spacers: dict[str, float], says: str
) -> None:
    words = said("bearing", typed, depth_x={"At 12": x}, depth_y={"At 12": y}, spacers=spacers)
    assert says in words.sentence
    assert any("3.175 mm (0.125 in) to 9.525 mm (0.375 in)" in line for line in words.working)
    assert any("It outranks the rule" in line for line in words.working) == ("slave_stroke" in typed)
    assert any("pull-type" in line for line in words.working)


# --- a twin's floater

STANDS = {"Stand 1": 0.381, "Stand 2": 0.5588, "Stand 3": 0.4191}  # 0.015, 0.022, 0.0165 in
SHIMS = {"Shim 1": 0.1778, "Shim 2": 0.1524}  # 0.007, 0.006 in


def test_a_shim_does_what_its_seat_makes_of_it() -> None:
    """[practice]: 0.020 to 0.025 in at every stand. Where nobody says where a shim sits, both ways are told."""
    both = said("floater", TWIN, floater_gap=STANDS, floater_shims=SHIMS)
    assert "under the stand, where it raises the stop, all three come right" in both.sentence
    assert "under the plate, where it closes the gap, not all three come right" in both.sentence
    assert both.sentence.endswith("Say where a shim sits on this clutch, and one answer is left.")
    bare = said("floater", TWIN, "raises", floater_gap=STANDS)
    assert "f is taken at the middle of its window here" in bare.working[-1]
    one = said("floater", TWIN, "raises", floater_gap=STANDS, floater_shims=SHIMS)
    assert "middle" not in " ".join(one.working)
    assert "under the plate" not in one.sentence
    assert "0.381 + 0.178 = 0.559; 0.559 as it is; 0.419 + 0.152 = 0.571 mm" in one.working[1]


def test_the_outer_disc_loses_what_the_inner_one_wears() -> None:
    floater = found(TWIN, "raises", floater_gap=STANDS, floater_shims=SHIMS).floater
    assert floater is not None
    assert np.allclose(np.add(floater.inner, floater.outer), floater.inner[0] + floater.outer[0])
    assert np.allclose(np.subtract(floater.inner, floater.inner[0]), floater.wear)
    build = build_of(entries(TWIN))
    assert floater.reshim_at == pytest.approx(float(build.evaluate(("reshim_wear",))["reshim_wear"]))


# --- the input shaft

DEPTHS = {"Housing depth": 165, "Block plate and gaskets": 3, "Pilot below the crank flange": 4,
          "Flange beyond the block face": 0, "Pilot bearing length": 16,
          "Bottom of the bore below the pilot": 10}  # fmt: skip


@pytest.mark.parametrize(("protrusion", "says"), [
    (160, "does not reach its pilot: 12 mm"), (180, "enters the pilot by 8 mm"), (190, "passes the whole pilot"),
    (205, "meets the bottom of the bore")])  # fmt: skip
def test_what_a_shafts_reach_says(protrusion: float, says: str) -> None:
    words = said("shaft", CAR, shaft_reach={"Shaft beyond the gearbox face": protrusion} | DEPTHS)
    assert says in words.sentence
    assert f"= {protrusion} − 165 − 3 − 4 + 0 = {protrusion - 172}".replace("-", "−") in words.working[0]


def test_a_depth_left_out_is_waited_for() -> None:
    assert found(CAR, shaft_reach=DEPTHS).shaft is None


@pytest.mark.parametrize(("shims", "says"), [
    ({}, "Measure the shims at hand"), ({"Shim 1": 0.5}, "no shim at hand is thin enough"),
    ({"Shim 1": 0.2, "Shim 2": 0.1}, "Shim 1 and Shim 2 take the end float to 0 mm"),
    ({"Shim 1": 0.25}, "Shim 1 takes the end float to 0.05 mm")])  # fmt: skip
def test_what_an_end_float_says(shims: dict[str, float], says: str) -> None:
    assert says in said("end_float", CAR, end_float={"Once": 0.3}, retainer_shims=shims).sentence
    assert found(CAR, retainer_shims=shims).end_float is None


# --- a bearing of another height, a flywheel that was cut


@pytest.mark.parametrize(("new", "says"), [
    (21, "1 mm (0.0394 in) taller; 2 mm"), (19, "1 mm (0.0394 in) shorter; 6 mm"), (23, "always loaded")])  # fmt: skip
def test_what_another_bearing_says(new: float, says: str) -> None:
    typed = CAR | {"release": "hydraulic_fork", "fork_ratio": "2", "bearing_clearance": "2 mm"}
    plain = said("fork", typed, bearing_height={"Old": 20, "New": new})
    assert says in plain.sentence
    assert "turns" not in plain.sentence
    assert "slave" not in plain.sentence.replace("pivot or the slave", "")
    turned = said("fork", typed, bearing_height={"Old": 20, "New": new, "Fork, pivot to slave": 110})
    assert f"The fork turns by {np.degrees(np.arcsin(abs(new - 20) * 2 / 110)):.3f}"[:24] in turned.sentence


def test_a_shorter_bearing_takes_from_the_slaves_stroke() -> None:
    build = build_of(entries(FORK_CAR))
    lift = build.evaluate(("plate_lift_available",))["plate_lift_available"]
    asked = float(build.evaluate(("slave_travel",), plate_lift=lift)["slave_travel"]) * 1e3
    spare = (30 - asked) / 1.6
    taller, shorter, short = (said("fork", FORK_CAR, bearing_height={"Old": 60, "New": 60 + rise})
                              for rise in (1, -spare * 0.9, -spare * 1.1))  # fmt: skip
    assert "of 30 mm" in taller.sentence
    assert "still has its stroke" in shorter.sentence
    assert "The slave runs out" in short.sentence
    assert "assumed, nobody entered the bearing's clearance" in short.working[1]
    assert "taken as none: nobody entered the bearing's clearance" in short.sentence
    assert "0 − (−" in short.working[1]
    assert "slave still" not in said("fork", CABLE_CAR, bearing_height={"Old": 20, "New": 19}).sentence


@pytest.mark.parametrize(("face", "seat", "says"), [
    (0.5, 0.5, ["0.5 mm (0.0197 in) nearer to the engine: cushion or free play grows", "Cut alike, the clamp stays",
                "hub comes 0.5 mm"]),
    (0.3, 0.0, ["nearer to the gearbox: cushion or free play shrinks", "as if the disc has worn 0.3 mm",
                "Past 0.5 mm"]),
    (0.0, 0.3, ["as if the disc were thicker by 0.3 mm"]),
])  # fmt: skip
def test_what_a_cut_flywheel_does(face: float, seat: float, says: list[str]) -> None:
    words = said("cut", FULL, face_cut={"Once": face}, seat_cut={"Once": seat})
    assert all(part in words.sentence for part in says)
    assert ("hub" in words.sentence) == (face > 0)
    assert "a spacer under the bearing" in words.sentence or "Past" not in words.sentence


def test_a_pulled_covers_fingers_go_on_to_the_engine() -> None:
    words = said("cut", FULL | {"cover_action": "pull"}, face_cut={"Once": 0.3})
    assert "nearer to the engine." in words.sentence
    assert "cushion" not in words.sentence
    assert "= −(0.3 − 0) · " in words.working[0]


def test_a_bearing_that_springs_back_crosses_its_cushion_on_every_stroke() -> None:
    """[practice]: 6.35 mm at 1000 mm² is 22 mm of a 19 mm master."""
    job = FULL | {"master_diameter": "19 mm"}
    area = build_of(entries(job)).evaluate(("slave_area",))["slave_area"]
    bearing = found(job, depth_x={"At 12": 76.35}, depth_y={"At 12": 70.0}).bearing
    assert bearing is not None
    assert bearing.crossing is not None
    assert bearing.crossing * (1000e-6 / float(area)) == pytest.approx(22.4e-3, rel=2e-3)
    assert "springs fully back" in " ".join(
        said("bearing", job, depth_x={"At 12": 76.35}, depth_y={"At 12": 70}).working
    )
    assert "springs" not in " ".join(said("bearing", CAR, depth_x={"At 12": 76.35}, depth_y={"At 12": 70}).working)


def test_a_cut_waits_for_the_lever_ratio_unless_it_is_alike() -> None:
    assert "waits for the cover's lever ratio" in said("cut", CAR, face_cut={"Once": 0.3}).sentence
    assert "nearer to the engine" in said("cut", CAR, face_cut={"Once": 0.3}, seat_cut={"Once": 0.3}).sentence


# --- trapped air


def air_of(build: Build, travel: float) -> list[Reading]:
    return [Reading("Once", travel, "", "caliper", 3e-5)]


@pytest.mark.parametrize("air", [0.0, 0.8, 2.0])
def test_air_in_the_graph_is_found_again_from_its_slave_travel(air: float) -> None:
    """Outwards through the whole release chain and back: what `trapped_air` does to the slave gives the same air."""
    build = build_of(entries(FORK_CAR, trapped_air=f"{air} mL"))
    lift = build.evaluate(("plate_lift_available",))["plate_lift_available"]
    travel = float(build.evaluate(("slave_travel",), plate_lift=lift)["slave_travel"])
    clean = build_of(entries(FORK_CAR))
    found = trapped_air(clean, {"slave_travel": [Reading("Once", travel, "", "caliper", 3e-5)]})
    assert found is not None
    assert found.air.volume * 1e6 == pytest.approx(air, abs=0.02)


def test_a_cable_traps_no_air() -> None:
    assert trapped_air(build_of(entries(CABLE_CAR)), {"slave_travel": taken({"Once": 12.0})}) is None


def test_what_trapped_air_says() -> None:
    short = said("air", FORK_CAR, slave_travel={"Once": 13})
    assert "of air is still in there, or something flexes" in short.sentence
    figures = re.findall(r"[\d.]+(?= mL)", short.sentence)
    assert len(figures) == 2
    assert all(len(figure.replace(".", "").lstrip("0")) <= 2 for figure in figures), "two digits, as its band allows"
    assert "Boyle" in " ".join(short.working)
    assert "no air worth counting" in said("air", FORK_CAR, slave_travel={"Once": 45}).sentence


# --- a wet pack


@pytest.mark.parametrize(("counts", "says"), [
    ({"Friction": 7.0, "Plain": 6.0}, "one more friction plate, as usual"),
    ({"Friction": 7.0, "Plain": 7.0}, "look again"),
    ({"Friction": 8.0, "Plain": 7.0}, "8 friction plates are there, but the job says 7. 8 friction and 7 plain plates"),
    ({"Friction": 7.0}, ""),
])  # fmt: skip
def test_the_counts_of_a_pack(counts: dict[str, float], says: str) -> None:
    readings = {"plate_count": [Reading(place, n) for place, n in counts.items()]}
    words = say(proofs(build_of(entries(MOTORCYCLE)), readings))["pack"]
    assert says in words.sentence
    assert bool(words.sentence) == bool(says)


def test_an_odd_plain_plate_has_a_place_of_its_own() -> None:
    """[practice]: a 2.2 among 1.9."""
    plates = {f"Plain plate {i}": 1.9 for i in range(1, 6)} | {"Plain plate 6": 2.2}
    assert said("pack", MOTORCYCLE, plain_thickness=plates).sentence.startswith("Plain plate 6 is 2.2 mm")
    del plates["Plain plate 6"]
    assert "of one thickness" in said("pack", MOTORCYCLE, plain_thickness=plates).sentence


# --- every sum that is told comes out

LENGTH = st.integers(0, 4000).map(lambda n: n / 100)


TWO = st.tuples(LENGTH, LENGTH)


@given(heights=TWO, depths=st.lists(LENGTH, min_size=7, max_size=7), cut=TWO, end=LENGTH,
       stands=st.lists(LENGTH, min_size=3, max_size=3),
       shims=st.lists(LENGTH, min_size=1, max_size=3))  # fmt: skip
def test_every_sum_told_comes_out(
    heights: tuple[float, float], depths: list[float], cut: tuple[float, float], stands: list[float],
    shims: list[float], end: float,
) -> None:  # fmt: skip
    readings = {
        "bearing_height": dict(zip(("Old", "New"), heights, strict=True)),
        "shaft_reach": dict(zip(("Shaft beyond the gearbox face", *DEPTHS), depths, strict=True)),
        "face_cut": {"Once": cut[0]}, "seat_cut": {"Once": cut[1]}, "end_float": {"Once": end},
        "floater_gap": {f"Stand {i}": v for i, v in enumerate(stands, 1)},
    }  # fmt: skip
    for name in ("floater_shims", "retainer_shims"):
        readings[name] = {f"Shim {i}": v for i, v in enumerate(shims, 1)}
    words = say(found(TWIN | FORK_CAR, **readings))
    assert {"floater", "shaft", "fork", "cut", "end_float"} <= set(words)
    for which in ("floater", "shaft", "fork", "cut", "end_float"):
        told = sums_told(words[which])
        assert len(told) >= (0 if which in {"end_float", "floater"} else 1), words[which].working
        for left, right in told:
            assert left == pytest.approx(right, abs=0.0061, rel=1e-3), words[which].working
