"""As found against as planned: what is in the bin changes nothing that goes in, what stays does."""

from __future__ import annotations

import pytest

from liftbite.core.analysis.against import against, builds_of
from liftbite.core.job.builds import found_of, planned_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.fates import FATED, FATES, fate_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry
from liftbite.core.measure.effects import effects_of
from liftbite.core.verdicts.answers import answer
from tests.jobs import FULL, MOTORCYCLE, entries

READ = {"wear": Entry("wear", "0.9 mm", 0.9e-3, "measured"),
        "flywheel_face_runout": Entry("flywheel_face_runout", "0.3 mm", 0.3e-3, "measured")}  # fmt: skip


def job(**fates: str) -> dict[str, Entry]:
    return {**entries(FULL, **{fate_of(part): fate for part, fate in fates.items()}), **READ}


def test_the_old_discs_wear_does_not_go_into_the_new_clutch() -> None:
    found, planned = builds_of(job(disc="renewed"))
    new = builds_of(entries(FULL))[1]
    names = ("bite_margin", "lift_margin", "clamp_load")
    assert planned.evaluate(names)["bite_margin"] == new.evaluate(names)["bite_margin"]
    assert found.evaluate(names)["clamp_load"] != planned.evaluate(names)["clamp_load"]
    assert found.known["wear"] == 0.9e-3


def test_what_stays_keeps_what_was_read_of_it() -> None:
    _, planned = builds_of(job(disc="renewed"))
    assert planned.known["flywheel_face_runout"] == 0.3e-3
    for fate in ("stays", "dressed"):
        assert builds_of(job(flywheel=fate))[1].known["flywheel_face_runout"] == 0.3e-3
    assert "flywheel_face_runout" not in builds_of(job(flywheel="renewed"))[1].known


def test_a_figure_typed_for_the_new_part_stays_one_read_off_the_old_goes() -> None:
    weighed = Entry("flywheel_mass", "9.1 kg", 9.1, "measured")
    typed = job(flywheel="renewed")
    assert "flywheel_mass" in planned_of(typed)
    assert "flywheel_mass" not in planned_of(typed | {"flywheel_mass": weighed})


def test_tired_springs_go_with_the_springs() -> None:
    tired = {
        "spring_lengths": Entry("spring_lengths", "each"),
        "spring_free_lengths": Entry("spring_free_lengths", "34; 35; 35; 35; 35 mm", None, "measured"),
    }
    before = {**entries(MOTORCYCLE), **tired}
    renewed = {**before, "springs_fate": Entry("springs_fate", "renewed")}
    margins = [answer(e).verdict.margin for e in (entries(MOTORCYCLE), renewed, found_of(renewed), before)]
    assert margins[0] == margins[1]
    assert margins[2] == margins[3] != margins[0]


def test_the_flywheel_that_comes_out_is_found_and_not_planned() -> None:
    typed = entries(FULL, old_flywheel_inertia="0.2 kg·m²")
    found, planned = (b.evaluate(("flywheel_inertia",))["flywheel_inertia"] for b in builds_of(typed))
    assert (found, planned) == (0.2, builds_of(entries(FULL))[1].evaluate(("flywheel_inertia",))["flywheel_inertia"])


def test_the_differences_are_said_as_a_driver_would() -> None:
    told = against(job(disc="renewed", flywheel="renewed"))
    assert told.renewed == ("Disc or discs", "Flywheel")
    assert any(words.startswith("holds ") for words in told.says)
    by_name = {c.name: c for c in told.changes}
    assert by_name["wear"].found == 0.9e-3
    assert by_name["wear"].planned == 0.0
    holds = by_name["holdable_engine_torque"]
    assert holds.ratio == pytest.approx(holds.planned / holds.found if holds.found and holds.planned else 0)


def test_nothing_renewed_is_nothing_to_say() -> None:
    told = against(job())
    assert told.says == told.renewed == ()
    assert all(change.same for change in told.changes)


def test_every_quantity_a_reading_enters_has_one_owner_or_is_the_vehicles() -> None:
    """No part shares a quantity with another of its layout; what no part owns belongs to what is never renewed."""
    for layout in ("dry_car", "wet_motorcycle"):
        owned = [q for part in FATED.values() if part.layout in ("", layout) for q in part.owns]
        assert len(owned) == len(set(owned))
    assert {q for part in FATED.values() for q in part.owns} <= set(INPUTS) | set(CHOICES)
    assert effects_of()


def test_every_fate_is_a_choice_that_begins_with_staying() -> None:
    for name, part in FATED.items():
        choice = CHOICES[fate_of(name)]
        assert {o.value for o in choice.options} <= set(FATES)
        assert ("dressed" in {o.value for o in choice.options}) == part.dressed
        assert set(choice.begins.values()) == {"stays"}
