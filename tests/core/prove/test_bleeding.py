"""Bleeding: strokes by hand, and what every way says."""

from __future__ import annotations

from math import ceil, pi

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import build_of
from liftbite.core.prove.bleeding import ALWAYS, METHODS, a_stroke, strokes_for, used_of
from tests.jobs import CAR, FULL, entries


def test_strokes_are_fluid_over_what_the_master_moves() -> None:
    """3/4 in of master, 150 mm of pedal less 6 mm of play over 5.6, less 1 mm before the port closes."""
    moved = pi / 4 * 19.05**2 * ((150 - 6) / 5.6 - 1.0) / 1e3
    assert strokes_for(build_of(entries(FULL)), 100e-6) == ceil(100 / moved)
    assert strokes_for(build_of(entries(CAR)), 100e-6) is None


@pytest.mark.parametrize("name", METHODS)
def test_every_way_says_what_it_takes(name: str) -> None:
    method = METHODS[name]
    assert method.hands in (1, 2)
    assert method.takes
    assert len(method.steps) >= 3
    assert len(METHODS) == 5
    assert any("eyes" in line for line in ALWAYS)
    assert "20 psi" not in " ".join(method.takes) or "never above 20" in " ".join(method.takes)


@pytest.mark.parametrize(
    ("bottles", "left", "used"),
    [
        ("500 mL", "320 mL", 180e-6),
        ("500", "", 500e-6),
        ("16 US fl oz", "100 mL", 373.18e-6),
        ("1 imp pt", "0", 568.26e-6),
        ("", "", None),
    ],
)
def test_fluid_used_is_what_was_opened_less_what_is_left(bottles: str, left: str, used: float | None) -> None:
    found = used_of(bottles, left)
    assert found is None if used is None else found == pytest.approx(used, rel=1e-4)


@pytest.mark.parametrize(
    ("bottles", "left", "says"),
    [
        ("500 mL", "600 mL", "cannot be left of"),
        ("", "100 mL", "what the bottles held"),
        ("16 fl oz", "", "US or imp"),
        ("one", "", "one"),
    ],
)
def test_what_cannot_have_been_used_is_refused(bottles: str, left: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        used_of(bottles, left)


def test_a_stroke_opens_its_working() -> None:
    found = a_stroke(build_of(entries(FULL)))
    assert found is not None
    volume, working = found
    assert volume == pytest.approx(pi / 4 * 19.05e-3**2 * ((0.150 - 0.006) / 5.6 - 0.001))
    assert f"= {volume * 1e6:.2f} mL a full stroke" in working
    assert a_stroke(build_of(entries(CAR))) is None
