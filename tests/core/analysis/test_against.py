"""The builds of a job against what was found: what is in the bin changes nothing that goes in, what stays does."""

from __future__ import annotations

import pytest

from liftbite.core.analysis.against import against
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.builds import entering, entries_of, with_entries
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.ledger import FOUND, PLAN, Entry, Layers, read_entry
from liftbite.core.job.parts import FATES, fate_of, fated
from liftbite.core.parts.shelf import ShelfPart, takes
from liftbite.core.verdicts.answers import answer
from tests.jobs import FULL, MOTORCYCLE, entries

READ = {
    "wear": Entry("wear", "0.9 mm", 0.9e-3, "measured"),
    "flywheel_face_runout": Entry("flywheel_face_runout", "0.3 mm", 0.3e-3, "measured"),
}


def put(layers: Layers, build: str = PLAN, **typed: str) -> Layers:
    """The layers once something is entered in a build."""
    return with_entries(layers, entering(layers, build, [read_entry(q, t) for q, t in typed.items()]))


def job(**fates: str) -> Layers:
    return put({PLAN: {**entries(FULL), **READ}}, **{fate_of(part): fate for part, fate in fates.items()})


def builds_of(layers: Layers) -> tuple[Build, Build]:
    return build_of(entries_of(layers, FOUND)), build_of(entries_of(layers))


def test_the_old_discs_wear_does_not_go_into_the_new_clutch() -> None:
    found, planned = builds_of(job(disc="renewed"))
    new = build_of(entries(FULL))
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


def test_a_new_part_is_measured_too_and_is_not_the_old_one() -> None:
    renewed = put(job(flywheel="renewed"), flywheel_face_runout="0.05 mm")
    found, planned = builds_of(renewed)
    assert (found.known["flywheel_face_runout"], planned.known["flywheel_face_runout"]) == pytest.approx((0.3e-3, 5e-5))


def test_a_figure_typed_for_the_new_part_stays_one_read_off_the_old_goes() -> None:
    layers = job()
    weighed = {PLAN: {**layers[PLAN], "flywheel_mass": Entry("flywheel_mass", "9.1 kg", 9.1, "measured")}}
    assert "flywheel_mass" in put(put(layers, flywheel_mass="9.1 kg"), flywheel_fate="renewed")[PLAN]
    renewed = put(weighed, flywheel_fate="renewed")
    assert "flywheel_mass" not in renewed[PLAN]
    assert entries_of(renewed, FOUND)["flywheel_mass"].si == 9.1


def test_tired_springs_go_with_the_springs() -> None:
    tired = {
        "spring_lengths": Entry("spring_lengths", "each"),
        "spring_free_lengths": Entry("spring_free_lengths", "34; 35; 35; 35; 35 mm", None, "measured"),
    }
    before: Layers = {PLAN: {**entries(MOTORCYCLE), **tired}}
    renewed = put(before, springs_fate="renewed")
    told = (entries(MOTORCYCLE), entries_of(renewed), entries_of(renewed, FOUND), before[PLAN])
    margins = [answer(e).verdict.margin for e in told]
    assert margins[0] == margins[1]
    assert margins[2] == margins[3] != margins[0]


def test_what_comes_out_has_figures_of_its_own_and_what_stays_has_one() -> None:
    layers = put(
        job(flywheel="renewed"), FOUND, inertia_source="figure", flywheel_inertia="0.2 kg·m²", spring_rate="50 N/mm"
    )
    found, planned = (b.evaluate(("flywheel_inertia",))["flywheel_inertia"] for b in builds_of(layers))
    assert (found, planned) == (0.2, build_of(entries(FULL)).evaluate(("flywheel_inertia",))["flywheel_inertia"])
    assert builds_of(layers)[1].known["spring_rate"] == 50e3  # the springs stay: one part, one figure


def test_planned_after_it_was_renewed_does_not_reach_what_was_found() -> None:
    before = job(disc="renewed")
    after = put(before, outer_diameter="260 mm")
    assert entries_of(after, FOUND) == entries_of(before, FOUND)
    assert entries_of(after)["outer_diameter"].si == pytest.approx(0.26)


@pytest.mark.parametrize("fate", ["renewed", "added", "left_out"])
def test_a_part_that_stays_after_all_is_the_one_that_was_found(fate: str) -> None:
    before = put(job(), floater_thickness="12 mm", trapped_air="2 mL")
    turned = put(put(before, floater_fate=fate), floater_fate="stays")
    assert {q: e.typed for q, e in turned[PLAN].items() if not q.endswith("_fate")} == {
        q: e.typed for q, e in before[PLAN].items()
    }
    assert entries_of(turned, FOUND) == entries_of(before, FOUND)


