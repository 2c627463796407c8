"""Names as somebody types them.

- `folded`   a name without its case, accents and spaces: what two spellings of one name have in common
"""

from __future__ import annotations

import unicodedata


def folded(name: str) -> str:
    """A name without its case, accents, composition and superfluous spaces.

    >>> folded(" Halden  220 Coupé") == folded("halden 220 COUPE")
    True
    >>> folded("Straße") == folded("STRASSE")
    True
    """
    plain = unicodedata.normalize("NFKD", name.casefold())
    return " ".join("".join(c for c in plain if not unicodedata.combining(c)).split())
