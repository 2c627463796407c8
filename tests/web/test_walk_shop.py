"""The shop as a whole, in the browser: jobs found, backups taken, two tabs on one part, a stranger's page."""

from __future__ import annotations

import json
import re
import sqlite3
import threading
import urllib.request
from collections.abc import Iterator
from functools import partial
from http.server import SimpleHTTPRequestHandler, ThreadingHTTPServer
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect


def test_a_job_is_found_by_a_word_of_its_vehicle(page: Page, shop: str) -> None:
    page.goto(shop)
    rows = page.get_by_role("main").locator("ul > li")
    expect(rows).to_have_count(7)
    page.get_by_role("searchbox", name="Search the jobs").fill("merrix track")
    expect(rows).to_have_count(1)
    expect(rows).to_contain_text("Merrix 600")
    page.reload()
    expect(rows).to_have_count(1)
    page.get_by_role("searchbox").fill("no such thing")
    expect(page.get_by_text("Nothing here has “no such thing”")).to_be_visible()


def test_a_long_list_comes_page_by_page(page: Page, shop: str) -> None:
    for number in range(60):
        body = json.dumps({"layout": "dry_car", "name": f"Number {number}", "vehicle": "Many"}).encode()
        request = urllib.request.Request(f"{shop}/api/jobs", body, {"Content-Type": "application/json"})
        urllib.request.urlopen(request).close()
    page.goto(shop)
    rows = page.get_by_role("main").locator("ul > li")
    expect(rows).to_have_count(50)
    expect(page.get_by_text("50 of 67")).to_be_visible()
    page.get_by_role("button", name="Show more").click()
    expect(rows).to_have_count(67)
    expect(page.get_by_role("button", name="Show more")).to_have_count(0)


def test_a_copy_is_taken_and_said(page: Page, shop: str, tmp_path: Path) -> None:
    page.goto(shop)
    page.get_by_role("link", name="Backups of this shop").click()
    expect(page.get_by_text("No copy has been taken yet.")).to_be_visible()
    page.get_by_role("button", name="Back up now").click()
    expect(page.get_by_role("status")).to_contain_text("just now")
    (copy,) = (tmp_path / "shop.sqlite.backups").iterdir()
    expect(page.get_by_test_id("backups")).to_contain_text(copy.name)
    expect(page.locator("code").first).to_contain_text(f"liftbite restore {copy}")


def test_a_job_that_cannot_be_read_is_shown_saved_and_archived(page: Page, shop: str, tmp_path: Path) -> None:
    with sqlite3.connect(tmp_path / "shop.sqlite") as connection:
        connection.execute("""UPDATE entry SET curve = '{"speed": [1]}' WHERE quantity = 'measured_curve'
                              AND revision_id IN (SELECT id FROM revision WHERE job_id = 2)""")
        connection.execute("DELETE FROM kept_line")
        connection.execute("DELETE FROM kept")
    connection.close()
    page.goto(shop)
    expect(page.get_by_role("main").locator("ul > li")).to_have_count(7)
    broken = page.get_by_test_id("unreadable")
    expect(broken).to_contain_text("Job 2 cannot be read")
    with page.expect_download() as saved:
        broken.get_by_role("link", name="Save its rows").click()
    assert "measured_curve" in saved.value.path().read_text()
    page.get_by_role("button", name="Archive: Job 2").click()
    expect(broken).to_have_count(0)
    page.goto(f"{shop}/jobs/2/brief")
    expect(page.get_by_text("cannot be read")).to_be_visible()


def test_the_same_file_is_the_same_job_unless_it_is_brought_again(page: Page, shop: str, tmp_path: Path) -> None:
    file = tmp_path / "twin.liftbite.json"
    with urllib.request.urlopen(f"{shop}/api/jobs/5/file") as out:
        file.write_bytes(out.read())
    page.goto(shop)
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name="Choose a file").click()
    chooser.value.set_files(file)
    expect(page.get_by_text("This job is here already")).to_be_visible()
    page.get_by_role("button", name="Bring it a second time").click()
    expect(page).to_have_url(re.compile(r"/jobs/8/"))
    goes_on = json.loads(file.read_text())
    last = goes_on["revisions"][-1]["number"]
    goes_on["revisions"].append(
        {
            "number": last + 1,
            "at": "2026-11-01T10:00:00Z",
            "entries": [{"quantity": "notes", "typed": "from the other bench"}],
        }
    )
    file.write_text(json.dumps(goes_on))
    page.goto(shop)
    page.set_input_files("input[aria-label='Job file']", file)
    asked = page.get_by_test_id("changed-job")
    expect(asked).to_contain_text("goes on where the job here ends")
    asked.get_by_role("button", name="Bring the job here up to date").click()
    expect(page.get_by_text("This job is here already")).to_be_visible()
    page.goto(f"{shop}/jobs/5/choose")
    expect(page.get_by_text(f"revision {last + 1}")).to_be_visible()


