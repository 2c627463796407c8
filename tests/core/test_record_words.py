"""What is in the record, in sentences."""

from __future__ import annotations

import pytest

from liftbite.core.job.record import fields_of
from liftbite.core.measure.checks import CHECKS
from liftbite.core.record_words import STATIONS, JobNames, recorded_line
from liftbite.core.statements import KINDS
from tests.core.lines import line

NAMES = JobNames(CHECKS, {"own:paint_it": "Paint it"})


@pytest.mark.parametrize("kind", KINDS)
def test_every_kind_has_a_sentence_whatever_its_key(kind: str) -> None:
    answers = fields_of(KINDS[kind]).get("answer")
    for key in ("", "nobody knows", "disc:get", "flywheel_on:4", "on:battery", "own:paint_it"):
        for words in [{}] if answers is None else [{"answer": answer} for answer in answers or ("done",)]:
            told = recorded_line(line(kind, key, words), NAMES)
            assert told.station in STATIONS
            assert told.sentence.strip()
            assert "None" not in told.sentence


@pytest.mark.parametrize(
    ("kind", "key", "words", "sentence"),
    [
        ("step", "on:battery", {"answer": "done"}, "Connect the battery, earth last: done"),
        ("step", "own:paint_it", {"answer": "done"}, "Paint it: done"),
        (
            "step",
            "prove_disc",
            {"answer": "overridden", "reason": "seen twice"},
            "Prove before the disc goes on: hold point overridden. seen twice",
        ),
        ("scope", "", {"answer": "clutch"}, "How far the job goes: Clutch"),
        (
            "own_part",
            "Speed sensor",
            {"answer": "to_get", "reason": "cracked"},
            "Speed sensor: put on the list. cracked",
        ),
        ("fault", "air", {"answer": "found"}, "Air in the hydraulics: found to be the fault"),
        ("order", "disc:get", {"state": "awaited", "number": "T 240"}, "Disc: awaited. T 240"),
    ],
)
def test_what_was_said_is_read_as_it_was_meant(kind: str, key: str, words: dict[str, str], sentence: str) -> None:
    assert recorded_line(line(kind, key, words), NAMES).sentence == sentence