def test_what_is_added_was_not_found_and_what_is_left_out_is_not_planned() -> None:
    before = put(job(), floater_thickness="12 mm")
    added, left = put(before, floater_fate="added"), put(before, floater_fate="left_out")
    assert "floater_thickness" in entries_of(added)
    assert "floater_thickness" not in entries_of(added, FOUND)
    assert "floater_thickness" not in entries_of(left)
    assert "floater_thickness" in entries_of(left, FOUND)


def test_every_way_from_fate_to_fate_keeps_what_was_found() -> None:
    """Between fates with which two parts are told apart, nothing that was read is lost on the way."""
    for part in fated():
        fates = [f for f in part.fates if f in ("renewed", "left_out")]
        for first in fates:
            for second in fates:
                layers = put(job(), floater_thickness="12 mm", floater_fate="stays")
                once = put(layers, floater_fate=first) if "floater_fate" in CHOICES else layers
                assert entries_of(put(once, floater_fate=second), FOUND) == entries_of(once, FOUND)


def test_an_alternative_is_the_plan_but_for_what_it_says() -> None:
    layers = put(job(disc="renewed"), "sintered", cover_clamp="9000 N", clamp_source="figure")
    told = {q for q, e in entries_of(layers, "sintered").items() if e != layers[PLAN].get(q)}
    assert told == {"cover_clamp", "clamp_source"}
    assert entries_of(layers) == entries_of(job(disc="renewed"))
    assert entries_of(layers, "never begun") == entries_of(layers)


def test_an_alternative_may_keep_a_part_the_plan_renews_and_renew_one_it_keeps() -> None:
    keeps = put(job(disc="renewed"), "keeps the disc", disc_fate="stays")
    assert entries_of(keeps, "keeps the disc")["wear"].si == 0.9e-3
    renews = put(job(), "new disc", disc_fate="renewed")
    assert "wear" not in entries_of(renews, "new disc")
    assert entries_of(renews)["wear"].si == 0.9e-3


def test_the_differences_are_said_as_a_driver_would() -> None:
    told = against(put(job(disc="renewed", flywheel="renewed"), "stiffer", diaphragm_thickness="3 mm"))
    assert [c.name for c in told.columns] == [FOUND, PLAN, "stiffer"]
    planned, stiffer = told.columns[1:]
    assert planned.parts == {"disc": "renewed", "flywheel": "renewed"}
    assert any(words.startswith("holds ") for words in planned.says)
    assert told.columns[0].says == ()
    by_name = {c.name: c for c in told.changes}
    assert by_name["wear"].values == (0.9e-3, 0.0, 0.0)
    found, plan, other = by_name["holdable_engine_torque"].values
    assert found is not None
    assert plan is not None
    assert other is not None
    assert plan < other
    assert f"holds {other / found:.2g} times as much" in stiffer.says


def test_nothing_renewed_is_nothing_to_say() -> None:
    told = against(job())
    assert [c.says for c in told.columns] == [(), ()]
    assert all(change.same for change in told.changes)


def test_every_fate_is_a_choice_that_begins_with_staying() -> None:
    for part in fated():
        choice = CHOICES[fate_of(part.key)]
        assert tuple(o.value for o in choice.options) == part.fates
        assert set(part.fates) <= set(FATES)
        assert set(choice.begins.values()) == {"stays"}


def test_what_is_felt_in_each_gear_and_what_the_new_parts_cost() -> None:
    """Felt mass by hand: with the flywheel's inertia alone other, Δm = ΔI·(ratio·final/r)²."""
    layers = put(job(flywheel="renewed"), gear_ratios="3.4; 1.9; 1.0", flywheel_mass="5.0 kg")
    rows = {c.name: c.values for c in against(layers).changes}
    found, planned = builds_of(layers)
    apart = (
        planned.evaluate(("engine_inertia",))["engine_inertia"] - found.evaluate(("engine_inertia",))["engine_inertia"]
    )
    for gear, ratio in enumerate((3.4, 1.9, 1.0), start=1):
        before, after = rows[f"effective_mass_{gear}"]
        assert before is not None
        assert after is not None
        assert after - before == pytest.approx(apart * (ratio * 3.9 / 0.31) ** 2, rel=1e-9)
    assert "price" not in rows, "no part of the shelf is in it"


def test_only_parts_that_are_new_are_paid_for() -> None:
    layers: Layers = {PLAN: entries(FULL)}
    disc = ShelfPart("disc", "Tarlow 240", {"outer_diameter": "240 mm"}, price=180.0)
    cover = ShelfPart("cover", "Tarlow 9k", {}, price=320.0)
    layers = with_entries(layers, entering(layers, PLAN, takes(layers[PLAN], disc)))
    layers = put(layers, cover_fate="renewed")
    layers = with_entries(layers, entering(layers, PLAN, takes(layers[PLAN], cover)))
    rows = {c.name: c.values for c in against(layers).changes}
    assert rows["price"] == (None, 320.0), "the disc stays"
