"""Parts: read, taken into a job, stopped where they do not fit, written to CSV and read back."""

from __future__ import annotations

import pytest

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.find.candidate_part import finder_part
from liftbite.core.job.build import build_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import FITS, INPUTS
from liftbite.core.job.ledger import Entry
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.mismatch import RULES, misfit_sentence
from liftbite.core.parts.shelf import (
    OF_SLOT,
    ShelfPart,
    changed_since,
    fields_of,
    misfits,
    part_name,
    read_part,
    takes,
    would_misfit,
)
from liftbite.core.parts.stock import generic_parts
from liftbite.demo.parts import PARTS
from liftbite.files.shelf_csv import read_shelf, write_shelf
from tests.jobs import CAR, entries

HEAVY = ShelfPart("cover", "Heavy", {"cover_clamp": "11 kN", "lever_ratio": "4.4"}, 300.0)
LIGHT = ShelfPart("cover", "Light", {"cover_clamp": "6 kN", "cover_inertia": "0.02 kg·m²"}, 200.0)


def after(present: dict[str, Entry], part: ShelfPart) -> dict[str, Entry]:
    found = dict(present)
    for entry in takes(present, part):
        if entry.typed is None:
            found.pop(entry.quantity, None)
        else:
            found[entry.quantity] = entry
    return found


def test_every_kind_states_quantities_there_are_and_every_rule_has_both_its_fields() -> None:
    assert set(OF_SLOT) == set(SLOTS)
    for quantities in OF_SLOT.values():
        assert set(quantities) <= {*INPUTS, *CHOICES}
        assert len(set(quantities)) == len(quantities)
    for rule in RULES:
        for slot, name in (rule.first, rule.second):
            assert FITS[(slot, name)] in INPUTS
            assert FITS[(slot, name)] in OF_SLOT[slot]


@pytest.mark.parametrize("part", [*generic_parts(), *PARTS], ids=lambda p: f"{p.slot} {p.name}")
def test_every_part_shipped_can_be_read(part: ShelfPart) -> None:
    assert read_part(part)
    assert part.source


def test_generic_parts_are_plenty_and_named_once() -> None:
    names = [(p.slot, p.name) for p in generic_parts()]
    assert len(set(names)) == len(names) > 50
    bores = {p.values["master_diameter"] for p in generic_parts() if p.slot == "master"}
    assert {"5/8 in", "0.700 in", "3/4 in", "22 mm"} <= bores


def test_taking_a_part_enters_what_it_says_and_its_name() -> None:
    job = after(entries(CAR), HEAVY)
    assert job["cover_clamp"].si == pytest.approx(11e3)
    assert job[part_name("cover")].typed == "Heavy"
    assert changed_since(job, "cover") == []


def test_another_part_takes_away_what_the_one_before_brought_but_not_what_was_typed_over() -> None:
    job = after(entries(CAR), HEAVY)
    swapped = after(job, LIGHT)
    assert swapped["cover_clamp"].typed == "6 kN"
    assert "lever_ratio" not in swapped, "only the heavy one said it"
    typed_over = {**job, **entries({"lever_ratio": "4.1"})}
    assert changed_since(typed_over, "cover") == ["lever_ratio"]
    assert after(typed_over, LIGHT)["lever_ratio"].typed == "4.1"


