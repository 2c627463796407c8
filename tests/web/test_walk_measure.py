"""Measure: a pack that fails on one spring and is too close to call on one plate, a bore that needs a dowel, a bearing
that needs two spacers, with the simulated gauge; gloves, a telephone's width, two tabs, a refresh half way."""

from __future__ import annotations

import csv
import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import BrowserContext, Locator, Page, expect

from liftbite.gauges.simulate import Simulator, caliper, depths, dial_sweep, read_values
from tests.web.steps import answer, open_job, show, turn


def bench(page: Page, shop: str, job: str, check: str) -> None:
    """Opens a check of a job's bench."""
    open_job(page, shop, job, "measure")
    expect(page.get_by_test_id("checks")).to_be_visible()
    turn_to(page, check)


def turn_to(page: Page, check: str) -> None:
    page.locator(f"[data-check={check}]").click()
    expect(page).to_have_url(re.compile(f"check={check}"))


def display(page: Page) -> Locator:
    return page.locator("[data-testid=keypad] input")


def place(page: Page) -> Locator:
    return page.get_by_test_id("place")


def verdict(page: Page) -> Locator:
    return page.get_by_test_id("finding")


def listed(page: Page, check: str) -> Locator:
    return page.locator(f"[data-check={check}]")


def read(page: Page, *figures: str) -> None:
    """Keys readings in, one after the other; each goes to the next place by itself."""
    for figure in figures:
        before = page.locator("[data-testid=readings] tr").count()
        display(page).fill(figure)
        display(page).press("Enter")
        expect(page.locator("[data-testid=readings] tr")).to_have_count(before + 1)


def add_gauge(page: Page, kind: str, name: str, port: str) -> None:
    """Puts an instrument with a data port on the bench."""
    page.get_by_role("button", name="Instruments").click()
    leaf = page.get_by_role("dialog")
    leaf.get_by_role("combobox").select_option(label=kind)
    leaf.get_by_label("Name", exact=True).fill(name)
    leaf.get_by_label(re.compile("Data port")).fill(port)
    leaf.get_by_role("button", name="Add to the bench").click()
    expect(leaf.get_by_text(name)).to_be_visible()
    leaf.get_by_role("button", name="Close").click()


@pytest.fixture
def gauge() -> Iterator[list[Simulator]]:
    """Simulated gauges that a test starts, stopped when it ends."""
    started: list[Simulator] = []
    yield started
    for there in started:
        there.stop()


# --- a motorcycle's pack


def test_a_pack_that_fails_on_one_spring_and_is_too_close_to_call_on_one_plate(page: Page, shop: str) -> None:
    bench(page, shop, "Ostrel 900", "plate_thickness")
    expect(place(page)).to_contain_text("Plate 1, place 1")
    read(page, *["2.95"] * 9, "2.82", *["2.95"] * 11)
    expect(place(page)).to_have_text("Every place is read.")
    expect(verdict(page)).to_have_attribute("data-verdict", "too close to call")
    expect(page.get_by_test_id("sentence")).to_contain_text("Plate 4, place 1: 2.82 mm")
    expect(page.get_by_test_id("sentence")).to_contain_text("A micrometer would settle it.")
    expect(page.get_by_test_id("life-left")).to_contain_text("10 %")

    turn_to(page, "spring_free_length")
    read(page, "46.8", "46.7", "46.8", "43.9", "46.7", "46.8")
    expect(verdict(page)).to_have_attribute("data-verdict", "renew as set")
    expect(page.get_by_test_id("sentence")).to_contain_text("Spring 4: 43.9 mm")
    turn_to(page, "basket")
    page.get_by_role("button", name=re.compile("Light notches")).click()
    expect(verdict(page)).to_have_attribute("data-verdict", "dress or resurface")

    turn(page, "Decide", "Measure")
    needs = page.get_by_test_id("needs")
    expect(needs.locator("[data-part='springs']")).to_contain_text("Spring 4: 43.9 mm")
    expect(needs.locator("[data-part='plates']")).to_contain_text("Plate 4, place 1")
    expect(needs.locator("[data-part=basket]")).to_contain_text("a file would take them out")
    with page.expect_download() as leaving:
        page.get_by_role("link", name="Save the list as CSV").click()
    rows = list(csv.DictReader(leaving.value.path().read_text().splitlines()))
    assert {"Spring set", "Plate set", "Basket"} <= {row["part"] for row in rows}


