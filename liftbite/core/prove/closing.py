"""What a fault that was found closes into: parts for the list, and how far the job goes.

`CLOSES`, `close_of`: cause -> parts and scope; every cause has a line.

[practice]: what is renewed together with what, as the list's own practices say; a shop strikes what it does not want.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Close:
    """What a cause closes into: parts to get, by what the list calls them, and how far the job goes; nothing where it
    wants no work."""

    parts: tuple[str, ...] = ()
    scope: str = ""


_CLUTCH, _HYDRAULICS, _BEARING = "clutch", "hydraulics", "bearing"
CLOSES: Mapping[str, Close] = {
    "worn_facing": Close(("Disc",), _CLUTCH), "small_clamp": Close(("Cover",), _CLUTCH),
    "oily_facing": Close(("Disc", "Rear main seal", "Input shaft seal"), "clutch_flywheel"),
    "glazed": Close(("Disc",), "clutch_flywheel"), "no_free_play": Close((), _HYDRAULICS),
    "bottomed_bearing": Close(("Release bearing",), _BEARING), "port_shut": Close((), _HYDRAULICS),
    "fingers_thrown": Close(("Cover",), _CLUTCH), "air": Close(("Fluid",), _HYDRAULICS),
    "leak": Close(("Master cylinder", "Slave cylinder", "Fluid"), _HYDRAULICS),
    "master_bypass": Close(("Master cylinder", "Fluid"), _HYDRAULICS),
    "swells": Close(("Hose or cable", "Fluid"), _HYDRAULICS), "boils": Close(("Fluid",), _HYDRAULICS),
    "too_much_play": Close(("Hose or cable",), _HYDRAULICS), "bad_cable": Close(("Hose or cable",), _HYDRAULICS),
    "too_little_lift": Close((), _HYDRAULICS), "floater": Close((), _CLUTCH), "disc_stuck": Close((), _CLUTCH),
    "disc_reversed": Close((), _CLUTCH), "fingers_uneven": Close(("Cover",), _CLUTCH),
    "pilot_seized": Close(("Pilot bearing",), _CLUTCH), "release_bearing": Close(("Release bearing",), _BEARING),
    "input_bearing": Close(("Gearbox input bearing",), "complaint"), "gear_rattle": Close(),
    "hot_spots": Close((), "clutch_flywheel"), "loose_mounts": Close(("Mounts",), "complaint"),
    "solid_hub": Close(("Disc",), _CLUTCH), "damp": Close(), "unbalanced": Close((), "clutch_flywheel"),
    "disc_out_of_true": Close(("Disc",), _CLUTCH), "burst": Close((), "everything"), "overtravel": Close((), _CLUTCH),
    "wrong_oil": Close(("Engine oil",), _CLUTCH), "thin_plates": Close(("Plate set", "Spring set"), _CLUTCH),
    "short_springs": Close(("Spring set",), _CLUTCH), "warped_plates": Close(("Plate set",), _CLUTCH),
    "notched": Close(("Basket",), _CLUTCH), "pack_noise": Close(("Hub rubbers",), _CLUTCH),
}  # fmt: skip


def close_of(cause: str) -> Close:
    """What a cause closes into.

    >>> close_of("master_bypass").parts
    ('Master cylinder', 'Fluid')
    """
    return CLOSES[cause]
