"""Drawings of documents: well-formed, to scale, with everything inside the sheet."""

from __future__ import annotations

import re
from xml.etree import ElementTree

import pytest

from liftbite.api.choose.drawing import section_out
from liftbite.api.jobs.present import job_out
from liftbite.api.paper.drawn import section_svg, torque_svg
from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import Revision, read_entry
from tests.jobs import FULL, MOTORCYCLE

SVG = "{http://www.w3.org/2000/svg}"


def drawn(text: str) -> ElementTree.Element:
    return ElementTree.fromstring(text)


@pytest.mark.parametrize("typed", [FULL, MOTORCYCLE], ids=["car", "motorcycle"])
def test_a_section_stands_on_its_sheet_with_every_part_numbered(typed: dict[str, str]) -> None:
    entries = {q: read_entry(q, t) for q, t in typed.items()}
    section = section_out(build_of(entries))
    root = drawn(section_svg(section))
    corners = [
        (float(x), float(y))
        for path in root.iter(f"{SVG}path")
        if path.get("stroke-linejoin")
        for x, y in re.findall(r"(-?[\d.]+) (-?[\d.]+)", path.get("d", ""))
    ]
    assert all(-1 <= x <= 175 and 0 <= y <= 92 for x, y in corners)
    numbers = {t.text for t in root.iter(f"{SVG}text") if (t.text or "").isdigit()}
    in_section = {o.part for o in section.clutch}
    assert numbers == {str(i) for i, part in enumerate(section.parts, 1) if part.name in in_section}


def test_the_torque_a_clutch_holds_is_drawn_at_its_height() -> None:
    entries = tuple(read_entry(q, t) for q, t in FULL.items())
    chart = job_out(1, [Revision(1, "start", "2026-11-28T10:00:00Z", entries)]).chart
    assert chart is not None
    assert chart.holds_nominal is not None
    root = drawn(torque_svg(chart))
    rulers = {
        float(t.text or ""): float(t.get("y", "")) - 1
        for t in root.iter(f"{SVG}text")
        if t.get("text-anchor") == "end" and (t.text or "").isdigit()
    }
    (t0, y0), *_, (t1, y1) = sorted(rulers.items())
    held = y0 + (chart.holds_nominal - t0) / (t1 - t0) * (y1 - y0)
    lines = [
        float(m[1])
        for path in root.iter(f"{SVG}path")
        if (m := re.fullmatch(r"M16\.0 ([\d.]+)H130", path.get("d", "")))
    ]
    assert any(abs(at - held) < 0.05 for at in lines)