def test_a_micrometer_settles_what_a_caliper_cannot(page: Page, shop: str) -> None:
    bench(page, shop, "Merrix 600", "plate_thickness")
    expect(verdict(page)).to_have_attribute("data-verdict", "too close to call")
    page.get_by_role("button", name="Take all again, keep these").click()
    expect(place(page)).to_contain_text("Plate 1, place 1")
    page.get_by_role("combobox", name="With").select_option("micrometer")
    read(page, *["2.912"] * 9, "2.821", *["2.912"] * 14)
    expect(verdict(page)).to_have_attribute("data-verdict", "reuse and watch")
    turn(page, "History", "Measure")
    expect(page.get_by_test_id("trend-plate_thickness").locator("circle")).to_have_count(2 + 1)


def test_what_tired_springs_and_worn_plates_do_to_bite(page: Page, shop: str) -> None:
    open_job(page, shop, "Merrix 600", "measure")
    turn(page, "Decide", "Measure")
    effects = page.get_by_test_id("effects")
    expect(effects.locator("[data-effect=wear]")).to_contain_text("0.857 mm")
    expect(effects.locator("[data-effect=spring_free_lengths]")).to_contain_text("41.2 mm")
    bite = effects.locator("[data-question=bite]")
    expect(bite).to_contain_text("1.07")
    expect(bite).to_contain_text("0.894")
    expect(page.get_by_test_id("bite-deciding")).to_contain_text("1.07")
    effects.get_by_role("button", name="Put them into the job, as measured").click()
    expect(page.get_by_test_id("bite-deciding")).to_contain_text("0.894")
    expect(effects).to_contain_text("No reading says otherwise")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_test_id("bite-deciding")).to_contain_text("1.07")
    effects.get_by_label("Take Wear found").uncheck()
    expect(bite).to_contain_text("0.962")  # what comes after follows what is ticked
    bite.get_by_role("link", name="0.962").click()  # and opens its own working, with the readings tried
    working = page.get_by_role("dialog")
    expect(working.locator("#step-bite_margin")).to_contain_text("Bite margin0.962 ")
    expect(working).to_contain_text("43.2 mm; 43.1 mm; 41.2 mm; 43.3 mm; 43.1 mm")
    working.get_by_role("button", name="Close").click()
    expect(page.get_by_test_id("tried")).to_contain_text("Spring lengths Each measured")
    show(page, "Section")
    expect(page.get_by_test_id("bite-deciding")).to_contain_text("0.962")
    page.get_by_test_id("tried").get_by_role("button", name="Drop it").click()
    expect(page.get_by_test_id("bite-deciding")).to_contain_text("1.07")
    page.get_by_role("link", name="Measure", exact=True).click()
    turn(page, "Decide", "Measure")
    effects.get_by_label("Take Wear found").uncheck()
    effects.get_by_role("button", name="Put 3 of 4 into the job").click()
    expect(effects.locator("[data-effect]")).to_have_count(1)


# --- runout, with the gauge


def test_a_bore_that_needs_a_dowel_swept_by_the_gauge_itself(page: Page, shop: str, gauge: list[Simulator]) -> None:
    gauge.append(Simulator(dial_sweep(0.18, 60), every=0.05).start())
    bench(page, shop, "Bramwick estate", "bore_runout")
    add_gauge(page, "Dial indicator", "Bench dial", gauge[0].url)
    expect(page.locator("[data-testid=readings] tr")).to_have_count(9)
    expect(verdict(page)).to_have_attribute("data-verdict", "put right")
    expect(page.get_by_test_id("sentence")).to_contain_text("high side towards 8 o'clock")
    first = page.get_by_test_id("dowels").locator("tbody tr").first
    expect(first).to_contain_text("0.007 in")
    expect(first).to_contain_text("passes")
    expect(page.get_by_test_id("rule")).to_contain_text("does not pass")
    centre = page.get_by_test_id("centre")
    right, up = (float(centre.get_attribute(name) or 0) for name in ("data-right", "data-up"))
    assert right / up == pytest.approx(3**0.5, rel=0.03)
    assert float(page.get_by_test_id("dowel").get_attribute("data-clock") or 0) == pytest.approx(240, abs=1)

    # the dowel is in: swept again, before and after side by side
    page.get_by_role("button", name="Sweep again, keep this one").click()
    expect(place(page)).to_contain_text("0°")
    read(page, "0 mm", "-0.006 mm", "-0.01 mm", "-0.008 mm", "0.002 mm", "0.008 mm", "0.01 mm", "0.006 mm", "0 mm")
    expect(verdict(page)).to_have_attribute("data-verdict", "reuse")
    table = page.get_by_test_id("sweep")
    expect(table).to_contain_text("Before")
    expect(table).to_contain_text("0.36")


