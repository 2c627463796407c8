"""What is said of a job that is no figure of its clutch: orders, checks closed or added, verdicts overruled.

- `Kind`, `KINDS`   what can be said, of what, and by which words
- `Line`            one thing said: of which kind and what, by whom and when
- `read_line`       what came in, checked, as the words that are kept
- `takes_back`      whether a line takes back what was said before
- `in_force`        the latest line of each kind and key
- `name_key`, `keys_of_before`   what a thing goes by that somebody names, and what it went by before

The record is appended to and never changed: what is said later of the same thing stands in its place, and what was said
before stays in the record with its name.
"""

from __future__ import annotations

import hashlib
import re
import unicodedata
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from typing import Literal

from liftbite.core.errors import UnreadableEntry

#: Longest text of a field, and of a name.
MAX_WORDS, MAX_NAME = 400, 60
#: How far an order is.
ORDERS: Mapping[str, str] = {
    "": "not ordered",
    "ordered": "ordered",
    "awaited": "awaited",
    "arrived": "arrived",
    "in_stock": "in stock",
}
#: Orders of a part that is not here yet, and of one that is.
ON_ITS_WAY, HERE = ("ordered", "awaited"), ("arrived", "in_stock")
#: How far a job goes.
SCOPES = ("everything", "clutch_flywheel", "clutch", "bearing", "hydraulics", "complaint")
#: Verdicts a builder may put in the place of one that was reached.
OVERRULED = ("reuse", "dress or resurface", "put right", "renew", "renew as set", "stop")


#: What a photo goes by, and what it may be of.
_DIGEST, _PHOTO_OF = re.compile(r"[0-9a-f]{64}"), re.compile(r"job|(?:check|step|bag):[^\n]{1,100}")


@dataclass(frozen=True, slots=True)
class Kind:
    """Something that can be said of a job.

    Attributes
    ----------
    label : what it is, in words
    fields : field -> the words it may have, empty where any text will do
    needs : fields that may not be empty
    signed : True where a name and a reason have to stand under it
    named : True where a name has to, without a reason
    takes_back : field and its word that takes back what was said before
    at : where it is said, and held against what stands there
    """

    label: str
    fields: Mapping[str, tuple[str, ...]]
    needs: tuple[str, ...] = ()
    signed: bool = False
    named: bool = False
    takes_back: tuple[str, str] = ("", "")
    at: Literal["bench", "plan", "proof", "photo"] = "bench"


