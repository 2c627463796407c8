"""A schedule of starts: its masses against scipy's integration, energy kept, closed forms, and what is typed."""

from __future__ import annotations

from contextlib import suppress

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from liftbite.core.analysis.stint import Stint, stint, stint_sentence
from liftbite.core.errors import UnreadableEntry
from liftbite.core.graph.graph import Needs
from liftbite.core.job.build import build_of
from liftbite.core.job.schedule import Stretch, read_schedule
from liftbite.core.quantities.thermal import HeatNetwork, settle
from liftbite.core.verdicts.heat import heat_verdict
from tests.jobs import FULL, MOTORCYCLE, entries


def network(build_entries: dict[str, str]) -> HeatNetwork:
    found = build_of(entries(build_entries)).evaluate(("heat_network",))["heat_network"]
    assert isinstance(found, HeatNetwork)
    return found


def worked(schedule: str, **changes: str) -> Stint:
    found = stint(build_of(entries(FULL | changes, start_schedule=schedule)), stage=0.0)
    assert isinstance(found, Stint)
    return found


@settings(max_examples=25, deadline=None)
@given(
    power=st.floats(0, 60e3), seconds=st.floats(0.2, 900), hot=st.floats(300, 700), discs=st.sampled_from(["1", "2"])
)
def test_masses_settle_as_an_integration_says_and_keep_their_energy(
    power: float, seconds: float, hot: float, discs: str
) -> None:
    """Second way: scipy's Radau on the heat balance, and the first law with the losses integrated beside it."""
    net, around = network(FULL | {"disc_count": discs}), 350.0
    begin = np.full(len(net.names), hot)
    flows = np.diag(net.links.sum(axis=1) + net.outside) - net.links

    def slope(_: float, state: np.ndarray) -> np.ndarray:
        off = state[:-1] - around
        return np.append((net.shares * power - flows @ off) / net.stores, net.outside @ off)

    ran = solve_ivp(slope, (0, seconds), np.append(begin, 0.0), method="Radau", rtol=1e-9, atol=1e-7)
    found = settle(net, begin, around, power, np.array([seconds]))[0]
    np.testing.assert_allclose(found, ran.y[:-1, -1], rtol=1e-6)
    kept, lost = float(net.stores @ (found - begin)), float(ran.y[-1, -1])
    assert kept + lost == pytest.approx(power * seconds, rel=1e-3, abs=1.0)


def test_fifty_kilojoules_half_into_five_kilograms_of_iron_are_ten_kelvin() -> None:
    """25 kJ / (5 kg · 500 J/(kg·K)) = 10 K."""
    net = HeatNetwork(
        ("flywheel", "plate"), np.array([5 * 500.0, 5 * 500.0]), np.zeros((2, 2)), np.zeros(2), np.array([0.5, 0.5])
    )
    assert settle(net, np.full(2, 300.0), 300.0, 50e3, np.array([1.0]))[0].tolist() == pytest.approx([310.0, 310.0])


def test_a_single_mass_cools_by_its_closed_form() -> None:
    net = HeatNetwork(("plate",), np.array([2500.0]), np.zeros((1, 1)), np.array([8.0]), np.array([1.0]))
    times = np.array([0.0, 60.0, 600.0])
    found = settle(net, np.array([450.0]), 350.0, 0.0, times)[:, 0]
    np.testing.assert_allclose(found, 350 + 100 * np.exp(-times * 8 / 2500), rtol=1e-12)


def test_a_twins_floater_takes_two_faces_of_four() -> None:
    twin = network(FULL | {"disc_count": "2"})
    assert twin.names[:3] == ("flywheel", "pressure plate", "floater")
    assert twin.shares.tolist() == [0.25, 0.25, 0.5, 0.0, 0.0]
    assert network(FULL).shares.sum() == pytest.approx(1.0)


def test_ten_in_a_row_are_ten_in_a_row() -> None:
    """The row of starts and a schedule of the same agree where nothing is counted but the plate and its air."""
    from liftbite.core.analysis.repeated_starts import RepeatedStarts, repeated_starts

    alone = {
        "air_exchange": "100 W/K",
        "air_heat": "4000 J/K",
        "plate_to_cover": "0 W/K",
        "start": "standing",
        "starts_in_row": "6",
        "start_interval": "60 s",
        "cooling": "4 W/K",
    }
    row = repeated_starts(build_of(entries(FULL | alone)), stage=0.0)
    assert isinstance(row, RepeatedStarts)
    found = worked("6 x standing every 60 s", **alone)
    plate = found.temperatures[:, found.network.names.index("pressure plate")]
    assert plate.max() == pytest.approx(row.ends[-1], abs=2.0)
    assert found.energies == pytest.approx(row.energy.tolist(), rel=0.01)


