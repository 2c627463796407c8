"""Whole plans worked through by screen, step by step: a twin with torque and angle, a rear-engined pull type."""

from __future__ import annotations

import re
from collections.abc import Mapping, Sequence

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.web.steps import open_job, unfold
from tests.web.test_walk_fit import sign


def work_through(page: Page) -> list[str]:
    """Does what is asked for until nothing is open; the keys of the steps in the order they came."""
    came: list[str] = []
    fit, card = page.url, page.get_by_test_id("step")
    unfold(page)
    while card.count() and len(came) < 200:
        key = card.get_attribute("data-step")
        assert key
        assert key not in came, f"{key} came twice"
        came.append(key)
        if (asked := card.get_by_test_id("asked").get_by_role("link")).count():
            fact = asked.get_attribute("href") or ""
            if "/measure/" in fact:
                card.get_by_text("Not on this job …").click()
                card.get_by_label("Why it is not on this job").fill("read at the other shop")
                card.get_by_role("button", name="Done elsewhere").click()
            else:
                asked.click()
                prove(page, fact)
                page.goto(fit)
                unfold(page)
        else:
            do(page, card)
        expect(page.locator(f"[data-testid=steps] [data-step='{key}'][data-state=done]")).to_have_count(1)
        expect(page.locator(f"[data-testid=step][data-step='{key}']")).to_have_count(0)
    return came


def do(page: Page, card: Locator) -> None:
    """What a step asks for where it stands: lines that a named person goes past, bolts, words, and done."""
    while (
        shut := card.locator("[data-testid=lines] li[data-state=open], [data-testid=lines] li[data-state=bad]")
    ).count():
        line = shut.first
        name = line.get_attribute("data-line")
        line.get_by_text("Go past this line …").click()
        line.get_by_label(re.compile("^Why, past: ")).fill("as on the last one")
        line.get_by_role("button", name="Go past it").click()
        expect(card.locator(f"[data-line='{name}'][data-state=overridden]")).to_have_count(1)
    while (bolt := card.get_by_role("button", name=re.compile(r"^Bolt \d"))).count():
        left = card.locator("[data-ticked=false]").count(), card.get_by_text("of").count()
        words = bolt.inner_text()
        bolt.click()
        expect(card.get_by_role("button", name=words, exact=True)).to_have_count(0)
        assert left
    if (words := card.locator("form > label textarea")).count():
        words.fill("proved")
    card.locator("button[type=submit]").last.click()


def prove(page: Page, fact: str) -> None:
    """What is said in Prove: a bleeding, a fluid, a card item by item."""
    if fact.endswith("/bleed"):
        page.get_by_label("Fluid").first.fill("glycol, sealed bottle")
        page.get_by_role("button", name="Bled this way").click()
        expect(page.get_by_text(re.compile("glycol, sealed bottle")).first).to_be_visible()
        return
    if "fluid" in fact:
        fluid = page.locator(f"[data-fluid={fact.rpartition(' ')[2].rpartition('%20')[2]}]")
        fluid.get_by_role("button", name="Filled", exact=True).click()
        expect(fluid.get_by_role("button", name="Take back")).to_be_visible()
        return
    item = page.get_by_test_id("try-now")
    expect(item).to_be_visible()
    while item.count():
        words = item.locator("p").first.inner_text()
        item.get_by_role("button", name="As it should").click()
        expect(item.get_by_text(words, exact=True)).to_have_count(0)


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


#: A job -> its layout, figures, answers, and chains a foreman would say of it, each in order.
JOBS: Mapping[str, tuple[str, Mapping[str, str], Mapping[str, str], Sequence[str]]] = {
    "torque tube, pull type": (
        "dry_car",
        {"cover_action": "pull"},
        {"kind": "torque_tube"},
        ["transaxle tube arm_freed housing_off cover_off", "housing_on arm_hooked arm_pin on:tube on:transaxle filled"],
    ),
    "rear engine, pull type": (
        "dry_car",
        {"cover_action": "pull"},
        {"kind": "rear_engine"},
        ["drive_shafts gearbox_out", "pull_bearing_in prove_cover gearbox_in arm_hooked on:drive_shafts slave_read"],
    ),
    "engine out": (
        "dry_car",
        {},
        {"kind": "engine_out"},
        ["hoist engine_mounts parted engine_lifted cover_off", "engine_in on:engine_mounts hoist_off on:exhaust start"],
    ),
    "lengthwise, all wheels driven": (
        "dry_car",
        {},
        {"kind": "lengthwise_all_wheel"},
        ["hub_nut raise strut_marked drive_shafts gearbox_out", "on:drive_shafts filled on:hub_nut lowered"],
    ),
    "transverse, subframe down": (
        "dry_car",
        {},
        {"kind": "transverse", "subframe": "off"},
        [
            "steering_straight battery strut_marked subframe mounts gearbox_out",
            "on:subframe lowered rubber_tight aligned",
        ],
    ),
    "new installation, concentric": (
        "dry_car",
        {"release": "concentric"},
        {"kind": "new_installation"},
        ["flywheel_on disc_on cover_on x_read spacers_set concentric_in gearbox_in unit_in bled slave_read start"],
    ),
    "motorcycle, arm in its cover": (
        "wet_motorcycle",
        {},
        {"arm": "in_cover"},
        ["oil_out case_off springs_out pack_out prove_pack springs_in on:case_off lifted_by_hand engine_oil start"],
    ),
}


@pytest.mark.trust
@pytest.mark.parametrize("name", JOBS)
def test_a_whole_job_by_screen_from_its_cautions_to_full_load(page: Page, shop: str, name: str) -> None:
    layout, figures, answers, chains = JOBS[name]
    begun = page.request.post(f"{shop}/api/jobs", data={"name": f"Dunlode, {name}", "layout": layout}).json()
    api = f"{shop}/api/jobs/{begun['id']}"
    if figures:
        entries = {"entries": [{"quantity": quantity, "typed": typed} for quantity, typed in figures.items()]}
        assert page.request.post(f"{api}/entries", data=entries, headers={"If-Match": f'"{begun["revision"]}"'}).ok
    for question, answer in answers.items():
        said = {"kind": "plan", "key": question, "said": {"answer": answer}}
        assert page.request.post(f"{api}/plan", data=said).ok
    page.goto(f"{shop}/jobs/{begun['id']}/fit")
    sign(page)
    came = work_through(page)
    expect(page.get_by_text("All of it is done.")).to_be_visible()
    assert (came[0], came[-1]) == ("cautions", "full_load")
    for chain in chains:
        places = [came.index(key) for key in chain.split()]
        assert places == sorted(places), [came[place] for place in sorted(places)]
