"""A shop's own instruments: what is typed of them, and what an old calibration is worth."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.errors import UnreadableEntry
from liftbite.core.measure.instruments import CALIBRATION_DAYS, INSTRUMENT_KINDS, calibration_warns, read_trust


@pytest.mark.parametrize("kind", INSTRUMENT_KINDS.values(), ids=INSTRUMENT_KINDS)
def test_left_empty_an_instrument_is_as_its_kind(kind: object) -> None:
    found = INSTRUMENT_KINDS[kind.name]  # type: ignore[attr-defined]
    assert read_trust(found, "", " ") == (found.resolution, found.uncertainty)
    assert found.uncertainty >= found.resolution / 2, "no kind claims to be finer than half its own step"


@given(st.sampled_from(list(INSTRUMENT_KINDS.values())), st.floats(0.1, 900))
def test_an_uncertainty_is_never_finer_than_half_a_step(kind: object, coarser: float) -> None:
    found = INSTRUMENT_KINDS[kind.name]  # type: ignore[attr-defined]
    unit = found.unit
    step = found.resolution * coarser
    kept, doubt = read_trust(found, f"{step:.12f} {unit}", "")
    assert kept == pytest.approx(step, rel=1e-3)
    assert doubt == pytest.approx(max(found.uncertainty, step / 2), rel=1e-3)


@pytest.mark.parametrize(
    ("resolution", "uncertainty", "says"),
    [
        ("0.1 mm", "0.02 mm", "finer than half of its smallest step"),
        ("0", "", "Smallest step"),
        ("-1 mm", "", "Smallest step"),
        ("fine", "", "Smallest step"),
        ("", "3 kg", "Uncertainty"),
        ("", "2 m", "Uncertainty: “2 m” is not one of a caliper"),
    ],
)
def test_what_no_caliper_has_is_refused(resolution: str, uncertainty: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_trust(INSTRUMENT_KINDS["caliper"], resolution, uncertainty)


@pytest.mark.parametrize(
    ("age", "warns"), [(0, False), (CALIBRATION_DAYS, False), (CALIBRATION_DAYS + 1, True), (-1, False), (-2, True)]
)
def test_a_calibration_warns_when_it_is_old_or_not_yet(age: int, warns: bool) -> None:
    assert bool(calibration_warns(age)) == warns
    assert calibration_warns(None) == ""
