"""A flywheel that was cut: signs, clamp, and what it says."""

from __future__ import annotations

import pytest

from liftbite.core.measure.setup.flywheel_cut import flywheel_cut
from tests.core.measure.setup.steps import told
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


@pytest.mark.parametrize(("face", "seat", "says"), [
    (0.5, 0.5, ["0.5 mm (0.0197 in) nearer to the engine: reserve or free play grows", "Cut alike, the clamp stays",
                "hub comes 0.5 mm"]),
    (0.3, 0.0, ["nearer to the gearbox: reserve or free play shrinks", "as if the disc has worn 0.3 mm",
                "Past 0.5 mm"]),
    (0.0, 0.3, ["as if the disc were thicker by 0.3 mm"]),
])  # fmt: skip
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
