"""What is planned: parts that are renewed against what was found, a schedule of starts, bores and bolts put in."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from tests.web.steps import answer, fill, open_job, sheet_of, turn


def test_what_is_renewed_is_planned_and_stands_against_what_was_found(page: Page, shop: str) -> None:
    """Tired springs lower Bite; planned as renewed they do not, and as found they still do."""
    open_job(page, shop, "Merrix 600", "measure")
    turn(page, "Decide", "Measure")
    page.get_by_test_id("effects").get_by_role("button", name="Put").first.click()
    springs = page.get_by_test_id("needs").locator("[data-part='springs']")
    springs.get_by_role("button", name="Plan it: Spring set").click()
    expect(springs.get_by_role("button")).to_have_count(0)
    turn(page, "Choose", "Order of work")
    turn(page, "Builds", "Workbench")
    told = page.get_by_test_id("against")
    expect(told).to_contain_text("Spring set: renewed")
    expect(told).to_contain_text("Holds ")
    expect(told.locator("[data-change='clamp_load']")).not_to_contain_text("stays")
    expect(page.get_by_label("Spring set", exact=True)).to_have_value("renewed")
    page.get_by_label("Spring set", exact=True).select_option("stays")
    expect(told).not_to_contain_text("Spring set: renewed")
    page.reload()
    expect(page.get_by_label("Spring set", exact=True)).to_have_value("stays")


def test_an_alternative_is_begun_worked_on_and_made_the_plan(page: Page, shop: str) -> None:
    open_job(page, shop, "twin-disc plan", "choose")
    turn(page, "Builds", "Workbench")
    page.get_by_label("Another way to build it").fill("one stiff cover")
    page.get_by_role("button", name="Begin an alternative").click()
    expect(page.get_by_test_id("of-build")).to_contain_text("of this alternative alone")
    turn(page, "Torque", "Workbench")
    fill(page, "Clamp load", "7.6 kN")
    expect(answer(page, "bite")).to_contain_text("2.56")
    page.reload()
    expect(page.get_by_label("Clamp load", exact=True)).to_have_value("7.6 kN")
    expect(page.get_by_label("Build", exact=True)).to_have_value("one stiff cover")
    page.get_by_label("Build", exact=True).select_option("")
    expect(page.get_by_label("Clamp load", exact=True)).to_have_value("7.4 kN")
    expect(answer(page, "bite")).to_contain_text("2.49")
    turn(page, "Builds", "Workbench")
    page.locator("[data-build='one stiff cover']").get_by_role("button", name="Make it the plan").click()
    expect(page.locator("[data-build='one stiff cover']")).to_have_count(0)
    expect(answer(page, "bite")).to_contain_text("2.56")
    page.get_by_role("button", name="Undo").click()
    expect(page.locator("[data-build='one stiff cover']")).to_be_visible()
    expect(answer(page, "bite")).to_contain_text("2.49")


def test_the_one_that_goes_in_is_measured_too(page: Page, shop: str) -> None:
    """Of a flywheel that is renewed, what comes out and what goes in are read apart; each reaches its own build."""
    open_job(page, shop, "twin-disc plan", "measure")
    whose = page.get_by_label("Readings of")
    page.goto(page.url.split("?")[0] + "?check=flywheel_weight")
    for build, weight in (("found", "11.4 kg"), ("planned", "6.3 kg")):
        whose.select_option(build)
        expect(page.locator("[data-check=flywheel_weight]")).to_contain_text(
            "comes out" if build == "found" else "goes in"
        )
        expect(page.get_by_test_id("readings").locator("tr")).to_have_count(0)
        page.locator("[data-testid=keypad] input").fill(weight)
        page.locator("[data-testid=keypad] input").press("Enter")
        expect(page.get_by_test_id("readings").locator("tr")).to_have_count(1)
    turn(page, "Decide", "Measure")
    effect = page.locator("[data-effect=flywheel_mass]")
    expect(effect).to_contain_text("6.3 kg")
    page.get_by_test_id("effects").get_by_role("button", name="into the job").click()
    expect(effect).to_have_count(0)
    page.get_by_label("Readings of").select_option("found")
    expect(effect).to_contain_text("11.4 kg")
    turn(page, "Choose", "Order of work")
    turn(page, "Flywheel", "Workbench")
    expect(page.get_by_label("Flywheel mass", exact=True)).to_have_value("6.3 kg")


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


def test_the_next_question_leads_to_its_field_and_the_next_follows(page: Page, shop: str) -> None:
    open_job(page, shop, "Bramwick estate", "choose")
    asked = page.get_by_test_id("next-question")
    expect(asked).to_contain_text("waits for it")
    first = asked.get_by_role("link").inner_text()
    asked.get_by_role("link").click()
    field = page.get_by_label(first, exact=True)
    expect(field).to_be_focused()
    field.fill("5200 rpm")
    field.press("Enter")
    expect(asked.get_by_role("link")).not_to_have_text(first)


def test_what_is_said_at_the_bench_stands_with_its_name_and_is_printed(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "measure")
    page.goto(page.url.split("?")[0] + "?check=spring_free_length")
    name = page.get_by_label("Who reads and says")
    name.fill("Ines Marrow")
    name.press("Tab")
    page.get_by_text("Close or overrule it").click()
    page.get_by_label("What is said of it").select_option("reuse")
    page.get_by_label("Why", exact=True).fill("one weekend only")
    page.get_by_role("button", name="Say so, Ines Marrow").click()
    expect(page.get_by_test_id("finding")).to_have_attribute("data-verdict", "reuse")
    expect(page.get_by_test_id("said")).to_contain_text("says Ines Marrow: one weekend only")
    page.get_by_label("This job goes as far as").select_option("hydraulics")
    expect(page.get_by_text("Not asked for on this job")).to_be_visible()
    page.get_by_label("This job goes as far as").select_option("everything")
    turn(page, "Sheet")
    expect(sheet_of(page).get_by_test_id("measured")).to_contain_text("Ines Marrow says so: one weekend only")
    turn(page, "Measure")
    page.goto(page.url.split("?")[0] + "?check=spring_free_length")
    page.get_by_test_id("said").get_by_role("button", name="Take it back").click()
    expect(page.get_by_test_id("finding")).to_have_attribute("data-verdict", "renew as set")


def test_a_line_is_ordered_and_another_struck(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "measure")
    turn(page, "Decide", "Measure")
    springs = page.locator("[data-part='springs']")
    springs.get_by_text("Order it, or strike it").click()
    springs.get_by_label("Part number").fill("HD-31-H")
    springs.get_by_label("From", exact=True).fill("Halm & Daughters")
    springs.get_by_role("combobox").select_option("ordered")
    springs.get_by_role("button", name="Keep it").click()
    expect(springs.locator("summary")).to_have_text("ordered, Halm & Daughters, HD-31-H")
    bolts = page.locator("[data-part='spring_bolts']")
    bolts.get_by_text("Order it, or strike it").click()
    bolts.get_by_label("Why it is struck").fill("not one-time bolts")
    bolts.get_by_role("button", name="Strike it").click()
    expect(bolts).to_contain_text("not one-time bolts")
    turn(page, "Sheet")
    expect(sheet_of(page).get_by_test_id("sheet-needs")).to_contain_text("HD-31-H, Halm & Daughters, ordered")
    expect(sheet_of(page).get_by_test_id("sheet-needs")).to_contain_text("struck")
