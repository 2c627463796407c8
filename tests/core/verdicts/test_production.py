"""Production set-ups of general engineering knowledge, and some known to fail, with the verdict expected and why.

The figures are rounded and of no one vehicle; they are job files like any other. What is known to work for years has to
be called good, what is known to fail has not.
"""

from __future__ import annotations

from pathlib import Path

import pytest

from liftbite.core.job.ledger import present
from liftbite.core.verdicts.answers import Answers, answer
from liftbite.core.verdicts.verdict import GOOD_STATES
from liftbite.core.verdicts.words import link_sentence, verdict_sentence
from liftbite.files.job import read_job_file

FILES = Path(__file__).parents[2] / "fixtures" / "production"

#: Job file -> states of Bite, Lift, Heat and True, and why.
EXPECTED = {
    "stock-two-litre": ("holds", "frees", "stays", "runs true", "in daily use: nominal 1.35, cushioned single disc"),
    "light-roadster-hydraulic": ("holds", "frees", "stays", "runs true", "light pedal, light car"),
    "light-roadster-cable": ("holds", "frees", "stays", "runs true", "the same clutch on a cable that stretches"),
    "v8-twin": ("holds", "frees", "stays", "runs true", "organic twin, a quarter of a millimetre of cushion a disc"),
    "drag-twin": ("holds", "frees", "warm", "runs true", "buttons free early; each start is a hard one"),
    "laden-van": ("holds", "frees", "warm", "runs true", "5.5 t on 12 %: it pulls away, and the facing pays for it"),
    "six-hundred-four": ("holds", "frees", "stays", "runs true", "eight paper plates: 1.47 nominal, 1.24 low"),
    "one-two-five-single": ("holds", "frees", "stays", "runs true", "five plates behind 3.2 of primary reduction"),
    "v-twin": ("holds", "frees", "stays", "runs true", "hydraulic lever, at what a hand bears"),
    "turbo-on-the-same-clutch": ("slips", "frees", "open", "runs true", "400 N·m on 284: 0.71, no start decides"),
    "tired-springs": ("slips", None, "open", "runs true", "five millimetres of free length gone"),
    "light-roadster-small-master": ("holds", "thin", "stays", "runs true", "a master two sizes down moves too little"),
    "wheel-too-fast": ("holds", "frees", "stays", "stop", "soft iron, 330 mm, 8500 rpm: 1.4 times the redline"),
    "wrong-splines": ("does not fit", "frees", "stays", "runs true", "24 splines on 26: nothing else matters"),
}
_WORKS = (
    "stock-two-litre",
    "light-roadster-hydraulic",
    "light-roadster-cable",
    "v8-twin",
    "six-hundred-four",
    "one-two-five-single",
    "v-twin",
)


def answers_of(name: str) -> Answers:
    return answer(present(read_job_file((FILES / f"{name}.liftbite.json").read_bytes()).revisions))


@pytest.mark.parametrize("name", EXPECTED)
def test_the_verdict_is_the_trades(name: str) -> None:
    *expected, why = EXPECTED[name]
    found = answers_of(name)
    for verdict, state in zip((found.verdict, *found.others), expected, strict=True):
        assert state is None or verdict.state == state, (why, verdict_sentence(verdict))


@pytest.mark.parametrize("name", EXPECTED)
def test_the_figure_shown_is_the_one_that_decides(name: str) -> None:
    """It lies on the side of its limit that the state says."""
    found = answers_of(name)
    for verdict in (found.verdict, *found.others):
        link = verdict.deciding
        if verdict.state in {"open", "does not fit"} or link is None:
            continue
        within = link.figure <= link.limit if link.most else link.figure >= link.limit
        assert within == (verdict.state in GOOD_STATES), verdict_sentence(verdict)


def test_every_file_is_judged() -> None:
    assert {p.name.removesuffix(".liftbite.json") for p in FILES.iterdir()} == set(EXPECTED)


def test_links_that_were_not_looked_at_are_named_beside_a_good_word() -> None:
    """A sintered twin whose shaft nobody entered holds, and says what was not looked at."""
    found = answers_of("drag-twin").verdict
    assert found.state == "holds"
    assert "Not looked at: input shaft, splines, torsion damper." in verdict_sentence(found)


@pytest.mark.parametrize(
    ("material", "diameter", "rpm", "ratio"),
    [
        ("grey_iron", 280, 6500, 2.4),
        ("grey_iron", 300, 7000, 2.07),
        ("grey_iron", 276, 4600, None),
        ("grey_iron", 300, 6500, None),
        ("steel", 280, 7500, 3.1),
        ("aluminium", 280, 7500, 4.7),
        ("steel", 330, 6800, 3.0),
    ],
)
def test_stock_flywheels_run_true_at_their_own_redline(
    material: str, diameter: int, rpm: int, ratio: float | None
) -> None:
    """Common practice, no source: mean-stress burst ratios of plates of even thickness with a bore of 40 mm."""
    from tests.jobs import built

    build = built(
        {"layout": "dry_car"},
        flywheel_material=material,
        flywheel_diameter=f"{diameter} mm",
        flywheel_bore="40 mm",
        redline=f"{rpm} rpm",
        flywheel_insert="steel",
    )
    margin = float(build.evaluate(("burst_margin",))["burst_margin"])
    assert margin >= 2.0
    assert ratio is None or margin == pytest.approx(ratio, rel=0.02)
    true = answer(build.entries).others[2]
    assert true.state == ("look again" if (diameter, rpm) == (300, 7000) else "runs true"), verdict_sentence(true)


def test_a_certified_speed_outranks_what_is_worked_out() -> None:
    from tests.jobs import entries

    wheel = {
        "layout": "dry_car",
        "flywheel_material": "steel",
        "flywheel_diameter": "280 mm",
        "flywheel_bore": "40 mm",
        "redline": "7500 rpm",
    }
    for certified, state in (("7000 rpm", "stop"), ("8000 rpm", "look again"), ("9000 rpm", "runs true")):
        true = answer(entries(wheel, certified_speed=certified)).others[2]
        assert (true.state, true.deciding and true.deciding.key) == (state, "certified_speed")
    blind = answer(entries(wheel, flywheel_build="dual_mass", bolt_count="8")).others[2]
    assert "burst speed" in blind.unseen or blind.state == "open"


def test_a_concentric_bearing_that_is_pushed_off_its_sleeve_is_said() -> None:
    """14 mm of reserve and 7 mm of stroke on a 15 mm sleeve, although 7 is below 15; common practice, no source."""
    from tests.jobs import FULL, entries

    fits = answer(entries(FULL, bearing_reserve="7 mm", slave_stroke="15 mm")).others[0]
    off = answer(entries(FULL, bearing_reserve="14 mm", slave_stroke="15 mm")).others[0]
    assert all(link.key != "sleeve_end" or link.grade == "good" for link in fits.links)
    told = next(link for link in off.links if link.key == "sleeve_end")
    assert told.grade == "short"
    assert "comes off its sleeve" in link_sentence(told)
