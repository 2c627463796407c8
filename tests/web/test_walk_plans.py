"""Whole plans worked through by screen, step by step: a twin with torque and angle, a rear-engined pull type."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.web.steps import open_job, unfold
from tests.web.test_walk_fit import sign


def work_through(page: Page) -> list[str]:
    """Does what is asked for until nothing is open; the keys of the steps in the order they came."""
    came: list[str] = []
    card = page.get_by_test_id("step")
    unfold(page)
    while card.count() and len(came) < 200:
        key = card.get_attribute("data-step")
        assert key
        assert key not in came, f"{key} came twice"
        came.append(key)
        while (bolt := card.get_by_role("button", name=re.compile(r"^Bolt \d"))).count():
            left = card.locator("[data-ticked=false]").count(), card.get_by_text("of").count()
            words = bolt.inner_text()
            bolt.click()
            expect(card.get_by_role("button", name=words, exact=True)).to_have_count(0)
            assert left
        if (words := card.locator("form > label textarea")).count():
            words.fill("proved")
        submit = card.locator("button[type=submit]").last
        submit.click()
        expect(page.locator(f"[data-testid=steps] [data-step='{key}'][data-state=done]")).to_have_count(1)
        expect(page.locator(f"[data-testid=step][data-step='{key}']")).to_have_count(0)
    return came


@pytest.mark.trust
def test_a_twin_with_torque_and_angle_from_its_flywheel_to_full_load(page: Page, shop: str) -> None:
    open_job(page, shop, "Halvern coupé, twin-disc plan", "fit")
    api = re.sub(r"/jobs/(\d+)/.*", r"/api/jobs/\1", page.url)
    said = {"answer": "chosen", "figure": "44 lb-ft + 90°, oiled", "bolts": "renewed"}
    assert page.request.post(f"{api}/plan", data={"kind": "tightening", "key": "flywheel:maker", "said": said}).ok
    for joint, count in (("floater", "6"), ("cover", "8"), ("housing", "10")):
        said = {"answer": "chosen", "figure": "20 N·m", "count": count, "passes": "at_once"}
        assert page.request.post(f"{api}/plan", data={"kind": "tightening", "key": f"{joint}:kit", "said": said}).ok
    page.reload()
    sign(page)
    came = work_through(page)
    assert came.index("flywheel_on") < came.index("disc_on") < came.index("cover_on") < came.index("full_load")
    expect(page.get_by_text("All of it is done.")).to_be_visible()
    record = page.request.get(f"{api}/file").json()["bench"]["record"]
    turned = {line["key"] for line in record if line["kind"] == "bolt" and line["key"].startswith("flywheel_on:1.")}
    assert len(turned) == 8, "a pass to the snug torque, and one by the angle"


@pytest.mark.trust
def test_a_rear_engined_car_with_a_pull_cover_from_its_cautions_to_full_load(page: Page, shop: str) -> None:
    begun = page.request.post(f"{shop}/api/jobs", data={"name": "Dunlode rear engine", "layout": "dry_car"}).json()
    api = f"{shop}/api/jobs/{begun['id']}"
    entries = {"entries": [{"quantity": "cover_action", "typed": "pull"}]}
    assert page.request.post(f"{api}/entries", data=entries, headers={"If-Match": f'"{begun["revision"]}"'}).ok
    said = {"kind": "plan", "key": "kind", "said": {"answer": "rear_engine"}}
    assert page.request.post(f"{api}/plan", data=said).ok
    page.goto(f"{shop}/jobs/{begun['id']}/fit")
    sign(page)
    came = work_through(page)
    expect(page.get_by_text("All of it is done.")).to_be_visible()
    assert came[0] == "cautions"
    assert came.index("pull_bearing_in") < came.index("prove_cover") < came.index("gearbox_in")
    assert any("arm" in key or "hook" in key for key in came), came  # freed before parting, hooked in at the end
