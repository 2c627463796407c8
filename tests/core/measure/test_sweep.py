"""Sweeps at their edges: angles, places, the radius a limit is meant at, doubt, and a reading without angles."""

from __future__ import annotations

from math import sqrt
from types import SimpleNamespace
from typing import cast

import numpy as np
import pytest

from liftbite.core.errors import UnreadableEntry
from liftbite.core.job.build import Build
from liftbite.core.measure.check import Place
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.runout import SweepSettings
from liftbite.core.measure.sweep import ALONE, decided, judge_sweep, places_read, read_angle, scale_of, sweep_of

BORE, FACE = CHECKS["bore_runout"], CHECKS["flywheel_runout"]
PLAIN = SweepSettings()
LIMIT = 0.127e-3


def circle(tir: float, count: int = 8, *, closes: float | None = None, u: float = 1e-6) -> list[Reading]:
    """Readings of a bore off centre by half of `tir`, the first angle read again."""
    readings = [
        Reading(f"{a:g}°", tir / 2 * float(np.cos(np.radians(a))), uncertainty=u)
        for a in np.arange(0, 360, 360 / count)
    ]
    if closes is not None:
        readings.append(Reading("0° again", tir / 2 + closes, uncertainty=u))
    return readings


@pytest.mark.parametrize(
    ("typed", "angle"),
    [("0", "0°"), ("359.999", "359.999°"), ("22.5004", "22.5°"), ("22.5006", "22.501°"), ("0.4 again", "0.4° again")],
)
def test_an_angle_is_read_to_a_thousandth(typed: str, angle: str) -> None:
    assert read_angle(typed) == angle


@pytest.mark.parametrize("typed", ["-0.5", "-1", "360", "359.9996"])
def test_an_angle_outside_a_turn_is_refused(typed: str) -> None:
    with pytest.raises(UnreadableEntry, match="outside a turn"):
        read_angle(typed)


def test_a_sweep_goes_by_angles_of_its_own() -> None:
    planned = [Place("0°"), Place("90°"), Place("0° again")]

    def keys(check: str, *places: str) -> list[str]:
        return [p.key for p in places_read(CHECKS[check], planned, [Reading(p) for p in places])]

    assert keys("bore_runout") == ["0°", "90°", "0° again"]
    assert keys("bore_runout", ALONE) == ["0°", "90°", "0° again", ALONE]
    assert keys("bore_runout", ALONE, "30°", "150°") == ["30°", "150°", "30° again", ALONE]
    assert keys("bore_runout", "90°", "30°", "90° again") == ["90°", "30°", "90° again"]
    assert keys("plate_thickness", "Plate 9") == ["0°", "90°", "0° again", "Plate 9"], "no sweep: added at the end"


@pytest.mark.parametrize(("swept", "scale"), [(0.1, 1.5), (0.3, 0.5), (0.0, 1.0), (-0.1, 1.0)])
def test_a_face_that_leans_runs_out_in_proportion_to_the_radius(swept: float, scale: float) -> None:
    """[geometry]: meant at 150 mm from the middle, the outside of a face of 300 mm."""
    known = cast("Build", SimpleNamespace(known={FACE.meant_at[0]: 0.3}))
    assert scale_of(FACE, swept, known) == pytest.approx(scale)
    assert scale_of(FACE, swept, cast("Build", SimpleNamespace(known={}))) == 1.0


def test_three_different_angles_make_a_sweep() -> None:
    assert sweep_of(BORE, circle(2e-4, 3), PLAIN, LIMIT) is not None
    two = [*circle(2e-4, 2), Reading("0°", 1e-4)]
    assert sweep_of(BORE, two, PLAIN, LIMIT) is None


