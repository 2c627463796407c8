"""What a builder does on screen, in the words of the tests."""

from __future__ import annotations

import re

from playwright.sync_api import Locator, Page, expect


def open_job(page: Page, shop: str, name: str, station: str = "choose") -> str:
    """Opens a job from the list; its address."""
    page.goto(shop)
    page.get_by_role("link", name=re.compile(name)).click()
    expect(page.get_by_role("navigation", name="Order of work")).to_be_visible()
    page.get_by_role("link", name=station.capitalize(), exact=True).click()
    return page.url


def fill(page: Page, label: str, text: str) -> None:
    """Types into a field and leaves it."""
    field = page.get_by_role("textbox", name=label, exact=True)
    field.fill(text)
    field.press("Enter")
    expect(page.locator("[class*=border-now]")).to_have_count(0)


def pick(page: Page, label: str, option: str) -> None:
    page.get_by_role("combobox", name=label, exact=True).select_option(label=option)
    page.wait_for_load_state("networkidle")


def state(page: Page) -> Locator:
    return page.get_by_test_id("bite-state")


def sentence(page: Page) -> Locator:
    return page.get_by_test_id("bite-sentence")


def result(page: Page, name: str) -> Locator:
    return page.locator(f"[data-result={name}]")
