"""Every operation of the OpenAPI document by a fuzzer, against the demo shop; none may answer 500."""

from __future__ import annotations

import re
import subprocess
import sys
from pathlib import Path

import pytest

from liftbite.api.app import create_app
from liftbite.api.serving import serving


@pytest.mark.trust
def test_no_operation_answers_500_whatever_it_is_sent(demo_shop: Path, tmp_path: Path) -> None:
    """Schemathesis makes the requests, valid and not; it comes with `make trust` alone."""
    fuzzer = Path(sys.executable).with_name("st")
    assert fuzzer.exists(), "schemathesis is installed by `make trust`"
    shop = tmp_path / "shop.sqlite"
    shop.write_bytes(demo_shop.read_bytes())
    app = create_app(shop, web=tmp_path / "web")
    with serving(app) as address:
        command = [
            str(fuzzer),
            "run",
            f"{address}/api/openapi.json",
            "--checks",
            "not_a_server_error",
            "-n",
            "15",
            "--header",
            f"Origin: {address}",
            "--seed",
            "20261128",
            "--no-color",
        ]
        ran = subprocess.run(command, capture_output=True, text=True, cwd=tmp_path, check=False)
    app.extensions["liftbite.refresher"].stop()
    app.extensions["liftbite.sessions"].kw["bind"].dispose()
    cases = re.search(r"(\d[\d,]*) generated", ran.stdout)
    print(f"\nfuzzed: {cases[1] if cases else '?'} requests, {ran.stdout.count('Server error')} answers of 500")
    assert "Server error" not in ran.stdout, ran.stdout[-4000:]
    assert cases, ran.stdout[-2000:]
