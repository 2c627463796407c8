"""The eight jobs from brief to sheet once more, by screen alone: begun, entered, read, decided, and the sheet read."""

from __future__ import annotations

import re
from collections.abc import Mapping
from urllib.parse import quote

import pytest
from playwright.sync_api import Page, expect

from liftbite.core.job.choices import CHOICES
from liftbite.core.job.classes import CLASSES
from tests.api.sheet.test_whole_jobs import WHO, WHOLE, Whole
from tests.web.steps import sheet_of

VIEWS = ("brief", "choose/bite", "choose/section", "choose/against", "choose/flywheel", "choose/start")


def begun(page: Page, shop: str, whole: Whole) -> str:
    page.goto(shop)
    page.get_by_label("What it is", exact=True).select_option(label=CLASSES[whole.begins["vehicle_class"]].label)
    page.get_by_label("One figure of the engine").fill(whole.begins["engine"])
    page.get_by_role("button", name="Begin", exact=True).click()
    expect(page).to_have_url(re.compile(r"/jobs/\d+/choose/section"))
    return page.url.removesuffix("/choose/section")


def entered(page: Page, job: str, figures: Mapping[str, str]) -> None:
    """Each into its field, wherever that stands; choices first, for they bring the fields."""
    left = dict(sorted(figures.items(), key=lambda f: f[0] not in CHOICES))
    for view in VIEWS * 2:
        if not left:
            return
        page.goto(f"{job}/{view}")
        page.wait_for_load_state("networkidle")
        for name in list(left):
            row = page.locator(f"[data-row={name}]").first
            if row.count() == 0:
                continue
            if name in CHOICES:
                row.locator("select").first.select_option(value=left[name])
            else:
                row.locator("input, textarea").first.fill(left[name])
                row.locator("input, textarea").first.blur()
            expect(page.locator("input[class*=border-now]")).to_have_count(0)
            page.wait_for_load_state("networkidle")
            del left[name]
    assert not left, f"no field on any view for {list(left)}"


def read(page: Page, job: str, build: str, check: str, places: Mapping[str, str]) -> None:
    for place, typed in places.items():
        page.goto(f"{job}/measure/bench?check={check}&place={quote(place)}" + ("&build=planned" * (build == "planned")))
        display = page.locator("[data-testid=keypad] input")
        display.fill(typed)
        display.press("Enter")
        sure = page.get_by_role("button", name=re.compile("It is so|as it is", re.I))
        reading = page.locator("[data-testid=readings] tr").filter(has_text=typed.split()[0])
        expect(reading.first.or_(sure.first)).to_be_visible()
        if sure.count():
            sure.first.click()
        expect(reading.first).to_be_visible()


@pytest.mark.trust
@pytest.mark.parametrize("name", WHOLE)
def test_a_job_from_brief_to_sheet_by_screen(page: Page, shop: str, name: str) -> None:
    whole = WHOLE[name]
    job = begun(page, shop, whole)
    entered(page, job, {"job_name": name[:60], **whole.entered})
    page.goto(f"{job}/measure/bench")
    who = page.get_by_label("Who reads and says")
    who.fill(WHO)
    who.blur()
    for kind, _, said in whole.said:
        assert kind == "scope"
        page.get_by_label("This job goes as far as").select_option(value=said["answer"])
    for build, checks in (("found", whole.found), ("planned", whole.goes_in)):
        for check, places in checks.items():
            read(page, job, build, check, places)
    for check, (_, option) in whole.asked.items():
        page.goto(f"{job}/measure/bench?check={check}" + "&build=planned" * (check in whole.goes_in))
        page.locator(f"[data-asked={check}] select").first.select_option(value=option)
        page.wait_for_load_state("networkidle")
    page.goto(f"{job}/measure/decide")
    if whole.taken:
        page.get_by_role("button", name="Put them into the job, as measured").click()
        expect(page.get_by_role("button", name="Put them into the job, as measured")).to_have_count(0)
    page.goto(f"{job}/sheet")
    page.get_by_label("With figures and workings").check()
    words = sheet_of(page).locator("body")
    for text in whole.stands:
        expect(words).to_contain_text(text)
    for text in whole.not_there:
        expect(words).not_to_contain_text(text)
    for question, state in whole.states.items():
        expect(page.get_by_test_id(f"answer-{question}")).to_have_attribute("data-state", state)
