"""The readings of a job's vehicle as a file.

- `rows_of`       readings of series, row by row
- `readings_of`   as CSV
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from liftbite.core.measure.check import Check
from liftbite.files.readings import CsvReading, write_readings
from liftbite.store.measurements import Series
from liftbite.whole.bench import Bench


def rows_of(series: Sequence[Series], checks: Mapping[str, Check]) -> list[CsvReading]:
    """The readings of series, row by row, those that were taken back left out."""
    return [
        CsvReading(str(t.id), t.check, taken.reading, taken.at, t.distance, t.settings)
        for t in series
        if t.check in checks
        for taken in t.taken
        if not taken.withdrawn
    ]


def readings_of(bench: Bench) -> str:
    """The readings of a bench's vehicle as CSV."""
    return write_readings(rows_of(bench.life or bench.series, bench.known), bench.known)
