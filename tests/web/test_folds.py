"""Long columns: what is taken as usual is folded until it is asked for, and a link to a field opens its fold."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from tests.web.steps import open_job


def folded(page: Page) -> None:
    page.add_init_script("localStorage.setItem('liftbite.columns', 'needed')")


def test_what_is_usual_is_folded_and_what_is_typed_stays(page: Page, shop: str) -> None:
    folded(page)
    address = open_job(page, shop, "Ostrel 900")
    page.goto(re.sub(r"choose/.*", "choose/start", address))
    start = page.get_by_role("region", name="Start", exact=True)
    more = start.get_by_role("button", name="taken as usual")
    expect(more).to_be_visible()
    expect(page.locator("input[name=release_time]")).to_have_count(0)
    more.click()
    field = page.locator("input[name=release_time]")
    field.fill("0.9 s")
    field.press("Enter")
    expect(page.locator("[data-row=release_time]")).to_have_attribute("data-mark", "entered")
    page.reload()
    expect(page.locator("input[name=release_time]")).to_have_value("0.9 s")  # entered: never folded again
    expect(start.get_by_role("button", name="taken as usual")).to_be_visible()


def test_a_link_to_a_folded_field_opens_its_fold(page: Page, shop: str) -> None:
    folded(page)
    address = open_job(page, shop, "Ostrel 900")
    page.goto(re.sub(r"choose/.*", "choose/start?field=release_time", address))
    expect(page.locator("input[name=release_time]")).to_be_focused()


def test_everything_is_shown_to_who_wants_it(page: Page, shop: str) -> None:
    address = open_job(page, shop, "Ostrel 900")
    page.goto(re.sub(r"choose/.*", "choose/start", address))
    expect(page.get_by_label("What is usual too")).to_be_checked()
    expect(page.locator("input[name=release_time]")).to_be_visible()
    page.get_by_label("What is usual too").uncheck()
    expect(page.locator("input[name=release_time]")).to_have_count(0)
