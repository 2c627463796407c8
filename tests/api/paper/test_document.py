"""Documents carry all they need, and say nothing but what is put in."""

from __future__ import annotations

import re
import sys

import pytest

from liftbite.api.jobs.present import figure_out
from liftbite.api.paper.document import NoPdf, _css, _figure, pdf
from liftbite.core.units.preference import PREFERENCES, preferring


def test_figures_are_written_in_the_units_asked_for() -> None:
    length, bare = figure_out(0.2413, "m"), figure_out(1.3, "-")
    texts = {}
    for units in PREFERENCES:
        with preferring(units):
            texts[units] = re.sub(r"<[^>]+>", "", _figure(length))
    assert texts == {"both": "241.3\u00a0mm (9.5\u00a0in)", "metric": "241.3\u00a0mm", "inch": "9.5\u00a0in"}
    assert "(" not in _figure(bare)
    assert _figure(None) == "—"


def test_no_word_can_end_a_string_of_the_style() -> None:
    assert _css('a"}</style>') == '"a\\22 \\7d \\3c \\2f style\\3e "'


def test_a_machine_without_pango_is_told_so(monkeypatch: pytest.MonkeyPatch) -> None:
    class Broken:
        def find_spec(self, name: str, *_: object) -> None:
            if name.startswith("weasyprint"):
                raise OSError("cannot load library 'libpango-1.0-0'")

    for name in [n for n in sys.modules if n.startswith("weasyprint")]:
        monkeypatch.delitem(sys.modules, name)
    monkeypatch.setattr(sys, "meta_path", [Broken(), *sys.meta_path])
    with pytest.raises(NoPdf, match="libpango"):
        pdf("<p>x</p>")


def test_a_document_reaches_for_nothing_outside_itself(tmp_path: object) -> None:
    assert b"/Image" not in pdf('<img src="file:///etc/hostname"><img src="http://127.0.0.1:9/x.png">')
