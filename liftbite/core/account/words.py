"""States and points of the account in words: an order and a done thing never share one.

- `part_words`    the state of a part, as "to get" or "new, fitted"
- `DONE`          what was done about a finding
- `WHOSE`         of which part a reading is
- `point_words`, `worded`   a thing that is not done; words for one or for several
- `STATUS`        whether the work is finished, for whoever takes it over
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from liftbite.core.account.parts import PartLine, PartState, PartWork
from liftbite.core.account.points import Code, Point, Status
from liftbite.core.account.read import Done, Whose

_GET: dict[PartState, str] = {
    "suggested": "suggested",
    "struck": "struck off",
    "planned": "to get",
    "ordered": "ordered",
    "awaited": "awaited",
    "arrived": "here, to fit",
    "in_stock": "in stock, to fit",
    "fitted": "new, fitted",
    "put_back": "put back as it was",
}
_DRESS: dict[PartState, str] = {
    "planned": "to dress or machine",
    "ordered": "sent out",
    "awaited": "at the machine shop",
    "arrived": "back, to fit",
    "in_stock": "back, to fit",
    "fitted": "dressed, fitted again",
}
_PUT_RIGHT: dict[PartState, str] = {"suggested": "to put right", "planned": "to put right"}
_MEASURE: dict[PartState, str] = {"suggested": "to measure better", "planned": "to measure better"}
_WORDS: Mapping[PartWork, Mapping[PartState, str]] = {
    "get": _GET,
    "dress": {**_GET, **_DRESS},
    "put_right": {**_GET, **_PUT_RIGHT},
    "measure": {**_GET, **_MEASURE},
    "put_back": {"put_back": "put back"},
    "leave_out": {"planned": "to leave out", "left_out": "left out"},
}
#: What was done about a finding -> in words; an order is "to …".
DONE: Mapping[Done, str] = {
    "nothing": "",
    "to_renew": "to renew",
    "renewed": "renewed",
    "to_dress": "to dress or machine",
    "dressed": "dressed",
    "to_put_right": "to put right",
    "put_right": "put right, read again",
    "to_measure": "to measure better",
    "struck": "struck off the list",
    "open": "nothing planned",
}
#: Of which part a reading is -> in words; empty of one that stays.
WHOSE: Mapping[Whose, str] = {
    "stays": "",
    "comes_out": "of the part that comes out",
    "came_out": "of the old part, which came out",
    "goes_in": "of the part that goes in",
    "went_in": "of the new part, which is fitted",
    "set_up": "",
}
STATUS: Mapping[Status, str] = {
    "not_begun": "The work has not begun.",
    "in_work": "The work is not finished.",
    "finished": "The work is finished.",
}


def part_words(line: PartLine) -> str:
    """The state of a part in words.

    >>> part_words(PartLine("disc", "get", "planned")), part_words(PartLine("flywheel", "dress", "fitted"))
    ('to get', 'dressed, fitted again')
    """
    return _WORDS[line.work].get(line.state, line.state)


#: Code -> its words; of several, where that reads otherwise.
_POINTS: Mapping[Code, tuple[str, ...]] = {
    "steps": ("1 step of the plan is open: {}", "{n} steps of the plan are open, next: {}"),
    "hold points": ("1 hold point is not proved: {}", "{n} hold points are not proved: {}"),
    "to fit": ("planned and not fitted: {}",),
    "awaited": ("ordered and not here yet: {}",),
    "renew": ("the bench says renew, and nobody planned it: {}",),
    "dress": ("to dress or machine: {}",),
    "put right": ("to put right: {}",),
    "measure": ("too close to call, to measure better: {}",),
    "stops": ("a reading of a part in use says stop: {}", "readings of parts in use say stop: {}"),
    "unread": ("1 check of this job is not read: {}", "{n} checks of this job are not read: {}"),
    "cards": ("not tried: {}",),
    "odd": ("odd when it was tried: {}", "odd when they were tried: {}"),
    "left over": ("left over and unexplained: {}",),
    "answers": ("{}",),
    "not answered": ("not answered: {}",),
    "complaints": ("complaint still open: {}", "complaints still open: {}"),
    "figures": ("figures from before it was renewed, of the old or of the new one: {}",),
    "undone": (
        "1 step done is to be done again, for a part planned after it: {}",
        "{n} steps done are to be done again, for parts planned after them: {}",
    ),
    "no drive": ("no drive was recorded",),
    "bedding": ("{}",),
    "look again": ("{}",),
    "lines unread": ("{}",),
}
#: Most of a kind that are named; the rest are counted.
_NAMED = 12


def point_words(point: Point) -> str:
    """A thing that is not done, in words.

    >>> point_words(Point("awaited", "measure", ("Disc", "Cover bolts")))
    'ordered and not here yet: Disc, Cover bolts'
    >>> point_words(Point("hold points", "fit", ("Prove before the start",)))
    '1 hold point is not proved: Prove before the start'
    """
    most = 1 if point.code == "steps" else _NAMED
    more = f" and {point.count - most} more" if point.count > most and point.code != "steps" else ""
    separator = "; " if any("," in name for name in point.named[:most]) else ", "
    return worded(_POINTS[point.code], point, separator.join(point.named[:most]) + more)


def worded(words: Sequence[str], point: Point, named: str) -> str:
    """Words of a point, for one or for several, with which they are.

    >>> worded(("one is open: {}", "{n} are open: {}"), Point("unread", "measure", ("a", "b")), "a, b")
    '2 are open: a, b'
    """
    return (words[0] if point.count == 1 else words[-1]).format(named, n=point.count)
