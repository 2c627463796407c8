"""From complaint to hand-over: a car that slips hot, a motorcycle that drags, a concentric conversion with air."""

from __future__ import annotations

import re
from pathlib import Path

from playwright.sync_api import Page, expect

from tests.web.steps import open_job, turn, unfold
from tests.web.test_walk_prove import sign


def proof(page: Page, view: str) -> None:
    turn(page, "Prove")
    turn(page, view, "Prove")


def api(page: Page) -> str:
    return re.sub(r"/jobs/(\d+)/.*", r"/api/jobs/\1", page.url)


def hand_over(page: Page, *words: str) -> None:
    """Signs the job as it stands, and reads the document whole."""
    proof(page, "Hand-over")
    page.get_by_role("button", name="Sign this edition").click()
    expect(page.get_by_text("edition 1")).to_be_visible()
    with page.expect_popup() as opened:
        page.get_by_role("link", name="Look at it").click()
    for each in words:
        expect(opened.value.locator("body")).to_contain_text(each)
    opened.value.close()


def try_all(page: Page, card: str) -> None:
    page.get_by_role("navigation", name="Cards").get_by_role("button", name=card).click()
    held = page.get_by_test_id("proof-card")
    expect(held.get_by_role("heading", name=card)).to_be_visible()
    count = held.locator("[data-item]").count() + 1
    for left in range(count, 0, -1):
        held.get_by_role("button", name="As it should").click()
        expect(held.get_by_test_id("try-now")).to_have_count(1 if left > 1 else 0)
        expect(held.locator("[data-item]").get_by_text("good", exact=True)).to_have_count(count - left + 1)


def test_a_car_that_slips_hot(page: Page, shop: str, tmp_path: Path) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan", "brief")
    page.get_by_role("textbox", name="Complaint").fill("slips when it is hot")
    page.get_by_role("textbox", name="Complaint").blur()
    proof(page, "Road")
    sign(page)
    with page.expect_download() as coming:
        page.get_by_role("link", name="slipping hot").click()
    log = tmp_path / "hot.csv"
    coming.value.save_as(log)
    heads, *rows = log.read_text().splitlines()
    foreign = tmp_path / "kanal.csv"  # a logger nobody knows
    foreign.write_text("\n".join([",".join(f"kanal {n}" for n in range(len(heads.split(",")))), *rows]))
    page.get_by_label("Log", exact=True).set_input_files(foreign)
    expect(page.get_by_role("alert")).to_contain_text("name no")
    columns = page.get_by_test_id("log-columns")
    for n, taken in enumerate(("time in s", "engine speed in rpm", "speed of the road in km/h")):
        columns.get_by_label(f"kanal {n}").select_option(label=taken)
    columns.get_by_role("button", name="Read it so").click()
    drive = page.get_by_test_id("drive")
    expect(drive).to_contain_text("Slipped")
    expect(drive.get_by_label("How it was driven")).to_have_value("hard")
    drive.get_by_role("button", name="Keep this drive").click()
    expect(drive.get_by_role("button", name="Kept")).to_be_visible()
    proof(page, "Fault")
    glazed = page.locator("[data-cause=glazed]")
    expect(page.get_by_test_id("next-test")).to_be_visible()
    page.get_by_role("button", name="only hot").first.click()
    glazed.get_by_role("button", name="This was it").click()
    expect(glazed.get_by_test_id("closed")).to_contain_text("On the list: Disc")
    glazed.get_by_role("link", name="Decide").click()
    expect(page.get_by_text("facing overheated, glazed or fading").first).to_be_visible()
    proof(page, "First start")
    try_all(page, "First start")
    hand_over(page, "slips when it is hot", "Start it in neutral", "facing overheated", "Driven hard once before")


def test_a_motorcycle_that_drags(page: Page, shop: str) -> None:
    page.set_viewport_size({"width": 820, "height": 1180})
    open_job(page, shop, "Ostrel 900", "prove")
    turn(page, "Fault", "Prove")
    sign(page)
    page.get_by_role("button", name="drags", exact=True).click()
    for answer in ("slowly", "same", "fine"):
        page.get_by_role("button", name=answer, exact=True).first.click()
        expect(page.get_by_test_id("asked")).to_contain_text(answer)
    warped = page.locator("[data-cause=warped_plates]")
    warped.get_by_role("button", name="This was it").click()
    expect(warped.get_by_test_id("closed")).to_contain_text("Plate set")
    warped.get_by_role("link", name="lay out the work").click()
    unfold(page)
    expect(page.locator("[data-step=pack_out]").first).to_be_visible()
    proof(page, "First start")
    engine = page.locator("[data-fluid=engine]")
    engine.get_by_label("Its class").select_option("not said on the can")
    engine.get_by_label("Bottles opened").fill("4 L")
    engine.get_by_role("button", name="Filled").click()
    expect(engine).to_contain_text("makes a wet clutch slip")
    engine.get_by_role("button", name="Take back").click()
    engine.get_by_label("Its class").select_option("for wet clutches")
    engine.get_by_role("button", name="Filled").click()
    engine.get_by_role("button", name="Level looked at again").click()
    expect(engine).to_contain_text("Level looked at again")
    page.get_by_test_id("noises").get_by_role("checkbox", name="Slap on and off").check()
    page.get_by_role("button", name="Something is odd").click()
    odd = page.locator("[data-item='start:neutral']")
    odd.get_by_role("button", name="Look into it").click()
    expect(odd.get_by_role("link", name="What it may be")).to_be_visible()
    hand_over(page, "for wet clutches", "level looked at again", "chain or final drive slack", "plates warped")


def test_a_concentric_conversion_with_air(page: Page, shop: str) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    open_job(page, shop, "Kestrane roadster", "prove")
    turn(page, "Bleed", "Prove")
    sign(page)
    page.get_by_role("button", name="Pressure from the reservoir").click()
    steps = page.get_by_test_id("bleed-steps")
    steps.get_by_role("button", name="Done").click()
    steps.get_by_role("button", name="Begin the time").click()
    expect(steps.get_by_role("timer")).to_have_text(re.compile(r"0:[0-5]\d"))  # it runs; a busy machine looks late
    for done in range(2, 6):
        steps.get_by_role("button", name="Done").click()
        expect(steps.locator("[data-done=true]")).to_have_count(done)
    expect(steps.get_by_role("button", name="Done")).to_have_count(0)
    page.get_by_role("button", name="Bled this way").click()
    expect(page.get_by_test_id("bleed-next")).to_contain_text("Read the slave's travel")
    expect(steps.get_by_role("button", name="Done")).to_have_count(1)  # the next round begins anew
    bench = f"{api(page)}/readings?build=planned"
    for typed, says in (("4 mm", "Bleed again"), ("7.4 mm", "It frees as it is")):
        body = {"check": "slave_travel", "place": "Once", "typed": typed}
        read = page.request.post(bench, data=body)
        assert read.ok, read.text()
        page.reload()
        expect(page.get_by_test_id("bleed-next")).to_contain_text(says)
    hand_over(page, "Pressure from the reservoir", "frees")
