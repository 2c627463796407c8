"""Sentences in the units a shop prefers: one system alone, and back again."""

from __future__ import annotations

import threading

import pytest

from liftbite.core.job.ledger import read_entry
from liftbite.core.units.preference import Preference, preferring
from liftbite.core.units.sentence import both, both_fine
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.words import link_sentence, verdict_sentence
from tests.jobs import FULL


@pytest.mark.parametrize(
    ("preference", "length", "fine"),
    [
        ("both", "241.3 mm (9.5 in)", "0.169 mm (0.0067 in)"),
        ("metric", "241.3 mm", "0.169 mm"),
        ("inch", "9.5 in", "0.0067 in"),
    ],
)
def test_a_length_is_written_as_preferred(preference: Preference, length: str, fine: str) -> None:
    with preferring(preference):
        assert (both(0.2413, "m"), both_fine(0.00016942, "m")) == (length, fine)
    assert both(0.2413, "m") == "241.3 mm (9.5 in)"


def test_no_sentence_of_a_whole_job_names_the_other_system() -> None:
    entries = {q: read_entry(q, t) for q, t in {**FULL, "peak_torque": "900 N·m", "peak_power": "500 kW"}.items()}
    with preferring("metric"):
        told = answer(entries)
        said = " ".join(
            verdict_sentence(v) + " ".join(link_sentence(link) for link in v.links)
            for v in (told.verdict, *told.others)
        )
    assert "N·m" in said
    assert not any(unit in said for unit in (" lb-ft", " in)", "°F", " psi", " lbf"))


def test_a_thread_begins_with_both() -> None:
    seen: list[str] = []
    with preferring("inch"):
        thread = threading.Thread(target=lambda: seen.append(both(0.2413, "m")))
        thread.start()
        thread.join()
    assert seen == ["241.3 mm (9.5 in)"]
