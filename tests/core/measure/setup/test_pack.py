"""The order of a wet pack, from counts and plain plates."""

from __future__ import annotations

import pytest

from liftbite.core.job.build import build_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup import pack
from tests.core.measure.setup.steps import told
from tests.jobs import MOTORCYCLE, entries


@pytest.mark.parametrize(
    ("counts", "says"),
    [
        ({"Friction": 7.0, "Plain": 6.0}, "one more friction plate, as usual"),
        ({"Friction": 7.0, "Plain": 7.0}, "look again"),
        (
            {"Friction": 8.0, "Plain": 7.0},
            "8 friction plates are there, but the job says 7. 8 friction and 7 plain plates",
        ),
        ({"Friction": 7.0}, ""),
    ],
)
def test_the_counts_of_a_pack(counts: dict[str, float], says: str) -> None:
    readings = {"plate_count": [Reading(place, n) for place, n in counts.items()]}
    words = pack.tell(pack.work_out(build_of(entries(MOTORCYCLE)), readings, {}))
    assert says in words.sentence
    assert bool(words.sentence) == bool(says)


def test_an_odd_plain_plate_has_a_place_of_its_own() -> None:
    """[practice]: a 2.2 among 1.9."""
    plates = {f"Plain plate {i}": 1.9 for i in range(1, 6)} | {"Plain plate 6": 2.2}
    assert told("pack", MOTORCYCLE, plain_thickness=plates).sentence.startswith("Plain plate 6 is 2.2 mm")
    del plates["Plain plate 6"]
    assert "of one thickness" in told("pack", MOTORCYCLE, plain_thickness=plates).sentence
