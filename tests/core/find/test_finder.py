"""The finder against the answers: what it keeps is what a builder would see as good in all four, and nothing else."""

from __future__ import annotations

from collections.abc import Mapping
from itertools import product
from typing import Any

import numpy as np
import pytest

from liftbite.core.find import combinations
from liftbite.core.find.combinations import LIMITS, OBJECTIVES, FinderPart
from liftbite.core.find.finder import Candidates, search
from liftbite.core.job.arrangement import choose
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import Entry
from liftbite.core.parts.mismatch import bare_aluminium
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.verdict import GOOD_STATES
from tests.core.test_every_quantity import WHOLE_MOTORCYCLE
from tests.jobs import CAR as BARE
from tests.jobs import FULL, entries

CAR = {
    **{
        q: t
        for q, t in FULL.items()
        if "diaphragm" not in q
        and q not in {"clamp_source", "plate_seat_diameter", "fulcrum_diameter", "finger_tip_diameter"}
    },
    "lever_ratio": "4.0",
    "flywheel_strength": "950 MPa",
    "pressure_limit": "0.7 MPa",
    "damper_stop_torque": "900 N·m",
    "shaft_diameter": "29 mm",
    "spline_engagement": "45 mm",
    "spline_pressure_limit": "160 MPa",
    "cushion_travel": "0.4 mm",
    "pedal_stroke": "160 mm",
    "master_stroke": "30 mm",
}
SHELF: dict[str, dict[str, Mapping[str, str]]] = {
    "cover": {f"{f} kN": {"cover_clamp": f"{f} kN"} for f in (8, 11, 12, 16)},
    "master": {b: {"master_diameter": b} for b in ("5/8 in", "3/4 in", "13/16 in", "7/8 in", "1 in")},
    "pedal": {r: {"pedal_ratio": r} for r in ("4.4", "5.2", "6.4")},
    "flywheel": {m: {"flywheel_mass": m} for m in ("6 kg", "11 kg")},
    "shaft": {d: {"shaft_diameter": d} for d in ("20 mm", "29 mm")},
}


def as_parts(shelf: Mapping[str, Mapping[str, Mapping[str, str]]]) -> dict[str, list[FinderPart]]:
    return {
        slot: [
            FinderPart(name, 0.0, {q: e.si for q, e in entries(dict(typed)).items() if e.si is not None})
            for name, typed in parts.items()
        ]
        for slot, parts in shelf.items()
    }


def good_ones(brief: Mapping[str, str], shelf: Mapping[str, Mapping[str, Mapping[str, str]]]) -> set[tuple[str, ...]]:
    """One job after the other, by the answers a builder would read."""
    found = set()
    for names in product(*shelf.values()):
        typed = dict(brief)
        for slot, name in zip(shelf, names, strict=True):
            typed |= shelf[slot][name]
        answers = answer(entries(typed))
        if all(v.state in GOOD_STATES for v in (answers.verdict, *answers.others)):
            found.add(names)
    return found


def test_what_is_kept_is_what_the_four_answers_call_good() -> None:
    found = search(entries(CAR), as_parts(SHELF), stage=0.0, all_four=True)
    good = good_ones(CAR, SHELF)
    assert found.total == 4 * 5 * 3 * 2 * 2
    assert 0 < len(good) < found.total
    assert found.kept == len(good)
    assert {tuple(row[slot] for slot in SHELF) for row in found.front} <= good
    assert found.kept + sum(found.excluded.values()) == found.total
    assert {"fuse", "comfort", "strokes"} <= set(found.excluded), "the shelf is made to fail in each of them"


