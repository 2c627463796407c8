"""What is said of a job, as the interface documents it: one shape a kind, from the kinds of the record.

- `at_station`      refuses a kind that is said at another station
- `StatementWords`  what may be sent of one: kind, of what, its words, by whom
- `SaidOut`, `said_out`   what was said, as it is shown
- `words_said`      the words of a kind as they stand in an answer
- `typed`           writes a model's schema as the union of the kinds of a station

The words are read by `core.statements`, in one place for screens, files and plans; here is only what shape they have.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated, Any, overload

from pydantic import AfterValidator, BaseModel, Field, WithJsonSchema

from liftbite.core.job.record import MAX_WORDS, Line, Statement, fields_of, needed_of, option_words
from liftbite.core.statements import KINDS
from liftbite.files.fields import Words

#: Field -> its words.
StatementWords = Annotated[
    dict[Annotated[Words, Field(max_length=40)], Annotated[Words, Field(max_length=MAX_WORDS)]], Field(max_length=20)
]


class SaidOut(BaseModel):
    """What somebody said."""

    answer: str
    words: str = Field(description="The answer in words.")
    reason: str
    who: str
    at: str


@overload
def said_out(line: Line) -> SaidOut: ...
@overload
def said_out(line: Line | None) -> SaidOut | None: ...
def said_out(line: Line | None) -> SaidOut | None:
    """What was said last, as it is shown; nothing where nothing was."""
    if line is None:
        return None
    words = option_words(line.answer)
    return SaidOut(answer=line.answer, words=words, reason=line.reason, who=line.who, at=line.at)


def at_station(*stations: str) -> AfterValidator:
    """Refuses a kind that is said elsewhere; one that nobody knows, or a name of before, is left to who reads it."""
    known = [name for name, kind in KINDS.items() if kind.about.at in stations]

    def check(kind: str) -> str:
        if kind in KINDS and kind not in known:
            raise ValueError(f"“{kind}” is nothing that is said here; {', '.join(known)} are")
        return kind

    return AfterValidator(check)


def typed(*stations: str) -> Callable[[dict[str, Any]], None]:
    """Writes the schema of a model with `kind` and `said` as one object a kind, told apart by the kind."""

    def spread(schema: dict[str, Any]) -> None:
        shared = {n: p for n, p in schema.pop("properties").items() if n not in {"kind", "said"}}
        needed = [n for n in schema.pop("required") if n not in {"kind", "said"}]
        closed = schema.pop("additionalProperties", False)
        schema["oneOf"] = [
            {
                "type": "object",
                "title": name,
                "required": ["kind", *needed, "said"],
                "additionalProperties": closed,
                "properties": {
                    "kind": {"const": name, "description": kind.about.label},
                    **shared,
                    "said": _shape(kind),
                },
            }
            for name, kind in KINDS.items()
            if kind.about.at in stations
        ]

    return spread


def words_said(kind: str) -> WithJsonSchema:
    """The shape of the words of a kind as they were said, whatever of them stands there."""
    return WithJsonSchema(_shape(KINDS[kind]) | {"required": []}, mode="serialization")


def _shape(kind: type[Statement]) -> dict[str, Any]:
    """The words of a kind."""
    fields: dict[str, Any] = {}
    for name, options in fields_of(kind).items():
        text = {"type": "string", "maxLength": MAX_WORDS, "description": f"{kind.about.label}: {name}."}
        fields[name] = text | {"enum": list(options)} if options else text
    return {
        "type": "object",
        "properties": fields,
        "required": list(needed_of(kind)),
        "additionalProperties": False,
        "description": f"{kind.about.label}: its words.",
    }
