"""A builder or a gauge that is quicker than the screen: the last click holds, each reading goes where it belongs."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, Route, expect

from liftbite.gauges.simulate import Simulator, dial_sweep
from tests.web.steps import open_job
from tests.web.test_walk_measure import add_gauge

CLICK_WHEN_DRAWN = """([row, words]) => {
  let clicked = false;
  new MutationObserver(() => {
    const link = [...document.querySelectorAll(`nav[aria-label="${row}"] a`)].find((a) => a.textContent === words);
    if (link && !clicked) { clicked = true; setTimeout(() => link.click()); }
  }).observe(document.body, { childList: true, subtree: true });
}"""
"""Clicks a link as soon as it is on screen, quicker than a hand could."""


def slowly(page: Page, times: int = 6) -> None:
    """From here on the page runs as it would on an old tablet."""
    page.context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": times})


@pytest.mark.parametrize(
    ("station", "row", "view", "address"),
    [("Measure", "Measure", "Decide", "/measure/decide"), ("Choose", "Workbench", "Flywheel", "/choose/flywheel")],
)
def test_a_view_clicked_while_its_station_still_opens_stays(
    page: Page, shop: str, station: str, row: str, view: str, address: str
) -> None:
    page.goto(f"{shop}/jobs/5/brief")
    link = page.get_by_role("link", name=station, exact=True)
    expect(link).to_be_visible()
    slowly(page)
    page.evaluate(CLICK_WHEN_DRAWN, [row, view])
    link.click()
    turned = page.get_by_role("navigation", name=row).get_by_role("link", name=view, exact=True)
    expect(turned).to_have_attribute("aria-current", "page")
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
    page.route("**/readings?*", lambda route: on_its_way.append(route))  # noqa: PLW0108
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
    page.unroute("**/readings?*")
    page.locator("[data-check=spring_free_length]").click()
    expect(page.locator("[data-testid=readings] tr")).to_have_count(1)  # and it is there


def test_figures_keyed_before_the_last_is_taken_go_on_from_place_to_place(page: Page, shop: str) -> None:
    open_job(page, shop, "Ostrel 900", "measure")
    page.locator("[data-check=spring_free_length]").click()
    expect(page.get_by_test_id("place")).to_contain_text("Spring 1")
    display = page.locator("[data-testid=keypad] input")
    display.focus()
    page.route("**/readings?*", lambda route: (page.wait_for_timeout(150), route.continue_()))
    slowly(page)
    keyed = ("46.8", "46.7", "46.6", "43.9")
    for figure in keyed:
        page.keyboard.type(figure)
        page.keyboard.press("Enter")
        page.keyboard.press("Enter")  # once too often: nothing is in the display by then
    rows = page.locator("[data-testid=readings] tr")
    expect(rows).to_have_count(len(keyed))
    for spring, figure in enumerate(keyed, start=1):
        expect(rows.filter(has_text=f"Spring {spring}")).to_contain_text(f"{figure} mm")
    expect(page.get_by_test_id("place")).to_contain_text("Spring 5")


def test_a_figure_that_is_refused_comes_back_to_its_place(page: Page, shop: str) -> None:
    open_job(page, shop, "Ostrel 900", "measure")
    page.locator("[data-check=spring_free_length]").click()
    page.get_by_text("All places").click()
    page.get_by_test_id("places").get_by_role("button", name="Spring 3").click()
    expect(page.get_by_test_id("place")).to_contain_text("Spring 3")
    page.route(
        "**/readings?*",
        lambda route: route.fulfill(
            status=422, content_type="application/problem+json", body='{"detail": "That is no length."}'
        ),
    )
    display = page.locator("[data-testid=keypad] input")
    display.fill("46.8")
    display.press("Enter")
    expect(page.get_by_role("alert")).to_be_visible()
    expect(page.get_by_test_id("place")).to_contain_text("Spring 3")
    expect(display).to_have_value("46.8")
    page.unroute("**/readings?*")
    display.press("Enter")
    expect(page.locator("[data-testid=readings] tr")).to_contain_text(["Spring 3"])


def test_a_gauge_that_is_quicker_than_the_screen_goes_round_in_order(page: Page, shop: str) -> None:
    """Nine readings at once: each at its angle, so that the bore lies where it lies."""
    open_job(page, shop, "Bramwick estate", "measure")
    there = Simulator(dial_sweep(0.18, 60), every=0.0).start()
    page.locator("[data-check=bore_runout]").click()
    slowly(page)
    add_gauge(page, "Dial indicator", "Bench dial", there.url)
    expect(page.get_by_test_id("finding")).to_have_attribute("data-verdict", "put right")
    expect(page.get_by_test_id("sentence")).to_contain_text("high side towards 8 o'clock")
    expect(page.locator("[data-testid=readings] tr")).to_have_count(9)
    there.stop()


def test_a_bench_that_was_asked_for_before_a_reading_does_not_take_it_off_the_screen(page: Page, shop: str) -> None:
    """Another tab's reading makes this one look again; what it was told before its own reading comes in after it."""
    open_job(page, shop, "Ostrel 900", "measure")
    page.locator("[data-check=spring_free_length]").click()
    display, rows = page.locator("[data-testid=keypad] input"), page.locator("[data-testid=readings] tr")
    expect(display).to_be_visible()
    before = rows.count()
    late: list[tuple[Route, bytes]] = []
    page.route("**/measure?*", lambda route: late.append((route, route.fetch().body())))
    page.evaluate(
        "document.dispatchEvent(new Event('visibilitychange', { bubbles: true }))"
    )  # the tab is looked at again
    for _ in range(1_000):
        if late:
            break
        page.wait_for_timeout(20)
    assert late
    display.fill("46.8")
    display.press("Enter")
    expect(rows).to_have_count(before + 1)
    for route, body in late:
        route.fulfill(body=body, content_type="application/json")
    page.unroute("**/measure?*")
    page.wait_for_load_state("networkidle")
    expect(rows).to_have_count(before + 1)


def test_digits_typed_on_the_bench_are_the_reading_wherever_the_hand_was(page: Page, shop: str) -> None:
    """A key of the keypad was touched, then the keyboard: no digit turns to another view."""
    open_job(page, shop, "Merrix 600", "measure")
    page.goto(page.url.split("?")[0] + "?check=plate_thickness&place=Plate 1, place 1")
    pad = page.get_by_test_id("keypad")
    pad.get_by_role("button", name="2", exact=True).click()
    page.keyboard.type(".9")
    expect(pad.get_by_role("textbox")).to_have_value("2.9")
    page.locator("body").click(position={"x": 3, "y": 3})
    page.keyboard.type("17")
    expect(pad.get_by_role("textbox")).to_have_value("2.917")
    expect(page).to_have_url(re.compile("measure/bench"))
