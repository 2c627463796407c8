"""A bearing of another height on a fork."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.job.build import build_of
from liftbite.core.measure.setup.fork import fork_change
from liftbite.core.units.constants import INCH
from tests.core.measure.setup.steps import FORK_CAR, told
from tests.core.test_every_quantity import CABLE_CAR
from tests.jobs import CAR, entries


def test_a_quarter_inch_taller_bearing_loads_the_fork() -> None:
    found = fork_change(20e-3, 20e-3 + INCH / 4, 1.8, 3e-3, 0.12)
    assert found.free_play < 0
    assert found.tilt is not None
    assert np.sin(found.tilt) * 0.12 == pytest.approx(INCH / 4 * 1.8)
    assert fork_change(20e-3, 21e-3, 1.8, 3e-3).tilt is None
    assert fork_change(20e-3, 20e-3, 1.8, 3e-3).free_play == pytest.approx(3e-3)


@pytest.mark.parametrize(
    ("new", "says"),
    [(21, "1 mm (0.0394 in) taller; 2 mm"), (19, "1 mm (0.0394 in) shorter; 6 mm"), (23, "always loaded")],
)
def test_what_another_bearing_says(new: float, says: str) -> None:
    typed = CAR | {"release": "hydraulic_fork", "fork_ratio": "2", "bearing_clearance": "2 mm"}
    plain = told("fork", typed, bearing_height={"Old": 20, "New": new})
    assert says in plain.sentence
    assert "turns" not in plain.sentence
    assert "slave" not in plain.sentence.replace("pivot or the slave", "")
    turned = told("fork", typed, bearing_height={"Old": 20, "New": new, "Fork, pivot to slave": 110})
    assert f"The fork turns by {np.degrees(np.arcsin(abs(new - 20) * 2 / 110)):.3f}"[:24] in turned.sentence


def test_a_shorter_bearing_takes_from_the_slaves_stroke() -> None:
    build = build_of(entries(FORK_CAR))
    lift = build.evaluate(("plate_lift_available",))["plate_lift_available"]
    asked = float(build.evaluate(("slave_travel",), plate_lift=lift)["slave_travel"]) * 1e3
    spare = (30 - asked) / 1.6
    taller, shorter, short = (
        told("fork", FORK_CAR, bearing_height={"Old": 60, "New": 60 + rise}) for rise in (1, -spare * 0.9, -spare * 1.1)
    )
    assert "of 30 mm" in taller.sentence
    assert "still has its stroke" in shorter.sentence
    assert "The slave runs out" in short.sentence
    assert "assumed, nobody entered the bearing's clearance" in short.working[1]
    assert "taken as none: nobody entered the bearing's clearance" in short.sentence
    assert "0 − (−" in short.working[1]
    assert "slave still" not in told("fork", CABLE_CAR, bearing_height={"Old": 20, "New": 19}).sentence
