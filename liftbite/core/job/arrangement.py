"""From what was picked to the graph of quantities and the assumptions that follow.

- `QUANTITIES`     every quantity function there is, by name
- `Chosen`         what a job has picked, with what that assumes
- `choose`         picked options to a `Chosen`
- `graph_of`       the graph of what was picked, built once per combination
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from inspect import Parameter, Signature, signature
from typing import Any

from liftbite.core.graph.graph import Graph, functions_of
from liftbite.core.job.alternatives.choice import Choice
from liftbite.core.job.assumptions import loss_assumes
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.extremes import made_of
from liftbite.core.job.input import Assumed
from liftbite.core.job.inputs import ALWAYS_ASSUMED, INPUTS
from liftbite.core.job.parts import CAR, PARTS
from liftbite.core.quantities import (
    balance,
    capacity,
    driveline,
    engine,
    face,
    flywheel,
    heat,
    release,
    start,
    start_loads,
    wear,
)

_SHARED = (engine, capacity, face, release, flywheel, balance, start_loads, start, heat, wear, driveline)

#: Every quantity function of every arrangement, by name; of alternatives the first.
QUANTITIES: dict[str, Callable[..., Any]] = {
    function.__name__: function
    for module in reversed(
        [*_SHARED, *(m for c in CHOICES.values() for option in c.options for m in c.modules_of(option))]
    )
    for function in functions_of(module)
}

_ORDER_OF_WORK = (
    *(c.name for c in CHOICES.values() if c.first),
    *INPUTS,
    *(c.name for c in CHOICES.values() if not c.first),
)


@dataclass(frozen=True, slots=True)
class Chosen:
    """What a job has picked.

    Attributes
    ----------
    options : choice -> option in force
    begun : choices nobody made, where the layout's beginning option is in force
    graph : the quantities of this arrangement
    assumed : input -> value in force until one is entered
    traits : what the options in force bring with them
    """

    options: Mapping[str, str]
    begun: frozenset[str]
    graph: Graph
    assumed: Mapping[str, Assumed]
    traits: frozenset[str]

    @property
    def has_plan(self) -> bool:
        """True where a stage is planned for the engine."""
        return self.has("plan")

    def has(self, trait: str) -> bool:
        """True where an option in force has a trait, such as "coil springs".

        >>> choose({"layout": "dry_car"}).has("fork")
        True
        """
        return trait in self.traits

    def has_part(self, part: str) -> bool:
        """True where the arrangement has a part; one of the shop's own is where somebody says it is.

        >>> choose({"layout": "dry_car"}).has_part("pilot"), choose({"layout": "dry_car"}).has_part("basket")
        (True, False)
        """
        found = PARTS.get(part)
        if found is None:
            return True
        return found.layout in ("", self.layout) and (not found.traits or bool(found.traits & self.traits))

    @property
    def layout(self) -> str:
        """The layout picked, or empty."""
        return self.options.get("layout", "")

    @property
    def offered(self) -> tuple[str, ...]:
        """Choices that count in this arrangement, in the order of work."""
        return tuple(
            name
            for name, choice in CHOICES.items()
            if choice.counts(self.options) and (not choice.traits or choice.traits & self.traits)
        )

    def to_ask(self, missing: Iterable[str]) -> tuple[str, ...]:
        """What to ask a builder for where `missing` names have no value, in the order of work.

        An input that the options of a choice not made would stand in for is asked for by that choice.

        >>> choose({"layout": "dry_car"}).to_ask({"friction_low", "friction_high", "disc_count"})
        ('disc_count', 'facing_material')
        """
        stands_in = _stands_in(self.layout, frozenset(self.options))
        asked = {stands_in.get(name, name) for name in missing}
        return tuple(name for name in _ORDER_OF_WORK if name in asked)


@lru_cache(maxsize=512)
def _stands_in(layout: str, made: frozenset[str]) -> Mapping[str, str]:
    """Input -> the choice not made whose options would stand in for it."""
    return {
        name: choice.name
        for choice in CHOICES.values()
        if choice.name not in made
        for option in choice.options
        if layout in option.layouts
        for name in (*option.assumes, *option.assumes_in.get(layout, {}))
    }


def choose(picked: Mapping[str, str]) -> Chosen:
    """What follows from the options picked; unknown ones are left out.

    >>> choose({"layout": "dry_car"}).options["capacity_model"]
    'uniform_wear'
    """
    return _choose(tuple(sorted(picked.items())))


@lru_cache(maxsize=512)
def _choose(picked: tuple[tuple[str, str], ...]) -> Chosen:
    given = dict(picked)
    layout = given.get("layout", "")
    options: dict[str, str] = {}
    begun: set[str] = set()
    begins: dict[str, str] = {}
    for choice in CHOICES.values():
        value = given.get(choice.name, "")
        option = choice.option(value)
        if option is None or layout not in option.layouts:
            value = begins.get(choice.name) or choice.begins.get(layout, "")
            option = choice.option(value)
            begun |= {choice.name} if value else set()
        if value:
            options[choice.name] = value
            begins |= option.picks if option else {}
    assumed = dict(ALWAYS_ASSUMED)
    traits: set[str] = set()
    for name, value in options.items():
        found = CHOICES[name].option(value)
        assumed |= {**found.assumes, **found.assumes_in.get(layout, {})} if found else {}
        traits |= found.traits if found and CHOICES[name].counts(options) else set()
    if "plan at the wheel" in traits and "driveline_loss" not in assumed:
        assumed |= (
            loss_assumes(0.10, "chain drive", 0.08, 0.12)
            if "motorcycle" in traits
            else loss_assumes(0.145, "two-wheel drive", 0.12, 0.17)
        )
    return Chosen(options, frozenset(begun), graph_of(_wiring(options)), assumed, frozenset(traits))


#: Choices that say what is in the graph, and those they count under; what becomes of a part is none of them.
_WIRED = frozenset(
    name
    for c in CHOICES.values()
    if c.supplies or c.always or any(option.modules for option in c.options)
    for name in (c.name, c.under[0])
)


def _wiring(options: Mapping[str, str]) -> tuple[tuple[str, str], ...]:
    """The options that say what is in the graph."""
    return tuple(sorted((name, option) for name, option in options.items() if name in _WIRED))


@lru_cache(maxsize=512)
def graph_of(options: tuple[tuple[str, str], ...]) -> Graph:
    """The graph of the options picked. A choice not made leaves a quantity that needs that choice.

    >>> "clamp_load" in graph_of((("clamp_source", "coils"), ("layout", "dry_car"))).functions
    True
    """
    picked = dict(options)
    functions: list[Callable[..., Any]] = [f for module in _SHARED for f in functions_of(module)]
    for choice in CHOICES.values():
        if not choice.counts(picked):
            continue
        option = choice.option(picked.get(choice.name, ""))
        functions += [f for module in choice.modules_of(option) for f in functions_of(module)]
        functions += [_asks_for(choice)] if option is None and choice.supplies else []
    functions += list(made_of(functions))
    return Graph(functions)


def _asks_for(choice: Choice) -> Callable[..., Any]:
    """A quantity that has no value until `choice` is made; what every option of it needs is needed already."""
    brought = [f for o in choice.options for m in choice.modules_of(o) for f in functions_of(m)]
    supplied = [f for f in brought if f.__name__ == choice.supplies]
    common = [
        name for name in signature(supplied[0]).parameters if all(name in signature(f).parameters for f in supplied)
    ]

    def missing(*_: Any) -> None:
        return None

    missing.__name__ = choice.supplies
    parameters = [Parameter(name, Parameter.POSITIONAL_OR_KEYWORD) for name in (choice.name, *common)]
    missing.__signature__ = Signature(parameters)  # type: ignore[attr-defined]
    return missing


_MADE_OF_ALL = {
    name: f
    for release, spring in (("hydraulic_fork", "returns"), ("concentric", "curve"))
    for name, f in graph_of(
        (
            ("layout", CAR),
            ("release", release),
            ("clamp_source", "coils"),
            ("pedal_spring", spring),
            ("facing_material", "organic"),
            ("capacity_model", "uniform_wear"),
        )
    ).functions.items()
}
QUANTITIES |= {name: f for name, f in _MADE_OF_ALL.items() if name not in QUANTITIES}
