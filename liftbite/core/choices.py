"""The alternatives a builder picks. A choice decides which modules are in the graph and what is assumed.

- `Option`, `Choice`, `CHOICES`   what can be picked
- `QUANTITIES`     every quantity function there is, by name
- `Chosen`         what a job has picked, with what that assumes
- `choose`         picked options to a `Chosen`
- `graph_of`       the graph of what was chosen, built once per combination
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field
from functools import lru_cache
from inspect import Parameter, Signature, signature
from types import ModuleType
from typing import Any

from liftbite.core import bite, engine
from liftbite.core.arrangements import (
    coil_springs,
    curve_at_crank,
    curve_at_wheel,
    curve_from_peaks,
    dry_discs,
    primary_gears,
    spring_wire,
    stage_at_crank,
    stage_at_wheel,
    stage_none,
    stage_scaled,
    uniform_pressure,
    uniform_wear,
    wet_pack,
)
from liftbite.core.graph import Graph, functions_of
from liftbite.core.inputs import ALWAYS_ASSUMED, INPUTS, Assumed
from liftbite.core.materials import MATERIALS

CAR, MOTORCYCLE = "dry_car", "wet_motorcycle"
_BOTH = (CAR, MOTORCYCLE)


@dataclass(frozen=True, slots=True)
class Option:
    """One alternative.

    Attributes
    ----------
    value, label, meaning : name in files, name on screen, one sentence
    modules : what it brings into the graph
    assumes : inputs it stands in for until one is entered
    layouts : where it can be picked
    """

    value: str
    label: str
    meaning: str = ""
    modules: tuple[ModuleType, ...] = ()
    assumes: Mapping[str, Assumed] = field(default_factory=dict)
    layouts: tuple[str, ...] = _BOTH


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
    """

    name: str
    label: str
    options: tuple[Option, ...]
    begins: Mapping[str, str] = field(default_factory=dict)
    supplies: str = ""
    assumption: bool = False
    asks: str = ""

    def option(self, value: str) -> Option | None:
        """The option of that name, or None."""
        return next((o for o in self.options if o.value == value), None)


def _use(factor: float) -> dict[str, Assumed]:
    return {"use_factor": Assumed(factor, "practice", "use factors of the trade, never below 1.1")}


def _loss(share: float, what: str) -> dict[str, Assumed]:
    return {"driveline_loss": Assumed(share, "practice", f"{what}: middle of the usual losses")}


CHOICES: Mapping[str, Choice] = {
    c.name: c
    for c in (
        Choice("layout", "Layout", (
            Option(CAR, "Car, dry clutch", "One to three discs between flywheel and pressure plate, at crank speed.",
                   (dry_discs,)),
            Option(MOTORCYCLE, "Motorcycle, wet pack", "Friction and plain plates in a basket, behind a primary drive.",
                   (wet_pack,)),
        )),
        Choice("curve_source", "Engine output from", (
            Option("file", "A dynamometer file", "Torque or power over engine speed, as CSV."),
            Option("peaks", "Two peaks", "Peak torque and peak power give an estimated curve.", (curve_from_peaks,)),
        ), begins={CAR: "file", MOTORCYCLE: "file"}),
        Choice("curve_reference", "Figures taken at", (
            Option("crank", "The crank", "An engine dynamometer, or a maker's figure.", (curve_at_crank,)),
            Option("chain", "The wheel, chain drive", "A chassis dynamometer; 8 to 12 % is lost on the way.",
                   (curve_at_wheel,), _loss(0.10, "chain drive, 8 to 12 %"), (MOTORCYCLE,)),
            Option("two_wheel", "The wheels, two driven", "A chassis dynamometer; 12 to 17 % is lost on the way.",
                   (curve_at_wheel,), _loss(0.145, "two-wheel drive, 12 to 17 %"), (CAR,)),
            Option("all_wheel", "The wheels, four driven", "A chassis dynamometer; 18 to 25 % is lost on the way.",
                   (curve_at_wheel,), _loss(0.215, "all-wheel drive, 18 to 25 %"), (CAR,)),
        ), supplies="crank_curve", asks="where the figures were taken"),
        Choice("stage_plan", "Planned stage", (
            Option("none", "None", "The engine stays as it is.", (stage_none,)),
            Option("scaled", "A gain over the present curve", "Every torque changes by the same share.",
                   (stage_scaled,)),
            Option("crank_file", "A curve of its own, at the crank", "A file of the planned engine.",
                   (stage_at_crank,)),
            Option("wheel_file", "A curve of its own, at the wheel", "A file of the planned engine.",
                   (stage_at_wheel,)),
        ), begins={CAR: "none", MOTORCYCLE: "none"}),
        Choice("use", "Use", (
            Option("gentle", "Gentle road", "Daily driving, no tuning, no trailer.", (), _use(1.2)),
            Option("tuned", "Road, tuned", "Road driving with a tuned engine.", (), _use(1.3)),
            Option("track", "Track", "Standing starts now and then, hard shifts.", (), _use(1.35)),
            Option("drag", "Drag, hill starts, towing", "The clutch slips under full load at every start.", (),
                   _use(1.5)),
        )),
        Choice("primary_source", "Primary drive by", (
            Option("ratio", "Ratio", "Crank turns per clutch turn."),
            Option("teeth", "Teeth", "Teeth of the two primary gears.", (primary_gears,)),
        ), begins={MOTORCYCLE: "ratio"}),
        Choice("facing_material", "Facing material", tuple(
            Option(m.name, m.label, m.character, (), m.assumes(), (CAR,) if m.runs == "dry" else (MOTORCYCLE,))
            for m in MATERIALS.values()
        )),
        Choice("clamp_source", "Clamp load from", (
            Option("figure", "A figure", "The cover maker's clamp load, or one measured in a press."),
            Option("coils", "Coil springs", "Count, rate and lengths of the springs.", (coil_springs,)),
        ), begins={CAR: "figure", MOTORCYCLE: "coils"}),
        Choice("spring_rate_source", "Spring rate from", (
            Option("figure", "A figure", "A data sheet, or force over travel in a press."),
            Option("wire", "The wire", "Wire, coil and number of working coils.", (spring_wire,)),
        ), begins={CAR: "figure", MOTORCYCLE: "figure"}),
        Choice("capacity_model", "Capacity model", (
            Option("uniform_wear", "Uniform wear", "A bedded clutch; the cautious one.", (uniform_wear,)),
            Option("uniform_pressure", "Uniform pressure", "New, rigid and flat.", (uniform_pressure,)),
        ), begins={CAR: "uniform_wear", MOTORCYCLE: "uniform_wear"}, assumption=True),
    )
}  # fmt: skip

