"""Alternatives side by side: stocked bores against one job after another, bolts against the handbook's figures."""

from __future__ import annotations

from dataclasses import replace

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.find.alternatives import Beside, Row
from liftbite.core.find.cylinders import STOCKED, cylinders
from liftbite.core.find.instructions import instructions
from liftbite.core.graph.graph import Needs
from liftbite.core.job.build import build_of
from liftbite.core.job.tightening import read_instructions
from liftbite.core.units.read import read
from tests.jobs import CAR, FULL, MOTORCYCLE, entries

FORK = {
    **{q: t for q, t in FULL.items() if not q.startswith("slave_")},
    "release": "hydraulic_fork",
    "slave_diameter": "22 mm",
    "fork_ratio": "1.6",
    "slave_stroke": "40 mm",
}
BOLTS = FULL | {
    "bolt_diameter": "M10 x 1.25",
    "bolt_pitch": "1.25 mm",
    "bolt_proof_strength": "10.9",
    "bolt_count": "8",
}


def told(typed: dict[str, str]) -> Beside:
    found = cylinders(build_of(entries(typed)))
    assert isinstance(found, Beside)
    return found


def cells(row: Row) -> tuple[float, float]:
    lift, effort = row.cells[2], row.cells[3]
    assert isinstance(lift, tuple)
    assert isinstance(effort, tuple)
    return lift[0], effort[0]


def test_a_pair_put_in_gives_what_was_said_of_it() -> None:
    found = told(FORK)
    for row in found.rows[:4]:
        v = build_of(entries(FORK | dict(row.puts))).evaluate(("lift_margin", "peak_pedal_effort"))
        assert cells(row) == pytest.approx((float(v["lift_margin"]), float(v["peak_pedal_effort"])), rel=1e-6)


def test_pairs_that_meet_both_come_first_by_their_spare_lift() -> None:
    found = told(FORK | {"effort_limit": "260 N"})
    good = [row for row in found.rows if row.good]
    assert good
    assert found.rows[: len(good)] == tuple(good)
    plain = [row for row in good if row.cells[5] == ""]
    assert [cells(r)[0] for r in plain] == sorted((cells(r)[0] for r in plain), reverse=True)
    assert all(cells(row)[0] >= 1.1 and cells(row)[1] <= 260 for row in good)


def test_the_jobs_own_pair_is_marked_wherever_it_stands() -> None:
    found = told(FORK | {"master_diameter": "14 mm", "slave_diameter": "1 in"})
    mine = [row for row in found.rows if row.present]
    assert len(mine) == 1
    assert dict(mine[0].puts) == {"master_diameter": "14 mm", "slave_diameter": "1 in"}
    assert not mine[0].good


def test_a_concentric_slave_is_what_it_is() -> None:
    found = told(FULL)
    assert {row.cells[1] for row in found.rows} == {"as it is"}
    assert all(len(row.puts) == 1 for row in found.rows)
    assert len(told(FULL).rows) <= len(STOCKED)


def test_backwards_the_bore_and_the_clamp() -> None:
    """The master that is asked for gives the lift that is asked for; the clamp at the limit gives the effort of it."""
    build = build_of(entries(FORK))
    found = told(FORK)
    backwards = next(s for s in found.says if s.startswith("Backwards"))
    bore = backwards.split("master of ")[1].split(" mm")[0]
    lift = build_of(entries(FORK | {"master_diameter": f"{bore} mm"})).evaluate(("lift_margin",))["lift_margin"]
    assert lift == pytest.approx(1.1, rel=2e-3)
    clamp = next(s for s in found.says if "effort allows a clamp of" in s)
    v = build.evaluate(("clamp_load", "peak_pedal_effort"))
    heavier = float(v["peak_pedal_effort"]) > float(build.known["effort_limit"])
    said = read(clamp.split("clamp of ")[1].split(" (")[0], "N", "N").si
    assert (said < float(v["clamp_load"])) == heavier


def test_a_cable_has_no_cylinders() -> None:
    assert cylinders(build_of(entries(MOTORCYCLE))) is None
    assert isinstance(cylinders(build_of(entries(CAR, pedal_ratio=None, release="hydraulic_fork"))), Needs)


def test_same_bolts_three_instructions() -> None:
    """M10 x 1.25 10.9: 53 lb-ft dry is sound, 22 lb-ft + 90° goes to yield, 110 lb-ft oiled is refused [practice]."""
    typed = "kit: 22 lb-ft + 90°, oiled; maker: 53 lb-ft, dry; shed: 110 lb-ft, oiled; feel: 10 lb-ft"
    found = instructions(build_of(entries(BOLTS, bolt_instructions=typed)))
    assert isinstance(found, Beside)
    assert [row.cells[0] for row in found.rows] == ["kit", "maker", "shed", "feel"]
    assert [row.cells[6] for row in found.rows] == ["to yield, one use", "plausible", "refused", "look again: low"]
    assert [row.good for row in found.rows][2:] == [False, False]


def test_an_instruction_put_in_is_the_jobs_own() -> None:
    typed = "kit: 22 lb-ft + 90°, oiled; maker: 53 lb-ft, dry"
    found = instructions(build_of(entries(BOLTS, bolt_instructions=typed)))
    assert isinstance(found, Beside)
    put = build_of(entries(BOLTS | dict(found.rows[0].puts), bolt_instructions=typed))
    again = instructions(put)
    assert isinstance(again, Beside)
    assert [row.present for row in again.rows] == [True, False]
    assert replace(again.rows[0], present=False) == replace(found.rows[0], present=False)
    assert put.evaluate(("bolt_preload",))["bolt_preload"] == pytest.approx(found.rows[0].cells[3][0])  # type: ignore[index]


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ("by feel", "names no figure"),
        ("; ".join(["53 lb-ft"] * 9), "too many"),
        ("kit: 5000 lb-ft", "between 0 and 1000 N·m"),
    ],
)
def test_what_is_no_instruction_is_a_sentence(typed: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_instructions(typed)


def test_what_clamp_is_asked_of_a_diaphragm() -> None:
    from liftbite.core.analysis.goal_seek import seek, seekable

    build = build_of(entries(FULL))
    assert "clamp_load" in seekable(build, "bite_margin")
    found = seek(build, "bite_margin", 1.3, "clamp_load", stage=0.0, friction=0.0)
    assert found is not None
    v = build.evaluate(("bite_margin", "clamp_load"))
    assert found.crossings[0] == pytest.approx(float(v["clamp_load"]) * 1.3 / float(v["bite_margin"]), rel=1e-6)
    assert "clamp_load" not in seekable(build_of(entries(CAR)), "bite_margin")
