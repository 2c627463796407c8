"""Tables of the trade are files: TOML, a row under its name, so that a builder can review them without reading code.

- `rows`   the rows of a file, in its order
- `made`   a row as the object it describes; refused in a sentence where it says too much or too little

Beside each file stands its schema, `*.schema.json`, which editors check it by as it is typed.
"""

from __future__ import annotations

import tomllib
from collections.abc import Mapping
from dataclasses import MISSING, fields
from importlib.resources import files
from typing import Any, TypeVar

Made = TypeVar("Made")


def rows(package: str, file: str) -> dict[str, dict[str, Any]]:
    """Name -> what a file says of it, in the order it stands there.

    Parameters
    ----------
    package : the package the file stands in
    file : its name

    >>> list(rows("liftbite.core.job", "materials.toml"))[:2]
    ['organic', 'aramid']
    """
    return tomllib.loads((files(package) / file).read_text("utf-8"))


def made(of: type[Made], name: str, said: Mapping[str, Any]) -> Made:
    """A row as the object it describes; lists become tuples.

    Raises
    ------
    ValueError : what it says that there is no word for, or does not say and has to

    >>> from liftbite.core.units.fasteners import Thread
    >>> made(Thread, "M8", {"diameter": 0.008, "pitch": 0.00125})
    Thread(diameter=0.008, pitch=0.00125)
    >>> made(Thread, "M8", {"diameter": 0.008, "pich": 0.00125})
    Traceback (most recent call last):
    ValueError: M8: “pich” is no word of a thread; they are diameter, pitch
    """
    words = {f.name: f for f in fields(of)}  # type: ignore[arg-type]
    kind = "".join(f" {c.lower()}" if c.isupper() else c for c in of.__name__).strip()
    kind_of = f"{'an' if kind[0] in 'aeiou' else 'a'} {kind}"
    for word in said:
        if word not in words:
            raise ValueError(f"{name}: “{word}” is no word of {kind_of}; they are {', '.join(words)}")
    for word, field in words.items():
        if word not in said and field.default is MISSING and field.default_factory is MISSING:
            raise ValueError(f"{name}: say its {word}, as every {kind} does")
    return of(**{word: tuple(value) if isinstance(value, list) else value for word, value in said.items()})