def test_angles_side_and_sign_are_said_and_counted(page: Page, shop: str) -> None:
    bench(page, shop, "twin-disc plan", "bore_runout")
    expect(page.get_by_test_id("sentence")).to_contain_text("off towards 5 o'clock")
    page.get_by_label("Angles counted from").select_option("engine")
    expect(page.get_by_test_id("sentence")).to_contain_text("off towards 7 o'clock")
    expect(page.get_by_test_id("clock")).to_contain_text("run the other way here")
    page.get_by_label("Plunger pressed in reads").select_option("minus")
    expect(page.get_by_test_id("sentence")).to_contain_text("off towards 1 o'clock")


def test_the_bore_that_was_swept_moves_true(page: Page, shop: str) -> None:
    open_job(page, shop, "twin-disc plan", "measure")
    expect(answer(page, "true")).to_contain_text("runs true")
    turn(page, "Decide", "Measure")
    effects = page.get_by_test_id("effects")
    expect(effects.locator("[data-effect=housing_bore_runout]")).to_contain_text("0.339 mm")
    expect(effects.locator("[data-question=true]")).to_contain_text("look again")
    effects.get_by_role("button", name=re.compile("as measured")).click()
    expect(answer(page, "true")).to_contain_text("look again")
    answer(page, "true").click()
    expect(page.get_by_text("bell housing bore").first).to_be_visible()


def test_unplugged_half_way_nothing_is_lost_and_it_says_so(page: Page, shop: str, gauge: list[Simulator]) -> None:
    there = Simulator(depths([(1.1 + i / 1000, "mm") for i in range(6)]), every=0.05, drop_after=4, drop_for=60.0)
    gauge.append(there.start())
    bench(page, shop, "Bramwick estate", "finger_height")
    add_gauge(page, "Depth gauge", "Depth, wired", there.url)
    expect(page.get_by_test_id("gauge")).to_contain_text("is gone: unplugged")
    expect(page.locator("[data-testid=readings] tr")).to_have_count(4)
    there.plug_in()
    expect(page.get_by_test_id("gauge")).to_contain_text("Gauge connected")
    expect(page.locator("[data-testid=readings] tr")).to_have_count(6)
    expect(page.get_by_test_id("readings")).to_contain_text("gauge")


def test_two_tabs_on_one_gauge_take_each_reading_once(
    page: Page, context: BrowserContext, shop: str, gauge: list[Simulator]
) -> None:
    there = Simulator(caliper(46.8, 0.0), by_hand=True)
    gauge.append(there.start())
    bench(page, shop, "Ostrel 900", "spring_free_length")
    add_gauge(page, "Caliper", "Caliper, wired", there.url)
    expect(page.get_by_test_id("gauge")).to_contain_text("Gauge connected")
    other = context.new_page()
    other.goto(page.url)
    expect(other.get_by_test_id("gauge")).to_contain_text("Gauge connected")
    for count in (1, 2, 3):
        there.press()
        expect(page.locator("[data-testid=readings] tr")).to_have_count(count)
    other.reload()
    expect(other.locator("[data-testid=readings] tr")).to_have_count(3)
    other.close()


# --- set-up


