"""Any clutch a builder could measure: its drawing is whole, and the gaps it draws are the gaps that were worked out.

The gaps are read off the outlines themselves, edge to edge, at any wear and any travel: the picture against the number.
"""

from __future__ import annotations

from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.drawing.outline import Outline
from liftbite.core.drawing.section import Section, section
from liftbite.core.job.groups import SIZES_DRAWN
from liftbite.core.job.inputs import INPUTS
from tests.core.test_every_quantity import CABLE_CAR, WHOLE_MOTORCYCLE
from tests.jobs import FULL, built

FORK = {
    **FULL,
    "cushion_travel": "0 mm",
    "release": "hydraulic_fork",
    "slave_diameter": "13/16 in",
    "slave_stroke": "34 mm",
    "fork_ratio": "1.6",
}


def size(name: str) -> st.SearchStrategy[str]:
    """A size within what is usual, as it would be typed."""
    low, high = INPUTS[name].usual or (INPUTS[name].low, INPUTS[name].high)
    return st.floats(low, high).map(lambda v: f"{v * 1e3:.3f} mm")


def sizes(*names: str) -> st.SearchStrategy[dict[str, str]]:
    return st.fixed_dictionaries({name: size(name) for name in names})


CARS = st.builds(
    lambda job, discs, found, cushion: {**job, **found, "disc_count": discs, "cushion_travel": cushion},
    st.sampled_from([FULL, FORK, CABLE_CAR]),
    st.sampled_from(["1", "2", "3"]),
    sizes(*SIZES_DRAWN["dry_car"], "shaft_diameter", "floater_clearance"),
    st.sampled_from(["0 mm", "0.4 mm", "0.8 mm"]),
)
PACKS = st.builds(
    lambda plates, found: {**WHOLE_MOTORCYCLE, **found, "friction_plate_count": str(plates)},
    st.integers(1, 12),
    sizes(*SIZES_DRAWN["wet_motorcycle"]),
)


def drawn(typed: dict[str, str]) -> Section:
    return section(built(typed))


def edges(found: Section, wear: int, pedal: int, follows: str) -> list[tuple[float, float]]:
    """Front and back of every outline's edges that follow a motion, where they stand at a wear and a travel [m]."""
    moved = found.follows[follows][wear, pedal]
    spans = []
    for outline in found.clutch.outlines:
        xs = [x for x, _, name in outline.points if name == follows]
        if xs and outline.part in {"disc", "plates", "floater", "plate"}:
            spans.append((min(xs) + moved, max(xs) + moved))
    return spans


def gaps_drawn(found: Section, discs: int, wear: int, pedal: int) -> list[float]:
    """The gap at every face, edge to edge, the flywheel's or the hub's face at 0 [m]."""
    gaps, before = [], 0.0
    for i in range(1, discs + 1):
        front = min(low for low, _ in edges(found, wear, pedal, f"disc{i}_front"))
        back = max(high for _, high in edges(found, wear, pedal, f"disc{i}_back"))
        after = edges(found, wear, pedal, f"between{i}" if i < discs else "plate")
        face = min(low for low, _ in after) if i < discs else plate_face(found, wear, pedal)
        gaps += [front - before, face - back]
        before = max(high for _, high in after)
    return gaps


def plate_face(found: Section, wear: int, pedal: int) -> float:
    """Where the pressure plate's face stands: the level at which its outline is widest, outside of spring pockets."""
    (plate,) = [o for o in found.clutch.outlines if o.part == "plate" and any(f == "plate" for *_, f in o.points)][:1]
    outermost = max(r for _, r, _ in plate.points)
    face = min(x for x, r, _ in plate.points if r == outermost)
    return face + float(found.follows["plate"][wear, pedal])


def area(outline: Outline) -> float:
    x, r = (np.array([p[i] for p in outline.points], dtype=float) for i in (0, 1))
    return 0.5 * abs(float(np.sum(x * np.roll(r, -1) - r * np.roll(x, -1))))


@given(typed=CARS, at=st.tuples(st.integers(0, 6), st.integers(0, 60)))
def test_the_gaps_of_any_car_are_read_off_its_drawing(typed: dict[str, str], at: tuple[int, int]) -> None:
    found, discs = drawn(typed), int(typed["disc_count"])
    wear, pedal = min(at[0], found.motion.wear.size - 1), min(at[1], found.motion.pedal.size - 1)
    worked = found.motion.gaps[:, wear, pedal]
    assert len(worked) == 2 * discs
    assert gaps_drawn(found, discs, wear, pedal) == pytest.approx(list(worked), abs=1e-9)
    assert np.all(worked >= -1e-12)


@given(typed=PACKS, at=st.tuples(st.integers(0, 6), st.integers(0, 60)))
def test_the_gaps_of_any_pack_are_read_off_its_drawing(typed: dict[str, str], at: tuple[int, int]) -> None:
    found, plates = drawn(typed), int(typed["friction_plate_count"])
    wear, pedal = min(at[0], found.motion.wear.size - 1), min(at[1], found.motion.pedal.size - 1)
    worked = found.motion.gaps[:, wear, pedal]
    assert len(worked) == 2 * plates
    assert gaps_drawn(found, plates, wear, pedal) == pytest.approx(list(worked), abs=1e-9)


@given(typed=st.one_of(CARS, PACKS))
def test_every_outline_of_any_clutch_encloses_something(typed: dict[str, str]) -> None:
    found = drawn(typed)
    for outline in (*found.clutch.outlines, *found.chain.outlines):
        wound = outline.material == "spring"  # a coil goes to and fro
        assert wound or area(outline) > 1e-8, outline
        assert min(r for _, r, _ in outline.points) >= -1e-12 or outline in found.chain.outlines, outline.part
        assert all(a != b for a, b in pairwise(outline.points)), f"{outline.part} has a corner twice"


@given(typed=PACKS)
def test_a_packs_plates_lie_one_on_the_other(typed: dict[str, str]) -> None:
    """At rest the stack is as thick as its plates, each where the one before ends."""
    found = drawn(typed)
    friction, plain = (float(typed[f"{kind}_plate_thickness"].split()[0]) / 1e3 for kind in ("friction", "plain"))
    plates = int(typed["friction_plate_count"])
    spans = sorted(
        {
            (min(x for x, *_ in o.points), max(x for x, *_ in o.points))
            for o in found.clutch.outlines
            if o.part == "plates"
        }
    )
    assert spans[0][0] == pytest.approx(0.0, abs=1e-12)
    assert spans[-1][1] == pytest.approx(plates * friction + (plates - 1) * plain)
    for (_, end), (begin, _) in pairwise(spans):
        assert begin == pytest.approx(end, abs=1e-9)


@given(typed=CARS)
def test_a_cylinders_piston_stays_in_its_bore(typed: dict[str, str]) -> None:
    """The stroke ends at the first cylinder that is used up; what the drawing moves never goes beyond."""
    found, known = drawn(typed), built(typed).known
    if found.motion.effort is None:
        return
    for name, stroke in (("-rod", "master_stroke"), ("-slave", "slave_stroke")):
        if stroke in known and (name != "-rod" or "cable" not in typed["release"]):
            assert np.max(np.abs(found.follows[name][0])) <= known[stroke] + 1e-9
    assert np.max(found.motion.pedal) <= known["pedal_stroke"] + 1e-9
