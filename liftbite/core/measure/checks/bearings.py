"""Bearings, seals, fork and input shaft."""

from __future__ import annotations

from liftbite.core.measure.checks.shared import has_fork, is_car, look
from liftbite.core.measure.grades import BEARING, PIVOT, SEAL, SLEEVE, SPLINE

CHECKS = (
    look(
        "release_bearing",
        "bearing",
        "Turn and listen",
        "Spin it by hand. Never wash it.",
        BEARING,
        is_car,
        causes=("release_bearing",),
    ),
    look(
        "bearing_bore",
        "bearing",
        "Its bore and groove",
        "Slide it on its sleeve; look where the fork runs.",
        SLEEVE,
        has_fork,
        causes=("release_bearing",),
    ),
    look(
        "pilot_bearing",
        "pilot",
        "Play and roughness",
        "With a finger, in the crank.",
        BEARING,
        is_car,
        causes=("pilot_seized",),
    ),
    look(
        "rear_seal", "rear_seal", "Oil trace", "Look above and below the crank.", SEAL, is_car, causes=("oily_facing",)
    ),
    look(
        "shaft_seal",
        "input_seal",
        "Oil trace",
        "Look round the shaft and down the housing.",
        SEAL,
        is_car,
        causes=("oily_facing",),
    ),
    look(
        "fork",
        "fork",
        "Wear",
        "Ball, pockets, guide sleeve.",
        PIVOT,
        has_fork,
        gets=("fork", "pivot"),
        causes=(
            "no_free_play",
            "fork_worn",
        ),
    ),
    look(
        "input_shaft",
        "input_shaft",
        "Splines",
        "Slide the disc along; look for twist and colour.",
        SPLINE,
        is_car,
        causes=(
            "disc_stuck",
            "burst",
        ),
    ),
)