def test_a_concentric_bearing_that_needs_two_spacers(page: Page, shop: str, gauge: list[Simulator]) -> None:
    """X from the gauge in inches, Y keyed as a fraction, spacers measured; the shop has no window without a stroke."""
    gauge.append(Simulator(depths(read_values("3.219 in, 3.219 in, 3.219 in")), every=0.05).start())
    bench(page, shop, "Kestrane roadster", "depth_x")
    page.get_by_role("button", name="Take all again, keep these").click()
    expect(place(page)).to_contain_text("At 12")
    add_gauge(page, "Depth gauge", "Depth, wired", gauge[0].url)
    expect(place(page)).to_have_text("Every place is read.")
    turn_to(page, "depth_y")
    page.get_by_role("button", name="Take all again, keep these").click()
    page.get_by_role("combobox", name="With").select_option("depth_gauge")
    page.get_by_role("button", name="in", exact=True).click()
    read(page, "2 1/2", "2 1/2", "2.5")
    calculation = page.get_by_test_id("calculation-bearing")
    expect(calculation).to_contain_text("X less Y is 18.263 mm (0.719")
    best = page.get_by_test_id("stacks").locator("tbody tr").first
    expect(best).to_contain_text("Spacer")
    expect(best).to_contain_text("inside")
    expect(calculation.locator("[data-band='window of this clutch']")).to_be_visible()
    turn_to(page, "spacers")
    page.get_by_role("button", name="Take all again, keep these").click()
    page.get_by_role("button", name="in", exact=True).click()
    read(page, "0.16", "0.15")
    rows = page.get_by_test_id("stacks").locator("tbody tr")
    expect(rows.first).to_contain_text("Spacer 1, Spacer 2")
    expect(rows.first).to_contain_text("0.409 in")
    expect(rows.first.get_by_text("inside")).to_be_visible()
    page.get_by_role("button", name="One more piece").click()
    expect(place(page)).to_contain_text("Spacer 4")


def test_the_floaters_shims_stand_by_stand(page: Page, shop: str) -> None:
    bench(page, shop, "twin-disc plan", "floater_gap")
    calculation = page.get_by_test_id("calculation-floater")
    expect(calculation).to_contain_text("raises the stop, all three come right")
    drawn = calculation.get_by_role("img", name="Gap of each stand")
    expect(drawn).to_have_count(2)
    expect(drawn.first.locator("[data-row='1']")).to_contain_text("Shim 1")
    calculation.get_by_label("A shim sits").select_option("raises")
    expect(drawn).to_have_count(1)
    page.reload()
    expect(drawn).to_have_count(1)
    calculation.get_by_text("How it is calculated").click()
    expect(calculation).to_contain_text("0.483 + 0.076 = 0.559")
    expect(calculation).to_contain_text("want new shims when the inner disc has worn")
    expect(verdict(page)).to_have_attribute("data-verdict", "put right")


def test_a_shafts_reach_and_its_end_float(page: Page, shop: str) -> None:
    bench(page, shop, "twin-disc plan", "shaft_reach")
    expect(page.get_by_text("The calculation waits for all its depths")).to_be_visible()
    read(page, "190", "165", "3", "4", "0", "16", "10")
    calculation = page.get_by_test_id("calculation-shaft")
    expect(calculation).to_contain_text("passes the whole pilot and stays 8 mm")
    calculation.get_by_text("How it is calculated").click()
    expect(calculation).to_contain_text("190 − 165 − 3 − 4 + 0 = 18 mm")
    turn_to(page, "end_float")
    read(page, "0.3")
    turn_to(page, "retainer_shims")
    read(page, "0.1", "0.25")
    expect(page.get_by_test_id("calculation-end_float")).to_contain_text("Shim 2 takes the end float to 0.05 mm")


def test_an_old_calibration_is_said_where_it_decides(page: Page, shop: str) -> None:
    bench(page, shop, "Ostrel 900", "plate_thickness")
    page.get_by_role("button", name="Instruments").click()
    leaf = page.get_by_role("dialog")
    leaf.get_by_label("Name", exact=True).fill("Old caliper")
    leaf.get_by_label("Calibrated on").fill("2020-02-01")
    leaf.get_by_role("button", name="Add to the bench").click()
    expect(leaf.get_by_text("check it against a gauge block")).to_be_visible()
    leaf.get_by_role("button", name="Close").click()
    held = page.get_by_role("combobox", name="With")
    held.select_option(held.locator("option", has_text="Old caliper").get_attribute("value"))
    expect(page.get_by_test_id("calibration")).to_contain_text("Old caliper: calibrated")


