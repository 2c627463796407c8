"""The drawing says what the numbers say: motions close, gaps are the stroke's, outlines keep their sizes."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.analysis.stroke import Stroke, stroke
from liftbite.core.drawing.motion import Motion, motion, rooms
from liftbite.core.drawing.outline import PARTS, Outline
from liftbite.core.drawing.section import section
from liftbite.core.errors import OutOfRange
from liftbite.core.job.groups import SIZES_DRAWN
from tests.core.test_every_quantity import CABLE_CAR, WHOLE_MOTORCYCLE
from tests.jobs import CAR, FULL, MOTORCYCLE, PULLED, built

TWIN = {
    **FULL,
    "disc_count": "2",
    "cushion_travel": "0 mm",
    "disc_wobble": "0.1 mm",
    "release": "hydraulic_fork",
    "slave_diameter": "13/16 in",
    "slave_stroke": "34 mm",
    "fork_ratio": "1.6",
}
JOBS = {
    "car": FULL,
    "twin": TWIN,
    "cable": CABLE_CAR,
    "pull": {**FULL, **PULLED},
    "pack": WHOLE_MOTORCYCLE,
}


def moved(job: str) -> tuple[Motion, int]:
    build = built(JOBS[job])
    found = motion(build)
    return found, int(build.known.get("disc_count", build.known.get("friction_plate_count", 1)))


@pytest.mark.parametrize("job", JOBS)
def test_gaps_springing_back_and_wear_add_up_to_the_plate(job: str) -> None:
    found, discs = moved(job)
    assert found.effort is not None
    expansion = sum(
        found.follows[f"disc{i}_core_back"] - found.follows[f"disc{i}_core_front"] for i in range(1, discs + 1)
    )
    total = found.gaps.sum(axis=0) + expansion - found.wear[:, None]
    np.testing.assert_allclose(found.follows["plate"], total, atol=1e-12)
    np.testing.assert_allclose(found.follows["plate"], found.lift - found.wear[:, None], atol=1e-12)


@pytest.mark.parametrize("job", ["car", "cable", "pack"])
def test_drawn_gaps_are_those_of_the_stroke(job: str) -> None:
    build = built(JOBS[job])
    found, worked = motion(build), stroke(build, points=81)
    assert isinstance(worked, Stroke)
    for gap in found.gaps:
        np.testing.assert_allclose(gap[0], np.interp(found.pedal, worked.pedal, worked.gap), atol=2e-6)


def test_the_floater_follows_until_its_stop_and_leaves_the_rest_to_the_outer_disc() -> None:
    """0.045 in of lift, 0.022 in at the stop, 0.5 mm worn: 0.003 in are left outside; common practice, no source."""
    inner, outer = rooms(np.array([0.045 * 0.0254]), 2, 0.022 * 0.0254, 0.0005, 0.0)
    assert outer[0] / 0.0254 == pytest.approx(0.0033, abs=1e-4)
    inner, outer = rooms(np.array([0.0001, 0.0003, 0.00115]), 2, 0.0003, 0.0, 0.0)
    assert list(inner) == pytest.approx([0.0001, 0.0003, 0.0003])
    assert list(outer) == pytest.approx([0.0, 0.0, 0.00085])
    inner, outer = rooms(np.array([0.0004, 0.0006, 0.0010]), 2, 0.0006, 0.0, 0.0002)
    assert list(inner) == pytest.approx([0.0002, 0.0004, 0.0006]), "both cushions spring back first, alike"
    assert list(outer) == pytest.approx([0.0002, 0.0002, 0.0004])
    three = rooms(np.array([0.0012]), 3, 0.0003, 0.0, 0.0)
    assert [float(r[0]) for r in three] == pytest.approx([0.0004] * 3)


@pytest.mark.parametrize("inner_wear", ["0 mm", "0.2 mm", "0.4 mm"])
def test_a_twins_drawn_gaps_at_full_pedal_are_those_of_its_verdict(inner_wear: str) -> None:
    build = built(TWIN, disc_wobble="0 mm", inner_wear=inner_wear)
    v = build.evaluate(("inner_gap", "outer_gap"))
    drawn = motion(build).gaps[:, 0, -1]
    assert drawn[0] + drawn[1] == pytest.approx(float(v["inner_gap"]), abs=3e-6)
    assert drawn[2] + drawn[3] == pytest.approx(float(v["outer_gap"]), abs=3e-6)


def test_fingers_come_back_by_the_wear_times_the_lever_ratio() -> None:
    build = built(FULL)
    ratio = float(build.evaluate(("release_lever_ratio",))["release_lever_ratio"])
    found = motion(build)
    np.testing.assert_allclose(found.follows["tips"][:, 0], found.wear * ratio)
    build = built(FULL, **PULLED)
    ratio, pulled = float(build.evaluate(("release_lever_ratio",))["release_lever_ratio"]), motion(build)
    np.testing.assert_allclose(pulled.follows["tips"][:, 0], -pulled.wear * ratio)
    assert pulled.follows["tips"][0, -1] > 0, "a pulled cover's fingers go towards the gearbox"


def test_fluid_keeps_its_volume_less_what_hose_and_air_take() -> None:
    build = built(TWIN)
    found = section(build)
    areas = build.evaluate(("master_area", "slave_area"))
    master, slave = -found.follows["-rod"][0], -found.follows["-slave"][0]
    port = float(build.known["port_travel"])
    lost = areas["master_area"] * np.maximum(master - port, 0) - areas["slave_area"] * slave
    assert found.motion.pressure is not None
    soft = build.known["hose_swell"] * found.motion.pressure[0]
    np.testing.assert_allclose(lost[5:], soft[5:], atol=2e-9)


def test_the_clutch_passes_nothing_once_it_is_lifted_off_its_cushion() -> None:
    found, _ = moved("car")
    assert found.passes is not None
    assert found.passes[0, 0] == pytest.approx(1.0)
    assert found.passes[0, -1] == 0
    assert np.all(np.diff(found.passes[0]) <= 1e-12)


def test_a_stroke_ends_where_the_first_cylinder_ends() -> None:
    found = motion(built(FULL, master_stroke="15 mm"))
    assert found.stop is not None
    assert found.stop[1] == "master_stroke"
    assert found.stop[0] < 0.15
    assert found.pedal[-1] == pytest.approx(found.stop[0])


@pytest.mark.parametrize("job", [*JOBS, "car at rest", "pack at rest"])
def test_every_outline_follows_a_motion_there_is(job: str) -> None:
    build = built(JOBS.get(job, CAR if job.startswith("car") else MOTORCYCLE))
    found = section(build)
    for outline in (*found.clutch.outlines, *found.chain.outlines):
        assert outline.part in PARTS
        assert len(outline.points) >= 4
        for x, r, follows in outline.points:
            assert np.isfinite([x, r]).all()
            assert follows == "" or follows in found.follows


def edges(outlines: tuple[Outline, ...], part: str, material: str) -> list[tuple[float, float, float, float]]:
    found = []
    for o in outlines:
        if (o.part, o.material) == (part, material):
            xs, rs = [p[0] for p in o.points], [p[1] for p in o.points]
            found.append((min(xs), max(xs), min(rs), max(rs)))
    return found


def test_facings_are_drawn_at_their_diameters_and_the_stack_at_its_thickness() -> None:
    build = built(TWIN, disc_thickness="7 mm", floater_thickness="9 mm")
    facings = edges(section(build).clutch.outlines, "disc", "facing")
    assert len(facings) == 4
    for _, _, low, high in facings:
        assert (low, high) == (pytest.approx(0.155 / 2), pytest.approx(0.240 / 2))
    assert facings[0][0] == 0
    assert facings[-1][1] == pytest.approx(0.007 + 0.009 + 0.007)


def test_sizes_nobody_entered_are_named() -> None:
    found = section(built(FULL))
    assert {"disc_thickness", "flywheel_thickness"} <= set(found.usual)
    assert "outer_diameter" not in found.usual
    entered = section(built(FULL, disc_thickness="8 mm"))
    assert "disc_thickness" not in entered.usual
    assert all(name.endswith("thickness") for names in SIZES_DRAWN.values() for name in names)


def test_the_fulcrum_is_drawn_where_it_gives_the_lever_ratio_entered() -> None:
    found = section(built(CAR, lever_ratio="4.2"))
    usual = found.usual
    seat, tip, fulcrum = usual["plate_seat_diameter"], usual["finger_tip_diameter"], usual["fulcrum_diameter"]
    assert (fulcrum - tip) / (seat - fulcrum) == pytest.approx(4.2)


def test_what_cannot_exist_is_not_drawn() -> None:
    with pytest.raises(OutOfRange, match="inner_diameter"):
        section(built(CAR, inner_diameter="250 mm"))


def test_without_a_release_it_is_drawn_at_rest_and_says_what_it_waits_for() -> None:
    found = motion(built(CAR))
    assert found.effort is None
    assert "master_diameter" in found.needs
    assert np.all(found.lift == 0)
    assert found.follows["plate"][-1, 0] == pytest.approx(-found.wear[-1]), "it can still be aged"
