"""A car, from a new job to the sheet, as a new user would walk it."""

from __future__ import annotations

import json
from pathlib import Path

from playwright.sync_api import Page, expect

from liftbite.demo import JOBS
from tests.web.steps import fill, open_job, pick, result, sentence, sheet_of, show, state, turn

RUN = Path(__file__).parents[2] / "liftbite" / "demo" / "halvern-wheels.csv"


def begin_car(page: Page, shop: str) -> None:
    page.goto(shop)
    page.get_by_label("Name").fill("Walked coupé")
    page.get_by_label("What it is").select_option("dry_car")
    page.get_by_role("button", name="Begin").click()
    expect(page).to_have_url(f"{shop}/jobs/{len(JOBS) + 1}/brief")


def take_run(page: Page, file: Path) -> None:
    page.set_input_files("input[aria-label='Dynamometer file']", file)
    expect(page.get_by_text("26 points.")).to_be_visible()
    page.get_by_role("button", name="Take this curve").click()
    expect(page.get_by_test_id("torque-chart")).to_be_visible()


def test_from_a_run_to_a_clutch_that_holds(page: Page, shop: str) -> None:
    begin_car(page, shop)
    expect(state(page)).to_have_text("open")
    expect(sentence(page)).to_contain_text("Needs where the figures were taken, use, torque curve")

    pick(page, "Figures taken at", "The wheels, two driven")
    take_run(page, RUN)
    expect(result(page, "peak_engine_torque")).to_contain_text("295")
    pick(page, "Planned stage", "A gain over the present curve")
    fill(page, "Planned gain", "18 %")
    expect(result(page, "peak_engine_torque").nth(1)).to_contain_text("348.1")
    pick(page, "Use", "Road, tuned")

    turn(page, "Choose")
    show(page, "Torque")
    fill(page, "Discs", "1")
    fill(page, "Outer diameter", "9 1/2 in")
    expect(page.locator("[data-row=outer_diameter]")).to_contain_text("241.3 mm")
    fill(page, "Inner diameter", "6 1/8 in")
    pick(page, "Facing material", "Organic, moulded")
    fill(page, "Clamp load", "1250 lbf")
    expect(state(page)).to_have_text("slips")
    expect(page.get_by_test_id("slip-mark")).to_contain_text("slips ")
    expect(page.locator("[data-row=friction_low]")).to_contain_text("assumed [memory]")

    # asked backwards: what would hold?
    page.get_by_role("link", name="Ask it backwards").click()
    discs = page.locator("[data-sought=disc_count]")
    expect(discs).to_contain_text("at least 2")
    discs.get_by_role("button").click()
    expect(state(page)).to_have_text("holds")
    page.get_by_role("button", name="Close").click()
    expect(page.get_by_test_id("slip-mark")).to_have_count(0)

    turn(page, "Sheet")
    expect(sheet_of(page).get_by_role("heading", name="Bite: holds")).to_be_visible()
    with page.expect_download() as leaving:
        page.get_by_role("link", name="Job file").click()
    kept = json.loads(leaving.value.path().read_text())
    assert leaving.value.suggested_filename == "walked-coup.liftbite.json"
    page.goto(shop)
    page.set_input_files("input[aria-label='Job file']", leaving.value.path())
    expect(page.get_by_text("This job is here already")).to_be_visible()
    page.get_by_role("button", name="Bring it a second time").click()
    expect(page).to_have_url(f"{shop}/jobs/{len(JOBS) + 2}/choose/section")
    expect(state(page)).to_have_text("holds")
    assert kept["revisions"][0]["kind"] == "start"


