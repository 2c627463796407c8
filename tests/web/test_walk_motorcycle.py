"""A motorcycle, by keyboard alone; two tabs; a server that is gone."""

from __future__ import annotations

import re

from playwright.sync_api import BrowserContext, Page, expect

from liftbite.demo import JOBS
from tests.web.steps import fill, open_job, sentence, state


def press_to(page: Page, label: str, kind: str = "textbox") -> None:
    """Goes to a control with the Tab key, and fails if it cannot be reached."""
    target = page.get_by_role(kind, name=label, exact=True)  # type: ignore[arg-type]
    for _ in range(60):
        page.keyboard.press("Tab")
        if target.count() == 1 and target.evaluate("e => e === document.activeElement"):
            return
    raise AssertionError(f"{label} cannot be reached by keyboard")


def type_into(page: Page, label: str, text: str) -> None:
    press_to(page, label)
    page.keyboard.type(text)
    page.keyboard.press("Enter")
    expect(page.locator("[class*=border-now]")).to_have_count(0)


def choose(page: Page, label: str, first_letters: str) -> None:
    press_to(page, label, "combobox")
    page.keyboard.type(first_letters)
    page.wait_for_load_state("networkidle")


def test_a_motorcycle_by_keyboard_alone(page: Page, shop: str) -> None:
    page.goto(shop)
    choose(page, "What it is", "Other: M")
    press_to(page, "Name")
    page.keyboard.type("Keyboard twin")
    page.keyboard.press("Enter")
    expect(page).to_have_url(f"{shop}/jobs/{len(JOBS) + 1}/brief")

    choose(page, "Engine output from", "Two")
    type_into(page, "Peak torque", "66 lb-ft")
    type_into(page, "Speed at peak torque", "7000")
    type_into(page, "Peak power", "110 hp")
    type_into(page, "Speed at peak power", "9500 rpm")
    choose(page, "Figures taken at", "The crank")
    choose(page, "Use", "Track")

    page.get_by_role("link", name="Choose", exact=True).focus()
    page.keyboard.press("Enter")
    expect(page.get_by_test_id("bench")).to_be_visible()
    page.keyboard.press("2")
    expect(page.get_by_role("heading", name="Does it hold?")).to_be_visible()
    type_into(page, "Friction plates", "7")
    type_into(page, "Outer diameter", "140")
    type_into(page, "Inner diameter", "110")
    choose(page, "Facing material", "Paper")
    type_into(page, "Springs", "6")
    type_into(page, "Rate of one spring", "25 N/mm")
    type_into(page, "Free length", "45")
    type_into(page, "Installed length", "30")
    expect(sentence(page)).to_have_text("Needs primary ratio.")
    page.get_by_test_id("answer-bite").focus()
    page.keyboard.press("Enter")
    page.reload()
    type_into(page, "Primary ratio", "1.75")
    expect(state(page)).to_have_text("holds")
    page.locator("body").click(position={"x": 700, "y": 75})
    page.keyboard.press("Control+z")
    expect(state(page)).to_have_text("open")
    page.keyboard.press("Control+Shift+z")
    expect(state(page)).to_have_text("holds")


def test_a_spring_from_its_wire_and_a_ratio_from_teeth(page: Page, shop: str) -> None:
    open_job(page, shop, "Ostrel 900")
    expect(state(page)).to_have_text("holds")
    fill(page, "Working coils", "12")
    expect(state(page)).to_have_text("slips")
    expect(page.get_by_text("Rate of one spring")).to_have_count(0)
    page.get_by_label("Primary drive by").select_option(label="Ratio")
    expect(sentence(page)).to_contain_text("Needs primary ratio")
    page.get_by_role("button", name="Undo").click()
    expect(sentence(page)).to_contain_text("Slips")


def test_two_tabs_cannot_silently_overwrite_each_other(context: BrowserContext, page: Page, shop: str) -> None:
    address = open_job(page, shop, "Halvern coupé, stage two")
    other = context.new_page()
    other.goto(address)
    mine, theirs = (p.get_by_label("Clamp load", exact=True) for p in (page, other))
    expect(theirs).to_have_value("1560 lbf")
    theirs.fill("9 kN")
    theirs.press("Enter")
    expect(other.get_by_text("revision 7")).to_be_visible()
    mine.fill("10 kN")
    mine.press("Enter")
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("changed elsewhere")
    expect(dialog.get_by_role("row", name="Clamp load")).to_contain_text("10 kN")
    expect(dialog.get_by_role("row", name="Clamp load")).to_contain_text("9 kN")
    dialog.get_by_role("button", name="Enter mine on top").click()
    expect(page.get_by_text("revision 8")).to_be_visible()
    theirs.fill("11 kN")
    theirs.press("Enter")
    other.get_by_role("dialog").get_by_role("button", name="Leave what is there").click()
    expect(theirs).to_have_value("10 kN")


def test_what_is_typed_survives_a_server_that_is_gone(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, stage two")
    page.route("**/api/**", lambda route: route.abort())
    clamp = page.get_by_label("Clamp load", exact=True)
    clamp.fill("2000 lbf")
    clamp.press("Enter")
    says = page.get_by_role("status").filter(has_text="does not answer")
    expect(says).to_contain_text("One thing waits in this tab")
    clamp.fill("2100 lbf")  # the last of a figure is what goes
    clamp.press("Enter")
    expect(clamp).to_have_value("2100 lbf")
    page.unroute("**/api/**")
    expect(page.get_by_text("revision 7")).to_be_visible()
    expect(says).to_have_count(0)
    expect(clamp).to_have_value("2100 lbf")


def test_a_reading_waits_for_a_server_that_is_gone_also_over_a_reload(page: Page, shop: str) -> None:
    page.goto(f"{shop}/jobs/5/measure/bench?check=plate_thickness&place=Plate 1, place 1")
    taken = page.get_by_role("button", name=re.compile("^Take for"))
    expect(taken).to_be_visible()
    before = page.request.get(f"{shop}/api/jobs/5/measure").json()
    count = sum(len(c["readings"]) for c in before["checks"])
    page.route("**/readings?**", lambda route: route.abort())
    for key in "2.91":
        page.keyboard.press(key)
    page.keyboard.press("Enter")
    expect(page.get_by_role("status").filter(has_text="does not answer")).to_be_visible()
    page.reload()  # nothing was lost with the page: it is sent by the one that comes after it
    expect(page.get_by_role("status").filter(has_text="does not answer")).to_be_visible()
    page.unroute("**/readings?**")
    expect(page.get_by_role("status").filter(has_text="does not answer")).to_have_count(0)
    after = page.request.get(f"{shop}/api/jobs/5/measure").json()
    assert sum(len(c["readings"]) for c in after["checks"]) == count + 1
