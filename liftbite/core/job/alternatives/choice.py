"""What a choice and its options are.

- `Option`   one alternative: what it brings into the graph, what is assumed with it
- `Choice`   alternatives of which one is picked
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from functools import cache
from types import ModuleType

from liftbite.core.graph.derived import renamed
from liftbite.core.job.input import Assumed
from liftbite.core.job.parts import CAR, MOTORCYCLE

BOTH = (CAR, MOTORCYCLE)


@dataclass(frozen=True, slots=True)
class Option:
    """One alternative.

    Attributes
    ----------
    value, label, meaning : name in files, name on screen, one sentence
    modules : what it brings into the graph
    assumes : inputs it stands in for until one is entered
    layouts : where it can be picked
    traits : what the rest of the core asks of it, "coil springs" or "fork"; nobody asks for an option by its name
    assumes_in : layout -> inputs it stands in for there
    picks : later choice -> the option it begins with, in the place of the layout's
    """

    value: str
    label: str
    meaning: str = ""
    modules: tuple[ModuleType, ...] = ()
    assumes: Mapping[str, Assumed] = field(default_factory=dict)
    layouts: tuple[str, ...] = BOTH
    traits: frozenset[str] = frozenset()
    assumes_in: Mapping[str, Mapping[str, Assumed]] = field(default_factory=dict)
    picks: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True, slots=True)
class Choice:
    """Alternatives of which one is picked.

    Attributes
    ----------
    name, label : name in the ledger, name on screen
    options : the alternatives
    begins : option each layout begins with; a layout missing here has to choose
    supplies : quantity that is missing while nothing is chosen
    assumption : True where beginning with an option changes the answer, so that it is listed as an assumption
    asks : what is said to be needed while nothing is chosen; the label where empty
    under : choice above it and the option of that one it counts with
    traits : what the options in force have to have for it to be offered, one of them; nothing where empty
    first : True where it is asked before any figure
    renames : names its modules' quantities go by here
    always : modules it brings whatever is picked
    group : the group it stands in on screen, from `groups.GROUPS`
    parts : kinds of parts that bring it, from `slots.SLOTS`
    small : True where few builders pick it, so that it begins folded
    """

    name: str
    label: str
    options: tuple[Option, ...]
    begins: Mapping[str, str] = field(default_factory=dict)
    supplies: str = ""
    assumption: bool = False
    asks: str = ""
    under: tuple[str, str] = ("", "")
    traits: frozenset[str] = frozenset()
    first: bool = False
    renames: Mapping[str, str] = field(default_factory=dict)
    always: tuple[ModuleType, ...] = ()
    group: str = ""
    parts: tuple[str, ...] = ()
    small: bool = False

    def counts(self, picked: Mapping[str, str]) -> bool:
        """True where the choice above it, if there is one, leads to it."""
        above, option = self.under
        return not above or picked.get(above) == option

    def modules_of(self, option: Option | None) -> tuple[ModuleType, ...]:
        """The modules an option, or the choice that was not made, brings into the graph."""
        modules = (*self.always, *(option.modules if option else ()))
        return tuple(_renamed(module, tuple(self.renames.items())) for module in modules)

    def option(self, value: str) -> Option | None:
        """The option of that name, or None."""
        return next((o for o in self.options if o.value == value), None)


@cache
def _renamed(module: ModuleType, renames: tuple[tuple[str, str], ...]) -> ModuleType:
    return renamed(module, dict(renames)) if renames else module