#: Figures of a candidate drawn at random, with the range they are drawn from: wide enough that every limit is missed.
DRAWN = {
    "cover_clamp": (5e3, 2e4),
    "master_diameter": (0.014, 0.026),
    "pedal_ratio": (4.0, 7.0),
    "shaft_diameter": (0.02, 0.032),
    "lever_ratio": (3.2, 4.8),
    "flywheel_mass": (5.0, 14.0),
    "pressure_limit": (0.2e6, 1.0e6),
    "master_stroke": (0.015, 0.035),
    "slave_stroke": (0.006, 0.03),
    "plate_lift_limit": (0.0012, 0.003),
    "effort_limit": (60.0, 300.0),
    "pressure_rating": (1.5e6, 8e6),
    "heat_mass": (2.0, 12.0),
    "brief_temperature": (450.0, 900.0),
    "disc_count": (1, 3),
    "floater_clearance": (0.0004, 0.0009),
    "fluid_wet_boiling": (340.0, 440.0),
    "flywheel_strength": (3e8, 9e8),
    "cushion_travel": (0.0, 0.0009),
    "residual_unbalance": (0.0, 4e-4),
    "housing_bore_runout": (0.0, 2.4e-4),
    "housing_bore_limit": (1.2e-4, 1.3e-4),
    "specific_energy_limit": (1e5, 4e6),
}
_STRONG = (
    "flywheel_strength",
    "damper_stop_torque",
    "shaft_diameter",
    "spline_engagement",
    "spline_pressure_limit",
    "cushion_travel",
    "pedal_stroke",
    "master_stroke",
)
_GOOD = {"cover_clamp": "11 kN", "pedal_ratio": "5.2", "flywheel_mass": "6 kg"}
#: Builds that are good in all four, near enough to their limits that a draw takes them over.
BASES = {
    "cover by a figure": CAR | _GOOD | {"master_diameter": "3/4 in"},
    "diaphragm": FULL
    | {q: CAR[q] for q in _STRONG}
    | {
        "friction_low": "0.3",
        "pressure_limit": "1.2 MPa",
        "flywheel_mass": "6 kg",
        "pedal_ratio": "6",
        "plate_lift_limit": "2.6 mm",
        "effort_limit": "280 N",
        "diaphragm_thickness": "3 mm",
        "master_diameter": "13/16 in",
    },
    "fork": {q: t for q, t in CAR.items() if not q.startswith("slave_")}
    | _GOOD
    | {
        "release": "hydraulic_fork",
        "slave_diameter": "22 mm",
        "fork_ratio": "1.6",
        "slave_stroke": "40 mm",
        "master_stroke": "40 mm",
        "master_diameter": "5/8 in",
    },
}


@pytest.mark.parametrize("base", BASES)
@pytest.mark.parametrize("seed", range(12))
def test_a_candidate_is_kept_exactly_when_its_verdicts_one_by_one_are_good(base: str, seed: int) -> None:
    """Any figures: what the finder keeps of thirty at once are those whose own answers fall short in nothing.

    True says "look again" while nobody has said how strong the flywheel is; that is no row a candidate could miss.
    """
    chance = np.random.default_rng(seed)
    names = chance.choice(sorted(DRAWN), size=int(chance.integers(1, 4)), replace=False)
    brief = entries(BASES[base])
    parts, good = [], []
    for number in range(30):
        values = {n: float(chance.uniform(*DRAWN[n])) for n in names}
        if "disc_count" in values:
            values["disc_count"] = float(round(values["disc_count"]))
        parts.append(FinderPart(str(number), 0.0, values))
        answers = answer({**brief, **{q: Entry(q, f"{v:.4f}", v) for q, v in values.items()}})
        verdicts = (answers.verdict, *answers.others)
        short = any(link.grade in {"short", "bad"} for v in verdicts for link in v.links)
        good.append(not short and all(v.state in GOOD_STATES | {"open", "look again"} for v in verdicts))
    kept = [search(brief, {"any": [part]}, stage=0.0, all_four=True).kept for part in parts]
    assert kept == good, base
    assert search(brief, {"any": parts}, stage=0.0, all_four=True).kept == sum(good)


def test_without_asking_for_all_four_more_is_kept() -> None:
    works = search(entries(CAR), as_parts(SHELF), stage=0.0)
    good = search(entries(CAR), as_parts(SHELF), stage=0.0, all_four=True)
    assert works.kept > good.kept
    assert not {"fuse", "comfort", "strokes", "true", "hot"} & set(works.excluded)


def test_a_wheel_that_would_burst_is_left_out() -> None:
    weak = {**CAR, "flywheel_strength": "60 MPa", "flywheel_tensile": "90 MPa"}
    found = search(entries(weak), as_parts({"cover": SHELF["cover"]}), stage=0.0, all_four=True)
    assert found.kept == 0
    assert found.excluded["true"] > 0


def test_a_pack_is_found_as_well() -> None:
    brief = {
        **WHOLE_MOTORCYCLE,
        "hub": "plain",
        "spring_lengths": "alike",
        "spring_rate_source": "figure",
        "effort_limit": "150 N",
        "start": "pull_away",
        "shaft_diameter": "26 mm",
        "spline_pressure_limit": "250 MPa",
        "use": "gentle",
        "flywheel_strength": "900 MPa",
    }
    shelf = {
        "springs": {f"{r} N/mm": {"spring_rate": f"{r} N/mm"} for r in (10, 16, 22, 30)},
        "slave": {f"{d} mm": {"slave_diameter": f"{d} mm"} for d in (24, 28, 32, 38)},
        "plates": {n: {"friction_plate_count": n} for n in ("6", "8")},
    }
    found = search(entries(brief), as_parts(shelf), stage=0.0, all_four=True)
    kept = {tuple(row[slot] for slot in shelf) for row in found.front}
    assert kept <= good_ones(brief, shelf)
    assert found.kept + sum(found.excluded.values()) == 32


