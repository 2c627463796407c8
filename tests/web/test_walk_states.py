"""A backup brought back under open tabs, what waits over a full disk and a closed tab, archives, a plate erased."""

from __future__ import annotations

import json
import urllib.request
from pathlib import Path
from typing import Any

from playwright.sync_api import BrowserContext, Page, Route, expect

from liftbite.store.backups import back_up, restore
from tests.api.photos.test_views import picture


def of_shop(shop: str, path: str) -> Any:
    with urllib.request.urlopen(f"{shop}{path}") as answer:
        return json.load(answer)


def begun(shop: str, name: str) -> int:
    body = json.dumps({"layout": "dry_car", "name": name, "vehicle": "Merrow van"}).encode()
    request = urllib.request.Request(f"{shop}/api/jobs", body, {"Content-Type": "application/json"})
    with urllib.request.urlopen(request) as answer:
        return int(json.load(answer)["id"])


def field(page: Page, label: str) -> Any:
    return page.get_by_role("textbox", name=label, exact=True).first


def test_three_tabs_of_before_a_restore_say_so_and_keep_what_they_hold(
    context: BrowserContext, page: Page, shop: str, tmp_path: Path
) -> None:
    """One holds a figure that is typed, one stands in Fit, one in the list; none writes into the job of its number."""
    copy = back_up(tmp_path / "shop.sqlite", tmp_path / "copy.sqlite").path
    mine = begun(shop, "Van, twin disc")
    page.goto(f"{shop}/jobs/{mine}/brief")
    fit, listed = context.new_page(), context.new_page()
    fit.goto(f"{shop}/jobs/{mine}/fit")
    listed.goto(shop)
    expect(listed.get_by_text("Van, twin disc")).to_be_visible()
    field(page, "Customer").fill("Bran Tilley, half typed")
    page.evaluate("() => new Promise((done) => setTimeout(done, 200))")
    restore(tmp_path / "shop.sqlite", copy)
    other = begun(shop, "Somebody else's")
    assert other != mine
    field(page, "Customer").press("Tab")  # leaves the field, which enters it
    told = page.get_by_test_id("another-state")
    expect(told).to_contain_text("A backup was brought back")
    expect(told).to_contain_text("Bran Tilley, half typed")
    expect(fit.get_by_test_id("another-state")).to_be_visible()  # it looks again every fifteen seconds
    listed.get_by_role("searchbox").fill("van")
    expect(listed.get_by_test_id("another-state")).to_contain_text("Nothing typed here is waiting")
    page.get_by_role("button", name="Open the shop as it is now").click()
    told = page.get_by_test_id("another-state")
    expect(told).to_contain_text("This tab still holds")
    expect(told.get_by_role("heading", name="Van, twin disc")).to_be_visible()
    told.get_by_role("button", name="Keep it as a new job").click()
    expect(told.get_by_role("status")).to_contain_text("Kept as a new job")
    told.get_by_role("link", name="a new job").click()
    expect(field(page, "Customer")).to_have_value("Bran Tilley, half typed")
    expect(page.get_by_test_id("another-state")).to_have_count(0)
    assert "Tilley" not in json.dumps(of_shop(shop, f"/api/jobs/{other}"))


def test_what_waits_for_room_on_the_disk_stays_over_a_reload_and_a_closed_tab(
    context: BrowserContext, page: Page, shop: str
) -> None:
    full = {
        "type": "about:blank",
        "title": "No room left",
        "status": 507,
        "detail": "There is no room left on the disk. Nothing was written.",
    }

    def refuse(route: Route) -> None:
        if route.request.method == "POST":
            route.fulfill(status=507, content_type="application/problem+json", body=json.dumps(full))
        else:
            route.continue_()

    context.route("**/api/jobs/1/plan", refuse)
    page.goto(f"{shop}/jobs/1/fit")
    page.get_by_text("Bags, marks and what is left over").click()
    page.get_by_placeholder("Assembly").fill("Cover and disc")
    page.get_by_role("button", name="Keep it").click()
    waits = page.get_by_role("status").filter(has_text="no room left on the disk")
    expect(waits).to_contain_text("One thing waits")
    page.reload()
    expect(page.get_by_role("status").filter(has_text="no room left on the disk")).to_contain_text("One thing waits")
    assert of_shop(shop, "/api/jobs/1/plan")["kept"] == []
    page.evaluate("""() => Object.keys(localStorage).filter((k) => k.startsWith('liftbite.alive'))
                        .forEach((k) => localStorage.setItem(k, '0'))""")
    page.close()
    context.unroute("**/api/jobs/1/plan", refuse)
    other = context.new_page()
    other.goto(f"{shop}/jobs/1/record")
    expect(other.get_by_role("status").filter(has_text="no room left")).to_have_count(0)
    other.wait_for_function("fetch('/api/jobs/1/plan').then((a) => a.json()).then((p) => p.kept.length === 1)")


def test_a_whole_shop_goes_out_and_in_by_screen_and_what_is_otherwise_is_asked(
    page: Page, shop: str, tmp_path: Path
) -> None:
    page.goto(f"{shop}/backups")
    with page.expect_download() as saving:
        page.get_by_role("button", name="Save the archive").click()
    saving.value.save_as(tmp_path / "shop.zip")
    body = json.dumps({"entries": [{"quantity": "notes", "typed": "since then"}], "build": ""}).encode()
    job = of_shop(shop, "/api/jobs/1")
    urllib.request.urlopen(
        urllib.request.Request(
            f"{shop}/api/jobs/1/entries", body, {"Content-Type": "application/json", "If-Match": f'"{job["revision"]}"'}
        )
    ).close()
    page.get_by_label("Archive", exact=True).set_input_files(tmp_path / "shop.zip")
    brought = page.get_by_test_id("brought")
    expect(brought.get_by_role("status")).to_contain_text("6 jobs were here as they are")
    expect(brought).to_contain_text("the job here goes on where the archive's ends")
    brought.get_by_role("combobox").select_option("copy")
    brought.get_by_role("button", name="Do it").click()
    expect(brought.get_by_role("status")).to_contain_text("1 new job")
    assert of_shop(shop, "/api/jobs")["count"] == 8


def test_a_plate_is_covered_by_hand_and_the_record_says_by_whom(page: Page, shop: str, tmp_path: Path) -> None:
    (tmp_path / "car.png").write_bytes(picture(size=(640, 400)))
    page.goto(f"{shop}/jobs/1/fit")
    page.get_by_label("Photo", exact=True).set_input_files(tmp_path / "car.png")
    photos = page.get_by_test_id("photos").first
    photos.get_by_role("button", name="Photo:").click()
    page.get_by_role("button", name="Erase a plate or a face").click()
    area = page.get_by_test_id("erase-area")
    area.get_by_role("presentation").or_(area.locator("img")).first.scroll_into_view_if_needed()
    box = area.bounding_box()
    assert box is not None
    page.mouse.move(box["x"] + box["width"] * 0.3, box["y"] + box["height"] * 0.3)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] * 0.6, box["y"] + box["height"] * 0.6, steps=4)
    page.mouse.up()
    page.get_by_role("textbox", name="Why it is erased").fill("the customer asked")
    page.get_by_role("textbox", name="Who erases it").fill("Nell")
    page.get_by_role("button", name="Erase what is covered").click()
    expect(page.get_by_test_id("erase")).to_have_count(0)
    record = of_shop(shop, "/api/jobs/1/file")["bench"]["record"]
    said = [(line["said"]["answer"], line.get("who")) for line in record if line["kind"] == "photo"]
    assert said[-2:] == [("erased", "Nell"), ("kept", "Nell")]