def test_what_is_hot_first_when_and_how_long_to_rest() -> None:
    found = worked(
        "40 x standing every 20 s", start="standing", brief_temperature="190 °C", sustained_temperature="140 °C"
    )
    first = found.first_over
    assert first is not None
    peak, when = first
    assert 0 < when < found.time[-1]
    i = found.network.names.index(peak.name)
    before = found.temperatures[found.time < when, i]
    assert before.max() <= found.sustained + 0.5
    assert found.rest is not None
    assert found.rest > 0
    said = " ".join(stint_sentence(found))
    assert "Hot first" in said
    assert "wants a rest of" in said
    rested = settle(found.network, found.temperatures[-1], 353.15, 0.0, np.array([found.rest]))[
        0, : found.network.rubbed
    ]
    assert rested.max() <= found.sustained + 0.1


def test_a_schedule_that_is_too_hot_is_what_heat_says() -> None:
    easy = heat_verdict(build_of(entries(FULL, start_schedule="3 x pull-away every 60 s")))
    hard = heat_verdict(build_of(entries(FULL, start_schedule="150 x standing every 15 s")))
    assert easy.state == "stays"
    assert hard.state == "cooks"
    assert hard.deciding is not None
    assert "schedule" in hard.deciding.key
    assert heat_verdict(build_of(entries(FULL))).state == "stays"


def test_a_pack_keeps_its_heat_in_plates_basket_and_oil() -> None:
    assert network(MOTORCYCLE | {"heat_mass": "1.1 kg"}).names == ("plates", "basket", "oil")


def test_a_schedule_waits_for_what_it_needs() -> None:
    found = stint(build_of(entries(FULL, heat_mass=None, start_schedule="3 x standing every 60 s")), stage=0.0)
    assert isinstance(found, Needs)
    assert stint(build_of(entries(FULL)), stage=0.0) is None


@pytest.mark.parametrize(
    ("typed", "stretches"),
    [
        ("8 x standing every 45 s", (Stretch("standing", 8, 45.0),)),
        ("8 standing starts every 45 s\nrest 10 min", (Stretch("standing", 8, 45.0), Stretch("", 1, 600.0))),
        ("20 min of pull-aways every 1,5 min", (Stretch("pull_away", 13, 90.0),)),
        (
            "3 × Pull-away on a slope every 2 min; 1 drop every 60 s",
            (Stretch("hill", 3, 120.0), Stretch("dropped", 1, 60.0)),
        ),
    ],
)
def test_a_schedule_as_it_is_written(typed: str, stretches: tuple[Stretch, ...]) -> None:
    assert read_schedule(typed) == stretches


@pytest.mark.parametrize(
    ("typed", "says"),
    [
        ("", "no start in it"),
        ("rest 10 min", "no start in it"),
        ("8 x jumping every 45 s", "a start is one of"),
        ("500 x standing every 60 s", "too many"),
        ("8 x standing", "is not understood"),
        ("8 x standing every 0 s", "every 1 s to 24 h"),
        ("x" * 500, "too long"),
    ],
)
def test_a_schedule_that_is_not_one_says_what_would_be(typed: str, says: str) -> None:
    with pytest.raises(UnreadableEntry, match=says):
        read_schedule(typed)


@given(st.text(max_size=300))
def test_any_text_is_a_schedule_or_a_sentence(typed: str) -> None:
    with suppress(UnreadableEntry):
        assert sum(s.count for s in read_schedule(typed) if s.kind) >= 1


def test_a_schedule_knows_which_facing_each_mass_meets() -> None:
    """Cermet at the flywheel, organic at the pressure plate: a floater meets both, and the lower limit is its own."""
    two = {
        "facing_material": "cermet",
        "facing_pair": "differ",
        "other_material": "organic",
        "disc_count": "2",
        "other_outer_diameter": "240 mm",
        "other_inner_diameter": "160 mm",
    }
    found = worked("40 x standing every 15 s", **two)
    limits = {p.name: round(p.brief - 273.15) for p in found.peaks}
    assert limits == {"flywheel": 600, "pressure plate": 300, "floater": 300}
    assert found.network.shares.sum() == pytest.approx(1.0)
    split = float(build_of(entries(FULL | two)).evaluate(("heat_split",))["heat_split"])
    assert found.network.shares[:3].tolist() == pytest.approx([split / 2, (1 - split) / 2, 0.5])
    verdict = heat_verdict(build_of(entries(FULL | two, start_schedule="150 x standing every 10 s")))
    assert verdict.state == "cooks"
    assert verdict.deciding is not None
    assert verdict.deciding.limit in (300 + 273.15, 200 + 273.15)
