"""From the jobs page to four answers, with what a person knows; every click and key is counted."""

from __future__ import annotations

from playwright.sync_api import Page, expect

from liftbite.demo import JOBS
from tests.web.steps import answer, sentence

QUESTIONS = ("bite", "lift", "heat", "true")


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