def test_two_tabs_on_one_part_see_what_the_other_wrote(page: Page, shop: str) -> None:
    page.goto(f"{shop}/shelf?slot=cover")
    name = page.get_by_test_id("shelf").locator("tbody tr").first.get_by_role("button").first.inner_text()
    other = page.context.new_page()
    other.goto(f"{shop}/shelf?slot=cover")
    for tab in (page, other):
        tab.get_by_role("button", name=name, exact=True).click()
        expect(tab.get_by_role("dialog")).to_be_visible()
    page.get_by_label("Notes").fill("for the estate")
    page.get_by_role("button", name="Keep these figures").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    other.get_by_label("Price").fill("99")
    other.get_by_role("button", name="Keep these figures").click()
    stands = other.get_by_role("dialog").get_by_role("alert")
    expect(stands).to_contain_text("changed elsewhere")
    expect(stands).to_contain_text("for the estate")
    expect(other.get_by_label("Price")).to_have_value("99")  # what was typed stays
    other.get_by_role("button", name="Take what it says now").click()
    expect(other.get_by_label("Notes")).to_have_value("for the estate")
    other.get_by_label("Price").fill("99")
    other.get_by_role("button", name="Keep these figures").click()
    expect(other.get_by_role("dialog")).to_have_count(0)
    with urllib.request.urlopen(f"{shop}/api/shelf?slot=cover") as answer:
        part = next(p for p in json.load(answer)["parts"] if p["name"] == name)
    assert (part["price"], part["notes"]) == (99, "for the estate")
    other.close()


@pytest.fixture
def stranger(tmp_path: Path) -> Iterator[str]:
    """A page of another origin on this machine."""
    folder = tmp_path / "stranger"
    folder.mkdir()
    (folder / "index.html").write_text("<!doctype html><title>stranger</title><p>Nothing to see")
    quiet = type("Quiet", (SimpleHTTPRequestHandler,), {"log_message": lambda *_: None})
    server = ThreadingHTTPServer(("127.0.0.1", 0), partial(quiet, directory=str(folder)))
    threading.Thread(target=server.serve_forever, daemon=True).start()
    yield f"http://127.0.0.1:{server.server_address[1]}"
    server.shutdown()
    server.server_close()


ATTEMPTS = """async (shop) => {
  const tries = {
    read: [`${shop}/api/jobs`, {}],
    write: [`${shop}/api/jobs`, {method: "POST", headers: {"Content-Type": "application/json"},
            body: JSON.stringify({layout: "dry_car", name: "mine", vehicle: ""})}],
    simple: [`${shop}/api/jobs/file`, {method: "POST", mode: "no-cors", body: "{}"}],
    gauge: [`${shop}/api/instruments/1/gauge`, {method: "POST", mode: "no-cors", body: "{}"}],
    backup: [`${shop}/api/backups`, {method: "POST", mode: "no-cors"}],
  };
  const found = {};
  for (const [name, [url, options]] of Object.entries(tries))
    found[name] = await fetch(url, options).then((r) => r.type === "opaque" ? "opaque" : r.status, () => "refused");
  const image = new Image();
  found.image = await new Promise((go) => {
    image.onload = () => go("shown"); image.onerror = () => go("refused"); image.src = `${shop}/api/jobs`;
  });
  return found;
}"""


def test_a_strangers_page_reads_nothing_and_changes_nothing(
    browser: Browser, shop: str, stranger: str, tmp_path: Path
) -> None:
    page = browser.new_page()  # one whose console may say what was refused
    page.goto(stranger)
    found = page.evaluate(ATTEMPTS, shop)
    assert {found[name] for name in ("read", "write", "image")} == {"refused"}
    assert not (tmp_path / "shop.sqlite.backups").exists(), "not even what a browser sends without asking first"
    with urllib.request.urlopen(f"{shop}/api/jobs") as answer:
        assert json.load(answer)["count"] == 7
    page.close()
