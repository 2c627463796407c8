"""The finer arrangements on screen: diaphragm, springs each measured, tolerances, four answers, day and night."""

from __future__ import annotations

import json
from pathlib import Path

from playwright.sync_api import Page, expect

from tests.cli.test_main import write
from tests.jobs import FULL
from tests.web.steps import fill, open_job, pick, result, sentence, sheet_of, show, state


def test_a_cover_by_its_diaphragm(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan")
    expect(state(page)).to_have_text("holds")
    pick(page, "Clamp load from", "A diaphragm spring")
    expect(sentence(page)).to_contain_text("Needs diaphragm, outside, diaphragm, slot roots")
    expect(page.get_by_role("textbox", name="Clamp load", exact=True)).to_have_count(0)
    for label, typed in (
        ("Diaphragm, outside", "172 mm"),
        ("Diaphragm, slot roots", "132 mm"),
        ("Diaphragm, thickness", "2.5 mm"),
        ("Diaphragm, cone height", "3.6 mm"),
        ("Pressed flat by", "3.9 mm"),
        ("Plate seat", "168 mm"),
        ("Fulcrum ring", "144 mm"),
    ):
        fill(page, label, typed)
    expect(result(page, "clamp_load")).to_contain_text("7327 N")
    first = result(page, "clamp_load").inner_text()
    page.get_by_role("textbox", name="Diaphragm, thickness", exact=True).fill("2.8 mm")
    expect(result(page, "clamp_load")).not_to_have_text(first)
    page.get_by_role("textbox", name="Diaphragm, cone height", exact=True).fill("9 mm")
    expect(page.locator("[data-row=diaphragm_cone_height]")).to_contain_text("has to be at most 7.92 mm")
    expect(state(page)).to_have_text("cannot be")


def test_one_tired_spring_among_its_fellows(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600")
    pick(page, "Spring lengths", "Each measured")
    expect(sentence(page)).to_contain_text("Needs free lengths")
    expect(page.get_by_role("textbox", name="Springs", exact=True)).to_have_count(0)
    fill(page, "Free lengths", "44.1; 44.1; 41.8; 44.1; 44.1 mm")
    expect(result(page, "clamp_load")).to_contain_text("1134 N")
    page.get_by_role("textbox", name="Free lengths", exact=True).fill("44.1; 44.1; x")
    expect(page.locator("[data-row=spring_free_lengths]")).to_contain_text("does not begin with a number")


def test_a_tolerance_is_kept_as_typed(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, stage two")
    fill(page, "Outer diameter", "9 1/2 in ± 0.02")
    field = page.get_by_role("textbox", name="Outer diameter", exact=True)
    row = page.locator("[data-row=outer_diameter]")
    expect(row).to_contain_text("241.3 mm")
    field.fill("241.3 ± 0.5 mm")
    field.press("Enter")
    expect(row).to_contain_text("241.3 mm")
    page.reload()
    expect(field).to_have_value("241.3 ± 0.5 mm")


def test_a_job_file_brings_all_four_answers(page: Page, shop: str, tmp_path: Path) -> None:
    page.goto(shop)
    page.set_input_files("input[aria-label='Job file']", write(tmp_path / "full.liftbite.json", FULL))
    expect(state(page)).to_have_text("thin")
    expect(page.get_by_test_id("answer-lift")).to_contain_text("thin")
    expect(page.get_by_test_id("answer-heat")).to_contain_text("stays")
    expect(page.get_by_test_id("answer-true")).to_contain_text("runs true")
    show(page, "Torque")
    expect(page.locator("section[aria-label='Results']")).to_contain_text("splines")


def test_a_job_file_that_is_none_is_refused_in_words(page: Page, shop: str, tmp_path: Path) -> None:
    page.goto(shop)
    wrong = tmp_path / "wrong.json"
    wrong.write_text(json.dumps({"format": "liftbite-job", "version": 9}))
    page.set_input_files("input[aria-label='Job file']", wrong)
    expect(page.get_by_role("alert")).to_contain_text("wrong.json: this job file is of version 9")


def test_a_job_wants_to_know_what_it_is_and_can_be_put_away(page: Page, shop: str) -> None:
    page.goto(shop)
    page.get_by_role("button", name="Begin").click()
    expect(page.get_by_role("alert")).to_contain_text("Say what it is")
    page.get_by_role("button", name="Archive: Dunlode hillclimb special").click()
    expect(page.get_by_role("link", name="Dunlode")).to_have_count(0)
    page.get_by_role("button", name="1 archived").click()
    expect(page).to_have_url(f"{shop}/?archived")
    page.get_by_role("button", name="Bring back: Dunlode hillclimb special").click()
    expect(page.get_by_text("Nothing is archived.")).to_be_visible()


def test_night_print_is_remembered(page: Page, shop: str) -> None:
    page.goto(shop)
    ground = "getComputedStyle(document.body).backgroundColor"
    day = page.evaluate(ground)
    page.get_by_role("button", name="Night print", exact=True).click()
    night = page.evaluate(ground)
    assert night != day
    page.reload()
    expect(page.get_by_role("button", name="Day print")).to_be_visible()
    assert page.evaluate(ground) == night


def test_a_shop_reads_in_inches_alone(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan")
    expect(result(page, "torque_capacity")).to_contain_text("N·m")
    page.get_by_label("Units of the shop").select_option(label="Inch")
    expect(page.locator("html[data-units=inch]")).to_be_attached()
    expect(result(page, "torque_capacity")).to_contain_text("lb-ft")
    expect(result(page, "torque_capacity")).not_to_contain_text("N·m")
    show(page, "Section")
    expect(page.get_by_test_id("stroke")).to_contain_text("bites 0.5 in below rest")
    expect(page.get_by_test_id("answer-heat")).to_contain_text("°F")
    page.get_by_label("Units of the shop").select_option(label="Metric + inch")
    expect(page.locator("html[data-units=both]")).to_be_attached()


def test_the_sheet_is_a_document_of_its_own_that_prints_white(page: Page, shop: str) -> None:
    open_job(page, shop, "Ostrel 900", "sheet")
    paper = sheet_of(page)
    expect(paper.get_by_role("heading", name="Bite: holds")).to_be_visible()
    expect(paper.get_by_text("A calculation, not a certificate.")).to_be_visible()
    page.get_by_role("button", name="Night print", exact=True).click()
    expect(paper.locator("html.night")).to_be_attached()
    page.emulate_media(media="print")
    ground = "html => getComputedStyle(html).backgroundColor"
    assert paper.locator("html").evaluate(ground) == "rgb(255, 255, 255)"
    page.emulate_media(media="screen")
    page.get_by_label("With figures and workings").check()
    expect(paper.get_by_role("heading", name="Workings of what decides")).to_be_visible()
    tall = page.get_by_title("Sheet", exact=True).evaluate("f => [f.clientHeight, f.contentDocument.body.scrollHeight]")
    assert tall[0] >= tall[1]


def test_corrected_figures_raise_the_demand(page: Page, shop: str) -> None:
    open_job(page, shop, "Ostrel 900", "brief")
    expect(result(page, "peak_engine_torque")).to_contain_text("90.38")
    pick(page, "Figures are", "Corrected to standard air")
    expect(result(page, "peak_engine_torque")).to_contain_text("99.")
    expect(page.locator("[data-row=dry_pressure]")).to_contain_text("assumed [practice]")
