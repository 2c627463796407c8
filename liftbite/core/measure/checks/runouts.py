"""Runout of the housing, its gap, and a disc centred without a tool."""

from __future__ import annotations

from liftbite.core.measure.check import Check, Swept
from liftbite.core.measure.checks.shared import (
    SAG,
    SWEEP_PLACES,
    fixed,
    is_car,
    manual,
    practice,
)
from liftbite.core.units.constants import THOU

CHECKS = (
    Check(
        "bore_runout",
        "bell_housing",
        "Bore",
        f"Dial on the crank, plunger on the bore's wall. {SAG}",
        "sweep",
        suited=("dial",),
        places=SWEEP_PLACES,
        wanted=is_car,
        usual=(-3e-3, 3e-3),
        if_failed="put right",
        limits=(practice("most", 5 * THOU, "0.005 in, read as total indicator reading"),),
        swept=Swept("housing_bore_runout", "housing_bore_limit", inside=True),
        causes=("pilot_seized",),
    ),
    Check(
        "housing_face",
        "bell_housing",
        "Gearbox face",
        f"Dial on the crank, plunger on the face. {SAG}",
        "sweep",
        suited=("dial",),
        places=SWEEP_PLACES,
        wanted=is_car,
        usual=(-3e-3, 3e-3),
        if_failed="put right",
        limits=(practice("most", 5 * THOU, "0.005 in across the bore circle"),),
        swept=Swept(
            "housing_face_runout",
            "housing_face_limit",
            face=True,
            meant_at=("housing_bore_diameter", "the bore circle"),
        ),
        causes=("unbalanced",),
    ),
    Check(
        "housing_gap",
        "bell_housing",
        "Gap while the gearbox goes in",
        "Gearbox on its jack, shaft in the splines, hands out: the gap by the clock, seen from behind.",
        "figure",
        suited=("feeler", "caliper", "rule"),
        wanted=is_car,
        usual=(0, 2.0),
        places=fixed("At 12", "At 3", "At 6", "At 9", "Face to tail", "Across the housing"),
        set_up=True,
    ),
    Check(
        "disc_centring",
        "disc",
        "Centring without a tool",
        "Depth from the cover's edge to the hub, round the cover; shift the disc till it is even.",
        "sweep",
        suited=("depth_gauge",),
        places=SWEEP_PLACES,
        wanted=is_car,
        usual=(0, 0.3),
        if_failed="put right",
        limits=(manual("most"),),
        set_up=True,
        swept=Swept(inside=True),
    ),
)