_BACK = ("answer", "open")
KINDS: Mapping[str, Kind] = {
    "order": Kind("Order", {"number": (), "source": (), "price": (), "currency": (), "state": tuple(ORDERS)}),
    "line": Kind(
        "Line of the list", {"answer": ("accepted", "struck", "open"), "reason": ()}, ("answer",), takes_back=_BACK
    ),
    "check": Kind(
        "Check", {"answer": ("enough", "not_on_job", "open"), "reason": ()}, ("answer",), signed=True, takes_back=_BACK
    ),
    "verdict": Kind(
        "Verdict", {"answer": (*OVERRULED, "open"), "reason": ()}, ("answer",), signed=True, takes_back=_BACK
    ),
    "own_part": Kind("Part of the list", {"answer": ("to_get", "open"), "reason": ()}, ("answer",), takes_back=_BACK),
    "scope": Kind("Scope", {"answer": SCOPES}, ("answer",)),
    "own": Kind(
        "Check of this job",
        {
            "answer": ("asked", "open"),
            "kind": ("figure", "look", "go_no_go"),
            "part": (),
            "unit": (),
            "least": (),
            "most": (),
            "grades": (),
            "places": (),
            "how": (),
        },
        takes_back=_BACK,
    ),
    "plan": Kind("Plan", {"answer": ()}, ("answer",), at="plan"),
    "step": Kind(
        "Step",
        {"answer": ("done", "overridden", "open"), "text": (), "reason": ()},
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "bolt": Kind(
        "Bolt",
        {"answer": ("done", "look_again", "open"), "torque": (), "angle": (), "flag": ()},
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "tightening": Kind(
        "Tightening",
        {
            "answer": ("chosen", "beside", "open"),
            "how": ("figure", "none_known", "by_feel"),
            "figure": (),
            "passes": ("at_once", "thirds", "half_then_fifths", "as_given"),
            "steps": (),
            "washers": (),
            "bolts": ("renewed", "used_again"),
            "count": (),
            "thread": (),
            "grade": (),
            "head": (),
            "under": ("aluminium", "steel"),
        },
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "at_step": Kind("At a step", {"answer": ("here", "open")}, ("answer",), named=True, takes_back=_BACK, at="plan"),
    "pattern": Kind(
        "Pattern of holes",
        {"answer": ("kept", "open"), "across": (), "between": (), "photo": (), "starts": ("part", "clock")},
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "own_step": Kind(
        "Step of this job",
        {"answer": ("asked", "open"), "after": (), "note": ()},
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "bled": Kind(
        "Bled",
        {
            "answer": ("open", "helper", "pressure", "vacuum", "gravity", "taken_back"),
            "fluid": (),
            "note": (),
            "bottles": (),
            "left": (),
        },
        ("answer",),
        takes_back=("answer", "taken_back"),
        at="proof",
    ),
    "bleed_step": Kind("Step of bleeding", {"answer": ("done", "open")}, ("answer",), takes_back=_BACK, at="proof"),
    "card": Kind(
        "Tried", {"answer": ("good", "odd", "not_tried", "open"), "note": ()}, ("answer",), takes_back=_BACK, at="proof"
    ),
    "heard": Kind(
        "Noise that is not the clutch",
        {"answer": ("heard", "open"), "note": ()},
        ("answer",),
        takes_back=_BACK,
        at="proof",
    ),
    "fluid": Kind(
        "Fluid",
        {"answer": ("filled", "open"), "class": (), "bottles": (), "left": (), "note": (), "again": ("right",)},
        ("answer",),
        takes_back=_BACK,
        at="proof",
    ),
    "trip": Kind(
        "Trip",
        {"answer": ("open",), "distance": (), "starts": (), "how": ("gentle", "mixed", "hard")},
        takes_back=_BACK,
        at="proof",
    ),
    "bedding_in": Kind("Bedding in", {"answer": ("distance", "starts")}, ("answer",), at="proof"),
    "second_look": Kind(
        "Look again", {"answer": ("done", "open"), "text": ()}, ("answer",), takes_back=_BACK, at="proof"
    ),
    "full_load": Kind(
        "Full load before it is bedded in",
        {"answer": ("allowed", "open"), "reason": ()},
        ("answer",),
        signed=True,
        takes_back=_BACK,
        at="proof",
    ),
    "complaint": Kind("Complaint looked into", {"answer": ()}, takes_back=("answer", ""), at="proof"),
    "fault_test": Kind("Test of a fault", {"answer": (), "note": ()}, ("answer",), takes_back=_BACK, at="proof"),
    "fault": Kind("Fault", {"answer": ("found", "open"), "note": ()}, ("answer",), takes_back=_BACK, at="proof"),
    "drive": Kind(
        "Drive",
        {
            "answer": ("kept", "open"),
            "says": (),
            "friction": (),
            "share": (),
            "distance": (),
            "heat": (),
            "starts": (),
            "how": ("gentle", "mixed", "hard"),
        },
        ("answer",),
        takes_back=_BACK,
        at="proof",
    ),
    "hand_over": Kind(
        "Hand-over", {"answer": ("signed", "open"), "note": ()}, ("answer",), named=True, takes_back=_BACK, at="proof"
    ),
    "hole": Kind(
        "Hole of the bolt map",
        {
            "answer": ("kept", "open"),
            "thread": (),
            "length": (),
            "grip": (),
            "washer": (),
            "depth": (),
            "shank": (),
            "material": ("steel", "iron", "aluminium"),
            "angle": (),
            "out": (),
        },
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "bag": Kind(
        "Bag", {"answer": ("filled", "open"), "holds": (), "note": ()}, ("answer",), takes_back=_BACK, at="plan"
    ),
    "mark": Kind("Mark", {"answer": ("made", "open"), "note": ()}, ("answer",), takes_back=_BACK, at="plan"),
    "leftover": Kind(
        "Left over",
        {"answer": ("unexplained", "explained", "open"), "count": (), "reason": ()},
        ("answer",),
        takes_back=_BACK,
        at="plan",
    ),
    "noted": Kind(
        "Noted of a part",
        {"answer": ("missing", "broken", "loose", "wrong_part", "substituted", "left_out", "open"), "note": ()},
        ("answer",),
        named=True,
        takes_back=_BACK,
        at="plan",
    ),
    "photo": Kind(
        "Photo",
        {"answer": ("kept", "erased", "open"), "of": (), "words": (), "reason": ()},
        ("answer",),
        takes_back=_BACK,
        at="photo",
    ),
    "practice": Kind("Practice of this job", {"answer": ()}, takes_back=("answer", "")),
}


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
}


def option_words(option: str) -> str:
    """An option of a field in words; what is typed freely stays as it was typed.

    >>> option_words("thirds"), option_words("chosen")
    ('in thirds', 'chosen')
    """
    return _OPTION_WORDS.get(option, option)


#: What somebody gives a name of his own.
_NAMED = frozenset({"own_step", "own", "bag", "mark", "leftover", "noted"})


@dataclass(frozen=True, slots=True)
class Line:
    """One thing said of a job.

    Attributes
    ----------
    kind, key : of which kind, and of what: a part, a check
    said : field -> words
    who : by whom; empty where nobody gave a name
    at : when, ISO 8601 in UTC
    """

    kind: str
    key: str
    said: Mapping[str, str]
    who: str = ""
    at: str = ""

    @property
    def answer(self) -> str:
        """What was answered."""
        return self.said.get("answer", "")


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


def _words(text: str, most: int, what: str) -> str:
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
    return " ".join(_words(name, MAX_NAME, "name").split())


def read_line(kind: str, key: str, said: Mapping[str, str], who: str = "") -> Line:
    """What is said of a job, checked.

    Raises
    ------
    UnreadableEntry : a kind, a field or a word there is none of, a text too long, or a name or reason that is missing

    >>> read_line("line", "Pilot bearing", {"answer": "struck", "reason": " renewed in spring "}).said["reason"]
    'renewed in spring'
    >>> read_line("check", "fork", {"answer": "not_on_job", "reason": "not out"})
    Traceback (most recent call last):
    liftbite.core.errors.UnreadableEntry: Check: say who says so
    """
    found = KINDS.get(kind)
    if found is None:
        raise UnreadableEntry(f"“{kind}” is nothing that is said of a job; {', '.join(KINDS)} are")
    key = _words(key, 120, found.label)
    kept: dict[str, str] = {}
    for name, text in said.items():
        if name not in found.fields:
            raise UnreadableEntry(f"{found.label}: “{name}” is no field of it; {', '.join(found.fields)} are")
        words = _words(text, MAX_WORDS, f"{found.label}, {name}")
        if found.fields[name] and words not in found.fields[name]:
            offered = ", ".join(w or "nothing" for w in found.fields[name])
            raise UnreadableEntry(f"{found.label}, {name}: “{words}” is not offered; {offered} are")
        if words:
            kept[name] = words
    for name in found.needs:
        if name not in kept:
            raise UnreadableEntry(f"{found.label}: say its {name}")
    if kind in _NAMED and not key and kept.get("answer") != "open":
        raise UnreadableEntry(f"{found.label}: say what it is called")
    line = Line(kind, key, kept, read_name(who))
    if not takes_back(line) and found.signed:
        if not line.who:
            raise UnreadableEntry(f"{found.label}: say who says so")
        if not kept.get("reason"):
            raise UnreadableEntry(f"{found.label}: say why")
    if found.named and not line.who and not takes_back(line):
        raise UnreadableEntry(f"{found.label}: say who signs")
    if kind == "leftover" and line.answer == "explained" and not kept.get("reason"):
        raise UnreadableEntry("Left over: say what it was and where it belongs")
    if kind == "step" and line.answer == "overridden" and not (line.who and kept.get("reason")):
        raise UnreadableEntry("Step: say who overrides the hold point, and why")
    if kind == "photo":
        _photo(key, kept, line.who)
    if kind == "own_part" and line.answer == "to_get" and not (line.key and kept.get("reason")):
        raise UnreadableEntry("Part of the list: say which part, and why it is got")
    if kind == "line" and line.answer == "struck" and not kept.get("reason"):
        raise UnreadableEntry("Line of the list: say why it is struck")
    if kept.get("price"):
        _price(kept["price"])
    return line


def _photo(key: str, said: Mapping[str, str], who: str) -> None:
    if not _DIGEST.fullmatch(key):
        raise UnreadableEntry("Photo: it goes by the SHA-256 of its JPEG")
    if said["answer"] == "erased" and not (who and said.get("reason")):
        raise UnreadableEntry("Photo: say who erases it, and why")
    if said["answer"] == "kept" and not _PHOTO_OF.fullmatch(said.get("of", "")):
        raise UnreadableEntry("Photo: say what it is of: job, or check:, step: or bag: and its name")


def _price(text: str) -> None:
    try:
        price = float(text.replace(",", "."))
    except ValueError:
        raise UnreadableEntry(f"Order, price: “{text}” is no figure") from None
    if not 0 <= price < 1e9:
        raise UnreadableEntry(f"Order, price: “{text}” is no price")


def takes_back(line: Line) -> bool:
    """Whether a line takes back what was said before of the same thing."""
    field, word = KINDS[line.kind].takes_back
    return bool(field) and line.said.get(field, "") == word


def in_force(lines: Iterable[Line], kind: str) -> dict[str, Line]:
    """Of what -> the latest line of a kind that stands.

    >>> struck, back = {"answer": "struck", "reason": "mine"}, {"answer": "open"}
    >>> in_force([read_line("line", "Disc", struck), read_line("line", "Disc", back)], "line")
    {}
    """
    latest = {line.key: line for line in lines if line.kind == kind}
    return {key: line for key, line in latest.items() if not takes_back(line)}
