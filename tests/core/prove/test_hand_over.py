"""What an owner is told, and the dates to come."""

from __future__ import annotations

from liftbite.core.prove.hand_over import briefing, dues
from liftbite.core.prove.running_in import school_of

CLUTCH = {"clutch": ("Clutch fluid", 730)}


def test_what_is_short_or_bad_is_told_and_what_is_good_or_open_is_not() -> None:
    answers = [
        ("bite", "holds", "Holds."),
        ("lift", "thin", "Thin: little lift."),
        ("heat", "open", "Needs mass."),
        ("true", "stop", "Stop: bursts."),
    ]
    told = list(briefing(answers, "Do not load it fully yet."))
    assert told[0] == "Do not load it fully yet."
    assert [line for line in told if line.startswith(("Bite", "Lift", "Heat", "True"))] == [
        "Lift: Thin: little lift.",
        "True: Stop: bursts.",
    ]
    assert not any("Until then" in line for line in briefing(answers, ""))


def test_dates_fall_away_as_they_are_done() -> None:
    assert [d.name for d in dues(share=0.0, looked=False, fluids=CLUTCH)] == ["look-again", "bedded-in", "fluid-clutch"]
    assert dues(share=1.0, looked=True, fluids={}) == ()
    assert all(due.days > 0 for due in dues(share=0.999, looked=False, fluids=CLUTCH))


def test_metallic_facings_are_counted_by_starts_until_somebody_says_otherwise() -> None:
    assert school_of("sintered") == "starts"
    assert school_of("sintered", "distance") == "distance"
    assert school_of("", "nonsense") == "distance"
