"""Installed from its wheel, Lift Bite serves its pages on a machine without Node and without its checkout."""

from __future__ import annotations

import os
import subprocess
import sys
import urllib.request
import zipfile
from pathlib import Path

ROOT = Path(__file__).parents[1]


def test_what_is_installed_serves_the_demo(tmp_path: Path) -> None:
    build = [sys.executable, "-m", "hatchling", "build", "-t", "wheel", "-d", str(tmp_path / "dist")]
    subprocess.run(build, cwd=ROOT, check=True, capture_output=True)
    (wheel,) = (tmp_path / "dist").glob("*.whl")
    with zipfile.ZipFile(wheel) as packed:
        packed.extractall(tmp_path / "installed")
        (entry,) = (name for name in packed.namelist() if name.endswith("entry_points.txt"))
        assert "liftbite = liftbite.cli:main" in packed.read(entry).decode()
    # where a wheel's packages are found, with no way to a checkout and no Node
    environment = {
        "PYTHONPATH": str(tmp_path / "installed"),
        "PATH": "/nowhere",
        "HOME": str(tmp_path),
        "LIFTBITE_DATA": str(tmp_path / "demo.sqlite"),
        "LANG": os.environ.get("LANG", "C.UTF-8"),
    }
    served = subprocess.Popen(
        [
            sys.executable,
            "-c",
            "import liftbite, sys; print(liftbite.__file__); from liftbite.cli import main; main()",
            "demo",
            "--port",
            "0",
        ],
        cwd=tmp_path,
        env=environment,
        stdout=subprocess.PIPE,
        text=True,
    )
    assert served.stdout is not None
    try:
        assert served.stdout.readline().startswith(str(tmp_path)), "it is the installed one"
        address = served.stdout.readline().split()[-1]
        with urllib.request.urlopen(address, timeout=60) as page:
            text = page.read().decode()
        assert '<div id="root">' in text
        script = text.split('src="', 1)[1].split('"', 1)[0]
        with urllib.request.urlopen(f"{address}{script}", timeout=60) as answer:
            assert len(answer.read()) > 10_000
    finally:
        served.terminate()
        assert served.wait(60) == 0
        served.stdout.close()
