"""From the jobs page to four answers, with what a person knows; every click and key is counted."""

from __future__ import annotations

from pathlib import Path

from playwright.sync_api import Page, expect

from liftbite.demo import JOBS
from tests.web.steps import answer, sentence

QUESTIONS = ("bite", "lift", "heat", "true")
RUNS = Path(__file__).parents[1] / "data" / "dyno"


class Hands:
    """Clicks and keys as a person makes them."""

    def __init__(self, page: Page) -> None:
        self.page, self.clicks, self.keys = page, 0, 0

    def pick(self, label: str, option: str) -> None:
        self.page.get_by_label(label, exact=True).select_option(label=option)
        self.clicks += 2  # it opens, and one is picked

    def write(self, label: str, text: str) -> None:
        field = self.page.get_by_label(label, exact=True)
        field.click()
        field.press_sequentially(text)
        self.clicks, self.keys = self.clicks + 1, self.keys + len(text)

    def press(self, name: str) -> None:
        self.page.get_by_role("button", name=name, exact=True).click()
        self.clicks += 1


def test_four_answers_in_eight_clicks_and_twenty_five_keys(page: Page, shop: str) -> None:
    page.goto(shop)
    hands = Hands(page)
    hands.pick("What it is", "Boosted coupe")
    hands.write("One figure of the engine", "380 N·m")
    hands.write("Vehicle", "Tarlow coupe")
    hands.press("Begin")
    expect(page).to_have_url(f"{shop}/jobs/{len(JOBS) + 1}/choose/section")
    for question in QUESTIONS:
        expect(answer(page, question)).not_to_have_attribute("data-state", "open")
    expect(answer(page, "bite")).to_have_attribute("data-state", "thin")
    expect(sentence(page)).to_contain_text("if it is typical of its class")
    expect(page.get_by_role("complementary", name="The next question")).to_contain_text("decides")
    assert (hands.clicks <= 8, hands.keys <= 25) == (True, True), (hands.clicks, hands.keys)


def test_three_figures_of_a_clutch_and_a_figure_at_the_wheels(page: Page, shop: str) -> None:
    page.goto(shop)
    hands = Hands(page)
    hands.pick("What it is", "Two-litre saloon")
    hands.write("One figure of the engine", "150")
    hands.pick("Where it was taken", "at the wheels, two driven")
    page.get_by_label("Three figures of it").check()
    hands.write("Outer diameter", "228")
    hands.write("Inner diameter", "150")
    hands.write("Clamp load", "6500")
    hands.press("Begin")
    expect(page.get_by_role("alert")).to_contain_text("Say N·m or lb-ft for torque")
    expect(page.get_by_label("Outer diameter")).to_have_value("228")  # nothing typed is lost
    hands.write("One figure of the engine", " hp")
    hands.press("Begin")
    expect(answer(page, "bite")).to_have_attribute("data-state", "holds")


def test_a_run_begins_a_job_and_is_looked_at(page: Page, shop: str) -> None:
    page.goto(shop)
    hands = Hands(page)
    page.set_input_files("input[aria-label='Dynamometer run']", RUNS / "side-by-side.csv")
    expect(page.get_by_text("With the run of side-by-side.csv")).to_be_visible()
    hands.pick("What it is", "Boosted coupe")
    hands.press("Begin")
    runs = page.get_by_test_id("runs")
    expect(runs).to_contain_text("Torque base Nm, peak 300 N·m")
    expect(page.get_by_test_id("curve-preview")).to_be_visible()
    runs.get_by_text("Torque tuned Nm").click()
    expect(page.get_by_role("dialog")).to_contain_text("Peak torque 360 N·m")
    hands.press("Take this curve")
    expect(page.get_by_test_id("torque-chart")).to_be_visible()
    for question in QUESTIONS:
        expect(answer(page, question)).not_to_have_attribute("data-state", "open")
    assert hands.clicks <= 15


def test_a_curve_no_engine_makes_is_asked_about_and_not_taken_without_a_word(page: Page, shop: str) -> None:
    page.goto(shop)
    page.set_input_files("input[aria-label='Dynamometer run']", RUNS / "impossible-peak.csv")
    page.get_by_label("What it is", exact=True).select_option(label="Boosted coupe")
    page.get_by_role("button", name="Begin", exact=True).click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("beyond any engine a clutch is built for")
    take = page.get_by_role("button", name="Take this curve")
    expect(take).to_be_disabled()
    page.get_by_label("It is so").check()
    expect(take).to_be_enabled()


def test_a_word_among_the_figures_is_left_out_in_the_dialog(page: Page, shop: str) -> None:
    page.goto(shop)
    page.set_input_files("input[aria-label='Dynamometer run']", RUNS / "word-in-figures.csv")
    page.get_by_label("What it is", exact=True).select_option(label="Boosted coupe")
    page.get_by_role("button", name="Begin", exact=True).click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("Line 7: “n/a” in the torque column")
    page.get_by_label("Leave out lines").fill("7")
    expect(dialog).to_contain_text("22 points.")
    expect(dialog).to_contain_text("1 row outside the run left out.")


def test_what_a_file_says_of_its_figures_is_picked_with_it(page: Page, shop: str) -> None:
    page.goto(shop)
    hands = Hands(page)
    page.set_input_files("input[aria-label='Dynamometer run']", RUNS / "wheel-hp-sae.csv")
    hands.pick("What it is", "Boosted coupe")
    hands.press("Begin")
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_label("Figures taken at")).to_have_value("two_wheel")
    expect(sheet.get_by_label("Figures are")).to_have_value("corrected")
    hands.press("Take this curve")
    expect(sheet).to_have_count(0)
    page.get_by_role("link", name="Brief").click()
    expect(page.locator("[data-row=curve_reference]")).to_contain_text("The wheels, two driven")
    expect(page.locator("[data-row=air]")).to_contain_text("Corrected to standard air")
