"""Checks a job adds: read as any other, with limits of their own."""

from __future__ import annotations

import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import read_entry
from liftbite.core.job.record import Line
from liftbite.core.measure.judgement import assess
from liftbite.core.measure.own import fits_readings, known_checks, own_checks, own_name, read_own
from liftbite.core.measure.reading import Reading
from liftbite.core.statements import read_statement
from tests.core.lines import line
from tests.jobs import FULL

BUILD = build_of({q: read_entry(q, t) for q, t in FULL.items()})


def own(**said: str) -> Line:
    return read_statement("own", "Sensor gap", {"answer": "asked", **said}, "Ines")


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
    record = [own(), read_statement("own", "Sensor gap", {"answer": "open"})]
    assert own_checks(record) == {}
    assert own_name("Sensor gap") in known_checks(record)


def test_roughness_is_a_length_in_micrometres() -> None:
    line = read_statement("own", "Flywheel face, roughness", {"answer": "asked", "unit": "µm", "most": "1.6"})
    assert read_own(line).limits[0].value == pytest.approx(1.6e-6)


def looked(grades: str, **words: str) -> Line:
    return line("own", "Bluing of the outer plate", {"kind": "look", "grades": grades, "part": "Plain plates"} | words)


def test_a_look_has_conditions_of_ones_own_each_with_what_it_comes_to() -> None:
    check = read_own(looked("none = reuse; a faint ring = Watch\nblue = renew; cracked = stop"))
    assert (check.kind, check.part, check.part_label, check.got) == (
        "grade",
        "plain_plates",
        "Plain plates",
        ("plates",),
    )
    assert [(g.word, g.verdict) for g in check.grades] == [
        ("none", "reuse"),
        ("a faint ring", "reuse and watch"),
        ("blue", "renew"),
        ("cracked", "stop"),
    ]
    found = assess(check, check.places(BUILD), [Reading("Once", None, "blue")], ())
    assert (found.verdict, found.grade) == ("renew", "blue")


def test_go_and_no_go() -> None:
    check = read_own(line("own", "Thread gauge", {"kind": "go_no_go", "part": "Flywheel"}))
    goes, stays = ({"go": "reuse"}, {"no_go": "put right"})
    for said, verdict in {**goes, **stays}.items():
        assert assess(check, check.places(BUILD), [Reading("Once", None, said)], ()).verdict == verdict


@pytest.mark.parametrize(
    ("grades", "says"),
    [
        ("blue", "say what “blue” comes to"),
        ("none = fine; blue = renew", "say what “none” comes to"),
        ("none = reuse", "2 to 8 conditions"),
        ("; ".join(f"g{n} = reuse" for n in range(9)), "2 to 8 conditions"),
        ("", "2 to 8 conditions"),
    ],
)
def test_a_look_that_says_too_little_is_refused(grades: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_own(looked(grades))


def test_what_was_read_is_not_made_unreadable_by_what_is_said_later() -> None:
    record = [looked("none = reuse; blue = renew")]
    fits_readings(looked("none = reuse; blue = renew; cracked = stop"), record, ["blue"])
    fits_readings(looked("none = reuse; cracked = stop"), record, [])
    fits_readings(line("own", "Bluing of the outer plate", {"answer": "open"}), record, ["blue"])
    for wrong in (looked("none = reuse; cracked = stop"), looked("", kind="figure", unit="mm")):
        with pytest.raises(UnreadableEntry, match="has been read already"):
            fits_readings(wrong, record, ["blue"])
