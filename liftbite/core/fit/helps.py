"""What a step says by the job's own figures: one pitch of the splines, what the holder of the crank carries.

`help_of`: sentences for a step, nothing where the job knows nothing.

[practice]: how splines are found; [definition: torque over lever].
"""

from __future__ import annotations

from collections.abc import Callable, Mapping

from liftbite.core.fit.bolt_load import end_of
from liftbite.core.fit.way import Way
from liftbite.core.units.sentence import both
from liftbite.core.units.show import bare, figure

#: Levers a crank is held at: a bar at the flywheel's rim or a locked tool, and a strip at a bolt near the middle [m].
HELD_AT = (0.14, 0.06)
Known = Mapping[str, object]


def _splines(known: Known, _: Way | None) -> list[str]:
    count = known.get("spline_count")
    pitch = ""
    if isinstance(count, float | int) and count > 1:
        pitch = f"{figure(count, 3)} splines: one pitch is {figure(360 / count, 3)}°. "
    return [
        f"{pitch}Turning that far finds them; where it takes more, it is alignment, and turning on does not help.",
        "With an open differential turn both outputs the same way: one alone turns the other back.",
    ]


def _holder(known: Known, way: Way | None) -> list[str]:
    torque = way.given.torque if way and way.given else known.get("bolt_torque")
    end = end_of(way) if way and way.given and way.given.angle > 0 else None
    if end is not None:
        torque = end.torque
    if not isinstance(torque, float | int) or torque <= 0:
        return []
    if way and way.given and way.given.angle > 0 and end is None:
        return ["Whoever holds the crank carries the end of torque and angle; type thread, class and grip to know it."]
    forces = " or ".join(f"{both(torque / lever, 'N', 2)} at {bare(lever, 'mm', 0)} mm" for lever in HELD_AT)
    return [f"Whoever holds the crank carries the wrench's {both(float(torque), 'N·m', 3)}: {forces} from the middle."]


_HELPS: Mapping[str, Callable[[Known, Way | None], list[str]]] = {
    "gearbox_in": _splines,
    "engine_in": _splines,
    "flywheel_on": _holder,
}


def help_of(step: str, known: Known, way: Way | None = None) -> list[str]:
    """What a step says by the job's figures.

    Parameters
    ----------
    step : its key
    known : figures of the planned build [SI]
    way : the instruction its joint goes by

    >>> help_of("gearbox_in", {"spline_count": 26.0})[0][:36]
    '26 splines: one pitch is 13.8°. Turn'
    """
    found = _HELPS.get(step)
    return found(known, way) if found else []
