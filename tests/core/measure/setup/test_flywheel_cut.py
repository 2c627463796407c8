"""A flywheel that was cut: signs, clamp, and what it says."""

from __future__ import annotations

import pytest

from liftbite.core.measure.setup.flywheel_cut import flywheel_cut, lower_by
from tests.core.measure.setup.steps import FORK_CAR, taken, told
from tests.jobs import CAR, FULL, MOTORCYCLE, PULLED, built


def test_cutting_both_levels_and_one_have_opposite_signs() -> None:
    both, face = flywheel_cut(0.0005, 0.0005, 4.0), flywheel_cut(0.0005, 0.0, 4.0)
    assert both.fingers < 0 < face.fingers
    assert (both.acts_as_wear, face.acts_as_wear) == (0.0, 0.0005)
    assert both.hub_nearer == face.hub_nearer == 0.0005


def test_a_cut_face_acts_like_wear_on_clamp_and_lift() -> None:
    """A diaphragm set past its peak clamps more at first, coil springs less."""
    diaphragm, coils = built(FULL), built(MOTORCYCLE)
    worn = flywheel_cut(0.0005, 0.0, 4.5).acts_as_wear
    more, less = (
        s.evaluate(("clamp_load",), wear=worn)["clamp_load"] - s.evaluate(("clamp_load",))["clamp_load"]
        for s in (diaphragm, coils)
    )
    assert more > 0 > less


@pytest.mark.parametrize(
    ("face", "seat", "says"),
    [
        (
            0.5,
            0.5,
            [
                "0.5 mm (0.0197 in) nearer to the engine: reserve or free play grows",
                "Cut alike, the clamp stays",
                "hub comes 0.5 mm",
            ],
        ),
        (
            0.3,
            0.0,
            ["nearer to the gearbox: reserve or free play shrinks", "as if the disc has worn 0.3 mm", "Past 0.5 mm"],
        ),
        (0.0, 0.3, ["as if the disc were thicker by 0.3 mm"]),
    ],
)
def test_what_a_cut_flywheel_does(face: float, seat: float, says: list[str]) -> None:
    words = told("cut", FULL, face_cut={"Once": face}, seat_cut={"Once": seat})
    assert all(part in words.sentence for part in says)
    assert ("hub" in words.sentence) == (face > 0)
    mend = "thinner spacers under the bearing" if face > seat else "with a spacer under the bearing"
    assert mend in words.sentence or "Past" not in words.sentence


def test_a_pulled_covers_fingers_go_on_to_the_engine() -> None:
    words = told("cut", FULL | PULLED, face_cut={"Once": 0.3})
    assert "nearer to the engine: X less Y grows by that" in words.sentence
    assert "= −(0.3 − 0) · " in words.working[0]


def test_a_cut_waits_for_the_lever_ratio_unless_it_is_alike() -> None:
    assert "waits for the cover's lever ratio" in told("cut", CAR, face_cut={"Once": 0.3}).sentence
    assert "nearer to the engine" in told("cut", CAR, face_cut={"Once": 0.3}, seat_cut={"Once": 0.3}).sentence


HEIGHTS = {"Face, comes out": 28.0, "Face, goes in": 27.4, "Seat, comes out": 12.0, "Seat, goes in": 11.4}


def test_a_lower_wheel_is_a_wheel_cut_alike() -> None:
    """The same 0.6 mm, once as two cuts and once as two heights of two wheels."""
    cut = told("cut", FORK_CAR, face_cut={"Once": 0.6}, seat_cut={"Once": 0.6})
    other = told("cut", FORK_CAR, flywheel_heights=HEIGHTS)
    assert other.verdict == cut.verdict == "put right"
    assert other.working == cut.working
    assert "0.6 mm" in other.sentence
    assert other.sentence.startswith("The wheel that goes in is")


def test_a_higher_wheel_brings_the_fingers_to_the_gearbox() -> None:
    higher = {**HEIGHTS, "Face, goes in": 28.8, "Seat, goes in": 12.8}
    said = told("cut", FORK_CAR, flywheel_heights=higher).sentence
    assert "0.8 mm" in said
    assert "higher at the face" in said
    assert "nearer to the gearbox" in said
    assert "bolts" not in said, "the hub comes no nearer"


def test_heights_win_over_a_cut_and_the_face_alone_stands_for_both() -> None:
    only_face = {k: v for k, v in HEIGHTS.items() if k.startswith("Face")}
    assert lower_by({"flywheel_heights": taken(only_face), "face_cut": taken({"Once": 0.2})}) == pytest.approx(
        (0.6e-3, 0.6e-3)
    )
    assert lower_by({"face_cut": taken({"Once": 0.2})}) == pytest.approx((0.2e-3, 0.0))
    assert lower_by({}) is None
