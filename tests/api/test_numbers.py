"""Figures as they are read on screen and paper: the right unit, once, and no more digits than are known."""

from __future__ import annotations

from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.api.jobs.present import entry_text, figure_out, figure_text
from liftbite.core.job.ledger import read_entry
from liftbite.core.units.preference import preferring
from liftbite.core.units.read import read
from liftbite.core.units.sentence import both, distance_about, per_distance
from tests.api.jobs.test_views import begin
from tests.api.measure.test_views import post
from tests.jobs import CAR, FULL


@pytest.mark.parametrize(
    ("typed", "si", "shown"),
    [
        ("2 US qt", "m³ of fluid", "1.89 L (2 US qt)"),
        ("1 imp qt", "m³ of fluid", "1.14 L (1.2 US qt)"),
        ("60 mL", "m³ of fluid", "60 mL (2.03 US fl oz)"),
        ("2.5 mm/s", "m/s of G", "2.5 mm/s"),
        ("0.4 mm", "m", "0.4 mm (0.0157 in)"),
        ("0.25 mm", "m", "0.25 mm (0.00984 in)"),
        ("241.3 mm", "m", "241.3 mm (9.5 in)"),
        ("0.005 in", "m", "0.127 mm (0.005 in)"),
        ("350 N·m", "N·m", "350 N·m (258.1 lb-ft)"),
    ],
)
def test_a_value_is_read_as_a_shop_writes_it(typed: str, si: str, shown: str) -> None:
    unit = {"m³ of fluid": "m³", "m/s of G": "m/s"}.get(si, si)
    value = read(typed, unit, "").si
    assert both(value, si) == shown
    assert figure_text(figure_out(value, si)) == shown


def test_a_length_nobody_can_measure_is_nothing() -> None:
    assert both(1.67e-8, "m") == "0 mm (0 in)"
    assert both(-1.67e-8, "m") == "0 mm (0 in)"


@pytest.mark.parametrize(
    ("quantity", "typed", "shown"),
    [
        ("flywheel_inertia", "0.135 kg·m²", "0.135 kg·m²"),
        ("flywheel_inertia", "0.135", "0.135 kg·m²"),
        ("outer_diameter", "240", "240 mm"),
        ("outer_diameter", "9 1/2 in", "9\u202f¹⁄₂ in"),
        ("disc_count", "2", "2"),
    ],
)
def test_the_record_says_a_unit_once(quantity: str, typed: str, shown: str) -> None:
    assert entry_text(quantity, read_entry(quantity, typed)) == shown


def force(client: FlaskClient, job: dict[str, Any], newton: str, distance: str) -> None:
    begun = post(client, job, "series", check="pedal_force", distance=distance)
    assert begun.status_code == 200, begun.text
    taken = post(client, job, "readings", check="pedal_force", place="Once", typed=newton)
    assert taken.status_code == 200, taken.text


def test_the_trend_of_a_force_is_a_force_over_a_distance(client: FlaskClient) -> None:
    """120 N at 10,000 km and 140 N at 20,000 km are 2 N in 1000 km, whatever a millimetre is."""
    job = begin(client, CAR | {"vehicle": "Merrow van", "effort_limit": "200 N"})
    force(client, job, "120 N", "10000")
    force(client, job, "140 N", "20000")
    trends = client.get(f"/api/jobs/{job['id']}/measure/history").get_json()["trends"]
    (trend,) = [t for t in trends if t["check"] == "pedal_force"]
    assert trend["rate"] == "2 N per 1000 km (0.72 lbf per 1000 mi)"


@pytest.mark.parametrize(
    ("units", "rate", "far"),
    [("metric", "0.02 mm per 1000 km", "42,000 km"), ("inch", "0.0013 in per 1000 mi", "26,000 mi")],
)
def test_distances_are_in_the_units_a_shop_prefers(units: Any, rate: str, far: str) -> None:
    with preferring(units):
        assert per_distance(2e-11, "m") == rate
        assert distance_about(41_730e3) == far


def test_candidates_side_by_side_are_in_the_units_a_shop_prefers(client: FlaskClient) -> None:
    job = begin(client, FULL)
    compared = client.post(f"/api/jobs/{job['id']}/compare", json={"candidates": []}).get_json()
    assert "lbf" in compared["columns"][0]["figures"]["clamp_load"]
    shop = client.get("/api/shop")
    changed = client.put("/api/shop", json={"units": "inch"}, headers={"If-Match": shop.headers["ETag"]})
    assert changed.status_code == 200, changed.text
    compared = client.post(f"/api/jobs/{job['id']}/compare", json={"candidates": []}).get_json()
    assert compared["columns"][0]["figures"]["clamp_load"].endswith("lbf")
