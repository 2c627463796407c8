"""How the order of work is written down, and read.

- `Need`, `Segment`, `Row`, `Block`   what a file of rows holds
- `read_block`                        a file's text
- `SETS`                              sets in words: “[above]”

A row is split at `;` into segments. `a b < c d`: both on the left need both on the right. A segment without `<` needs
every key of the segment before it; a row's first one, of the last segment of the row above, unless a case is named,
where it needs only what is written. `name: ` restricts a row to a case. `{}` on the left: keys that are there only
where they apply; on the right: needed where they are there. `|` joins its two neighbours: one of them, whichever is
there. `#` begins a remark. `= key other` says what a key of other files is called with this layout, and `- key` which
row of other files, by the first key of it, does not apply.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

#: A key that stands for whichever of these there is.
LINE_OFF = ("slave_hung", "line_opened", "cable_slack")
#: Sets in words that a need may name.
SETS = ("[above]", "[every on-step]")
_WORD = re.compile(r"\[[a-z -]+\]|[{}|]|[a-z_]+:[a-z_]+|[a-z_]+")


@dataclass(frozen=True, slots=True)
class Need:
    """One thing that comes first: any of these keys; more than one where one of them stands for all."""

    any_of: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Segment:
    """Steps, each there always or only where it applies, and what all of them need.

    Attributes
    ----------
    always, sometimes : keys of the left
    needs : what they need
    """

    always: tuple[str, ...]
    sometimes: tuple[str, ...]
    needs: tuple[Need, ...]

    @property
    def keys(self) -> tuple[str, ...]:
        """Every key of the left."""
        return (*self.always, *self.sometimes)


@dataclass(frozen=True, slots=True)
class Row:
    """A row: the case it is restricted to, empty for any, and its segments."""

    case: str
    segments: tuple[Segment, ...]

    @property
    def keys(self) -> tuple[str, ...]:
        """Every key of the left of its segments."""
        return tuple(key for segment in self.segments for key in segment.keys)


@dataclass(frozen=True, slots=True)
class Block:
    """A file of rows.

    Attributes
    ----------
    rows : in order
    called : key of other files -> what it is called here
    without : first keys of rows of other files that do not apply
    """

    rows: tuple[Row, ...]
    called: dict[str, str]
    without: frozenset[str]


def read_block(text: str) -> Block:
    """A file of rows.

    Raises
    ------
    ValueError : the line that is not understood

    >>> block = read_block("cautions\\nraise < battery; exhaust\\ntwin: floater_on < disc_on")
    >>> [(s.keys, [n.any_of for n in s.needs]) for row in block.rows for s in row.segments][1:]
    [(('raise',), [('battery',)]), (('exhaust',), [('raise',)]), (('floater_on',), [('disc_on',)])]
    """
    rows: list[Row] = []
    called: dict[str, str] = {}
    without: set[str] = set()
    above: tuple[str, ...] = ()
    for line in text.splitlines():
        written = line.split("#")[0].strip()
        if not written:
            continue
        if written.startswith("= "):
            key, name = written[2:].split()
            called[key] = name
        elif written.startswith("- "):
            without.add(written[2:].strip())
        else:
            rows.append(_row(written, above))
            above = rows[-1].segments[-1].keys
    return Block(tuple(rows), called, frozenset(without))


def _row(written: str, above: tuple[str, ...]) -> Row:
    case, colon, rest = written.partition(": ")
    if not colon:
        case, rest = "", written
    before = () if case else above
    segments = []
    for text in rest.split(";"):
        left, less, right = text.partition("<")
        keys = list(_words(left, written))
        always = tuple(key for key, sometimes in keys if not sometimes and key != "line_off")
        maybe = tuple(key for key, sometimes in keys if sometimes)
        maybe += LINE_OFF if ("line_off", False) in keys else ()
        needs = tuple(_needs(right, written)) if less else tuple(Need((key,)) for key in before)
        segments.append(Segment(always, maybe, needs))
        before = segments[-1].keys
    return Row(case, tuple(segments))


def _words(text: str, row: str) -> Iterator[tuple[str, bool]]:
    """The keys of one side, each with whether it stands in braces."""
    braced = False
    if _WORD.sub("", text).strip():
        raise ValueError(f"“{row}”: “{_WORD.sub('', text).strip()}” is not understood")
    for word in _WORD.findall(text):
        if word in "{}":
            braced = word == "{"
        else:
            yield word, braced


def _needs(text: str, row: str) -> Iterator[Need]:
    """What stands right of a `<`: keys, some joined by `|`."""
    words = [word for word, _ in _words(text, row)]
    at = 0
    while at < len(words):
        any_of = [words[at]]
        while at + 2 < len(words) and words[at + 1] == "|":
            any_of.append(words[at + 2])
            at += 2
        at += 1
        yield Need(LINE_OFF if any_of == ["line_off"] else tuple(any_of))
