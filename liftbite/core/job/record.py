"""The record of a job: what was said of it beside its figures, line by line, appended and never changed.

- `Statement`     what is said, its words as fields: the base of one class a kind
- `Kind`          what a kind says of itself
- `fields_of`, `needed_of`   the words a kind may have and has to have
- `Line`, `RawLine`          a statement with of what, by whom and when; one as it is stored, readable or not
- `checked`       a raw line as a line, its words checked by its class
- `lines_of`, `in_force`     the lines of a kind; the latest of each key that stands
- `Names`         what the things of a job are called, which a sentence needs
- `name_key`, `keys_of_before`   what a thing goes by that somebody names, and what it went by before

What is said later of the same thing stands in its place, and what was said before stays in the record with its name.
A kind is a class in the room it belongs to: its fields, what has to hold of them, what it is of, where it may be said
and what takes it back. `core.statements` has all of them in one list, and reads.
"""

from __future__ import annotations

import hashlib
import re
import unicodedata
from collections.abc import Callable, Iterable, Mapping
from dataclasses import MISSING, dataclass, field, fields
from functools import cache
from typing import Any, ClassVar, Generic, Literal, Protocol, get_args, get_type_hints

from typing_extensions import TypeVar

from liftbite.core.errors import UnreadableEntry

#: Longest text of a field, and of a name.
MAX_WORDS, MAX_NAME = 2_000, 60
#: Where something is said, and held against what stands there.
At = Literal["bench", "plan", "proof", "photo"]


class Names(Protocol):
    """What the things of a job are called that are its own."""

    def check(self, key: str) -> str:
        """A check by its part and what is measured."""

    def step(self, key: str) -> str:
        """A step by its title."""

    def part_of_check(self, key: str) -> str:
        """Key of the part of a check; empty where there is none."""


def _as_it_is(key: str) -> str:
    return key


@dataclass(frozen=True, slots=True)
class Kind:
    """What a kind of statement says of itself.

    Attributes
    ----------
    name, label : key, and what it is in words
    at : where it is said
    signed : True where a name and a reason have to stand under it
    named : True where a name has to, without a reason
    by_name : True where somebody gives what it is of a name of his own
    of_named : True where its key is a step or a check, which may be one that somebody named
    takes_back : field and its word that takes back what was said before; empty where nothing does
    answers : answer -> how it reads in the record, where that is not `option_words`
    key_now : key of before -> key
    """

    name: str
    label: str
    at: At
    signed: bool = False
    named: bool = False
    by_name: bool = False
    of_named: bool = False
    takes_back: tuple[str, str] = ("answer", "open")
    answers: Mapping[str, str] = field(default_factory=dict)
    key_now: Callable[[str], str] = _as_it_is


class Statement:
    """What is said of a job: a frozen dataclass of words, empty where nothing was said; needed without a default."""

    __slots__ = ()
    about: ClassVar[Kind]

    def hold(self, key: str, who: str) -> None:
        """Nothing, where the words hold together; a kind of which more has to be so than its fields says it here.

        Raises
        ------
        UnreadableEntry : what is wrong
        """

    def renamed(self, key: str, names: Mapping[str, str]) -> tuple[str, Statement]:
        """Its key and itself, with steps and checks of one's own by their names of now."""
        return names.get(key, key) if self.about.of_named else key, self

    def stored(self) -> dict[str, str]:
        """Field -> words, as they are stored and sent: of what was said."""
        return {
            name: words
            for attribute, name in _shape_of(type(self)).names.items()
            if (words := getattr(self, attribute))
        }

    def subject(self, key: str, names: Names) -> str:
        """What it is of, as its sentence begins."""
        return f"{self.about.label} “{key}”" if key else self.about.label

    def of_part(self, key: str, names: Names) -> str:
        """Key of the part it is of; empty where it is of none."""
        return ""


@dataclass(frozen=True, slots=True)
class _Shape:
    """The fields of a kind: attribute -> name as it is stored (`class_` as `class`), name -> options, names needed."""

    names: Mapping[str, str]
    options: Mapping[str, tuple[str, ...]]
    needed: tuple[str, ...]


