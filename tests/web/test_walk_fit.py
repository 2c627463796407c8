"""Fit, on a tablet and by keyboard: one step after the other, a hold point, a refresh half way, two at one job."""

from __future__ import annotations

import io
import re
from typing import Any

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page, expect

from liftbite.gauges.simulate import Simulator, wrench
from tests.web.steps import open_job, sheet_of, turn, unfold


def now(page: Page, key: str) -> None:
    expect(page.get_by_test_id("step")).to_have_attribute("data-step", key)


def do(page: Page, key: str, text: str = "") -> None:
    now(page, key)
    if text:
        page.get_by_test_id("step").get_by_role("textbox").first.fill(text)
    page.get_by_test_id("step").locator("button[type=submit]").click()


def sign(page: Page, name: str = "Ines Marrow") -> None:
    field = page.get_by_label("Who reads and says")
    field.fill(name)
    field.blur()


def close_checks(page: Page, job: str) -> None:
    """Closes by name every check that is asked for and not read to its end."""
    found = page.request.get(f"{job}/measure").json()["checks"]
    left = [
        c for c in found if c["in_scope"] and c["kind"] != "figure" and c["finding"]["taken"] < c["finding"]["wanted"]
    ]
    said = [
        {"kind": "check", "key": c["name"], "said": {"answer": "not_on_job", "reason": "as on the last one"}}
        for c in left
    ]
    answer = page.request.post(f"{job}/record/lines", data={"lines": said, "who": "Odo"})
    assert answer.ok, answer.text()


def work_to(page: Page, goal: str) -> None:
    """Does what comes before a step, as another tablet would: what nobody looked up, somebody goes past by name."""
    api = re.sub(r"/jobs/(\d+)/.*", r"/api/jobs/\1/plan", page.url)

    def say(kind: str, key: str, **said: str) -> Any:
        answer = page.request.post(api, data={"kind": kind, "key": key, "said": said, "who": "Odo"})
        assert answer.ok, answer.text()
        return answer.json()

    plan = page.request.get(api).json()
    while plan["next"] != goal:
        step = next(s for s in plan["steps"] if s["key"] == plan["next"])
        if step["fact"] == "measure:all":
            close_checks(page, api.removesuffix("/plan"))
            plan = page.request.get(api).json()
            continue
        if step["asked"]:
            plan = say("not_here", step["key"], answer="elsewhere", reason="at the other shop")
            continue
        for line in step["lines"]:
            if line["state"] in ("bad", "open"):
                say("hold_line", f"{step['key']}:{line['key']}", answer="overridden", reason="as on the last one")
        plan = say("step", step["key"], answer="done", text="as it should be")
    page.reload()
    now(page, goal)


def test_a_motorcycle_is_worked_through_its_hold_points(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "fit")
    now(page, "cautions")
    do(page, "cautions")
    expect(page.get_by_role("alert")).to_contain_text("say who says so")
    sign(page)
    do(page, "cautions")
    do(page, "parts_gate")
    do(page, "stand")
    do(page, "oil_out")
    do(page, "lever_slack")
    page.reload()  # the tablet fell asleep: it stands where it stood
    now(page, "case_off")
    do(page, "case_off")
    do(page, "springs_out")
    do(page, "pack_out", "odd plate outermost, dots out")
    now(page, "measured")
    unfold(page)
    shut = page.locator("[data-step=start]").first
    expect(shut).to_have_attribute("data-state", "shut")
    shut.click()
    expect(page.get_by_test_id("comes-first")).to_contain_text("a clutch that does not free by hand jumps")
    expect(page.get_by_test_id("step").locator("button[type=submit]")).to_have_count(0)
    turn(page, "Sheet")
    expect(sheet_of(page).get_by_test_id("sheet-fit")).to_contain_text("odd plate outermost")


def test_a_hold_point_is_overridden_with_a_reason(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "fit")
    sign(page)
    work_to(page, "prove_pack")
    step = page.get_by_test_id("step")
    worn = step.locator("[data-testid=lines] li[data-state=bad]")
    expect(worn).to_have_count(2)  # a plate too close to call, a basket to be dressed: by what the bench says
    expect(step.get_by_text("Go on without it")).to_have_count(0)
    while left := worn.count():
        worn.first.get_by_text("Go past this line …").click()
        worn.first.get_by_label(re.compile("^Why, past: ")).fill("renewed next winter")
        worn.first.get_by_role("button", name="Go past it").click()
        expect(worn).to_have_count(left - 1)
    step.get_by_text("Go on without it").click()
    override = step.get_by_role("button", name="Override the hold point")
    expect(override).to_be_disabled()
    step.get_by_label("Why it is overridden").fill("read this morning on the other car")
    override.click()
    expect(page.get_by_test_id("steps").locator("[data-step=prove_pack]")).to_have_attribute("data-state", "overridden")


