"""The whole drawing of a build: half section, release chain, what moves, and the sizes nobody entered.

- `Section`   all of it
- `section`   from a build

The drawing is made from the same quantities as the numbers: what it shows at a pedal travel is what `stroke` says.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from liftbite.core.drawing.car import car_section
from liftbite.core.drawing.motion import Motion, motion
from liftbite.core.drawing.motorcycle import motorcycle_section
from liftbite.core.drawing.outline import Drawing
from liftbite.core.drawing.release import chain, fork
from liftbite.core.drawing.sizes import sizes_of
from liftbite.core.errors import Bound, OutOfRange
from liftbite.core.job.build import Build
from liftbite.core.quantities.torque_curve import Array


@dataclass(frozen=True, eq=False)
class Section:
    """A build as a drawing.

    Attributes
    ----------
    clutch : the half section, axes as in the package's docstring
    chain : pedal or lever with what it works, on axes of its own
    motion : gaps, effort and every motion but those only the drawing has
    follows : motion -> displacement [wear, pedal] [m]; "-name" is the same towards the engine, "rod" the push-rod
    usual : sizes drawn though nobody entered them, name -> value [m]
    """

    clutch: Drawing
    chain: Drawing
    motion: Motion
    follows: Mapping[str, Array]
    usual: Mapping[str, float]


def section(build: Build) -> Section:
    """The drawing of a build.

    Raises
    ------
    OutOfRange : the facing's inner diameter is not below its outer one
    """
    sizes = sizes_of(build)
    if not sizes["inner_diameter"] < sizes["outer_diameter"]:
        bound = Bound("below", sizes["outer_diameter"], "outer_diameter")
        raise OutOfRange("inner_diameter", sizes["inner_diameter"], bound)
    moves = motion(build)
    clutch = car_section(sizes) if sizes.car else motorcycle_section(sizes)
    if sizes.car:
        clutch = Drawing((*clutch.outlines, *fork(sizes)), clutch.dimensions)
    beside = chain(sizes)
    follows = dict(moves.follows)
    hydraulic = "master_travel" in build.graph.functions
    follows["rod"] = follows["master"] if hydraulic else follows["cable"]
    for name in ("slave", "cable", "rod", "pedal"):
        follows[f"-{name}"] = -np.asarray(follows.pop(name))
    if sizes.way < 0 and sizes.car:
        follows["-slave"], follows["-cable"] = -follows["-slave"], -follows["-cable"]
    follows.pop("master")
    return Section(clutch, beside, moves, follows, {n: sizes[n] for n in sorted(set(sizes.usual))})
