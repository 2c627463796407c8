"""Kinds and options of the record by the names they went by before they were keys.

- `now_called`   kind and words of a line of before, as they are called now

Files of earlier versions, and what waited in a tab through an update, say them so.
"""

from __future__ import annotations

from collections.abc import Mapping

_KINDS: Mapping[str, str] = {
    "own part": "own_part",
    "own step": "own_step",
    "bleed step": "bleed_step",
    "fault test": "fault_test",
    "bedding in": "bedding_in",
    "look again": "second_look",
    "full load": "full_load",
    "at it": "at_step",
    "hand-over": "hand_over",
}
#: Kind and field -> option of before -> option.
_OPTIONS: Mapping[tuple[str, str], Mapping[str, str]] = {
    ("check", "answer"): {"that will do": "enough", "not on this job": "not_on_job"},
    ("own_part", "answer"): {"to get": "to_get"},
    ("own", "kind"): {"go or no go": "go_no_go"},
    ("bolt", "answer"): {"look again": "look_again"},
    ("tightening", "how"): {"no figure known": "none_known", "by feel": "by_feel"},
    ("tightening", "passes"): {
        "at once": "at_once",
        "in thirds": "thirds",
        "half, then by fifths": "half_then_fifths",
        "as given": "as_given",
    },
    ("tightening", "bolts"): {"used again": "used_again"},
    ("at_step", "answer"): {"at it": "here"},
    ("bled", "answer"): {"taken back": "taken_back"},
    ("card", "answer"): {"not tried": "not_tried"},
    ("noted", "answer"): {"wrong part": "wrong_part", "left out": "left_out"},
    ("order", "state"): {"in stock": "in_stock"},
}


def now_called(kind: str, said: Mapping[str, str]) -> tuple[str, dict[str, str]]:
    """Kind and words of a line of before, as they are called now; what is called so now stays.

    >>> now_called("own part", {"answer": "to get", "reason": "to get"})
    ('own_part', {'answer': 'to_get', 'reason': 'to get'})
    """
    kind = _KINDS.get(kind, kind)
    return kind, {field: _OPTIONS.get((kind, field), {}).get(words, words) for field, words in said.items()}
