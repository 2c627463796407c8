"""Takes the pictures of the main views again, from a fresh demo shop: `make pictures`."""

from __future__ import annotations

import re
import shutil
import tempfile
from pathlib import Path

from playwright.sync_api import Browser, Page, sync_playwright

from liftbite.api.app import create_app
from liftbite.api.serving import serving
from liftbite.demo import HERE, load
from liftbite.store.database import writing

TO = Path(__file__).parent / "screenshots"
FLAGS = (
    "--no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-dev-shm-usage"
)

#: name -> address, width, print
VIEWS = {
    "jobs": ("/", 1280, "light"),
    "brief": ("/jobs/2/brief", 1280, "light"),
    "mapping": ("/jobs/6/brief", 1280, "light"),
    "section": ("/jobs/3/choose/section?pedal=62&worn=20", 1280, "light"),
    "section-820": ("/jobs/3/choose/section?pedal=62&part=disc", 820, "light"),
    "section-motorcycle-night": ("/jobs/4/choose/section?pedal=100&sizes", 1280, "dark"),
    "torque": ("/jobs/2/choose/bite", 1280, "light"),
    "start": ("/jobs/3/choose/start", 1280, "light"),
    "find": ("/jobs/3/choose/find", 1280, "light"),
    "against": ("/jobs/3/choose/against", 1280, "light"),
    "sheet": ("/jobs/3/sheet", 1280, "light"),
    "measure": ("/jobs/5/measure/bench?check=plate_thickness&place=Plate%204,%20place%202", 1280, "light"),
    "measure-bore": ("/jobs/3/measure/bench?check=bore_runout", 1280, "light"),
    "measure-phone": ("/jobs/5/measure/bench?check=spring_free_length&place=Spring%203", 390, "dark"),
    "decide": ("/jobs/5/measure/decide", 1280, "light"),
    "fit": ("/jobs/3/fit?step=flywheel_on", 1280, "light"),
    "first-start": ("/jobs/3/prove/start", 1280, "light"),
    "road": ("/jobs/3/prove/road", 1280, "light"),
    "fault": ("/jobs/3/prove/fault", 1280, "light"),
}


def _before(name: str, page: Page) -> None:
    if name == "mapping":
        page.set_input_files("input[aria-label='Dynamometer file']", HERE / "halvern-wheels.csv")
        page.get_by_text("26 points.").wait_for()
    if name.startswith("measure") and page.get_by_test_id("keypad").count():
        page.locator("[data-testid=keypad] input").fill("2.815" if name == "measure" else "41 1/4")
        page.wait_for_timeout(500)
    if name == "road":
        with page.expect_download() as coming:
            page.get_by_role("link", name="slipping", exact=True).click()
        page.get_by_label("Log", exact=True).set_input_files(coming.value.path())
        page.get_by_test_id("drive").wait_for()
    if name == "fault":
        page.get_by_role("button", name="drags", exact=True).click()
        page.get_by_role("button", name="after work").first.click()
        page.get_by_test_id("asked").wait_for()
    if name == "find":
        for kind in ("Master cylinder", "Slave cylinder"):
            page.locator("summary", has_text=kind).click()
            page.locator("details[open]").get_by_role("button", name="all", exact=True).click()
            page.locator("summary", has_text=kind).click()
        page.get_by_role("button", name="Find", exact=True).click()
        page.get_by_text("Found:").wait_for()
        page.locator("[data-testid=candidates] input").first.check()
        page.get_by_test_id("compare").wait_for()


def _take(browser: Browser, address: str) -> None:
    for name, (path, width, scheme) in VIEWS.items():
        context = browser.new_context(
            viewport={"width": width, "height": 800 if width > 900 else 1100 if width > 500 else 844},
            color_scheme=scheme,  # type: ignore[arg-type]
            reduced_motion="reduce",
            locale="en-GB",
        )
        page = context.new_page()
        page.goto(address + path)
        page.wait_for_load_state("networkidle")
        page.get_by_text(re.compile("^Opening")).wait_for(state="hidden")
        _before(name, page)
        page.wait_for_timeout(300)
        page.screenshot(path=TO / f"{name}.png")
        context.close()


def main() -> None:
    """Serves a demo shop of its own and takes every view."""
    TO.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "shop.sqlite")
        with writing(app.extensions["liftbite.sessions"]) as session:
            load(session)
        with serving(app) as address, sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=shutil.which("chromium"), args=FLAGS.split())
            _take(browser, address)
            browser.close()


if __name__ == "__main__":
    main()
