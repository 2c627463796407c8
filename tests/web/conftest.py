"""Browser tests drive the built application, served by the same server as in use, in Debian's Chromium."""

from __future__ import annotations

import shutil
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import BrowserContext, Page, expect

from liftbite.api.app import WEB, create_app
from liftbite.api.serving import serving

ROOT = Path(__file__).parents[2]
#: How long a walk waits for what it expects: as long as a busy machine may need, never a measure of speed [ms].
PATIENCE = 60_000
expect.set_options(timeout=PATIENCE)


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    flags = (
        "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking "
        "--disable-component-update --disable-sync --disable-dev-shm-usage"
    )
    return {**browser_type_launch_args, "executable_path": shutil.which("chromium"), "args": flags.split()}


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args: dict[str, Any]) -> dict[str, Any]:
    return {
        **browser_context_args,
        "viewport": {"width": 1280, "height": 800},
        "reduced_motion": "reduce",
        "locale": "en-GB",
    }


@pytest.fixture
def shop(tmp_path: Path, demo_shop: Path) -> Iterator[str]:
    """The address of a demo shop of the test's own."""
    assert (WEB / "index.html").is_file(), "build the web application first: make build"
    shutil.copy(demo_shop, tmp_path / "shop.sqlite")
    app = create_app(tmp_path / "shop.sqlite")
    with serving(app) as address:
        yield address


@pytest.fixture(scope="session")
def still_shop(tmp_path_factory: pytest.TempPathFactory, demo_shop: Path) -> Iterator[str]:
    """The address of a demo shop that many look at and nobody changes."""
    file = tmp_path_factory.mktemp("still") / "shop.sqlite"
    shutil.copy(demo_shop, file)
    with serving(create_app(file)) as address:
        yield address


@pytest.fixture
def page(context: BrowserContext) -> Iterator[Page]:
    """A page that fails the test when a script fails or the policy is broken; what is taken as usual is not folded."""
    context.add_init_script(
        "localStorage.getItem('liftbite.columns') ?? localStorage.setItem('liftbite.columns', 'all')"
    )
    page = context.new_page()
    troubles: list[str] = []
    page.on("pageerror", lambda error: troubles.append(str(error)))
    page.on("console", lambda said: troubles.append(said.text) if "Content Security Policy" in said.text else None)
    page.set_default_timeout(PATIENCE)
    yield page
    assert troubles == []


@pytest.fixture(scope="session")
def axe() -> str:
    return (ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text()