# --- gloves, telephone, refresh, slips of the finger


def test_the_keypad_on_a_telephone(page: Page, shop: str) -> None:
    bench(page, shop, "Ostrel 900", "plain_warp")
    page.set_viewport_size({"width": 390, "height": 844})
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
    pad = page.get_by_test_id("keypad")
    for key in ("0", "Point", "0", "5"):
        pad.get_by_role("button", name=key, exact=True).click()
    expect(display(page)).to_have_value("0.05")
    page.get_by_role("button", name="Take for Plain plate 1").click()
    expect(place(page)).to_contain_text("Plain plate 2")
    buttons = page.locator("[data-testid=series] button:visible, [data-testid=series] select:visible")
    for i in range(buttons.count()):
        box = buttons.nth(i).bounding_box()
        assert box is not None
        assert min(box["width"], box["height"]) >= 43.5, buttons.nth(i).inner_text()
    page.get_by_role("button", name=re.compile(r"of 1\d done")).click()
    listed(page, "basket").click()
    expect(page.get_by_test_id("grades")).to_be_visible()


def test_a_figure_in_the_wrong_unit_is_asked_about(page: Page, shop: str) -> None:
    bench(page, shop, "Ostrel 900", "plate_thickness")
    page.get_by_role("button", name="in", exact=True).click()
    display(page).fill("2.91")
    expect(page.get_by_role("alert")).to_contain_text("Did you mean 2.91 mm")
    expect(page.get_by_role("button", name="Take for Plate 1, place 1")).to_be_disabled()
    page.get_by_role("button", name="Take 2.91 mm").click()
    expect(page.get_by_test_id("readings")).to_contain_text("2.91 mm")
    display(page).fill("thick")
    expect(page.locator("#keyed-says")).to_contain_text("Thickness")


def test_take_back_bring_back_skip_and_a_refresh_half_way(page: Page, shop: str) -> None:
    bench(page, shop, "Ostrel 900", "spring_free_length")
    read(page, "46.8", "46.7")
    page.get_by_role("button", name="Take back the last").click()
    expect(place(page)).to_contain_text("Spring 2")
    page.get_by_role("button", name="Bring it back").click()
    expect(place(page)).to_contain_text("Spring 3")
    page.get_by_role("button", name="Skip …").click()
    page.get_by_role("button", name="cannot be reached").click()
    expect(place(page)).to_contain_text("Spring 4")
    page.reload()
    expect(place(page)).to_contain_text("Spring 4")
    expect(page.get_by_test_id("readings")).to_contain_text("skipped: cannot be reached")
    page.get_by_text("All places").click()
    page.get_by_test_id("places").get_by_role("button", name="Spring 1").click()
    expect(place(page)).to_contain_text("Spring 1")
    read(page, "46.75")
    expect(page.get_by_test_id("readings")).to_contain_text("46.8")  # the first reading is kept beside its repeat


def test_on_the_bench_ctrl_z_takes_back_the_reading_and_not_the_job(page: Page, shop: str) -> None:
    bench(page, shop, "Ostrel 900", "spring_free_length")
    read(page, "46.8", "46.7")
    display(page).press("Control+z")
    expect(page.locator("[data-testid=readings] tr")).to_have_count(1)
    revision = page.get_by_label("The four answers").get_by_text(re.compile("revision"))
    expect(revision).to_contain_text("7")
    page.get_by_text("How it is worked out").click()
    expect(page.get_by_test_id("working")).to_contain_text("Guard band 1 · U")


