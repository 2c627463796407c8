"""What steps went by before, so that what was said of them stays theirs.

- `STEPS_OF_BEFORE`   key of before -> key
- `step_now`, `turn_now`   a step's key, and a bolt's, as they are now
"""

from __future__ import annotations

from collections.abc import Mapping

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