def _read_shape(kind: type[Statement]) -> _Shape:
    types, of_kind = get_type_hints(kind), fields(kind)  # type: ignore[arg-type]  # a dataclass, as `Statement` says
    names = {each.name: each.name.removesuffix("_") for each in of_kind}
    options = {name: tuple(get_args(types[attribute])) for attribute, name in names.items()}
    return _Shape(names, options, tuple(names[each.name] for each in of_kind if each.default is MISSING))


#: The shape of a kind, read once.
_shape_of: Callable[[Any], _Shape] = cache(_read_shape)


def fields_of(kind: type[Statement]) -> Mapping[str, tuple[str, ...]]:
    """Field -> the words it may have, empty where any text will do."""
    return _shape_of(kind).options


def needed_of(kind: type[Statement]) -> tuple[str, ...]:
    """Fields that may not be empty."""
    return _shape_of(kind).needed


#: Option -> its words, where they are not the option itself.
_OPTION_WORDS: Mapping[str, str] = {
    "enough": "that will do",
    "not_on_job": "not on this job",
    "to_get": "to get",
    "none_known": "no figure known",
    "by_feel": "by feel",
    "at_once": "at once",
    "thirds": "in thirds",
    "half_then_fifths": "half, then by fifths",
    "as_given": "as given",
    "used_again": "used again",
    "not_tried": "not tried",
    "wrong_part": "wrong part",
    "left_out": "left out",
    "in_stock": "in stock",
    "go_no_go": "go or no go",
    "look_again": "look again",
    "here": "somebody is at it",
    "taken_back": "taken back",
    "stays_on": "stays on",
    "found_done": "found done",
    "elsewhere": "done elsewhere",
    "none": "there is none",
}


def option_words(option: str) -> str:
    """An option of a field in words; what is typed freely stays as it was typed.

    >>> option_words("thirds"), option_words("chosen")
    ('in thirds', 'chosen')
    """
    return _OPTION_WORDS.get(option, option)


Said_co = TypeVar("Said_co", bound=Statement, default=Statement, covariant=True)
Other = TypeVar("Other", bound=Statement)


@dataclass(frozen=True, slots=True)
class Line(Generic[Said_co]):
    """One thing said of a job.

    Attributes
    ----------
    key : of what: a part, a check, a step
    statement : what was said
    who : by whom; empty where nobody gave a name
    at : when, ISO 8601 in UTC
    """

    key: str
    statement: Said_co
    who: str = ""
    at: str = ""

    @property
    def kind(self) -> str:
        """Key of its kind."""
        return self.statement.about.name

    def of(self, kind: type[Other]) -> Line[Other] | None:
        """Itself where it is of a kind; None where it is of another."""
        same: Any = self if isinstance(self.statement, kind) else None
        return same  # type: ignore[no-any-return]

    @property
    def words(self) -> Mapping[str, str]:
        """Field -> words, of what was said."""
        return self.statement.stored()

    @property
    def answer(self) -> str:
        """What was answered; empty where its kind has no answers."""
        return str(getattr(self.statement, "answer", ""))

    @property
    def reason(self) -> str:
        """Why, or what was noted; empty where nothing was."""
        return str(getattr(self.statement, "reason", "") or getattr(self.statement, "note", ""))

    @property
    def is_taken_back(self) -> bool:
        """Whether it takes back what was said before of the same thing."""
        field_, word = self.statement.about.takes_back
        return bool(field_) and getattr(self.statement, field_) == word


@dataclass(frozen=True, slots=True)
class RawLine:
    """A line as it is stored: its kind by key, its words unread; the other attributes as of `Line`."""

    kind: str
    key: str
    words: Mapping[str, str]
    who: str = ""
    at: str = ""


def name_key(name: str, otherwise: str, most: int) -> str:
    """What a thing goes by that somebody names, in any script: two names never share one.

    A plain English name is its own key, so that records stay readable. Any other is told apart by a digest of it.

    Parameters
    ----------
    name : as typed
    otherwise : what stands before the digest where a name has no Latin letter
    most : longest readable part

    >>> name_key("Sensor gap", "check", 40), name_key("Sensor gap #2", "check", 40)
    ('sensor_gap', 'sensor_gap_2_d75dd33f0ac9')
    >>> name_key("Болт 1", "check", 40) == name_key("ボルト 1", "check", 40)
    False
    """
    said = " ".join(unicodedata.normalize("NFC", name).split())
    plain = _plain_name(said, otherwise, most)
    if plain.replace("_", " ").capitalize() == said:
        return plain
    return f"{plain}_{hashlib.sha256(said.encode()).hexdigest()[:12]}"


