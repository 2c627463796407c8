"""What an owner is told, and the dates to come."""

from __future__ import annotations

from liftbite.core.prove.hand_over import briefing, dues
from liftbite.core.prove.running_in import Asked, running_in, school_of

CLUTCH = {"clutch": ("Clutch fluid", 730)}


def test_only_what_is_bedded_in_is_driven_gently() -> None:
    new = running_in([], Asked("distance", 800e3), ("disc",))
    first, then, *_ = briefing(new, "leaks")
    assert (first.split(":")[0], then.split(":")[0]) == ("Do not load it fully yet", "Until then")
    old = running_in([], Asked("distance", 800e3), ())
    assert not any("Until then" in line for line in briefing(old, "leaks"))


def test_dates_fall_away_as_they_are_done() -> None:
    assert [d.name for d in dues(share=0.0, looked=False, fluids=CLUTCH)] == ["look-again", "bedded-in", "fluid-clutch"]
    assert dues(share=1.0, looked=True, fluids={}) == ()
    assert all(due.days > 0 for due in dues(share=0.999, looked=False, fluids=CLUTCH))


def test_metallic_facings_are_counted_by_starts_until_somebody_says_otherwise() -> None:
    assert school_of("sintered") == "starts"
    assert school_of("sintered", "distance") == "distance"
    assert school_of("", "nonsense") == "distance"