@pytest.mark.parametrize("name", OBJECTIVES)
def test_every_objective_of_a_candidate_is_that_of_its_job(name: str) -> None:
    found = search(entries(CAR), as_parts(SHELF), stage=0.0, all_four=True)
    row = found.front[0]
    typed = dict(CAR)
    for slot in SHELF:
        typed |= SHELF[slot][row[slot]]
    answers = answer(entries(typed))
    v = answers.build.evaluate(
        ("bite_margin", "lift_margin", "engine_inertia", "heat_margin", "sustained_margin"),
        friction=np.array([-1.0, 0.0]),
    )
    effort = next(link for link in answers.others[0].links if link.name == "pedal_effort")
    expected = {
        "bite": v["bite_margin"][1],
        "lift": v["lift_margin"],
        "inertia": v["engine_inertia"],
        "price": 0.0,
        "heat": np.broadcast_to(np.minimum(v["heat_margin"], v["sustained_margin"]), 2)[1],
        "effort": 250.0 / effort.reserve,
    }
    assert row[name] == pytest.approx(float(expected[name]), rel=2e-3)


def test_what_an_arrangement_works_out_is_not_taken_from_a_part() -> None:
    """A fork ratio on the shelf says nothing where the slave sits round the shaft."""
    ratios = [FinderPart(r, 0.0, {"fork_ratio": float(r)}) for r in ("1.5", "3.0")]
    found = search(entries({**CAR, "cover_clamp": "11 kN"}), {"fork": ratios}, stage=0.0)
    assert len({round(row["lift"], 9) for row in found.front}) == 1


def test_what_was_found_so_far_can_be_looked_at() -> None:
    seen: list[Candidates] = []
    search(entries(CAR), as_parts(SHELF), stage=0.0, seen=seen.append)
    assert seen
    assert not seen[-1].complete
    assert seen[-1].total == 4 * 5 * 3 * 2 * 2


@pytest.mark.parametrize(
    ("options", "bare"),
    [
        ({}, False),
        ({"flywheel_material": "aluminium"}, False),
        ({"flywheel_material": "aluminium", "flywheel_insert": "steel"}, False),
        ({"flywheel_material": "steel", "flywheel_insert": "none"}, False),
        ({"flywheel_material": "aluminium", "flywheel_insert": "none"}, True),
    ],
)
def test_bare_aluminium_is_left_out(options: dict[str, str], bare: bool) -> None:
    assert bare_aluminium(choose({"layout": "dry_car", **options}).traits) is bare
    brief: dict[str, Entry] = entries({**CAR, **options, "cover_clamp": "11 kN"})
    found = search(brief, as_parts({"pedal": SHELF["pedal"]}), stage=0.0)
    assert (found.excluded.get("mismatch", 0) == 3) is bare


def test_parts_are_held_against_what_the_job_has() -> None:
    job: dict[str, Any] = {**CAR, "cover_clamp": "11 kN", "crank_bolt_count": "8"}
    wheels = [
        FinderPart("six", properties={"crank_bolts": 6}),
        FinderPart("eight", properties={"crank_bolts": 8}),
        FinderPart("unsaid"),
    ]
    found = search(entries(job), {"flywheel": wheels}, stage=0.0)
    assert found.excluded["mismatch"] == 1


def test_every_limit_says_what_it_is() -> None:
    assert all(says == says.strip() and len(says) > 10 for says in LIMITS.values())


