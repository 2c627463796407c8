"""Long work in a process of its own: what it comes to, how it is ended, what is said when it breaks."""

from __future__ import annotations

import os
import signal
import time
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.api.turns import Gate, NoTurn
from liftbite.api.waiting import AT_ONCE, by_size, wait_for
from liftbite.core.errors import UnreadableFile
from liftbite.core.job.dyno_file import read_curve
from liftbite.whole.own_process import Broken, Send, TooLong, Work
from tests.api.find.test_views import LONG, ended
from tests.api.jobs.test_views import begin
from tests.api.shelf.test_views import FIGURED


def here(*_: Any) -> int:
    return os.getpid()


def never(send: Send) -> None:
    send("begun")
    time.sleep(3600)


def refuses() -> None:
    raise UnreadableFile("no figure in column 2", line=7)


def test_work_is_done_in_another_process_and_its_result_comes_back() -> None:
    assert wait_for(here) != os.getpid()
    assert wait_for(sorted, [3, 1, 2]) == [1, 2, 3]


def test_little_is_read_at_once_and_much_is_not() -> None:
    assert by_size(AT_ONCE, here) == os.getpid()
    assert by_size(AT_ONCE + 1, here) != os.getpid()


def test_what_work_refuses_comes_back_with_its_line() -> None:
    with pytest.raises(UnreadableFile, match="Line 7: no figure in column 2") as refused:
        wait_for(refuses)
    assert (refused.value.line, refused.value.reason) == (7, "no figure in column 2")


def test_work_that_takes_too_long_is_ended() -> None:
    with pytest.raises(TooLong, match="longer than"):
        wait_for(time.sleep, 3600, limit=0.3)


def test_work_waits_for_its_turn_and_says_so_where_none_comes(monkeypatch: pytest.MonkeyPatch) -> None:
    gate = Gate(1, 1)
    monkeypatch.setattr("liftbite.api.turns.gate", gate)
    gate.enter()
    with pytest.raises(NoTurn, match="Other long work"):
        wait_for(here)
    gate.leave()
    assert wait_for(here) != os.getpid()


@pytest.mark.parametrize("how", ["killed from outside", "stopped"])
def test_a_process_that_ends_before_its_work_is_said(how: str) -> None:
    work = Work(never)
    parts = work.parts(60)
    assert next(parts) == ("part", "begun")
    assert work.pid is not None
    if how == "stopped":
        work.stop()
    else:
        os.kill(work.pid, signal.SIGKILL)
    with pytest.raises(Broken, match="ended before it was done"):
        next(parts)


def test_a_long_run_over_http_is_read_in_a_process_of_its_own_and_as_it_would_be_here(client: FlaskClient) -> None:
    rows = [f"{rpm},{200 + 60 * (1 - ((rpm - 4500) / 3500) ** 2):.2f}" for rpm in range(1500, 7001)] * 3
    text = "rpm,Nm\n" + "\n".join(rows[:11_000]) + "\n"
    assert len(text) > AT_ONCE
    mapping = {"header_row": 0, "first_row": 1, "columns": []}
    proposed = client.post("/api/curves/propose", json={"name": "run.csv", "data": _coded(text)}).get_json()
    mapping = proposed["mapping"]
    read = client.post("/api/curves/read", json={"name": "run.csv", "text": text, "mapping": mapping})
    assert read.status_code == 200
    from liftbite.api.jobs.entries import mapping_of
    from liftbite.api.jobs.models import ColumnMappingIO

    own = read_curve(text, mapping_of(ColumnMappingIO(**mapping)))
    assert read.get_json()["points"] == own.curve.speed.size


def _coded(text: str) -> str:
    import base64

    return base64.b64encode(text.encode()).decode()


def test_a_search_whose_process_is_killed_fails_in_words_and_others_go_on(client: FlaskClient) -> None:
    job = begin(client, FIGURED)
    run = client.post(f"/api/jobs/{job['id']}/finds", json=LONG).get_json()["run"]
    kept = client.application.extensions["liftbite.runs"].get(run)
    until = time.monotonic() + 60
    while kept.process is None and time.monotonic() < until:
        time.sleep(0.01)
    os.kill(kept.process.pid, signal.SIGKILL)
    found = ended(client, run)
    assert found["state"] == "failed"
    assert "ended before it was done" in found["trouble"]
    again = client.post(f"/api/jobs/{job['id']}/finds", json=LONG).get_json()["run"]
    client.delete(f"/api/finds/{again}")
    assert ended(client, again)["state"] == "cancelled"
