"""Gauges over HTTP: readings arrive by themselves, each is taken once, an odd port is refused."""

from __future__ import annotations

import threading
import time
from collections.abc import Iterator
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.gauges.gauge import Event, Gauge
from liftbite.gauges.simulate import Simulator, depths, dial_sweep
from tests.api.jobs.test_views import begin
from tests.api.measure.test_views import CONCENTRIC, bench, calculation, check, post
from tests.jobs import CAR


@pytest.fixture
def dial() -> Iterator[Simulator]:
    there = Simulator(dial_sweep(0.18, 60), every=0.01).start()
    yield there
    there.stop()


def heard(client: FlaskClient, port: str, count: int) -> list[dict[str, Any]]:
    end = time.monotonic() + 60
    while time.monotonic() < end:
        told = client.get("/api/gauge", query_string={"port": port, "wait": 0.2}).get_json()
        values = [e for e in told["events"] if e["kind"] == "value"]
        if len(values) >= count:
            return values
    raise AssertionError(f"only {len(values)} of {count} readings came")


def test_a_gauge_sweeps_the_bore_by_itself_and_two_tabs_take_each_reading_once(
    client: FlaskClient, dial: Simulator
) -> None:
    job = begin(client, CAR)
    places = [p["key"] for p in check(bench(client, job), "bore_runout")["places"]]
    for place, event in zip(places, heard(client, dial.url, 9), strict=True):
        for _ in range(2):  # the same event from two tabs
            post(client, job, "readings", check="bore_runout", place=place, port=dial.url, event=event["number"])
    bore = check(bench(client, job), "bore_runout")
    assert len(bore["readings"]) == 9
    assert {r["source"] for r in bore["readings"]} == {"gauge"}
    assert bore["sweep"]["direction"] == pytest.approx(60, abs=1)
    client.delete("/api/gauge", query_string={"port": dial.url})


def test_readings_without_a_place_go_round_in_order_whoever_hands_them_on(client: FlaskClient, dial: Simulator) -> None:
    """A screen that lags behind the gauge cannot say where the next one goes; the bench knows what is read."""
    job = begin(client, CAR)
    events = heard(client, dial.url, 9)
    app = client.application

    def hand_on() -> None:  # a tab: one after the other, each whether or not another tab was quicker
        with app.test_client() as tab:
            for event in events:
                post(tab, job, "readings", check="bore_runout", port=dial.url, event=event["number"])

    tabs = [threading.Thread(target=hand_on) for _ in range(3)]
    for tab in tabs:
        tab.start()
    for tab in tabs:
        tab.join()
    bore = check(bench(client, job), "bore_runout")
    assert [r["place"] for r in bore["readings"]] == [p["key"] for p in bore["places"]]
    assert bore["sweep"]["direction"] == pytest.approx(60, abs=1)
    dial.stop()
    more = Simulator(dial_sweep(0.18, 60), every=0.01).start()
    (late, *_) = heard(client, more.url, 1)
    refused = post(client, job, "readings", check="bore_runout", port=more.url, event=late["number"])
    assert refused.status_code == 422
    assert "every place is read" in refused.get_json()["detail"]
    again = post(client, job, "readings", check="bore_runout", port=more.url, event=late["number"], place="90°")
    assert len(check(again.get_json(), "bore_runout")["readings"]) == 10
    for port in (dial.url, more.url):
        client.delete("/api/gauge", query_string={"port": port})
    more.stop()


def test_a_gauges_unit_is_its_own(client: FlaskClient) -> None:
    there = Simulator(depths([(3.219, "in"), (2.5, "in")]), every=0.01).start()
    job = begin(client, CONCENTRIC)
    x, y = heard(client, there.url, 2)
    post(client, job, "readings", check="depth_x", place="At 12", port=there.url, event=x["number"], unit="mm")
    measured = post(
        client, job, "readings", check="depth_y", place="At 12", port=there.url, event=y["number"]
    ).get_json()
    assert "X less Y is 18.263 mm (0.719 in)" in calculation(measured, "bearing")["shows"][0]["text"]
    client.delete("/api/gauge", query_string={"port": there.url})
    there.stop()


def test_a_reading_that_comes_while_the_answer_is_written_is_in_the_next(
    client: FlaskClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    """What the next question counts from is the last reading told, not the last there is."""
    there = Simulator(depths([(1.5, "mm"), (2.5, "mm")]), by_hand=True).start()
    asked = Gauge.after

    def then_another(gauge: Gauge, number: int, wait: float = 0.0) -> list[Event]:
        told = asked(gauge, number, wait)
        there.press()
        asked(gauge, gauge.newest, 2.0)
        return told

    there.press()
    heard(client, there.url, 1)
    with monkeypatch.context() as patch:
        patch.setattr(Gauge, "after", then_another)
        first = client.get("/api/gauge", query_string={"port": there.url}).get_json()
    second = client.get("/api/gauge", query_string={"port": there.url, "after": first["newest"]}).get_json()
    assert [e["text"] for e in (*first["events"], *second["events"]) if e["kind"] == "value"] == ["1.50 mm", "2.50 mm"]
    there.stop()


@pytest.mark.parametrize(
    "query", ["port=spy://x", "port=", "", "port=socket://a:1&wait=99", "port=socket://a:1&after=-1"]
)
def test_a_bad_port_is_a_problem(client: FlaskClient, query: str) -> None:
    assert client.get(f"/api/gauge?{query}").status_code == 422