def test_what_a_sweep_comes_to() -> None:
    found = sweep_of(BORE, circle(2e-4, 8, closes=1e-6, u=4e-6), PLAIN, LIMIT)
    assert found is not None
    assert found.tir == pytest.approx(2e-4)
    assert found.doubt == pytest.approx(4e-6 * sqrt(2 / 8))
    assert found.closes == pytest.approx(1e-6)
    assert found.stands
    assert found.dowels
    assert found.scale == 1.0
    again = sweep_of(BORE, [*circle(2e-4, closes=9e-5), Reading("0° again", 1e-4)], PLAIN, LIMIT)
    assert again is not None
    assert (again.closes, again.stands) == (pytest.approx(0.0, abs=1e-12), True), "what was read last counts"
    assert sweep_of(BORE, circle(2e-4), PLAIN, None).stands  # type: ignore[union-attr]
    assert sweep_of(BORE, circle(2e-4), PLAIN, None).dowels == ()  # type: ignore[union-attr]
    assert sweep_of(BORE, circle(2e-4), PLAIN, 0.0).dowels == ()  # type: ignore[union-attr]
    assert sweep_of(FACE, circle(2e-4), PLAIN, LIMIT).dowels == ()  # type: ignore[union-attr]
    bare = [Reading(r.place, r.si) for r in circle(2e-4)]
    assert sweep_of(BORE, bare, PLAIN, LIMIT).doubt == 0.0  # type: ignore[union-attr]


LIMITS = (Limit("most", LIMIT, "practice", ""),)


def verdict(
    tir: float, *, closes: float | None = 0.0, u: float = 1e-9, rule: str = "full", scale: float = 1.0
) -> Finding:
    sweep = sweep_of(BORE, circle(tir, closes=closes, u=u), PLAIN, LIMIT, scale)
    return judge_sweep(BORE, sweep, LIMITS, Finding("bore_runout", "open"), u, rule)


def test_a_sweep_at_the_edge_of_its_limit() -> None:
    """The guard band of a TIR, a difference of two readings, is √2 of one reading's [ISO 14253-1, JCGM 100]."""
    u = 1e-6
    band = sqrt(2) * u
    assert verdict(LIMIT - band - 1e-9, u=u).verdict == "reuse"
    assert verdict(LIMIT - band + 1e-9, u=u).verdict == "too close to call"
    assert verdict(LIMIT + band - 1e-9, u=u).verdict == "too close to call"
    assert verdict(LIMIT + band + 1e-9, u=u).verdict == BORE.if_failed
    found = verdict(LIMIT, u=u).decides
    assert found is not None
    assert (found.guard, found.zone) == (pytest.approx(band), "close")
    assert verdict(LIMIT / 3, scale=3.0).verdict == "too close to call"
    assert verdict(1e-5, closes=None).verdict == "open", "the first angle again is missing"
    assert verdict(1e-5, closes=1e-4).code == "does not close"
    assert judge_sweep(BORE, None, LIMITS, Finding("bore_runout", "open"), u).code == "too few angles"
    sweep = sweep_of(BORE, circle(1e-5, closes=0.0), PLAIN, LIMIT)
    for limits in ((), (Limit("most", None, "practice", ""),), (Limit("least", LIMIT, "practice", ""),)):
        assert judge_sweep(BORE, sweep, limits, Finding("bore_runout", "open"), u).verdict == "noted"


@pytest.mark.parametrize(("over", "better"), [(1.5e-5, "Dial indicator"), (-1.5e-5, "Dial indicator"), (1.4e-5, "")])
def test_a_finer_instrument_is_named_where_it_would_settle_it(over: float, better: str) -> None:
    """A dial of 10 µm settles a TIR that lies more than √2 of that from its limit, whichever side."""
    assert INSTRUMENT_KINDS["dial"].uncertainty == 10e-6
    found = verdict(LIMIT + over, u=40e-6)
    assert (found.verdict, found.better) == ("too close to call", better)