def test_the_plan_follows_its_answers_and_lists_what_vanished(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan", "fit")
    steps = page.get_by_test_id("steps")
    unfold(page)
    expect(steps.locator("[data-step=drain]")).to_have_count(1)
    page.get_by_text("What the plan is made from").click()
    page.get_by_label("Output shaft").select_option(label="Flanged: no draining")
    expect(steps.locator("[data-step=drain]")).to_have_count(0)
    page.get_by_label("Kind of vehicle").select_option(label="Torque tube, rear transaxle")
    unfold(page)
    expect(steps.locator("[data-step=tube]")).to_have_count(1)
    expect(page.get_by_test_id("vanished")).to_contain_text("drain")  # it was done, and is not forgotten
    page.get_by_text("Add a step of your own").click()
    page.get_by_label("What is to be done").fill("Paint every bolt")
    page.get_by_role("button", name="Add the step").click()
    expect(steps).to_contain_text("Paint every bolt")


def test_two_people_at_one_job_see_each_others_ticks(page: Page, shop: str, browser: Browser) -> None:
    open_job(page, shop, "Ostrel 900", "fit")
    sign(page)
    other = browser.new_page()
    other.goto(page.url)
    now(other, "cautions")
    do(page, "cautions")
    now(page, "parts_gate")
    other.reload()
    now(other, "parts_gate")
    other.close()


@pytest.mark.parametrize(("width", "height"), [(820, 1180), (390, 844)])
def test_what_is_next_is_in_sight_and_large_enough_for_gloves(page: Page, shop: str, width: int, height: int) -> None:
    page.set_viewport_size({"width": width, "height": height})
    open_job(page, shop, "Merrix 600", "fit")
    button = page.get_by_test_id("step").locator("button[type=submit]")
    expect(button).to_be_in_viewport()
    box = button.bounding_box()
    assert box is not None
    assert min(box["width"], box["height"]) >= 44
    small = (
        page.get_by_test_id("steps")
        .locator("button")
        .evaluate_all("all => all.filter(b => b.getBoundingClientRect().height < 44).length")
    )
    assert small == 0


def test_a_photo_is_taken_at_a_step_said_of_and_found_again_in_the_brief(page: Page, shop: str) -> None:
    page.goto(f"{shop}/jobs/3/fit")
    dots = io.BytesIO()
    Image.new("RGB", (640, 480), "grey").save(dots, "PNG")
    photos = page.get_by_test_id("photos")
    photos.get_by_label("Photo", exact=True).set_input_files(
        {"name": "a.png", "mimeType": "image/png", "buffer": dots.getvalue()}
    )
    photos.get_by_role("button", name=re.compile("^Photo: ")).click()
    page.get_by_label("What it shows").fill("clip of the fork is bent")
    page.get_by_role("button", name="Keep the words").click()
    page.get_by_role("link", name="Brief").click()
    kept = page.get_by_test_id("photos").get_by_role("button", name=re.compile("clip of the fork is bent$"))
    expect(kept.locator("img")).to_be_visible()
    assert kept.locator("img").evaluate("image => image.naturalWidth") == 480
    kept.click()
    page.get_by_role("button", name="Take it off the job").click()
    expect(kept).to_have_count(0)
    photos.get_by_label("Photo", exact=True).set_input_files(
        {"name": "a.gif", "mimeType": "image/gif", "buffer": b"GIF89a"}
    )
    expect(photos.get_by_role("alert")).to_contain_text("a JPEG, PNG or WebP is")


def test_bolts_are_written_down_moved_round_their_circle_and_told_where_they_harm(page: Page, shop: str) -> None:
    page.goto(f"{shop}/jobs/3/fit")
    bolts = page.get_by_test_id("bolt-map")
    bolts.get_by_text("Write a bolt down").click()
    holes = (("55 mm", "30", "0°"), ("85 mm", "60", "90°"), ("55", "30", "225°"))
    for number, (length, grip, at) in enumerate(holes, 1):
        for label, text in (
            ("Thread", "M10"),
            ("Length under the head", length),
            ("Grip", grip),
            ("Depth of thread", "30"),
            ("At, clockwise from the top", at),
        ):
            bolts.get_by_label(label, exact=True).fill(text)
        bolts.get_by_role("button", name=f"Keep hole {number}").click()
        expect(bolts.get_by_role("button", name=f"Keep hole {number + 1}")).to_be_visible()
    expect(bolts).to_contain_text("The bolts of 1, 3 in 2: too short, it strips")
    expect(bolts).to_contain_text("It goes on one way only.")
    clock = bolts.get_by_role("img")
    box = clock.bounding_box()
    assert box
    x, y, r = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2, box["width"] * 44 / 120
    page.mouse.move(x - r * 0.7071, y + r * 0.7071)
    page.mouse.down()
    page.mouse.move(x - r, y, steps=4)
    page.mouse.up()
    expect(clock).to_have_attribute("aria-label", re.compile("3 at 270°"))


def test_a_wrench_ticks_the_flywheels_bolts_by_the_instruction_that_was_chosen(page: Page, shop: str) -> None:
    """Two instructions side by side, passes on the dial, a bolt pulled twice, and the rest by hand."""
    wired = Simulator(wrench(31.7, 8, fault="double", noise=0.0), every=0.1).start()
    try:
        open_job(page, shop, "Halvern coupé, twin-disc plan", "fit")
        job = re.search(r"/jobs/(\d+)", page.url)
        assert job
        page.request.post(
            f"{shop}/api/jobs/{job[1]}/instruments",
            data={"kind": "torque_wrench", "name": "Bench wrench", "port": wired.url},
        )
        page.goto(f"{shop}/jobs/{job[1]}/fit?step=flywheel_on")
        sign(page)
        ways = page.get_by_test_id("tightening")
        expect(ways).to_contain_text("kit: 95 N·m, blue locker · goes by this")  # as it was typed in Choose
        page.get_by_text("Another instruction beside it").click()
        ways.get_by_label("Whose it is").fill("kit maker")
        ways.get_by_label("Figure, and what is on the thread").fill("95 N·m, blue locker")
        ways.get_by_label("In passes").select_option("thirds")
        ways.get_by_role("button", name="Keep the instruction").click()
        ways.get_by_role("button", name="Go by kit maker").click()
        expect(ways).to_contain_text("plausible: 78.3 % of proof")
        ways.get_by_label("Whose it is").fill("vehicle maker")
        ways.get_by_label("Figure, and what is on the thread").fill("44 lb-ft + 90°")
        ways.get_by_role("button", name="Keep the instruction").click()
        expect(ways).to_contain_text("used once: renew them")
        bolts = page.get_by_test_id("bolts")
        ticked = bolts.locator("[data-ticked=true]")
        before = ticked.count()
        bolts.get_by_role("combobox").select_option(label="Bench wrench, data port")
        expect(bolts.get_by_role("button", name="63.3 N·m")).to_be_visible()  # the first pass is round
        expect(ticked).to_have_count(0)
        assert before < 8
        bolts.get_by_role("button", name="63.3 N·m").click()
        expect(ticked).to_have_count(1)
        expect(page.get_by_test_id("step").locator("button[type=submit]")).to_be_disabled()
    finally:
        wired.stop()


def test_a_filled_paper_is_typed_back(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "fit")
    paper = page.get_by_test_id("from-paper")
    paper.get_by_text("Type a filled paper back").click()
    paper.get_by_label("Whose hand it is").fill("Ines Marrow")
    for row in ("Read the cautions", "Lay out the parts", "Fit the pack in its order"):
        paper.get_by_role("checkbox", name=row).check()
    paper.get_by_role("button", name="Keep 3 steps").click()
    expect(paper.get_by_role("alert")).to_contain_text("shut: ")
    expect(page.get_by_test_id("plan-progress")).to_contain_text("0 of")
    paper.get_by_role("checkbox", name="Fit the pack in its order").uncheck()
    paper.get_by_role("button", name="Keep 2 steps").click()
    expect(page.get_by_test_id("plan-progress")).to_contain_text("2 of")


def test_holes_are_dragged_over_a_photo_and_a_length_makes_the_card(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan", "fit")
    api = re.sub(r"/jobs/(\d+)/.*", r"/api/jobs/\1", page.url)
    seen = io.BytesIO()
    Image.new("RGB", (600, 600), (120, 124, 121)).save(seen, "JPEG")
    page.request.post(
        f"{api}/photos?of=job&request=a", data=seen.getvalue(), headers={"Content-Type": "application/octet-stream"}
    )
    bolt = {"answer": "kept", "thread": "M10", "length": "55 mm", "grip": "30 mm", "material": "steel"}
    for number in (1, 2, 3):
        said = {"kind": "hole", "key": f"Bell housing:{number}", "said": bolt, "who": "", "request": ""}
        assert page.request.post(f"{api}/plan", data=said).ok
    page.reload()
    joint = page.locator("[data-joint='Bell housing']")
    joint.get_by_role("button", name="Put 3 holes on the drawing").click()
    expect(joint.locator("svg[role=img] g")).to_have_count(3)
    joint.get_by_text("Card at 1:1, photo").click()
    joint.get_by_label("Over a photo").select_option(index=1)
    drawing = joint.locator("svg[role=img]")
    expect(drawing.locator("image")).to_have_count(1)
    drawing.scroll_into_view_if_needed()
    drawn, hole = drawing.bounding_box(), drawing.locator("g").first.bounding_box()
    assert drawn
    assert hole
    page.mouse.move(hole["x"] + hole["width"] / 2, hole["y"] + hole["height"] / 2)
    page.mouse.down()
    page.mouse.move(drawn["x"] + drawn["width"] * 0.5, drawn["y"] + drawn["height"] * 0.25, steps=4)
    page.mouse.up()
    joint.get_by_label("or between two holes").fill("1-2: 220 mm")
    joint.get_by_role("button", name="Keep the length").click()
    card = joint.get_by_role("link", name="Bell housing card at 1:1")
    expect(card).to_be_visible()
    svg = page.request.get(f"{api}/card.svg?joint=Bell%20housing").text()
    (ax, ay), (bx, by) = ((float(x), float(y)) for x, y in re.findall(r'data-x="([\d.]+)" data-y="([\d.]+)"', svg)[:2])
    assert ((ax - bx) ** 2 + (ay - by) ** 2) ** 0.5 == pytest.approx(220, abs=0.01)
