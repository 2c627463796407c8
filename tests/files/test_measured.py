"""What was measured, in a job file: out and in again unchanged, whatever was read; every fault with its place."""

from __future__ import annotations

import json
import re
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st
from jsonschema import Draft202012Validator

from liftbite.core.errors import UnreadableFile
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.keyed import read_filed, read_how, read_limit
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.measure.reading import Reading
from liftbite.files.job import JobFile, dump, read_job_file, to_file
from liftbite.files.measured import (
    FileBench,
    Filed,
    FiledLimit,
    FiledReading,
    FiledSeries,
    from_bench,
    to_bench,
)
from tests.jobs import CAR, ledger_of

SCHEMA = Draft202012Validator(JobFile.model_json_schema())
BEGAN = datetime(2026, 3, 1, 9, 30, tzinfo=UTC)
PLACES = st.text(st.characters(blacklist_categories=["C"]), min_size=1, max_size=40)
AMOUNTS = st.floats(0, 1e6)


@st.composite
def readings(draw: st.DrawFn, name: str) -> FiledReading:
    check = CHECKS[name]
    place = draw(PLACES)
    kind = draw(st.sampled_from(["read", "read", "skipped"]))
    if kind == "skipped":
        reading = Reading(place, skipped=draw(st.sampled_from(["not there", "cannot be reached"])))
    elif check.kind == "grade":
        reading = read_filed(check, place, draw(st.sampled_from([g.value for g in check.grades])))
    else:
        number = draw(st.integers(0, 200_000))
        typed = f"{number / 1000:g} mm" if check.unit == "m" else str(number)
        kinds = [k for k in check.suited if k in INSTRUMENT_KINDS]
        instrument = draw(st.sampled_from(["", *kinds]))
        reading = read_filed(check, place, typed, instrument, draw(st.none() | st.floats(1e-7, 1e-3)))
    at = BEGAN + timedelta(microseconds=draw(st.integers(0, 10**12)))
    return FiledReading(reading, at, draw(st.sampled_from(["typed", "gauge", "file"])), draw(st.booleans()))


@st.composite
def series(draw: st.DrawFn) -> FiledSeries:
    check = CHECKS[draw(st.sampled_from([n for n, c in CHECKS.items() if c.unit in {"m", "count", ""} or c.grades]))]
    words = {"seen_from": ["", "gearbox", "engine"], "sag": ["", "0.02 mm"], "shims": ["", "raises", "lowers"]}
    said = {name: draw(st.sampled_from(offered)) for name, offered in words.items()}
    settings = read_how(check, said) | draw(st.sampled_from([{}, {"label": "before winter"}]))
    read = draw(st.lists(readings(check.name), max_size=4))
    return FiledSeries(check.name, BEGAN, draw(st.none() | st.floats(0, 1e9)), settings, tuple(read))


@given(st.lists(series(), max_size=3), st.booleans(), st.lists(AMOUNTS, min_size=4, max_size=4))
def test_out_and_in_again(taken: list[FiledSeries], limited: bool, amounts: list[float]) -> None:
    keyed = read_limit(CHECKS["plate_thickness"], "least", "2.5 mm")
    limits = (FiledLimit("plate_thickness", "least", keyed.typed, keyed.si, "p. 7"),) if limited else ()
    price, hours, rate, extra = amounts
    filed = Filed(tuple(taken), limits, (Renewal("pilot", price, 0.1, hours, rate, extra),))
    text = dump(to_file(ledger_of(CAR), filed))
    SCHEMA.validate(json.loads(text))
    assert read_job_file(text.encode()).bench == filed


def test_a_bench_with_nothing_on_it_leaves_no_trace() -> None:
    assert to_bench(Filed()) is None
    assert '"bench"' not in dump(to_file(ledger_of(CAR)))
    assert from_bench(None) == Filed()


def written(**change: Any) -> FileBench:
    """A file written by hand, with the least it needs."""
    reading = {"place": "Plate 1, place 1", "typed": "2.9 mm", "at": "2026-03-01T09:30:00+01:00"}
    series = {"check": "plate_thickness", "at": "2026-03-01T09:30:00Z", "readings": [reading | change.pop("read", {})]}
    return FileBench.model_validate({"series": [series | change.pop("series", {})]} | change)


def test_a_file_written_by_hand_needs_little() -> None:
    (series,) = from_bench(written()).series
    (filed,) = series.readings
    assert filed.reading.si == 2.9e-3
    assert filed.at == datetime(2026, 3, 1, 8, 30, tzinfo=UTC)
    assert (filed.source, filed.withdrawn, series.distance) == ("typed", False, None)


SUM = {"part": "Spring set", "price": 1.0, "chance": 0.1, "hours": 1.0, "rate": 1.0}
LEAST = {"check": "plate_thickness", "limit": "least", "typed": "2.5 mm"}


@pytest.mark.parametrize(
    ("change", "says"),
    [
        ({"series": {"check": "nothing"}}, "series 1: “nothing” is no check"),
        ({"series": {"asked": {"shims": "lifts"}}}, "series 1: “lifts” is not offered for shims"),
        ({"series": {"check": "bore_runout", "sag": "much"}}, "series 1: "),
        ({"read": {"typed": "thin"}}, "series 1, Plate 1, place 1: "),
        ({"read": {"typed": "2.9 kg"}}, "series 1, Plate 1, place 1: "),
        ({"read": {"si": 2.9}}, "“2.9 mm” is not 2.9 in SI"),
        ({"read": {"typed": "", "skipped": "not there", "si": 1.0}}, "“” is not 1 in SI"),
        ({"read": {"instrument": "laser"}}, "“laser” is no instrument"),
        ({"read": {"place": ""}}, "a place is missing"),
        ({"series": {"check": "basket"}}, "“2.9 mm” is no grade"),
        ({"limits": [LEAST | {"limit": "worst"}]}, "limit 1: "),
        ({"limits": [LEAST | {"typed": "some"}]}, "limit 1: "),
        ({"limits": [LEAST, LEAST]}, "the same limit of the same check is given twice"),
        ({"renewals": [SUM, SUM]}, "the same part stands twice among the renewals"),
    ],
)
def test_what_cannot_be_right_is_refused_with_its_place(change: dict[str, Any], says: str) -> None:
    with pytest.raises(UnreadableFile, match=re.escape(says)):
        from_bench(written(**change))


@pytest.mark.parametrize(
    "bench",
    [
        {"series": [{"check": "basket", "at": "yesterday", "readings": []}]},
        {"series": [{"check": "basket", "at": "2026-03-01T09:30:00Z", "distance": -1.0, "readings": []}]},
        {"series": [{"check": "bas\x00ket", "at": "2026-03-01T09:30:00Z", "readings": []}]},
        {"renewals": [SUM | {"chance": 2.0}]},
        {"figures": []},
    ],
)
def test_what_is_no_bench_is_refused_by_its_shape(bench: dict[str, Any]) -> None:
    text = json.dumps(json.loads(dump(to_file(ledger_of(CAR)))) | {"bench": bench})
    with pytest.raises(UnreadableFile, match="bench"):
        read_job_file(text.encode())
