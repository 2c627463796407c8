"""Small windows: figures can be entered on a tablet and a telephone, and Take is in sight on the bench."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

SIZES = [(1280, 720), (1280, 800), (820, 1180), (390, 844)]


@pytest.mark.parametrize(("width", "height"), SIZES[2:])
@pytest.mark.parametrize(
    ("station", "label", "typed"), [("brief", "Use factor", "1.4"), ("choose/bite", "Outer diameter", "241 mm")]
)
def test_a_figure_can_be_entered(
    page: Page, shop: str, station: str, label: str, typed: str, width: int, height: int
) -> None:
    page.set_viewport_size({"width": width, "height": height})
    page.goto(f"{shop}/jobs/2/{station}")
    field = page.get_by_role("textbox", name=label, exact=True)
    field.click()  # fails where it cannot be scrolled to or something lies over it
    field.fill(typed)
    field.press("Enter")
    expect(page.locator("input[class*=border-now]")).to_have_count(0)
    page.reload()
    expect(field).to_have_value(typed)


@pytest.mark.parametrize(("width", "height"), SIZES)
def test_take_is_in_sight_before_anything_is_scrolled(page: Page, shop: str, width: int, height: int) -> None:
    page.set_viewport_size({"width": width, "height": height})
    page.goto(f"{shop}/jobs/5/measure/bench?check=plate_thickness&place=Plate 1, place 1")
    take = page.get_by_role("button", name=re.compile("^Take for"))
    expect(take).to_be_visible()
    on_top = take.evaluate("""button => {
        const box = button.getBoundingClientRect();
        return [box.top + 4, box.bottom - 4].every((y) =>
            document.elementFromPoint(box.left + box.width / 2, y)?.closest("button") === button);
    }""")
    assert on_top
