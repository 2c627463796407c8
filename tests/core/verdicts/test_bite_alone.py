"""The answer to Bite by itself is the one a whole answer gives."""

from __future__ import annotations

from pathlib import Path

import pytest

from liftbite.core.job.ledger import present
from liftbite.core.verdicts.answers import answer, bite_alone
from liftbite.core.verdicts.words import verdict_sentence
from liftbite.files.job import read_job_file

PRODUCTION = sorted((Path(__file__).parents[2] / "fixtures" / "production").glob("*.liftbite.json"))


@pytest.mark.parametrize("file", PRODUCTION, ids=lambda f: f.name.split(".")[0])
def test_bite_alone_is_bite(file: Path) -> None:
    entries = present(read_job_file(file.read_bytes()).revisions)
    whole, alone = answer(entries).verdict, bite_alone(entries)
    assert (alone.state, verdict_sentence(alone), alone.margin) == (whole.state, verdict_sentence(whole), whole.margin)
