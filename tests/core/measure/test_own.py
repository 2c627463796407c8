"""Checks a job adds: read as any other, with limits of their own."""

from __future__ import annotations

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import read_entry
from liftbite.core.job.record import Line, read_line
from liftbite.core.measure.judgement import Reading, assess
from liftbite.core.measure.own import known_checks, own_checks, own_name, read_own
from tests.jobs import FULL

BUILD = build_of({q: read_entry(q, t) for q, t in FULL.items()})


def own(**said: str) -> Line:
    return read_line("own", "Sensor gap", {"answer": "asked", **said}, "Ines")


@pytest.mark.parametrize(("typed", "verdict"), [(0.8, "reuse"), (0.3, "put right"), (1.3, "put right")])
def test_one_is_judged_by_its_own_limits(typed: float, verdict: str) -> None:
    check = read_own(own(unit="mm", least="0.6", most="1.0"))
    places = check.places(BUILD)
    reading = Reading("Once", typed * 1e-3, f"{typed} mm", "feeler", 2.5e-5)
    assert assess(check, places, [reading], check.limits, "full").verdict == verdict
    assert check.limits[0].why == "said of this job by Ines"


@pytest.mark.parametrize(
    ("text", "places"),
    [
        ("", ["Once"]),
        ("1", ["Once"]),
        ("3", ["Place 1", "Place 2", "Place 3"]),
        ("At 12, At 4", ["At 12", "At 4"]),
        ("Top", ["Top"]),
    ],
)
def test_places_are_listed_or_counted(text: str, places: list[str]) -> None:
    assert [p.key for p in read_own(own(places=text)).places(BUILD)] == places


@pytest.mark.parametrize(
    ("said", "complaint"),
    [
        ({"unit": "furlong"}, "“furlong” is no unit"),
        ({"least": "two"}, "Sensor gap, at least"),
        ({"least": "2", "most": "1"}, "leaves nothing"),
        ({"places": "99999999"}, "too many"),
        ({"places": ",".join(f"p{n}" for n in range(30))}, "30 places are too many"),
    ],
)
def test_what_cannot_be_one_is_refused_in_words(said: dict[str, str], complaint: str) -> None:
    with pytest.raises(UnreadableEntry, match=complaint):
        read_own(own(**said))


def test_one_taken_back_is_asked_no_more_and_its_readings_stay_known() -> None:
    record = [own(), read_line("own", "Sensor gap", {"answer": "open"})]
    assert own_checks(record) == {}
    assert own_name("Sensor gap") in known_checks(record)


def test_roughness_is_a_length_in_micrometres() -> None:
    line = read_line("own", "Flywheel face, roughness", {"answer": "asked", "unit": "µm", "most": "1.6"})
    assert read_own(line).limits[0].value == pytest.approx(1.6e-6)
