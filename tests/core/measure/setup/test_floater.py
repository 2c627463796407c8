"""A twin's floater: shims by brute force, where they sit, and what wear does."""

from __future__ import annotations

from itertools import combinations, product

import numpy as np
import pytest

from liftbite.core.arrangements.floater_stop.stands import inner_gap, outer_gap
from liftbite.core.job.build import build_of
from liftbite.core.measure.setup import CALCULATIONS
from liftbite.core.measure.setup.floater import ALIKE, FLOATER, floater_stands
from liftbite.core.units.constants import THOU
from tests.core.measure.setup.steps import TWIN, found, taken, told
from tests.jobs import entries


@pytest.mark.parametrize("opens", [True, False])
def test_shims_of_the_floater_are_the_best_by_brute_force(opens: bool) -> None:
    gaps = [t * THOU for t in ((15, 21, 18) if opens else (30, 26, 28))]
    shims = [t * THOU for t in (3, 5, 7, 2)]
    found = floater_stands(gaps, shims, opens=opens)
    assert found.in_window
    assert found.alike
    sign = 1 if opens else -1
    stacks = [c for n in range(3) for c in combinations(range(4), n)]
    fewest = min(
        sum(map(len, p))
        for p in product(stacks, repeat=3)
        if len({i for c in p for i in c}) == sum(map(len, p))
        and all(
            FLOATER.low - 1e-9 <= g + sign * sum(shims[i] for i in c) <= FLOATER.high + 1e-9
            for g, c in zip(gaps, p, strict=True)
        )
        and np.ptp([g + sign * sum(shims[i] for i in c) for g, c in zip(gaps, p, strict=True)]) <= ALIKE + 1e-9
    )
    assert sum(map(len, found.pieces)) == fewest


def test_a_shim_is_used_once_and_the_wrong_way_is_no_help() -> None:
    gaps = [15 * THOU] * 3
    found = floater_stands(gaps, [7 * THOU], opens=True)
    assert sum(map(len, found.pieces)) == 1
    assert not found.in_window
    closing = floater_stands(gaps, [7 * THOU, 5 * THOU], opens=False)
    assert closing.pieces == ((), (), ())


def test_good_stands_want_no_shims() -> None:
    found = floater_stands([22 * THOU, 23 * THOU, 22.5 * THOU], [2 * THOU], opens=True)
    assert found.pieces == ((), (), ())
    with pytest.raises(ValueError, match="no gap"):
        floater_stands([], [], opens=True)


def test_the_inner_discs_wear_takes_the_outer_discs_gap() -> None:
    """Handbook's case: lift 0.045 in, f 0.022 in and 0.5 mm of inner wear leave the outer disc 0.003 in."""
    inner, outer = inner_gap(22 * THOU, 0.0, 0.5e-3), outer_gap(45 * THOU, 22 * THOU, 0.0, 0.5e-3)
    assert outer / THOU == pytest.approx(3.3, abs=0.1)
    assert inner + outer == pytest.approx(45 * THOU)


STANDS = {"Stand 1": 0.381, "Stand 2": 0.5588, "Stand 3": 0.4191}  # 0.015, 0.022, 0.0165 in
SHIMS = {"Shim 1": 0.1778, "Shim 2": 0.1524}  # 0.007, 0.006 in


def test_a_shim_does_what_its_seat_makes_of_it() -> None:
    """[practice]: 0.020 to 0.025 in at every stand. Where nobody says where a shim sits, both ways are told."""
    both = told("floater", TWIN, floater_gap=STANDS, floater_shims=SHIMS)
    assert "under the stand, where it raises the stop, all three come right" in both.sentence
    assert "under the plate, where it closes the gap, not all three come right" in both.sentence
    assert both.sentence.endswith("Say where a shim sits on this clutch, and one answer is left.")
    bare = told("floater", TWIN, shims="raises", floater_gap=STANDS)
    assert "f is taken at the middle of its window here" in bare.working[-1]
    one = told("floater", TWIN, shims="raises", floater_gap=STANDS, floater_shims=SHIMS)
    assert "middle" not in " ".join(one.working)
    assert "under the plate" not in one.sentence
    assert "0.381 + 0.178 = 0.559; 0.559 as it is; 0.419 + 0.152 = 0.571 mm" in one.working[1]


def test_the_outer_disc_loses_what_the_inner_one_wears() -> None:
    floater = found("floater", TWIN, "raises", floater_gap=STANDS, floater_shims=SHIMS)
    assert floater is not None
    assert np.allclose(np.add(floater.inner, floater.outer), floater.inner[0] + floater.outer[0])
    assert np.allclose(np.subtract(floater.inner, floater.inner[0]), floater.wear)
    build = build_of(entries(TWIN))
    assert floater.reshim_at == pytest.approx(float(build.evaluate(("reshim_wear",))["reshim_wear"]))


def test_shims_that_were_put_in_enter_the_job_and_settle_the_verdict() -> None:
    """Stands at 0.40 mm want 0.17 mm to reach the middle of 0.508 to 0.635 mm."""
    readings = {
        "floater_gap": taken({f"Stand {i}": 0.40 for i in (1, 2, 3)}),
        "floater_shims": taken({f"Shim {i}": 0.17 for i in (1, 2, 3)}),
    }
    calculation, build = CALCULATIONS["floater"], build_of(entries(TWIN))

    def entered(shims: str) -> float:
        return calculation.effects["floater_gap"].told(build, readings, {"shims": shims})[0].si  # type: ignore

    before = calculation.tell(calculation.work_out(build, readings, {"shims": "raises"}))
    after = calculation.tell(calculation.work_out(build, readings, {"shims": "raises in"}))
    assert (before.verdict, after.verdict) == ("put right", "reuse")
    assert entered("raises") == pytest.approx(0.40e-3)
    assert entered("raises in") == pytest.approx(0.57e-3)
