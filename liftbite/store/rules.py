"""Which version of the rules works a job out.

- `rules_version`   changes with anything in the core
"""

from __future__ import annotations

import hashlib
from functools import cache
from pathlib import Path

import liftbite.core


@cache
def rules_version() -> str:
    """A name for the rules as they stand: of the text of every module of the core.

    >>> len(rules_version())
    16
    """
    core = Path(liftbite.core.__file__).parent
    digest = hashlib.sha256()
    for path in sorted(core.rglob("*.py")):
        digest.update(path.relative_to(core).as_posix().encode() + b"\0" + path.read_bytes())
    return digest.hexdigest()[:16]
