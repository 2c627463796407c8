"""The ledger: entries read and refused, questions, undo and redo."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.ledger import (
    Entry,
    Revision,
    curve_entry,
    present,
    read_entry,
    redo,
    redoable,
    undo,
    undoable,
    unusual,
)
from liftbite.core.quantities.torque_curve import TorqueCurve

AT = "2026-03-02T08:30:00.000000Z"


def edit(revisions: list[Revision], **typed: str | None) -> None:
    taken = tuple(read_entry(q, t) for q, t in typed.items())
    revisions.append(Revision(len(revisions) + 1, "edit", AT, taken))


def turn(revisions: list[Revision], way: str) -> bool:
    found = undo(revisions) if way == "undo" else redo(revisions)
    if found is None:
        return False
    of, taken = found
    revisions.append(Revision(len(revisions) + 1, way, AT, taken, of))  # type: ignore[arg-type]
    return True


def typed(revisions: list[Revision]) -> dict[str, str | None]:
    return {q: e.typed for q, e in present(revisions).items()}


def begun() -> list[Revision]:
    return [Revision(1, "start", AT, (read_entry("layout", "dry_car"),))]


def test_the_present_state_is_the_latest_of_each() -> None:
    job = begun()
    edit(job, cover_clamp="8 kN", disc_count="1")
    edit(job, cover_clamp="9 kN")
    assert typed(job) == {"layout": "dry_car", "cover_clamp": "9 kN", "disc_count": "1"}


def test_an_emptied_field_is_withdrawn() -> None:
    job = begun()
    edit(job, cover_clamp="8 kN")
    edit(job, cover_clamp="  ")
    assert "cover_clamp" not in typed(job)
    assert len(job) == 3


def test_undo_and_redo_add_to_the_record() -> None:
    job = begun()
    edit(job, cover_clamp="8 kN")
    edit(job, cover_clamp="9 kN", disc_count="2")
    assert turn(job, "undo")
    assert typed(job) == {"layout": "dry_car", "cover_clamp": "8 kN"}
    assert turn(job, "undo")
    assert typed(job) == {"layout": "dry_car"}
    assert not turn(job, "undo"), "how the job began is not undone"
    assert turn(job, "redo")
    assert turn(job, "redo")
    assert not turn(job, "redo")
    assert typed(job) == {"layout": "dry_car", "cover_clamp": "9 kN", "disc_count": "2"}
    assert [r.kind for r in job] == ["start", "edit", "edit", "undo", "undo", "redo", "redo"]


def test_a_new_entry_ends_what_could_be_redone() -> None:
    job = begun()
    edit(job, cover_clamp="8 kN")
    turn(job, "undo")
    edit(job, cover_clamp="7 kN")
    assert redoable(job) is None
    assert undoable(job) == 4


@given(st.lists(st.sampled_from(["undo", "redo", "7 kN", "8 kN", "9 kN", ""]), max_size=25))
def test_undo_then_redo_changes_nothing(steps: list[str]) -> None:
    job = begun()
    for step in steps:
        if step in {"undo", "redo"}:
            turn(job, step)
        else:
            edit(job, clamp_load=step)
    before = typed(job)
    if turn(job, "undo"):
        turn(job, "redo")
        assert typed(job) == before
    while turn(job, "undo"):
        pass
    assert typed(job) == {"layout": "dry_car"}


@pytest.mark.parametrize(
    ("quantity", "text", "says"),
    [
        ("outer_diameter", "9 1/0 in", "Outer diameter: .*divides by zero; a fraction looks like"),
        ("outer_diameter", "240 kg", "Outer diameter: “kg” is a unit of mass; type a length in mm"),
        ("outer_diameter", "0", "Outer diameter: “0” is too small; more than 0 mm"),
        ("outer_diameter", "-240", "Outer diameter: “-240” is too small"),
        ("outer_diameter", "2 m", r"Outer diameter: “2 m” is too large; 1000 mm \(39.37 in\) at most"),
        ("outer_diameter", "9" * 40, "Outer diameter: .*15 digits"),
        ("outer_diameter", "nan", "Outer diameter: .*number"),
        ("disc_count", "0", "Discs: “0” is too small; 1 or more"),
        ("disc_count", "-1", "Discs: “-1” is too small"),
        ("disc_count", "1.5", "Discs: .*whole number"),
        ("disc_count", "4", "Discs: “4” is too large; 3 at most"),
        ("use_factor", "1", "Use factor: “1” is too small; 1.1 or more"),
        ("driveline_loss", "80 %", "Driveline loss: “80 %” is too large; 60 %"),
        ("facing_material", "cork", "Facing material: “cork” is not offered; pick one of organic"),
        ("measured_curve", "x", "a curve comes from a file"),
        ("colour", "red", "“colour” is not a quantity"),
        ("colour", None, "“colour” is not a quantity"),
        ("notes", "a\x00b", "cannot be stored"),
        ("notes", "x" * 5000, "5000 characters are too many"),
    ],
)
def test_bad_input_is_refused_by_name_value_and_what_would_be_right(quantity: str, text: str | None, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_entry(quantity, text)


def test_what_was_typed_is_kept_as_typed() -> None:
    assert read_entry("outer_diameter", " 9 1/2 in ") == Entry("outer_diameter", "9 1/2 in", 0.2413)


@pytest.mark.parametrize(
    ("quantity", "text", "instead"),
    [
        ("outer_diameter", "9.5", "9.5 in"),
        ("outer_diameter", "240 thou", "240 mm"),
        ("cover_clamp", "9", "9 kN"),
        ("peak_torque", "6000 N·m", None),
    ],
)
def test_unusual_figures_are_questioned_with_the_unit_that_would_be_usual(
    quantity: str, text: str, instead: str | None
) -> None:
    asked = unusual(read_entry(quantity, text))
    assert asked is not None
    assert "is unusual; most are" in asked.sentence
    if instead:
        assert instead in asked.instead
        assert unusual(read_entry(quantity, instead)) is None


def test_usual_figures_are_not_questioned() -> None:
    assert unusual(read_entry("outer_diameter", "240 mm")) is None
    assert unusual(read_entry("notes", "x")) is None
    assert unusual(Entry("outer_diameter", None)) is None


def test_curves_belong_to_curve_quantities() -> None:
    curve = TorqueCurve.of([100.0, 200.0], [10.0, 20.0])
    assert curve_entry("measured_curve", "run.csv", curve).typed == "run.csv"
    with pytest.raises(UnreadableEntry, match="is not a curve"):
        curve_entry("cover_clamp", "run.csv", curve)
