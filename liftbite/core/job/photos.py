"""A photo of a job, as its record tells of it: what it is of, that it was kept or erased; its bytes are the store's.

- `Photo`   that one is kept, or erased
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.record import Kind, Names, Statement

#: What a photo goes by, and what it may be of.
DIGEST, _OF = re.compile(r"[0-9a-f]{64}"), re.compile(r"job|(?:check|step|bag):[^\n]{1,100}")


@dataclass(frozen=True, slots=True, kw_only=True)
class Photo(Statement):
    """A photo, by the SHA-256 of its JPEG: what it is of (`job`, `check:`, `step:`, `bag:`), and words to it."""

    about: ClassVar = Kind("photo", "Photo", "photo")

    answer: Literal["kept", "erased", "open"]
    of: str = ""
    words: str = ""
    reason: str = ""

    def hold(self, key: str, who: str) -> None:
        """Its digest; what a kept one is of; who erases one, and why."""
        if not DIGEST.fullmatch(key):
            raise UnreadableEntry("Photo: it goes by the SHA-256 of its JPEG")
        if self.answer == "erased" and not (who and self.reason):
            raise UnreadableEntry("Photo: say who erases it, and why")
        if self.answer == "kept" and not _OF.fullmatch(self.of):
            raise UnreadableEntry("Photo: say what it is of: job, or check:, step: or bag: and its name")

    def renamed(self, key: str, names: Mapping[str, str]) -> tuple[str, Statement]:
        """What it is of by its name of now."""
        kind, colon, name = self.of.partition(":")
        return key, replace(self, of=kind + colon + names.get(name, name))

    def subject(self, key: str, names: Names) -> str:
        """What it is of."""
        of, _, name = self.of.partition(":")
        thing = names.check(name) if of == "check" else names.step(name) if of == "step" else name
        return f"Photo of {thing}" if thing else "Photo"
