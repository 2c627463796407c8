"""What a builder does on screen, in the words of the tests."""

from __future__ import annotations

import re

from playwright.sync_api import FrameLocator, Locator, Page, expect


def open_job(page: Page, shop: str, name: str, station: str = "choose") -> str:
    """Opens a job from the list; its address."""
    page.goto(shop)
    page.get_by_role("link", name=re.compile(name)).click()
    expect(page.get_by_role("navigation", name="Order of work")).to_be_visible()
    turn(page, station.capitalize())
    if station == "choose":
        show(page, "Torque")
    return page.url


def show(page: Page, view: str) -> None:
    """Turns to a view of the workbench."""
    turn(page, view, "Workbench")


def turn(page: Page, to: str, within: str = "Order of work") -> None:
    """Follows a link of a row of views, and waits for the view to be there: what is asked next is asked of it."""
    link = page.get_by_role("navigation", name=within).get_by_role("link", name=to, exact=True)
    link.click()
    expect(link).to_have_attribute("aria-current", "page")


def fill(page: Page, label: str, text: str) -> None:
    """Types into a field and leaves it."""
    field = page.get_by_role("textbox", name=label, exact=True)
    field.fill(text)
    field.press("Enter")
    expect(page.locator("input[class*=border-now]")).to_have_count(0)


def pick(page: Page, label: str, option: str) -> None:
    page.get_by_role("combobox", name=label, exact=True).select_option(label=option)
    page.wait_for_load_state("networkidle")


def sheet_of(page: Page) -> FrameLocator:
    """The document of the sheet's view."""
    return page.frame_locator("iframe[title=Sheet]")


def state(page: Page) -> Locator:
    return page.get_by_test_id("bite-state")


def sentence(page: Page) -> Locator:
    return page.get_by_test_id("bite-sentence")


def result(page: Page, name: str) -> Locator:
    return page.locator(f"[data-result={name}]")


def answer(page: Page, question: str) -> Locator:
    """The cell of an answer in the title block; its state is `data-state`."""
    return page.get_by_test_id(f"answer-{question}")


def all_four(page: Page, *states: str) -> None:
    """Expects the four answers to stand as said, Bite first."""
    for question, expected in zip(("bite", "lift", "heat", "true"), states, strict=True):
        expect(answer(page, question)).to_have_attribute("data-state", expected)


def unfold(page: Page) -> None:
    """Opens every stretch of the plan for good, so that what is done does not fold away."""
    heads = page.get_by_test_id("steps").locator("button[aria-expanded]")
    expect(heads.first).to_be_visible()
    for number in range(heads.count()):
        head = heads.nth(number)
        if head.get_attribute("aria-expanded") == "true":
            head.click()
        head.click()
        expect(head).to_have_attribute("aria-expanded", "true")