#: Every quantity function of every arrangement, by name; of alternatives the first.
QUANTITIES: Mapping[str, Callable[..., Any]] = {
    function.__name__: function
    for module in reversed(
        [engine, bite, *(m for c in CHOICES.values() for option in c.options for m in option.modules)]
    )
    for function in functions_of(module)
}

_ORDER_OF_WORK = (
    "layout", "curve_source", "curve_reference", "stage_plan", "use", "primary_source",
    *INPUTS,
    "facing_material", "clamp_source", "spring_rate_source", "capacity_model",
)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Chosen:
    """What a job has picked.

    Attributes
    ----------
    options : choice -> option in force
    begun : choices nobody made, where the layout's beginning option is in force
    graph : the quantities of this arrangement
    assumed : input -> value in force until one is entered
    """

    options: Mapping[str, str]
    begun: frozenset[str]
    graph: Graph
    assumed: Mapping[str, Assumed]

    @property
    def offered(self) -> tuple[str, ...]:
        """Choices that count in this arrangement, in the order of work."""
        return tuple(name for name in CHOICES if _used(name, self.options))

    def to_ask(self, missing: Iterable[str]) -> tuple[str, ...]:
        """What to ask a builder for where `missing` names have no value, in the order of work.

        An input that the options of a choice not made would stand in for is asked for by that choice.

        >>> choose({"layout": "dry_car"}).to_ask({"friction_low", "friction_high", "disc_count"})
        ('disc_count', 'facing_material')
        """
        layout = self.options.get("layout", "")
        stands_in = {
            name: choice.name
            for choice in CHOICES.values()
            if choice.name not in self.options
            for option in choice.options
            if layout in option.layouts
            for name in option.assumes
        }
        asked = {stands_in.get(name, name) for name in missing}
        return tuple(name for name in _ORDER_OF_WORK if name in asked)


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
    for choice in CHOICES.values():
        value = given.get(choice.name, "")
        option = choice.option(value)
        if option is None or layout not in option.layouts:
            value = choice.begins.get(layout, "")
            begun |= {choice.name} if value else set()
        if value:
            options[choice.name] = value
    assumed = dict(ALWAYS_ASSUMED)
    for name, value in options.items():
        found = CHOICES[name].option(value)
        assumed |= found.assumes if found else {}
    if options.get("stage_plan") == "wheel_file" and "driveline_loss" not in assumed:
        assumed |= _loss(0.10, "chain drive") if layout == MOTORCYCLE else _loss(0.145, "two-wheel drive")
    return Chosen(options, frozenset(begun), graph_of(tuple(sorted(options.items()))), assumed)


@lru_cache(maxsize=512)
def graph_of(options: tuple[tuple[str, str], ...]) -> Graph:
    """The graph of the options picked. A choice not made leaves a quantity that needs that choice.

    >>> "clamp_load" in graph_of((("clamp_source", "coils"), ("layout", "dry_car"))).functions
    True
    """
    picked = dict(options)
    functions: list[Callable[..., Any]] = [*functions_of(engine), *functions_of(bite)]
    for choice in CHOICES.values():
        option = choice.option(picked.get(choice.name, ""))
        if option is None:
            functions += [_asks_for(choice)] if choice.supplies else []
        elif _used(choice.name, picked):
            functions += [f for module in option.modules for f in functions_of(module)]
    return Graph(functions)


def _used(choice: str, picked: Mapping[str, str]) -> bool:
    """A choice below another one counts only where the upper one leads to it."""
    if choice == "spring_rate_source":
        return picked.get("clamp_source") == "coils"
    if choice == "primary_source":
        return picked.get("layout") == MOTORCYCLE
    return True


def _asks_for(choice: Choice) -> Callable[..., Any]:
    """A quantity that has no value until `choice` is made; what every option of it needs is needed already."""
    supplied = [f for o in choice.options for m in o.modules for f in functions_of(m) if f.__name__ == choice.supplies]
    common = [
        name for name in signature(supplied[0]).parameters if all(name in signature(f).parameters for f in supplied)
    ]

    def missing(**_: Any) -> None:
        return None

    missing.__name__ = choice.supplies
    parameters = [Parameter(name, Parameter.KEYWORD_ONLY) for name in (choice.name, *common)]
    missing.__signature__ = Signature(parameters)  # type: ignore[attr-defined]
    return missing