@pytest.mark.parametrize("seed", range(6))
@pytest.mark.parametrize("base", BASES)
def test_cells_of_some_slots_come_to_what_every_combination_comes_to(
    base: str, seed: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A limit worked out once for the parts it hangs on, and for every combination by itself: the same in all."""
    chance = np.random.default_rng(100 + seed)
    names = [str(n) for n in chance.choice(sorted(set(DRAWN) - {"disc_count"}), size=6, replace=False)]
    shelf = {
        f"slot {i}": [
            FinderPart(
                f"{i}.{k}", float(chance.uniform(50, 400)), {n: float(chance.uniform(*DRAWN[n])) for n in names[i::3]}
            )
            for k in range(6)
        ]
        for i in range(3)
    }
    brief, all_four = entries(BASES[base]), bool(seed % 2)
    by_cells = search(brief, shelf, stage=0.0, all_four=all_four)
    monkeypatch.setattr(combinations, "_CELLS", 0)
    one_by_one = search(brief, shelf, stage=0.0, all_four=all_four)
    assert (by_cells.kept, by_cells.excluded, by_cells.unseen) == (
        one_by_one.kept,
        one_by_one.excluded,
        one_by_one.unseen,
    )
    parts = [{slot: row[slot] for slot in shelf} for row in by_cells.front]
    assert parts == [{slot: row[slot] for slot in shelf} for row in one_by_one.front]
    for mine, other in zip(by_cells.front, one_by_one.front, strict=True):
        assert [mine[o] for o in OBJECTIVES if o in mine] == pytest.approx([other[o] for o in OBJECTIVES if o in other])


FEW = {
    "disc": [
        FinderPart(
            "organic 240",
            100,
            {"outer_diameter": 0.24, "inner_diameter": 0.155},
            {"facing_material": "organic"},
            {"spline_count": 24},
        ),
        FinderPart(
            "cermet 240",
            220,
            {"outer_diameter": 0.24, "inner_diameter": 0.16},
            {"facing_material": "cermet"},
            {"spline_count": 24},
        ),
        FinderPart(
            "cermet, odd spline",
            200,
            {"outer_diameter": 0.24, "inner_diameter": 0.16},
            {"facing_material": "cermet"},
            {"spline_count": 10},
        ),
    ],
    "shaft": [FinderPart("24-tooth", 0, {}, {}, {"spline_count": 24})],
    "cover": [
        FinderPart(f"t {t}", 300 + 40 * i, {"diaphragm_thickness": t / 1e3}) for i, t in enumerate((2.8, 3.0, 3.2))
    ],
    "master": [FinderPart(f"{b}", 60, {"master_diameter": b / 1e3}) for b in (17.78, 19.05, 20.64, 22.23)],
}
BRIEF = {q: t for q, t in FULL.items() if q not in {"facing_material", "pressure_limit"}}


def test_a_search_equals_one_job_after_the_other() -> None:
    found = search(entries(BRIEF), FEW, stage=0.0)
    assert isinstance(found, Candidates)
    assert found.total == 36
    passing = []
    for disc, cover, master in product(FEW["disc"], FEW["cover"], FEW["master"]):
        if disc.properties["spline_count"] != 24:
            continue
        build = build_of(entries(BRIEF) | entries({"facing_material": disc.options["facing_material"]}))
        given_ = {**disc.values, **cover.values, **master.values}
        wanted = ("bite_margin", "use_factor", "least_lift_margin", "overtravel_margin", "plate_lift_available")
        v = build.evaluate(wanted, friction=-1.0, **given_)
        effort = max(
            float(build.evaluate(("pedal_effort",), plate_lift=x, **given_)["pedal_effort"])
            for x in (v["plate_lift_available"], build.known["cushion_travel"])
        )
        nominal = build.evaluate(("bite_margin",), **given_)["bite_margin"]
        if (
            nominal >= v["use_factor"]
            and v["bite_margin"] >= 1
            and v["least_lift_margin"] >= 1
            and v["overtravel_margin"] >= 1
            and effort <= 250
        ):
            passing.append((disc.name, cover.name, master.name))
    assert found.kept == len(passing)
    assert passing
    assert {(r["disc"], r["cover"], r["master"]) for r in found.front} <= set(passing)
    assert found.kept + sum(found.excluded.values()) == found.total
    assert found.excluded["mismatch"] == 12
    assert set(OBJECTIVES) <= set(found.front[0])


def test_a_search_can_be_cancelled_and_tells_its_progress() -> None:
    told: list[tuple[int, int]] = []

    def progress(done: int, total: int) -> bool:
        told.append((done, total))
        return False

    found = search(entries(BRIEF), FEW, stage=0.0, progress=progress)
    assert not found.complete
    assert told == [(found.total, 36)]
    assert found.total < 36


def test_what_brief_and_shelf_do_not_say_is_left_out_and_named() -> None:
    found = search(
        entries({q: t for q, t in BARE.items() if q != "cover_clamp"}),
        {"cover": [FinderPart("soft", 100, {"cover_clamp": 9e3}), FinderPart("hard", 200, {"cover_clamp": 11e3})]},
        stage=0.0,
    )
    assert found.unseen == ("effort", "heat", "inertia", "lift")
    assert found.excluded == {}
    assert found.kept == 2
