"""Coil springs: length and squareness."""

from __future__ import annotations

from liftbite.core.measure.check import Check
from liftbite.core.measure.checks.shared import has_coils, look, manual, practice, spots, springs
from liftbite.core.measure.effect import EffectOf
from liftbite.core.measure.enters import springs_enter
from liftbite.core.measure.grades import SQUARE
from liftbite.core.measure.limits import new_of

CHECKS = (
    Check(
        "spring_free_length",
        "springs",
        "Free length",
        "Each spring standing on end, in order round the plate. Springs are renewed as a set.",
        wanted=has_coils,
        places=spots("Spring", springs),
        usual=(15e-3, 120e-3),
        limits=(
            practice("new", 35e-3, "35 mm new"),
            practice("least", 33e-3, "33 mm where new is 35"),
            manual("spread"),
        ),
        if_failed="renew as set",
        whole="springs",
        causes=("short_springs",),
        enters=(
            "spring_free_lengths",
            "spring_free_length",
        ),
        effect=EffectOf(springs_enter),
        of_job=new_of("spring_free_length", in_proportion=True),
    ),
    look(
        "spring_square",
        "springs",
        "Squareness",
        "Each on a flat plate against a square.",
        SQUARE,
        has_coils,
        causes=("short_springs",),
    ),
)