@pytest.mark.parametrize(
    ("part", "says"),
    [
        (ShelfPart("wing", "A"), "no kind of part"),
        (ShelfPart("cover", " "), "needs one"),
        (ShelfPart("cover", "A", {"vehicle_mass": "3 kg"}), "nothing a cover states"),
        (ShelfPart("cover", "A", {"cover_clamp": "9 mm"}), "Clamp load"),
        (ShelfPart("cover", "A", {}, -1.0), "Price"),
    ],
)
def test_a_part_that_cannot_be_is_refused_with_a_sentence(part: ShelfPart, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_part(part)


def test_a_misfit_names_both_figures_in_units_of_the_bench_and_the_way_out() -> None:
    job = entries(CAR, cover_disc_size="200 mm")
    (found,) = misfits(build_of(job))
    assert "Outer diameter 240 mm (9.449 in); cover made for a disc of 200 mm" in misfit_sentence(found)
    assert "Way out" in misfit_sentence(found)
    assert fields_of(found) == ("outer_diameter", "cover_disc_size")
    assert misfits(build_of(entries(CAR, cover_disc_size="9 1/2 in"))) == [], "within what still goes together"


def test_bare_aluminium_is_a_stop_with_a_field_of_its_own() -> None:
    job = entries(CAR, flywheel_material="aluminium", flywheel_insert="none")
    (found,) = misfits(build_of(job))
    assert fields_of(found) == ("flywheel_insert",)
    assert misfits(build_of(entries(CAR, flywheel_material="aluminium", flywheel_insert="steel"))) == []


def test_a_part_is_stopped_for_what_it_would_newly_break() -> None:
    six = ShelfPart("flywheel", "Six bolts", {"bolt_count": "6"})
    assert would_misfit(entries(CAR, crank_bolt_count="8"), six)
    assert not would_misfit(entries(CAR, crank_bolt_count="6"), six)
    assert not would_misfit(entries(CAR, crank_bolt_count="8", bolt_count="6"), six), "it is broken already"


def test_the_finder_takes_figures_options_and_fits() -> None:
    disc = next(p for p in PARTS if p.name == "Karst 184 pair, cermet")
    found = finder_part(disc)
    assert found.options == {"facing_material": "cermet"}
    assert found.values["outer_diameter"] == pytest.approx(0.184)
    assert found.properties["spline_count"] == 24
    assert found.properties["disc_size"] == pytest.approx(0.184)


# --- as CSV


def test_a_shelf_written_is_the_shelf_read() -> None:
    parts = [*generic_parts(), *PARTS]
    lines = read_shelf(write_shelf(parts))
    assert [line.part for line in lines] == parts


def test_labels_semicolons_and_decimal_commas_are_read() -> None:
    text = "Slot;Name;Price;Clamp load;Lever ratio of the cover\ncover;Soft;12,50;6 kN;4,1\n\nCover;Hard;;8 kN;\n"
    soft, hard = read_shelf(text)
    assert soft.part == ShelfPart("cover", "Soft", {"cover_clamp": "6 kN", "lever_ratio": "4,1"}, 12.5)
    assert hard.part is not None
    assert (hard.number, hard.part.slot) == (4, "cover")


@pytest.mark.parametrize(
    ("row", "column", "says"),
    [
        ("cover,Bad,1,,,9 mm,", "cover_clamp", "unit of length"),
        ("cover,Bad,cheap,,,9 kN,", "price", "no price"),
        ("wing,Bad,1,,,9 kN,", "", "no kind of part"),
        ("cover,,1,,,9 kN,", "", "needs one"),
        ("disc,Bad,1,,,9 kN,", "cover_clamp", "nothing a disc states"),
        ("cover,Bad,1,,,9 kN,,more", "", "more cells"),
    ],
)
def test_a_bad_row_names_its_column_and_the_others_are_read(row: str, column: str, says: str) -> None:
    head = "slot,name,price,source,notes,cover_clamp,lever_ratio\n"
    bad, good = read_shelf(f"{head}{row}\ncover,Good,1,,,9 kN,4\n")
    assert bad.part is None
    assert bad.column == column
    assert says in bad.fault
    assert good.part is not None


@pytest.mark.parametrize(
    ("text", "says"), [("", "empty"), ("slot,colour\n", "no column"), ("slot\n", "no column “name”")]
)
def test_a_file_without_its_head_is_refused(text: str, says: str) -> None:
    with pytest.raises(UnreadableFile, match=says):
        read_shelf(text)
