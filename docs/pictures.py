"""Takes the pictures of the main views again, from a fresh demo shop: `make pictures`."""

from __future__ import annotations

import shutil
import tempfile
import threading
from pathlib import Path

from playwright.sync_api import Browser, Page, sync_playwright
from waitress.server import create_server

from liftbite.api.app import create_app
from liftbite.demo import HERE, load

TO = Path(__file__).parent / "screenshots"
FLAGS = (
    "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-dev-shm-usage"
)

#: name -> address, width, print
VIEWS = {
    "jobs": ("/", 1280, "light"),
    "brief": ("/jobs/2/brief", 1280, "light"),
    "mapping": ("/jobs/6/brief", 1280, "light"),
    "choose": ("/jobs/2/choose", 1280, "light"),
    "choose-820": ("/jobs/2/choose", 820, "light"),
    "choose-motorcycle-night": ("/jobs/5/choose", 1280, "dark"),
    "working": ("/jobs/2/choose?working=bite_margin", 1280, "light"),
    "ask": ("/jobs/2/choose?ask", 1280, "light"),
    "assumptions": ("/jobs/4/choose?assumptions", 1280, "light"),
    "sheet": ("/jobs/4/sheet", 1280, "light"),
    "record": ("/jobs/2/record", 1280, "light"),
}


def _before(name: str, page: Page) -> None:
    if name == "mapping":
        page.set_input_files("input[aria-label='Dynamometer file']", HERE / "halvern-wheels.csv")
        page.get_by_text("26 points.").wait_for()


def _take(browser: Browser, address: str) -> None:
    for name, (path, width, scheme) in VIEWS.items():
        context = browser.new_context(
            viewport={"width": width, "height": 800 if width > 900 else 1100},
            color_scheme=scheme,  # type: ignore[arg-type]
            reduced_motion="reduce",
            locale="en-GB",
        )
        page = context.new_page()
        page.goto(address + path)
        page.wait_for_load_state("networkidle")
        _before(name, page)
        page.wait_for_timeout(300)
        page.screenshot(path=TO / f"{name}.png")
        context.close()


def main() -> None:
    """Serves a demo shop of its own and takes every view."""
    TO.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "shop.sqlite")
        with app.extensions["liftbite.sessions"]() as session:
            load(session)
        server = create_server(app, host="127.0.0.1", port=0)
        threading.Thread(target=server.run, daemon=True).start()
        with sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=shutil.which("chromium"), args=FLAGS.split())
            _take(browser, f"http://127.0.0.1:{server.effective_port}")
            browser.close()
        server.close()


if __name__ == "__main__":
    main()