def _plain_name(name: str, otherwise: str, most: int) -> str:
    """The letters, figures and underscores of a name: its key before digests told names apart."""
    plain = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    return (re.sub(r"[^a-z0-9]++", "_", plain).strip("_") or otherwise)[:most]


def keys_of_before(names: Iterable[str], otherwise: str, most: int) -> dict[str, str]:
    """Key of before -> key, where only one name can be meant by it.

    Names that shared one were told apart by nothing, so what was said under it is of none of them.

    >>> keys_of_before(["Gap (mm)", "Болт", "ボルト"], "check", 40)
    {'gap_mm': 'gap_mm_bb75caadc3a7'}
    """
    claims: dict[str, set[str]] = {}
    for name in names:
        claims.setdefault(_plain_name(name, otherwise, most), set()).add(name_key(name, otherwise, most))
    return {old: key for old, keys in claims.items() if len(keys) == 1 for key in keys if key != old}


def read_words(text: str, most: int, what: str) -> str:
    """A text that was typed, without what surrounds it.

    Raises
    ------
    UnreadableEntry : it is too long, or holds what cannot be stored
    """
    said = text.strip()
    if len(said) > most:
        raise UnreadableEntry(f"{what}: {len(said)} characters are too many; {most} fit")
    if any(not c.isprintable() and c not in "\n\t" for c in said):
        raise UnreadableEntry(f"{what}: the text holds a character that cannot be stored")
    return said


def read_name(name: str) -> str:
    """A person's name, as typed.

    Raises
    ------
    UnreadableEntry : it is too long, or holds what cannot be stored
    """
    return " ".join(read_words(name, MAX_NAME, "name").split())


def checked(kind: type[Other], raw: RawLine) -> Line[Other]:
    """A raw line of a kind as a line.

    Raises
    ------
    UnreadableEntry : a field or a word there is none of, a text too long, a name or reason that is missing, or words
        that do not hold together
    """
    about, options, names = kind.about, fields_of(kind), _shape_of(kind).names.items()
    key = about.key_now(read_words(raw.key, 120, about.label))
    words: dict[str, str] = {}
    for name, text in raw.words.items():
        if name not in options:
            raise UnreadableEntry(f"{about.label}: “{name}” is no field of it; {', '.join(options)} are")
        read = read_words(text, MAX_WORDS, f"{about.label}, {name}")
        if options[name] and read not in options[name]:
            offered = ", ".join(w or "nothing" for w in options[name])
            raise UnreadableEntry(f"{about.label}, {name}: “{read}” is not offered; {offered} are")
        if read:
            words[name] = read
    for name in needed_of(kind):
        if name not in words:
            raise UnreadableEntry(f"{about.label}: say its {name}")
    made: Any = kind
    statement: Other = made(**{attribute: words[name] for attribute, name in names if name in words})
    line = Line(key, statement, read_name(raw.who), raw.at)
    if about.by_name and not key and line.answer != "open":
        raise UnreadableEntry(f"{about.label}: say what it is called")
    if not line.is_taken_back:
        if about.signed and not line.who:
            raise UnreadableEntry(f"{about.label}: say who says so")
        if about.signed and "reason" not in words:
            raise UnreadableEntry(f"{about.label}: say why")
        if about.named and not line.who:
            raise UnreadableEntry(f"{about.label}: say who signs")
        statement.hold(key, line.who)
    return line


def lines_of(lines: Iterable[Line], kind: type[Other]) -> list[Line[Other]]:
    """The lines of one kind, in their order."""
    found: Any = [line for line in lines if isinstance(line.statement, kind)]
    return list(found)


def in_force(lines: Iterable[Line], kind: type[Other]) -> dict[str, Line[Other]]:
    """Of what -> the latest line of a kind that stands."""
    latest = {line.key: line for line in lines_of(lines, kind)}
    return {key: line for key, line in latest.items() if not line.is_taken_back}
