"""What steps went by before, so that what was said of them stays theirs; and what those of single parts go by.

- `STEPS_OF_BEFORE`   key of before -> key
- `step_now`, `turn_now`   a step's key, and a bolt's, as they are now
- `IN`, `DRESS`, `OUT`   how the key of a step for one part begins: `in:gearbox`, `dress:basket`, `out:pilot`
- `part_step_title`, `part_in_step`   what such a step is called, and its part
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.job.parts import PARTS, called

IN, DRESS, OUT = "in:", "dress:", "out:"
STEPS_OF_BEFORE: Mapping[str, str] = {
    "front_shafts": "drive_shafts",
    "transfer_shafts": "front_prop_shaft",
    "back:front_shafts": "on:drive_shafts",
    "back:transfer_shafts": "on:front_prop_shaft",
    "back:slave_hung": "on:slave",
    "back:line_opened": "on:line",
    "back:arm_freed": "arm_hooked",
    "gearbox_filled": "filled",
    "shaft_seal_in": "input_seal_in",
    "old_beside_new": "disc_beside",
    "hydraulics_out": "reservoir_low",
    "cylinders_in": "slave_in",
    **{
        f"back:{key}": f"on:{key}"
        for key in (
            "battery",
            "console",
            "exhaust",
            "prop_shaft",
            "drive_shafts",
            "cable_slack",
            "wiring",
            "starter",
            "engine_supported",
            "crossmember",
            "mounts",
            "tilt",
            "coupling",
            "transaxle",
            "tube",
            "lever_slack",
            "case_off",
        )
    },
}


def step_now(key: str) -> str:
    """A step's key as it is now.

    >>> step_now("back:exhaust"), step_now("cover_on")
    ('on:exhaust', 'cover_on')
    """
    return STEPS_OF_BEFORE.get(key, key)


def turn_now(key: str) -> str:
    """A bolt's key as it is now: its step, a colon, its turn.

    >>> turn_now("back:case_off:4")
    'on:case_off:4'
    """
    step, colon, turn = key.rpartition(":")
    return step_now(step) + colon + turn


def part_step_title(key: str) -> str:
    """What a step of a part is called; the key itself of another step.

    >>> part_step_title("in:gearbox"), part_step_title("in:Speed sensor"), part_step_title("dress:hub")
    ('Fit the new gearbox', 'Fit: Speed sensor', 'Dress the clutch centre, and read it again')
    """
    part = part_in_step(key)
    label = called(part)
    if not part:
        return key
    if key.startswith(DRESS):
        return f"Dress the {label[0].lower()}{label[1:]}, and read it again"
    if key.startswith(OUT):
        return f"Take out the {label[0].lower()}{label[1:]}: nothing goes in its place"
    return f"Fit the new {label[0].lower()}{label[1:]}" if part in PARTS else f"Fit: {label}"


def part_in_step(key: str) -> str:
    """The part of such a step; empty of another step.

    >>> part_in_step("in:gearbox"), part_in_step("disc_on")
    ('gearbox', '')
    """
    return next((key.removeprefix(begins) for begins in (IN, DRESS, OUT) if key.startswith(begins)), "")
