"""Trapped air: put in and found again."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.job.build import build_of
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup.air import air_left, trapped_air
from tests.core.measure.setup.steps import FORK_CAR, taken, told
from tests.core.test_every_quantity import CABLE_CAR
from tests.jobs import entries


@given(air=st.floats(0, 3e-6), pressure=st.floats(1e5, 6e6))
def test_air_put_in_is_air_found(air: float, pressure: float) -> None:
    """Forwards: the slave is short by what hose and air swallow, V = C·p + V_air·(1 − p_0/(p_0 + p))."""
    master, travel, slave, hose = 285e-6, 22e-3, 1000e-6, 4e-14
    swallowed = hose * pressure + air * (1 - 101_325 / (101_325 + pressure))
    moved = (master * travel - swallowed) / slave
    found = air_left(master, travel, slave, moved, hose, pressure)
    assert found is not None
    assert found.volume == pytest.approx(air, abs=1e-12)
    assert found.low <= found.volume <= found.high


def test_half_a_millimetre_of_port_doubt_is_a_seventh_of_a_millilitre() -> None:
    found = air_left(285e-6, 22e-3, 1000e-6, 5e-3, 0.0, 3e6)
    assert found is not None
    assert (found.high - found.volume) * 1e6 == pytest.approx(0.147, abs=0.005)
    assert air_left(285e-6, 22e-3, 1000e-6, 5e-3, 0.0, 0.0) is None


@pytest.mark.parametrize("air", [0.0, 0.8, 2.0])
def test_air_in_the_graph_is_found_again_from_its_slave_travel(air: float) -> None:
    """Outwards through the whole release chain and back: what `trapped_air` does to the slave gives the same air."""
    build = build_of(entries(FORK_CAR, trapped_air=f"{air} mL"))
    lift = build.evaluate(("plate_lift_available",))["plate_lift_available"]
    travel = float(build.evaluate(("slave_travel",), plate_lift=lift)["slave_travel"])
    clean = build_of(entries(FORK_CAR))
    found = trapped_air(clean, {"slave_travel": [Reading("Once", travel, "", "caliper", 3e-5)]})
    assert found is not None
    assert found.air.volume * 1e6 == pytest.approx(air, abs=0.02)


def test_a_cable_traps_no_air() -> None:
    assert trapped_air(build_of(entries(CABLE_CAR)), {"slave_travel": taken({"Once": 12.0})}) is None


def test_what_trapped_air_says() -> None:
    short = told("air", FORK_CAR, slave_travel={"Once": 13})
    assert "of air is still in there, or something flexes" in short.sentence
    figures = re.findall(r"[\d.]+(?= mL)", short.sentence)
    assert len(figures) == 2
    assert all(len(figure.replace(".", "").lstrip("0")) <= 2 for figure in figures), "two digits, as its band allows"
    assert "Boyle" in " ".join(short.working)
    assert "no air worth counting" in told("air", FORK_CAR, slave_travel={"Once": 45}).sentence
