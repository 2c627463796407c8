"""Glyphs are drawn from the numbers: a larger margin shows, and nothing leaves the box."""

from __future__ import annotations

import re

import pytest

from liftbite.core.drawing.glyph import HEIGHT, WIDTH, glyph, temper_colour
from liftbite.core.verdicts.verdict import Band, Link, Question, Verdict

QUESTIONS: tuple[Question, ...] = ("bite", "lift", "heat", "true")


def decided(question: Question, reserve: float, *, figure: float = 500.0, unit: str = "-") -> Verdict:
    link = Link("x", "x", reserve, "good", figure, 1.0, unit, True)
    return Verdict(question, "holds", "judged", Band(reserve, reserve, reserve), target=1.3, deciding=link)


@pytest.mark.parametrize("question", QUESTIONS)
@pytest.mark.parametrize("reserve", [-3.0, 0.0, 0.4, 1.0, 1.7, 60.0])
def test_a_glyph_stays_in_its_box(question: Question, reserve: float) -> None:
    for stroke in glyph(decided(question, reserve)):
        absolute = re.findall(r"[ML](-?[\d.]+) (-?[\d.]+)", stroke.path)
        assert all(0 <= float(x) <= WIDTH and 0 <= float(y) <= HEIGHT for x, y in absolute)


@pytest.mark.parametrize("question", QUESTIONS)
def test_what_has_no_number_is_only_outlined(question: Question) -> None:
    assert all(stroke.dashes for stroke in glyph(Verdict(question, "open", "Needs more.")))


def test_faces_are_pressed_together_from_a_margin_of_one_on() -> None:
    def pressed(margin: float) -> list[str]:
        return [s.path for s in glyph(decided("bite", margin)) if s.fill == "ink"]

    assert pressed(0.9) == []
    assert pressed(1.1)[0] == "M30.7 5h2.6v38h-2.6z"  # a tenth of 26, about the middle


def test_a_gap_that_is_just_enough_reaches_the_ticks() -> None:
    *_, right, _, ticks = glyph(decided("lift", 1.0))
    assert (right.path[:4], ticks.path[:3]) == ("M35 ", "M35")


@pytest.mark.parametrize(("celsius", "colour"), [(199.0, None), (255.0, "rgb(150,96,48)"), (900.0, "rgb(128,166,204)")])
def test_steel_takes_its_colours(celsius: float, colour: str | None) -> None:
    assert temper_colour(celsius) == colour


def test_a_heat_told_as_a_temperature_takes_that_colour() -> None:
    assert glyph(decided("heat", 1.2, figure=273.15 + 295, unit="K"))[0].fill == "rgb(44,70,140)"
    assert glyph(decided("heat", 1.2, unit="Pa"))[0].fill == "hair"
