"""Every view, loaded once: axe-core in both prints and at the widths of a bench, a tablet and a telephone."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

VIEWS = {
    "jobs": "/",
    "archive": "/?archived",
    "brief": "/jobs/2/brief",
    "brief, open": "/jobs/6/brief",
    "section": "/jobs/3/choose/section?pedal=60&worn=20&sizes",
    "section, motorcycle": "/jobs/4/choose/section?part=plates",
    "torque": "/jobs/2/choose/bite",
    "start": "/jobs/3/choose/start",
    "flywheel": "/jobs/3/choose/flywheel",
    "find": "/jobs/3/choose/find",
    "what moves it": "/jobs/3/choose/moves?result=lift_margin",
    "found against planned": "/jobs/5/choose/against",
    "from the shelf": "/jobs/3/choose/section?shelf=cover",
    "shelf": "/shelf?slot=disc",
    "new part": "/shelf?slot=cover&part=new",
    "keys": "/jobs/3/choose/section?keys",
    "working": "/jobs/2/choose/bite?working=bite_margin",
    "ask": "/jobs/2/choose/bite?ask",
    "assumptions": "/jobs/2/choose/bite?assumptions",
    "sheet": "/jobs/2/sheet",
    "sheet by itself": "/api/jobs/5/sheet.html?appendix=true&night=true",
    "record": "/jobs/2/record",
    "fit": "/jobs/3/fit",
    "a step": "/jobs/5/fit?step=springs_in",
    "bleed": "/jobs/3/prove/bleed",
    "first start": "/jobs/3/prove/start",
    "road": "/jobs/3/prove/road",
    "fault": "/jobs/1/prove/fault",
    "hand-over": "/jobs/3/prove/hand-over",
    "backups": "/backups",
    "no page": "/nowhere",
    "no job": "/jobs/99/brief",
    "a figure": "/jobs/5/measure/bench?check=plate_thickness&place=Plate 1, place 1",
    "a grade": "/jobs/5/measure/bench?check=plate_condition",
    "a sweep": "/jobs/3/measure/bench?check=bore_runout",
    "floater": "/jobs/3/measure/bench?check=floater_gap",
    "spacers": "/jobs/7/measure/bench?check=spacers",
    "decide": "/jobs/5/measure/decide",
    "history": "/jobs/5/measure/history",
    "instruments": "/jobs/5/measure/bench?instruments",
}
EVERYTHING = """{resultTypes: ['violations'],
    runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']}"""
CONTRAST = "{resultTypes: ['violations'], runOnly: {type: 'rule', values: ['color-contrast', 'link-in-text-block']}}"
#: What another width may change: what is shown, how large it is, what scrolls.
SIZE = """{resultTypes: ['violations'], runOnly: {type: 'rule', values: [
    'target-size', 'scrollable-region-focusable', 'landmark-unique', 'heading-order', 'button-name',
    'link-name', 'label', 'aria-hidden-focus']}}"""
#: Of all that axe found, what is wrong: what holds is thousands of elements, and slow to bring over.
BROKEN = "found => found.violations.flatMap(v => v.nodes.map(n => `${v.id}: ${n.html.slice(0, 160)}`))"
#: Width, height, print and what is looked at, in this order.
LOOKS = (
    (1280, 800, "light", EVERYTHING),
    (1280, 800, "dark", CONTRAST),
    (820, 1180, "light", SIZE),
    (390, 844, "light", SIZE),
)


@pytest.mark.parametrize("path", VIEWS.values(), ids=VIEWS)
def test_a_view_is_open_to_everyone_at_every_width(page: Page, still_shop: str, axe: str, path: str) -> None:
    """[standard: WCAG 2.2 AA], as far as axe-core sees; and nothing runs off the sheet."""
    page.goto(still_shop + path)
    page.wait_for_load_state("networkidle")
    expect(page.locator("h1").first).to_be_attached()  # a quiet line is not yet a page drawn
    page.evaluate(axe)
    for width, height, scheme, rules in LOOKS:
        page.set_viewport_size({"width": width, "height": height})
        page.emulate_media(color_scheme=scheme, reduced_motion="reduce")
        told = page.evaluate(f"axe.run(document, {rules}).then({BROKEN})")
        assert told == [], (width, scheme)
        assert page.evaluate("document.documentElement.scrollWidth") <= width, (width, scheme)