def test_a_sweep_says_what_was_read_where_it_is_judged_at_another_radius() -> None:
    plain, scaled = verdict(1e-4).swept, verdict(1e-4, scale=2.0).swept
    assert plain is not None
    assert scaled is not None
    assert (plain.at, plain.read, plain.places, plain.bore) == ("", None, None, True)
    assert (scaled.tir, scaled.read) == (pytest.approx(2e-4), pytest.approx(1e-4))
    leaning = sweep_of(FACE, circle(1e-4, closes=0.0), PLAIN, LIMIT, 2.0)
    at_rim = judge_sweep(FACE, leaning, LIMITS, Finding("flywheel_runout", "open"), 0.0).swept
    as_swept = judge_sweep(
        FACE, sweep_of(FACE, circle(1e-4), PLAIN, LIMIT), LIMITS, Finding("flywheel_runout", "open"), 0.0
    )
    assert at_rim is not None
    assert as_swept.swept is not None
    assert (at_rim.at, as_swept.swept.at) == ("the rim", "")
    bump = [Reading(f"{a}°", v) for a, v in ((0, 0.0), (120, 1e-4), (240, 1e-4))]
    sweep = sweep_of(BORE, bump, PLAIN, LIMIT)
    assert sweep is not None
    swept = judge_sweep(BORE, sweep, LIMITS, Finding("bore_runout", "open"), 0.0).swept
    assert swept is not None
    assert swept.places == pytest.approx(1e-4), "three places read less than the circle through them goes round"
    assert swept.tir > 1.02 * 1e-4


def test_a_reading_without_angles_is_judged_by_itself() -> None:
    alone = [Reading(ALONE, -1e-4, uncertainty=1e-6)]
    assert decided(BORE, alone, LIMITS, PLAIN) == (pytest.approx(1e-4), pytest.approx(sqrt(2) * 1e-6))
    assert decided(BORE, alone, LIMITS, PLAIN, 2.0) == (pytest.approx(2e-4), pytest.approx(sqrt(2) * 1e-6))
    assert decided(BORE, [Reading(ALONE, None)], LIMITS, PLAIN) is None
    later = [*alone, Reading("30°", 5e-4, uncertainty=1e-6)]
    assert decided(BORE, later, LIMITS, PLAIN) == (pytest.approx(1e-4), pytest.approx(sqrt(2) * 1e-6))
    assert decided(BORE, circle(1e-4, u=2e-6), LIMITS, PLAIN) == (pytest.approx(1e-4), pytest.approx(sqrt(2) * 2e-6))
    assert decided(BORE, circle(1e-4, u=2e-6), LIMITS, PLAIN, 2.0)[0] == pytest.approx(2e-4)  # type: ignore[index]

    def says(tir: float, scale: float = 1.0, limits: tuple[Limit, ...] = LIMITS) -> Finding:
        reading = Reading(ALONE, tir, uncertainty=1e-6)
        return judge_sweep(BORE, None, limits, Finding("bore_runout", "open"), 1e-6, "full", reading, scale)

    band = sqrt(2) * 1e-6
    assert says(LIMIT - band - 1e-9).verdict == says(-(LIMIT - band - 1e-9)).verdict == "reuse"
    assert says(LIMIT - band + 1e-9).verdict == says(LIMIT + band - 1e-9).verdict == "too close to call"
    assert says(LIMIT + band + 1e-9).verdict == BORE.if_failed
    assert says(LIMIT / 2, scale=2.0).verdict == "too close to call"
    assert says(LIMIT / 2, scale=2.0).worst == pytest.approx(LIMIT)
    assert says(1e-4, limits=(Limit("least", LIMIT, "practice", ""),)).verdict == "noted"
    plain = judge_sweep(BORE, None, LIMITS, Finding("bore_runout", "open"), 1e-6, alone=Reading(ALONE, LIMIT / 2))
    assert plain.worst == pytest.approx(LIMIT / 2), "as it was read, where no radius is said"
    assert says(1e-4, limits=()).verdict == says(1e-4, limits=(Limit("most", None, "practice", ""),)).verdict == "noted"
    swept = says(1e-4).swept
    assert swept is not None
    assert (swept.tir, swept.off, swept.bore) == (1e-4, None, True)
