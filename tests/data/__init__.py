"""Published tables, a file each; the first lines of a file say its source.

- `rows`   the rows of a table
"""

from __future__ import annotations

import csv
from pathlib import Path

HERE = Path(__file__).parent


def rows(name: str) -> list[dict[str, str]]:
    """The rows of a table, by column; lines that begin with # say where it comes from."""
    lines = [line for line in (HERE / f"{name}.csv").read_text().splitlines() if not line.startswith("#")]
    return list(csv.DictReader(lines))
