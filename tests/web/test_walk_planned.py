"""What is planned: parts that are renewed against what was found, a schedule of starts, bores and bolts put in."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from tests.web.steps import open_job, turn


def test_what_is_renewed_is_planned_and_stands_against_what_was_found(page: Page, shop: str) -> None:
    """Tired springs lower Bite; planned as renewed they do not, and as found they still do."""
    open_job(page, shop, "Merrix 600", "measure")
    turn(page, "Decide", "Measure")
    page.get_by_test_id("effects").get_by_role("button", name="Put").first.click()
    springs = page.get_by_test_id("needs").locator("[data-part='Spring set']")
    springs.get_by_role("button", name="Plan it: Spring set").click()
    expect(springs.get_by_role("button")).to_have_count(0)
    turn(page, "Choose", "Order of work")
    turn(page, "Found against planned", "Workbench")
    told = page.get_by_test_id("against")
    expect(told).to_contain_text("Clutch springs renewed")
    expect(told).to_contain_text("Holds ")
    expect(told.locator("[data-change='clamp_load']")).not_to_contain_text("stays")
    expect(page.get_by_label("Clutch springs", exact=True)).to_have_value("renewed")
    page.get_by_label("Clutch springs", exact=True).select_option("stays")
    expect(told).not_to_contain_text("Clutch springs renewed")
    page.reload()
    expect(page.get_by_label("Clutch springs", exact=True)).to_have_value("stays")


def test_a_schedule_and_stocked_bores_are_typed_shown_and_put_in(page: Page, shop: str) -> None:
    open_job(page, shop, "twin-disc plan", "choose")
    turn(page, "Start", "Workbench")
    schedule = page.get_by_label("Schedule of starts", exact=True)
    schedule.fill("3 x standing every 40 s; rest forever")
    schedule.blur()
    expect(page.get_by_text("is not understood")).to_be_visible()
    schedule.fill("3 x standing every 40 s; rest 5 min; 2 x drop every 30 s")
    schedule.blur()
    expect(page.get_by_test_id("stint")).to_contain_text("5 starts of the schedule")
    expect(page.get_by_test_id("stint")).to_contain_text("Hot first")
    turn(page, "Section", "Workbench")
    table = page.get_by_test_id("beside")
    expect(table).to_contain_text("Stocked bores")
    bores = table.locator("tbody tr").first.locator("td").first.inner_text()
    table.locator("tbody tr").first.get_by_role("button", name="Put in").click()
    expect(table.locator("tbody tr").first).to_contain_text("as it is")
    expect(page.get_by_label("Master bore", exact=True)).to_have_value(bores)
    turn(page, "Flywheel", "Workbench")
    expect(page.get_by_test_id("beside")).to_contain_text("vehicle maker")
    page.get_by_test_id("beside").get_by_role("row", name="vehicle maker").get_by_role("button").click()
    expect(page.get_by_label("Flywheel bolts, torque", exact=True)).to_have_value("44 lb-ft + 90°")