def test_the_verdict_moves_while_typing_and_nothing_needs_saving(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, stage two")
    expect(state(page)).to_have_text("thin")
    clamp = page.get_by_label("Clamp load", exact=True)
    clamp.fill("2100 lbf")
    expect(state(page)).to_have_text("holds")
    expect(sentence(page)).to_contain_text("1.6 times the planned engine's torque")
    expect(page.locator("[data-row=cover_clamp]")).to_contain_text("reads 9341 N")
    page.wait_for_timeout(2_000)  # rests, and is entered by itself
    page.reload()
    expect(page.get_by_label("Clamp load", exact=True)).to_have_value("2100 lbf")
    page.get_by_role("button", name="Undo").click()
    expect(state(page)).to_have_text("thin")
    page.reload()
    page.get_by_role("button", name="Redo").click()
    expect(page.get_by_label("Clamp load", exact=True)).to_have_value("2100 lbf")
    turn(page, "Record")
    expect(page.get_by_role("listitem").first).to_contain_text("redone")


def test_bad_figures_are_sentences_and_stay_in_the_field(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, stage two")
    outer = page.get_by_label("Outer diameter", exact=True)
    row = page.locator("[data-row=outer_diameter]")
    for typed, says in (
        ("9 1/0 in", "divides by zero"),
        ("240 kg", "“kg” is a unit of mass"),
        ("9" * 40, "15 digits"),
        ("NaN", "does not begin with a number"),
        ("0", "too small; more than 0 mm"),
    ):
        outer.fill(typed)
        expect(row).to_contain_text(says)
        outer.press("Tab")
        expect(outer).to_have_value(typed)
    page.reload()
    expect(outer).to_have_value("0")
    expect(row).to_contain_text("too small")
    outer.press("Escape")
    expect(outer).to_have_value("9 1/2 in")

    outer.fill("5 in")
    expect(page.locator("[data-row=inner_diameter]")).to_contain_text("has to be below the outer diameter, 127 mm")
    expect(state(page)).to_have_text("cannot be")


def test_a_figure_in_the_wrong_unit_is_questioned_and_mended_with_one_press(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, stage two")
    page.get_by_label("Outer diameter", exact=True).fill("9.5")
    row = page.locator("[data-row=outer_diameter]")
    expect(row).to_contain_text("Did you mean 9.5 in = 241.3 mm")
    row.get_by_role("button", name="Read it as 9.5 in").click()
    expect(page.get_by_label("Outer diameter", exact=True)).to_have_value("9.5 in")
    expect(state(page)).to_have_text("thin")


def test_a_bad_file_names_its_line_and_nothing_is_lost(page: Page, shop: str, tmp_path: Path) -> None:
    open_job(page, shop, "Halvern coupé, stage two", "brief")
    bad = tmp_path / "bad.csv"
    bad.write_text("rpm;Nm\n2000;200\n3000;20x\n4000;210\n")
    page.set_input_files("input[aria-label='Dynamometer file']", bad)
    expect(page.get_by_role("dialog")).to_contain_text("Line 3: “20x” in the torque column is not a figure")
    expect(page.get_by_role("button", name="Take this curve")).to_be_disabled()
    page.get_by_role("button", name="Leave it").click()
    expect(page.get_by_text("halvern-wheels.csv")).to_be_visible()

    picture = tmp_path / "picture.csv"
    picture.write_bytes(b"\x89PNG\x00\x00")
    page.set_input_files("input[aria-label='Dynamometer file']", picture)
    expect(page.get_by_role("alert")).to_contain_text("picture.csv: this is not a text file")


def test_a_mapping_can_be_changed_before_it_is_taken(page: Page, shop: str, tmp_path: Path) -> None:
    open_job(page, shop, "Dunlode", "brief")
    run = tmp_path / "plain.csv"
    run.write_text("2000,200\n3000,220\n4000,230\n")
    page.set_input_files("input[aria-label='Dynamometer file']", run)
    expect(page.get_by_role("dialog")).to_contain_text("looks like rpm")
    page.get_by_label("Torque: column").select_option("1")
    page.get_by_label("Torque: unit").select_option("lb-ft")
    expect(page.get_by_role("dialog")).to_contain_text("311.8 N·m")
    page.get_by_role("button", name="Take this curve").click()
    expect(result(page, "peak_engine_torque")).to_contain_text("311.8")


def test_the_working_opens_by_address_and_goes_down_to_what_was_typed(page: Page, shop: str) -> None:
    address = open_job(page, shop, "Halvern coupé, stage two")
    page.goto(f"{address}?working=torque_capacity")
    leaf = page.get_by_role("dialog")
    expect(leaf).to_contain_text("Tf = Neff · μ · F · re")
    expect(leaf).to_contain_text("entered as 9\u202f¹⁄₂ in")
    expect(leaf).to_contain_text("assumed: Organic, moulded")
    expect(leaf).to_contain_text("413.1 N·m")
    leaf.get_by_label("high friction").check()
    expect(leaf).to_contain_text("523.3 N·m")
    expect(page).to_have_url(f"{address}?working=torque_capacity&friction=1")
    page.keyboard.press("Escape")
    expect(leaf).to_have_count(0)
    page.get_by_role("link", name="11 assumptions").click()
    expect(page.get_by_role("dialog")).to_contain_text("Uniform wear")


def test_a_topic_of_a_long_column_is_one_press_away(page: Page, shop: str) -> None:
    page.goto(f"{shop}/jobs/2/choose/bite")
    page.get_by_role("navigation", name="Topics").get_by_role("button", name="Shaft and damper 7 not entered").click()
    first = page.get_by_role("textbox", name="Input shaft, spline root")
    expect(first).to_be_focused()
    expect(first).to_be_in_viewport()
    page.keyboard.type("26 mm")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Shaft and damper 6 not entered")).to_be_visible()
