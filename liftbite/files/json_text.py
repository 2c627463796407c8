"""JSON from outside, read so that no text stops or confuses the program.

- `read_json`   bytes or text to what they say; every fault a sentence
"""

from __future__ import annotations

import json
from typing import Any

from liftbite.core.errors import UnreadableFile

#: Digits of the longest whole number that is read; the largest double has 309.
_MOST_DIGITS = 400


def read_json(data: bytes | str) -> Any:
    """What a JSON text says.

    Raises
    ------
    UnreadableFile : it is no JSON, is nested deeper than any of ours, or says what is no figure

    >>> read_json(b'{"a": [1, 2.5]}')
    {'a': [1, 2.5]}
    """
    try:
        text = data.decode("utf-8-sig") if isinstance(data, bytes) else data.removeprefix("\ufeff")
    except UnicodeDecodeError:
        raise UnreadableFile("this is not JSON; it is not even text") from None
    try:
        return json.loads(text, parse_constant=_no_constant, parse_int=_whole)
    except json.JSONDecodeError as error:
        raise UnreadableFile(f"this is not JSON: {error.msg}", error.lineno) from None
    except RecursionError:
        raise UnreadableFile("this is nested deeper than anything of ours") from None


def _no_constant(name: str) -> float:
    raise UnreadableFile(f"{name} is not a figure")


def _whole(digits: str) -> int:
    if len(digits) > _MOST_DIGITS:
        raise UnreadableFile(f"a whole number of {len(digits)} digits is no figure of a clutch")
    return int(digits)
