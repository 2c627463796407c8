"""The alternatives a builder picks. A choice decides which modules are in the graph and what is assumed.

- `CHOICES`   what can be picked, in the order of work, from the files of `job/alternatives`
- `TRAITS`    what can be asked of the options in force
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.job.alternatives import brief, clamp, facing, flywheel, release, start
from liftbite.core.job.alternatives.choice import BOTH, Choice, Option
from liftbite.core.job.figures_of import FIGURES_OF, figures_of, with_figures
from liftbite.core.job.parts import FATES, fate_of, fated

_FATES = (
    *(
        Choice(
            fate_of(part.key),
            part.label,
            tuple(Option(fate, *FATES[fate], layouts=(part.layout,) if part.layout else BOTH) for fate in part.fates),
            begins=dict.fromkeys((part.layout,) if part.layout else BOTH, "stays"),
            under=("layout", part.layout) if part.layout else ("", ""),
            traits=part.traits,
            group="fates",
            small=part.is_small,
        )
        for part in fated()
    ),
    *(
        Choice(
            figures_of(part.key),
            f"{part.label}: whose figures",
            tuple(
                Option(value, *words, layouts=(part.layout,) if part.layout else BOTH)
                for value, words in FIGURES_OF.items()
            ),
            begins=dict.fromkeys((part.layout,) if part.layout else BOTH, "both"),
            under=(fate_of(part.key), "renewed"),
            traits=part.traits,
            group="fates",
            small=True,
        )
        for part in with_figures()
    ),
)

CHOICES: Mapping[str, Choice] = {
    choice.name: choice
    for choice in (
        *brief.CHOICES,
        *facing.CHOICES,
        *clamp.CHOICES,
        *release.CHOICES,
        *_FATES,
        *flywheel.CHOICES,
        *start.CHOICES,
    )
}

#: Every trait there is.
TRAITS = frozenset().union(*(o.traits for c in CHOICES.values() for o in c.options))
