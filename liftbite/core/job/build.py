"""What is known of a job before anything is worked out: choices in force, values entered, values assumed.

- `Build`       choices, values and where each value comes from
- `NOW`, `PLANNED`   the engine as it is, and as it is planned
- `build_of`      entries of the ledger to a `Build`
- `label_of`    what the screen calls a quantity
- `unit_of`     its SI unit
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal, TypeAlias

import numpy as np

from liftbite.core.graph.docstring import read_doc
from liftbite.core.graph.graph import Graph, Known, is_figure, need_of
from liftbite.core.job.arrangement import QUANTITIES, Chosen, choose
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.inputs import INPUTS, STATES
from liftbite.core.job.ledger import Entry, noted_along
from liftbite.core.units.read import read_many

#: Where the value of a field comes from.
FieldMark = Literal["entered", "measured", "assumed", "missing"]
#: The engine as it is, and as it is planned.
NOW, PLANNED = 0.0, 1.0
#: A state by what tells it from others.
_Key: TypeAlias = tuple[tuple[str, float], ...]
#: How many states a build keeps: those the verdicts look at, twice over.
_STATES_KEPT = 24


@dataclass(frozen=True, slots=True)
class Build:
    """Everything the graph is given.

    Attributes
    ----------
    entries : quantity -> its entry in force in this build
    chosen : options, graph and assumptions that follow from the choices
    known : input or state -> value [SI], entered values over assumed ones, states at rest
    _rest : what was worked out with every state at rest; it serves again where a state does not touch it
    _states : what was worked out at other states, the last few of them
    _blocked : what else is given -> the names that lack an input
    """

    entries: Mapping[str, Entry]
    chosen: Chosen
    known: Known
    _rest: dict[str, Any] = field(default_factory=dict, compare=False, repr=False)
    _states: dict[_Key, dict[str, Any]] = field(default_factory=dict, compare=False, repr=False)
    _blocked: dict[frozenset[str], frozenset[str]] = field(default_factory=dict, compare=False, repr=False)

    @property
    def graph(self) -> Graph:
        """The quantities of this arrangement."""
        return self.chosen.graph

    @property
    def has_plan(self) -> bool:
        """True where a stage is planned for the engine."""
        return self.chosen.has_plan

    @property
    def stage(self) -> float:
        """The stage it is judged for: the planned one where there is one."""
        return PLANNED if self.has_plan else NOW

    def mark(self, name: str) -> FieldMark:
        """Where an input's value comes from: "entered", "measured", "assumed" or "missing"."""
        entry = self.entries.get(name)
        if entry is not None:
            return entry.mark
        return "assumed" if name in self.chosen.assumed else "missing"

    def lacks(self, wanted: Iterable[str]) -> frozenset[str]:
        """The inputs and choices `wanted` rests on that have no value, without working anything out."""
        return self.graph.inputs(wanted) - self.known.keys()

    def ready(self, wanted: Iterable[str], given: Iterable[str] = ()) -> list[str]:
        """Those of `wanted` that lack no input where `given` have a value as well, without working anything out."""
        given = frozenset(given)
        if given not in self._blocked:
            missing = self.graph.inputs(self.graph.functions) - self.known.keys() - given
            self._blocked[given] = self.graph.downstream(missing) | missing
        blocked, functions, known = self._blocked[given], self.graph.functions, self.known
        return [n for n in wanted if n in given or (n not in blocked and (n in functions or n in known))]

    def evaluate(self, wanted: Iterable[str], *, stage: float = 0.0, friction: Any = 0.0, **states: Any) -> Known:
        """Values of `wanted` and of nothing else, at a stage, a place in the friction band and other states.

        `states` may be any state or quantity, a value or an array: `wear=np.linspace(0, 1e-3, 50)`. What was worked
        out at a state of single figures is kept, and there the next time; what a state leaves as it is at its stage
        is worked out once for all of them.
        """
        wanted = tuple(wanted)
        values = self.evaluate_through(wanted, stage=stage, friction=friction, **states)
        return {name: values[name] for name in wanted}

    def evaluate_through(
        self, wanted: Iterable[str], *, stage: float = 0.0, friction: Any = 0.0, **states: Any
    ) -> Known:
        """Values of `wanted` with at least what they rest on, for who follows a value to where it comes from."""
        wanted = frozenset(wanted)
        given = {"friction_state": friction, **states}
        single = all(map(is_figure, given.values()))
        changes = {n: v for n, v in given.items() if not is_figure(v) or v != self.known.get(n)}

        def of_stage(names: frozenset[str]) -> dict[str, Any]:
            if stage == self.known.get("stage"):
                return self._at_rest(names)
            return self._moved(names, self._at_rest, (("stage", stage),), {"stage": stage})

        if not changes:
            return of_stage(wanted)
        if single:
            return self._moved(wanted, of_stage, (("stage", stage), *sorted(changes.items())), changes)
        resting, moved = self.graph.split(wanted, frozenset(changes))
        kept = {n: v for n, v in of_stage(resting).items() if n not in moved}
        return self.graph.evaluate(wanted, kept | changes)

    def _moved(
        self,
        wanted: frozenset[str],
        base: Callable[[frozenset[str]], dict[str, Any]],
        state: _Key,
        changes: Mapping[str, float],
    ) -> dict[str, Any]:
        """What is worked out in a state, with at least `wanted` in it; what its changes do not touch is the base's."""
        values = self._states.get(state)
        if values is not None and wanted <= values.keys():
            return values
        resting, moved = self.graph.split(wanted, frozenset(changes))
        rest = base(resting)
        if values is None:
            if len(self._states) >= _STATES_KEPT:
                self._states.clear()
            values = self._states[state] = {**{n: v for n, v in rest.items() if n not in moved}, **changes}
        for name in resting:
            if name not in values:
                values[name] = rest[name]
        self.graph.extend(values, wanted)
        return values

    def _at_rest(self, resting: frozenset[str]) -> dict[str, Any]:
        """What is worked out with every state at rest, with at least `resting` in it."""
        if not self._rest:
            self._rest.update({n: need_of(n) for n in self.graph.inputs(self.graph.functions) - self.known.keys()})
            self._rest.update(self.known)
        self.graph.extend(self._rest, resting)
        return self._rest


