"""A crowd at the door: half requests, tabs that wait at a gauge, thousands of requests; others are still served."""

from __future__ import annotations

import json
import os
import socket
import subprocess
import sys
import threading
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import ExitStack
from pathlib import Path

import pytest
from flask.testing import FlaskClient
from flask_openapi3 import OpenAPI

from liftbite.api.serving import serving
from liftbite.gauges.simulate import Simulator, dial_sweep
from tests.api.measure.test_gauges import heard, own
from tests.jobs import CAR


@pytest.fixture
def address(app: OpenAPI) -> Iterator[str]:
    with serving(app) as found:
        yield found


def ask(address: str, path: str, body: object = None, method: str = "GET") -> int:
    data = None if body is None else json.dumps(body).encode()
    headers = {"Content-Type": "application/json", "Origin": address, "If-Match": '"0"'}
    request = urllib.request.Request(address + path, data=data, headers=headers, method=method)
    try:
        with urllib.request.urlopen(request, timeout=20) as answer:
            answer.read()
            return int(answer.status)
    except urllib.error.HTTPError as error:
        error.read()
        return error.code


def test_a_hundred_and_ten_half_requests_keep_nobody_out(address: str) -> None:
    host, port = address.removeprefix("http://").split(":")
    with ExitStack() as stack:
        for i in range(110):
            half = stack.enter_context(socket.create_connection((host, int(port)), timeout=10))
            half.sendall(b"POST /api/jobs HTTP/1.1\r\nHost: x\r\nContent-Length: 5000\r\n" + b"\r\n{" * (i % 2))
        assert [ask(address, "/healthz") for _ in range(5)] == [200] * 5
        assert ask(address, "/api/jobs") == 200


def test_eight_tabs_that_wait_at_a_gauge_keep_nobody_out(address: str, client: FlaskClient) -> None:
    """A gauge that says nothing for a while; others are served all the while, and every tab gets its answer."""
    there = Simulator(dial_sweep(0.18, 60), every=60.0).start()
    key = own(client, there.url)
    waits: list[int] = []
    heard(client, key, 1)
    seen = client.post(f"/api/instruments/{key}/gauge", json={}).get_json()["newest"]

    def wait() -> None:
        waits.append(ask(address, f"/api/instruments/{key}/gauge", {"after": seen, "wait": 3.0}, "POST"))

    tabs = [threading.Thread(target=wait) for _ in range(8)]
    for tab in tabs:
        tab.start()
    time.sleep(0.5)
    assert [ask(address, "/healthz") for _ in range(5)] == [200] * 5
    assert ask(address, "/api/catalogue") == 200
    assert any(tab.is_alive() for tab in tabs), "nobody waited, so nothing was tried"
    for tab in tabs:
        tab.join(timeout=60)
    there.stop()
    assert waits == [200] * 8


def memory(pid: int) -> float:
    """Resident memory of a process [MB]."""
    pages = int(Path(f"/proc/{pid}/statm").read_text().split()[1])
    return pages * os.sysconf("SC_PAGE_SIZE") / 1e6


@pytest.mark.trust
def test_twenty_thousand_requests_leave_the_memory_where_it_was(tmp_path: Path) -> None:
    """Reads, previews, entries and what is refused, after the first 2,000; less than 20 MB more."""
    with socket.socket() as free:
        free.bind(("127.0.0.1", 0))
        port = free.getsockname()[1]
    command = [Path(sys.executable).with_name("liftbite"), "demo", "--port", str(port)]
    server = subprocess.Popen(
        command, env=os.environ | {"LIFTBITE_DATA": str(tmp_path / "shop.sqlite")}, stdout=subprocess.DEVNULL
    )
    address = f"http://127.0.0.1:{port}"
    try:
        for _ in range(150):
            try:
                assert ask(address, "/healthz") == 200
                break
            except OSError:
                time.sleep(0.2)
        mixed = (
            ("GET", "/api/jobs", None),
            ("GET", "/api/jobs/3", None),
            ("GET", "/api/jobs/3/measure", None),
            ("POST", "/api/jobs/3/preview", {"entries": [{"quantity": "outer_diameter", "typed": "23x"}]}),
            ("POST", "/api/jobs/3/preview", {"entries": [{"quantity": "redline", "typed": "7000"}]}),
            ("GET", "/api/jobs/99", None),
            ("POST", "/api/jobs", {"name": ""}),
            ("GET", "/api/shelf", None),
            ("POST", "/api/jobs/1/entries", {"entries": [{"quantity": "notes", "typed": CAR["job_name"]}]}),
            ("GET", "/healthz", None),
            ("GET", "/api/shelf?slot=cover", None),
            ("GET", "/api/jobs/2/effects", None),
        )
        before = 0.0
        for i in range(20_000):
            method, path, body = mixed[i % len(mixed)]
            assert ask(address, path, body, method) < 500, (method, path)
            if i == 2_000:
                before = memory(server.pid)
        grown = memory(server.pid) - before
        print(f"\n20,000 mixed requests: {before:.0f} MB after 2,000, {grown:+.1f} MB at the end")
        assert grown < 20
    finally:
        server.terminate()
        server.wait(timeout=30)
