"""Every step there is, a file a stretch of the work; in which order they come, `core.fit.order` says.

- `before.toml`, `take_down.toml`, `engine_out.toml`   A car taken down, each step with what puts it back.
- `clutch_out.toml`, `clutch_in.toml`                  Its clutch out and in.
- `motorcycle.toml`, `hydraulics.toml`, `finish.toml`  A pack of plates, cylinders, fluid, the proofs.
- `cautions`    What can injure or kill, before anything is touched.
- `LIBRARY`     Key -> step.
- `called_in`   What steps are called in a case.
- `part_of_step`, `title_of`   The part a step puts in, and what it is called.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping
from dataclasses import replace
from functools import cache, partial
from typing import Any

from liftbite.core.errors import must_say
from liftbite.core.fit.case import Case
from liftbite.core.fit.library.cautions import cautions_of
from liftbite.core.fit.order.cases import CASES
from liftbite.core.fit.step import Reason, Step, read_reason
from liftbite.core.fit.step_names import part_in_step, part_step_title
from liftbite.core.job.parts import PARTS
from liftbite.core.tables import made, rows

#: In which cases a step is called otherwise -> whether a job is one.
VARIANTS: Mapping[str, Callable[[Case], bool]] = {
    "motorcycle": lambda c: not c.car,
    "dry": lambda c: c.is_("runs", "dry"),
    "pull": lambda c: c.pull,
    "one_piece": lambda c: not CASES["separate housing"](c),
    "undrained": lambda c: not CASES["drained"](c),
    "first": lambda c: c.never,
}
_FILES = (
    "before",
    "take_down",
    "engine_out",
    "motorcycle",
    "clutch_out",
    "clutch_in",
    "hydraulics",
    "finish",
)
#: What a step that puts back is waited for, where it says nothing else.
AS_IT_CAME_OFF = Reason("reach", "it goes back after that, in the reverse of the order it came off")
#: Said of what is put in for the first time.
_FIRST = "First fitting: prove length, clearance, routing and angle; nothing is as before."


def _step(key: str, said: Mapping[str, Any]) -> Step:
    words = {word: value for word, value in said.items() if word not in VARIANTS and word not in ("on", "why")}
    because = words.pop("because", "")
    on = said.get("on", "")
    return made(
        Step,
        key,
        {
            "key": key,
            **words,
            "on": on if isinstance(on, str) else on.get("key", f"on:{key}"),
            "because": read_reason(because) if because else None,
            "why": {need: read_reason(text) for need, text in said.get("why", {}).items()},
        },
    )


def _steps(key: str, said: Mapping[str, Any]) -> list[Step]:
    """A step, and the one that puts it back."""
    off = _step(key, said)
    on = said.get("on")
    if not isinstance(on, dict):
        return [off]
    words = {word: value for word, value in on.items() if word != "key"}
    back = replace(_step(off.on, {"stretch": "back", **words}), off=key)
    return [off, replace(back, because=back.because or AS_IT_CAME_OFF)]


_SAID = {key: said for file in _FILES for key, said in rows("liftbite.core.fit.library", f"{file}.toml").items()}
_LIST = [step for key, said in _SAID.items() for step in _steps(key, said)]
#: What puts something back and is said with it: it is there whenever that is.
BACK_WITH = frozenset(step.on for step in _LIST if isinstance(_SAID.get(step.key, {}).get("on"), dict))
_OFF_OF = {step.on: step.key for step in _LIST if step.on}
#: Key -> step.
LIBRARY: Mapping[str, Step] = {step.key: replace(step, off=_OFF_OF.get(step.key, "")) for step in _LIST}


def called_in(case: Case) -> Callable[[str], Step]:
    """What steps are called in a case: by key.

    >>> bike = Case({"runs": "wet"}, False, False, True, False, 1, "", {}, {})
    >>> called_in(bike)("slave_read").title[:33]
    'Read the travel of the push rod a'
    """
    held = frozenset(name for name, holds in VARIANTS.items() if holds(case))

    def called(key: str) -> Step:
        step = _called(key, held, case.never)
        return replace(step, hazards=cautions_of(case)) if key == "cautions" else step

    return called


@cache
def _called(key: str, held: frozenset[str], never: bool) -> Step:
    step, said = LIBRARY[key], _SAID.get(key, {})
    for name in VARIANTS:
        if name in said and name in held:
            words: dict[str, Any] = {w: tuple(v) if isinstance(v, list) else v for w, v in said[name].items()}
            step = replace(step, **words)
    if never and step.off and step.stretch == "back" and not LIBRARY[step.off].guards:
        step = replace(step, note=" ".join(filter(None, (_FIRST, step.note))))
    return step


def title_of(key: str) -> str:
    """What a step is called; the key itself of one that is in no library."""
    return LIBRARY[key].title if key in LIBRARY else part_step_title(key)


def part_of_step(key: str) -> str:
    """The part a step puts in; empty where it puts in none."""
    return LIBRARY[key].part if key in LIBRARY else part_in_step(key)


def refuse_unfinished(step: Step, known: Collection[str]) -> None:
    """Refuses a step that does not say all it must, when the library is loaded.

    Parameters
    ----------
    step : the step
    known : keys of the steps there are

    Raises
    ------
    ValueError : what is missing, in a sentence for the one who adds it
    """

    must = partial(must_say, f"step “{step.key}”")
    must(step.title, "say what to do: title")
    for part in (*step.parts, *filter(None, (step.part,))):
        must(part in PARTS, f"“{part}” is no part; add it to core/job/parts.py, or name one of its keys")
    must(not step.on or step.on in known, f"is put back by “{step.on}”, which is no step")
    for need in step.why:
        must(need == "*" or need in known, f"says why it waits for “{need}”, which is no step")
    must(step.evidence != "bolts" or step.joint, "bolts that prove it name their joint: joints")


for _one in LIBRARY.values():
    refuse_unfinished(_one, LIBRARY)
