"""Files of every kind with bytes turned, cut, doubled and shuffled: read, or refused in a sentence, never a failure."""

from __future__ import annotations

import base64
import random
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from tests.api.jobs.test_views import begin
from tests.api.photos.test_views import picture
from tests.jobs import FULL

DATA = Path(__file__).parents[1] / "data" / "dyno"


def mutants(data: bytes, count: int, seed: int) -> Iterator[bytes]:
    """A file damaged as wires, editors and hands damage one."""
    rng = random.Random(seed)
    for _ in range(count):
        found = bytearray(data)
        for _ in range(rng.choice((1, 1, 2, 5, 20))):
            at, size = rng.randrange(len(found) + 1), rng.choice((1, 1, 2, 8, 64, 400))
            match rng.randrange(6):
                case 0 if found:
                    found[at - 1] ^= 1 << rng.randrange(8)
                case 1:
                    del found[at : at + size]
                case 2:
                    found[at:at] = found[at : at + size] * rng.choice((1, 2, 50))
                case 3:
                    found[at:at] = rng.choice(
                        (b"\0", b'"', b"\xff", b"\n", b",", b"-", b"9" * 400, b"1e999", b"{[", b"NaN")
                    )
                case 4:
                    del found[at:]
                case _:
                    part = found[at : at + size]
                    found[at : at + size] = bytes(rng.sample(list(part), len(part)))
        yield bytes(found)


def _job_file(client: FlaskClient, job: dict[str, Any]) -> bytes:
    return client.get(f"/api/jobs/{job['id']}/file").data


def _readings(client: FlaskClient, job: dict[str, Any]) -> bytes:
    body = {"check": "rivet_depth", "place": "Disc 1, flywheel side, 1", "typed": "1.2 mm"}
    assert client.post(f"/api/jobs/{job['id']}/readings", json=body).status_code == 200
    return client.get(f"/api/jobs/{job['id']}/readings.csv").data


def _log(client: FlaskClient, job: dict[str, Any]) -> bytes:
    return "\n".join(["time,rpm,speed", *(f"{i / 20:.2f},{1500 + i % 900},{20 + i % 30}" for i in range(400))]).encode()


def _propose(client: FlaskClient, job: dict[str, Any], data: bytes) -> TestResponse:
    proposed = client.post("/api/curves/propose", json={"name": "run", "data": base64.b64encode(data).decode()})
    if proposed.status_code != 200:
        return proposed
    told = proposed.get_json()
    return client.post("/api/curves/read", json={k: told[k] for k in ("name", "text", "mapping")})


def _dyno(name: str) -> Callable[..., bytes]:
    return lambda client, job: (DATA / name).read_bytes()


def _as_text(address: str) -> Callable[[FlaskClient, dict[str, Any], bytes], TestResponse]:
    def send(client: FlaskClient, job: dict[str, Any], data: bytes) -> TestResponse:
        return client.post(address.format(**job), json={"text": data.decode("utf-8", "replace").replace("\0", "")})

    return send


def _as_it_is(address: str) -> Callable[[FlaskClient, dict[str, Any], bytes], TestResponse]:
    return lambda client, job, data: client.post(address.format(**job), data=data)


KINDS: dict[str, tuple[Callable[..., bytes], Callable[[FlaskClient, dict[str, Any], bytes], TestResponse]]] = {
    "job file": (_job_file, _as_it_is("/api/jobs/file")),
    "archive": (lambda client, job: client.get("/api/archive").data, _as_it_is("/api/archive")),
    "shelf": (lambda client, job: client.get("/api/shelf.csv").data, _as_text("/api/shelf/csv")),
    "readings": (_readings, _as_text("/api/jobs/{id}/readings/csv")),
    "log": (_log, _as_it_is("/api/jobs/{id}/log")),
    "photo": (lambda client, job: picture(size=(60, 40)), _as_it_is("/api/jobs/{id}/photos?of=job")),
    **{
        f"dyno {name}": (_dyno(name), _propose)
        for name in ("plain.csv", "stacked.csv", "semicolon-comma.csv", "utf16.csv", "summary-rows.csv")
    },
}


@pytest.mark.parametrize("count", [8, pytest.param(400, marks=pytest.mark.trust)])
@pytest.mark.parametrize("kind", KINDS)
def test_a_damaged_file_is_read_or_refused_in_a_sentence(client: FlaskClient, kind: str, count: int) -> None:
    job = begin(client, FULL)
    whole, send = KINDS[kind]
    data = whole(client, job)
    assert len(data) > 60
    assert send(client, job, data).status_code in {200, 201}
    taken = 0
    for number, mutant in enumerate(mutants(data, count, seed=len(kind))):
        answer = send(client, job, mutant)
        assert answer.status_code < 500, (number, mutant[:200])
        if answer.status_code >= 400:
            assert answer.get_json()["detail"], number
        taken += answer.status_code < 400
        assert client.get(f"/api/jobs/{job['id']}").status_code == 200
    print(f"{kind}: {count} damaged files, {taken} still read, none failed")