def test_the_manuals_limit_is_typed_once_for_a_vehicle(page: Page, shop: str) -> None:
    bench(page, shop, "Merrix 600", "plate_thickness")
    least = page.locator("[data-limit=least]")
    least.get_by_role("button").click()
    least.get_by_label(re.compile("Figure")).fill("2.7")
    least.get_by_label("Where it stands").fill("manual 7-4")
    least.get_by_role("button", name=re.compile("Keep for Merrix 600")).click()
    expect(least).to_contain_text("The manual's, for this vehicle: manual 7-4")
    expect(verdict(page)).to_have_attribute("data-verdict", "reuse")
    page.reload()
    expect(least).to_contain_text("2.7 mm")
    least.get_by_role("button", name="Change").click()
    least.get_by_role("button", name="Back to the default").click()
    expect(verdict(page)).to_have_attribute("data-verdict", "too close to call")


def test_what_is_worth_doing_while_it_is_open(page: Page, shop: str) -> None:
    open_job(page, shop, "twin-disc plan", "measure")
    turn(page, "Decide", "Measure")
    expect(page.get_by_test_id("needs").locator("[data-part='bearing']")).to_contain_text("The grease has gone")
    open_ = page.get_by_test_id("while-open")
    for label, text in (
        ("Part", "Pilot bearing"),
        ("Part now", "25"),
        ("Chance it fails", "10 %"),
        ("Hours to redo it", "8"),
        ("An hour costs", "70"),
        ("Hours more now", "0.2"),
    ):
        open_.get_by_label(label, exact=True).fill(text)
    open_.get_by_role("button", name="Work it out").click()
    expect(open_.locator("[data-part='pilot']")).to_contain_text("renew it now")
    expect(open_.locator("[data-part='pilot']")).to_contain_text("58.50")
    expect(open_.locator("[data-part='pilot']")).to_contain_text("Now 39.00 with 0.2 h more")
    page.get_by_test_id("practices").get_by_label("Rear main and input shaft seal", exact=True).select_option("bad")
    expect(page.get_by_test_id("needs").locator("[data-part='rear_seal']")).to_have_count(0)
    page.reload()
    expect(page.get_by_test_id("needs").locator("[data-part='rear_seal']")).to_have_count(0)
    open_.get_by_role("button", name="Take off").click()
    expect(open_.locator("[data-part]")).to_have_count(0)


def test_readings_leave_and_come_as_csv(page: Page, shop: str, tmp_path: Path) -> None:
    open_job(page, shop, "Merrix 600", "measure")
    turn(page, "History", "Measure")
    expect(page.get_by_test_id("record")).to_contain_text("readings, newest first")
    with page.expect_download() as leaving:
        page.get_by_role("link", name="Save readings as CSV").click()
    text = leaving.value.path().read_text()
    file = tmp_path / "readings.csv"
    file.write_text(text + "99,plate_thickness,,2.9,,,,,\n")
    page.set_input_files("input[aria-label='File of readings']", file)
    told = page.get_by_role("status")
    expect(told).to_contain_text("0 readings taken in. 62 were there already.")
    expect(told).to_contain_text("a place is missing")
    open_job(page, shop, "Ostrel 900", "measure")
    turn(page, "History", "Measure")
    page.set_input_files("input[aria-label='File of readings']", file)
    expect(told).to_contain_text("62 readings taken in.")
    expect(page.get_by_test_id("record")).to_contain_text("62 readings")
    told.get_by_role("button", name="Take the file's readings back").click()
    expect(told).to_contain_text("Taken back")
    expect(page.get_by_test_id("record").locator("tr[class*=line-through]")).to_have_count(62)


def test_the_section_opens_at_the_wear_that_was_found(page: Page, shop: str) -> None:
    """Measured on the bench, put into the job: the drawing stands where the stack stands today."""
    open_job(page, shop, "twin-disc plan", "measure")
    turn(page, "Decide", "Measure")
    page.get_by_test_id("effects").get_by_role("button", name=re.compile("as measured")).click()
    expect(page.get_by_test_id("effects")).to_contain_text("No reading says otherwise")
    turn(page, "Choose")
    expect(page.get_by_test_id("life")).to_contain_text("Worn 0.43 mm")
    expect(page.get_by_test_id("wear-found")).to_contain_text("found")
    assert "worn" not in page.url
    page.locator("[data-slide=wear] [role=slider]").press("Home")
    expect(page).to_have_url(re.compile(r"worn=0(&|$)"))
    page.reload()
    expect(page.get_by_test_id("life")).to_contain_text("Worn 0.00 mm")
