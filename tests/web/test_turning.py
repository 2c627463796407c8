"""Turning from view to view: the last click holds, however late an answer to an earlier one comes in."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.web.steps import open_job

CLICK_WHEN_DRAWN = """([row, words]) => {
  let clicked = false;
  new MutationObserver(() => {
    const link = [...document.querySelectorAll(`nav[aria-label="${row}"] a`)].find((a) => a.textContent === words);
    if (link && !clicked) { clicked = true; setTimeout(() => link.click()); }
  }).observe(document.body, { childList: true, subtree: true });
}"""
"""Clicks a link as soon as it is on screen, quicker than a hand could."""


@pytest.mark.parametrize(
    ("station", "row", "view", "address"),
    [("Measure", "Measure", "Decide", "/measure/decide"), ("Choose", "Workbench", "Flywheel", "/choose/wheel")],
)
def test_a_view_clicked_while_its_station_still_opens_stays(
    page: Page, shop: str, station: str, row: str, view: str, address: str
) -> None:
    page.goto(f"{shop}/jobs/5/brief")
    link = page.get_by_role("link", name=station, exact=True)
    expect(link).to_be_visible()
    page.context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": 6})  # an old tablet
    page.evaluate(CLICK_WHEN_DRAWN, [row, view])
    link.click()
    turned = page.get_by_role("navigation", name=row).get_by_role("link", name=view, exact=True)
    expect(turned).to_have_attribute("aria-current", "page", timeout=15_000)
    page.wait_for_load_state("networkidle")
    assert page.url.endswith(address)


@pytest.mark.parametrize("by_address", [True, False])
def test_a_station_opens_on_its_first_view_and_goes_back_in_one_step(page: Page, shop: str, by_address: bool) -> None:
    page.goto(shop)
    if by_address:
        page.goto(f"{shop}/jobs/5/choose?try.trapped_air=2+mL")
        expect(page).to_have_url(f"{shop}/jobs/5/choose/section?try.trapped_air=2+mL")
    else:
        page.get_by_role("link", name=re.compile("Merrix 600")).click()
        expect(page).to_have_url(f"{shop}/jobs/5/choose/section")
    page.go_back()
    expect(page).to_have_url(f"{shop}/")


def test_a_reading_that_is_taken_in_late_calls_nobody_back(page: Page, shop: str) -> None:
    open_job(page, shop, "Ostrel 900", "measure")
    on_its_way: list[Route] = []
    page.route("**/readings", lambda route: on_its_way.append(route))
    page.locator("[data-check=spring_free_length]").click()
    page.locator("[data-testid=keypad] input").fill("46.8")
    page.locator("[data-testid=keypad] input").press("Enter")
    page.locator("[data-check=plate_thickness]").click()
    expect(page).to_have_url(re.compile("check=plate_thickness"))
    expect(page.get_by_test_id("place")).to_contain_text("Plate 1, place 1")
    assert len(on_its_way) == 1
    on_its_way[0].continue_()
    page.wait_for_load_state("networkidle")
    expect(page.get_by_test_id("place")).to_contain_text("Plate 1, place 1")
    expect(page).to_have_url(re.compile("check=plate_thickness"))
    page.unroute("**/readings")
    page.locator("[data-check=spring_free_length]").click()
    expect(page.locator("[data-testid=readings] tr")).to_have_count(1)  # and it is there