def build_of(entries: Mapping[str, Entry]) -> Build:
    """What a build's entries in force amount to.

    >>> build_of({"layout": Entry("layout", "dry_car")}).chosen.options["clamp_source"]
    'figure'
    """
    entries = {**entries, **noted_along(entries)}
    picked = {name: e.typed for name, e in entries.items() if name in CHOICES and e.typed is not None}
    chosen = choose(picked)
    discs = entries["disc_count"].si if "disc_count" in entries else None
    known: dict[str, Any] = {**STATES, **{name: a.of(discs) for name, a in chosen.assumed.items()}}
    for name, entry in entries.items():
        if entry.curve is not None:
            known[name] = entry.curve
        elif entry.si is not None:
            known[name] = entry.si
        elif entry.typed and name in INPUTS and INPUTS[name].many:
            asked = INPUTS[name]
            known[name] = np.array([r.si for r in read_many(entry.typed, asked.unit, asked.field_unit)])
    for name, assumed in chosen.assumed.items():
        if assumed.share_of and name not in entries and assumed.share_of[0] in entries:
            known[name] = assumed.share_of[1] * known[assumed.share_of[0]]
    known.setdefault("rev_limit", known.get("redline", np.inf))  # without either the curve's end cuts
    for name in chosen.graph.functions:
        known.pop(name, None)  # what the arrangement works out is not taken from a figure of another arrangement
    return Build(entries, chosen, known)


def label_of(name: str) -> str:
    """What the screen calls a quantity.

    >>> label_of("cover_clamp"), label_of("kept_engine_torque"), label_of("curve_reference")
    ('Clamp load', 'Engine torque held with reserve', 'Figures taken at')
    """
    if name in INPUTS:
        return INPUTS[name].label
    if name in CHOICES:
        return CHOICES[name].label
    if name in QUANTITIES:
        text = read_doc(QUANTITIES[name]).result.text
        return text[0].upper() + text[1:]
    return name.replace("_", " ").capitalize()


def unit_of(name: str, graph: Graph) -> str:
    """SI unit of a quantity, from its input or its docstring."""
    if name in INPUTS:
        return INPUTS[name].unit
    return read_doc(graph.functions[name]).result.unit if name in graph.functions else "-"
