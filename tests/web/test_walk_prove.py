"""Prove: a car that slips, from its log to Bite; a complaint looked into; bedding-in and a signed hand-over."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.web.steps import open_job, sentence, turn


def sign(page: Page, name: str = "Ines Marrow") -> None:
    field = page.get_by_label("Who reads and says")
    field.fill(name)
    field.blur()


def test_a_car_that_slips_from_its_log_to_bite(page: Page, shop: str, tmp_path: Path) -> None:
    address = open_job(page, shop, "Halvern coupé, twin-disc plan", "prove")
    with page.expect_download() as coming:
        page.get_by_role("link", name="slipping", exact=True).click()
    log = tmp_path / "slip.csv"
    coming.value.save_as(log)
    page.get_by_label("Log", exact=True).set_input_files(log)
    drive = page.get_by_test_id("drive")
    expect(drive).to_contain_text(re.compile(r"Slipped .* in gear \d.*holds"))
    expect(drive.get_by_test_id("slips").get_by_role("row")).not_to_have_count(1)
    drive.get_by_test_id("slips").get_by_role("button").first.click()
    expect(drive.get_by_role("button", name="The whole drive")).to_be_visible()
    sign(page)
    drive.get_by_role("button", name="Keep this drive").click()
    expect(page.get_by_role("region", name="Drives kept")).to_contain_text("Ines Marrow")
    before = sentence(page).text_content() or ""
    drive.get_by_role("button", name=re.compile("^Take friction")).click()
    expect(sentence(page)).not_to_have_text(before)
    assert address


def test_a_strangers_file_is_refused_in_words_and_another_can_be_read(page: Page, shop: str, tmp_path: Path) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan", "prove")
    wrong = tmp_path / "wrong.csv"
    wrong.write_text("name,price\nbolt,2\n")
    page.get_by_label("Log", exact=True).set_input_files(wrong)
    expect(page.get_by_role("alert")).to_contain_text("at least three figures")


@pytest.mark.parametrize("width", [1280, 820, 390])
def test_a_complaint_is_looked_into(page: Page, shop: str, width: int) -> None:
    page.set_viewport_size({"width": width, "height": 900})
    open_job(page, shop, "Dunlode hillclimb", "prove")
    page.get_by_role("link", name="Fault", exact=True).click()
    page.get_by_role("button", name="drags", exact=True).click()
    expect(page.get_by_test_id("next-test")).to_be_visible()
    page.get_by_role("button", name="after work").first.click()
    page.get_by_role("button", name="better").first.click()
    expect(page.get_by_test_id("asked")).to_contain_text("better")
    air = page.locator("[data-cause=air]")
    expect(air).to_contain_text("likely")
    page.reload()
    expect(page.get_by_test_id("asked")).to_contain_text("after work")
    air.get_by_role("button", name="This was it").click()
    expect(air).to_contain_text("Found")


def test_bedding_in_and_a_signed_hand_over(page: Page, shop: str) -> None:
    open_job(page, shop, "Kestrane roadster", "prove")
    page.get_by_role("link", name="Hand-over", exact=True).click()
    page.get_by_role("button", name="Sign this edition").click()
    expect(page.get_by_role("alert")).to_contain_text("say who signs")
    sign(page)
    page.get_by_role("textbox", name="Trip").fill("60 mi")
    page.get_by_role("textbox", name="Starts").fill("40")
    page.get_by_role("button", name="Add the trip").click()
    expect(page.get_by_test_id("bedding-says")).to_contain_text("97 km and 40 gentle starts")
    page.get_by_role("button", name="Looked at again").click()
    page.get_by_role("button", name="Sign this edition").click()
    expect(page.get_by_text("edition 1")).to_be_visible()
    with page.expect_popup() as opened:
        page.get_by_role("link", name="Look at it").click()
    expect(opened.value.get_by_test_id("hand-briefing")).to_contain_text("Stop and call")
    turn(page, "Brief")
    notes = page.get_by_role("textbox", name="Notes")
    notes.fill("torqued again")
    notes.blur()
    turn(page, "Prove")
    page.get_by_role("link", name="Hand-over", exact=True).click()
    expect(page.get_by_text("Changed since it was signed")).to_be_visible()
