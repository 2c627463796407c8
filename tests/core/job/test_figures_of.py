"""Figures typed before a part was said to be renewed: asked about, moved, put back."""

from __future__ import annotations

import pytest

from liftbite.core.job.builds import Layers, entering, shared_figures, with_entries
from liftbite.core.job.ledger import FOUND, PLAN, Entry, read_entry
from tests.jobs import entries

TYPED = {
    "layout": "dry_car",
    "outer_diameter": "240 mm",
    "wear": "0.6 mm",
    "spline_count": "10",
    "gear_ratios": "3.1; 1",
}


def said(layers: Layers, build: str = PLAN, **typed: str) -> Layers:
    return with_entries(layers, entering(layers, build, [read_entry(q, t) for q, t in typed.items()]))


def typed(layers: Layers, build: str, quantity: str) -> str | None:
    entry: Entry | None = layers.get(build, {}).get(quantity)
    return entry.typed if entry else None


@pytest.fixture
def renewed() -> Layers:
    return said({PLAN: entries(TYPED)}, disc_fate="renewed")


@pytest.mark.parametrize(
    ("answer", "found", "plan"),
    [("both", "240 mm", "240 mm"), ("goes_in", None, "240 mm"), ("comes_out", "240 mm", None)],
)
def test_figures_go_to_the_part_somebody_says(
    renewed: Layers, answer: str, found: str | None, plan: str | None
) -> None:
    assert shared_figures(renewed) == {"disc": ("outer_diameter",)}
    sorted_ = said(renewed, disc_figures=answer)
    assert (typed(sorted_, FOUND, "outer_diameter"), typed(sorted_, PLAN, "outer_diameter")) == (found, plan)
    assert typed(sorted_, FOUND, "wear") == "0.6 mm", "the marks of its use stay with the old one"
    assert shared_figures(sorted_) == {}


def test_nobody_is_asked_where_the_new_part_was_typed_since(renewed: Layers) -> None:
    assert shared_figures(said(renewed, outer_diameter="228 mm")) == {}


@pytest.mark.parametrize(("answer", "left"), [("both", "240 mm"), ("comes_out", "240 mm"), ("goes_in", None)])
def test_a_part_that_stays_after_all_has_what_was_said_to_be_its_own(
    renewed: Layers, answer: str, left: str | None
) -> None:
    """Figures of a new part leave with it; whoever says "renewed" again is asked again."""
    back = said(said(renewed, disc_figures=answer), disc_fate="stays")
    assert (typed(back, PLAN, "outer_diameter"), typed(back, PLAN, "disc_figures")) == (left, None)
    assert ("disc" in shared_figures(said(back, disc_fate="renewed"))) == (left is not None)


def test_another_gearbox_brings_its_input_shaft() -> None:
    """Ten splines found and twenty-six planned are a job, not a misfit."""
    other = said(said({PLAN: entries(TYPED)}, gearbox_fate="renewed"), spline_count="26", gear_ratios="2.9; 1")
    assert typed(other, PLAN, "input_shaft_fate") == "renewed"
    assert (typed(other, FOUND, "spline_count"), typed(other, PLAN, "spline_count")) == ("10", "26")
    assert (typed(other, FOUND, "gear_ratios"), typed(other, PLAN, "gear_ratios")) == ("3.1; 1", "2.9; 1")


def test_a_shaft_renewed_by_itself_stays_so_whatever_is_said_of_the_gearbox_again() -> None:
    alone = said({PLAN: entries(TYPED)}, input_shaft_fate="renewed")
    assert typed(said(alone, gearbox_fate="stays"), PLAN, "input_shaft_fate") == "renewed"
