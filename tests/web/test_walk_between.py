"""Between the bench and the workbench: what is measured moves what is chosen; by keyboard alone; under another name."""

from __future__ import annotations

import re

from playwright.sync_api import Page, expect

from tests.web.steps import answer, fill, open_job, show, turn


def floater(page: Page, typed: str) -> None:
    """Enters the floater's clearance beside the section."""
    fill(page, "Floater clearance", typed)


def test_a_twins_floater_makes_it_drag_and_the_drawing_shows_which_disc(page: Page, shop: str) -> None:
    open_job(page, shop, "twin-disc plan")
    show(page, "Section")
    expect(answer(page, "lift")).to_have_attribute("data-state", "frees")
    floater(page, "2.2 mm")
    expect(answer(page, "lift")).to_have_attribute("data-state", "drags")
    expect(page.get_by_text("leaves the outer disc").first).to_be_visible()
    expect(page.get_by_test_id("lift-deciding")).to_contain_text("floater")  # not the lift, which is enough
    page.locator("[data-slide=pedal] [role=slider]").focus()
    page.keyboard.press("End")
    expect(page.get_by_test_id("bench")).to_have_attribute("data-pedal", "1")
    gaps = page.locator("[data-testid=gaps] [data-face]")
    expect(gaps).to_have_count(4)
    expect(gaps.nth(0)).to_have_attribute("data-gap", re.compile(r"^0\.[5-9]|^1\."))
    for face in (2, 3):  # the outer disc's two
        expect(gaps.nth(face)).to_have_attribute("data-gap", re.compile(r"^0\.0"))
    floater(page, "0.022 in")
    expect(answer(page, "lift")).to_have_attribute("data-state", "frees")


def test_runout_can_be_entered_where_the_flywheel_stands_and_moves_true(page: Page, shop: str) -> None:
    open_job(page, shop, "twin-disc plan")
    show(page, "Flywheel")
    expect(answer(page, "true")).to_have_attribute("data-state", "runs true")
    fill(page, "Flywheel face, runout", "8 thou")
    expect(answer(page, "true")).to_have_attribute("data-state", "look again")
    expect(page.get_by_text("runs out 0.203 mm (0.008 in); 0.138 mm (0.0054 in) is allowed").first).to_be_visible()
    fill(page, "Flywheel face, allowed", "0.3 mm")
    expect(answer(page, "true")).to_have_attribute("data-state", "runs true")
    page.get_by_role("button", name="Undo").click()
    expect(answer(page, "true")).to_have_attribute("data-state", "look again")


def test_the_bench_by_keyboard_alone(page: Page, shop: str) -> None:
    """From the list to the verdict without a pointer: fields, keys of the map, series back, and on to what it takes."""
    open_job(page, shop, "Ostrel 900", "measure")
    page.goto(re.sub(r"measure.*", "measure/bench?check=spring_free_length", page.url))
    display = page.locator("[data-testid=keypad] input")
    expect(display).to_be_focused()
    rows = page.locator("[data-testid=readings] tr")
    for count, typed in enumerate(("46.8", "46.7", "1 27/32 in"), start=1):
        page.keyboard.type(typed)
        page.keyboard.press("Enter")
        expect(rows).to_have_count(count)
    page.keyboard.press("Control+z")
    expect(rows).to_have_count(2)
    page.keyboard.press("Control+y")
    expect(rows).to_have_count(3)
    for typed in ("43.9", "46.7", "46.8"):
        page.keyboard.type(typed)
        page.keyboard.press("Enter")
    expect(page.get_by_test_id("finding")).to_have_attribute("data-verdict", "renew as set")
    page.get_by_role("link", name="Bench").focus()
    page.keyboard.press("8")
    expect(page).to_have_url(re.compile("measure/decide"))
    expect(page.get_by_test_id("needs").locator("[data-part='springs']")).to_be_visible()
    page.keyboard.press("7")
    expect(page).to_have_url(re.compile("measure/bench"))


def test_a_vehicle_renamed_half_way_keeps_what_was_typed_and_read_for_it(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "measure")
    page.locator("[data-check=plate_thickness]").click()
    least = page.locator("[data-limit=least]")
    least.get_by_role("button").click()
    least.get_by_label(re.compile("Figure")).fill("2.7")
    least.get_by_role("button", name=re.compile("Keep for")).click()
    expect(least).to_contain_text("The manual's, for this vehicle")
    turn(page, "Brief")
    fill(page, "Vehicle", "Merrix 600 four, second owner")
    turn(page, "Measure")
    page.locator("[data-check=plate_thickness]").click()
    expect(least).to_contain_text("2.7 mm")
    expect(least).to_contain_text("typed for “Merrix 600 four, track”")
    turn(page, "History", "Measure")
    expect(page.get_by_test_id("record")).to_contain_text("readings, newest first")
    turn(page, "Bench", "Measure")
    page.locator("[data-check=plate_thickness]").click()
    least.get_by_role("button", name=re.compile("Manual says|Change")).click()
    least.get_by_role("button", name="Back to the default").click()
    expect(least).to_contain_text("2.8 mm")


def test_a_floaters_readings_go_into_the_job_and_out_again_with_one_undo(page: Page, shop: str) -> None:
    """One change takes them all in; one undo takes them all out, and the four answers stand as before."""
    open_job(page, shop, "twin-disc plan", "measure")
    turn(page, "Decide", "Measure")
    effects = page.get_by_test_id("effects")
    before = [answer(page, q).get_attribute("data-state") for q in ("bite", "lift", "heat", "true")]
    expect(effects.locator("[data-effect]")).not_to_have_count(0)
    count = effects.locator("[data-effect]").count()
    assert count >= 4
    effects.get_by_role("button", name=re.compile("as measured")).click()
    expect(effects).to_contain_text("No reading says otherwise")
    expect(answer(page, "true")).to_have_attribute("data-state", "look again")
    page.get_by_role("button", name="Undo").click()
    expect(effects.locator("[data-effect]")).to_have_count(count)
    for question, was in zip(("bite", "lift", "heat", "true"), before, strict=True):
        expect(answer(page, question)).to_have_attribute("data-state", was or "")
