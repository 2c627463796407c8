"""Gauges over HTTP: readings arrive by themselves, each is taken once, an odd port is refused."""

from __future__ import annotations

import socket
import threading
import time
from collections.abc import Iterator
from typing import Any

import pytest
from flask.testing import FlaskClient

from liftbite.core.errors import UnreadableEntry
from liftbite.gauges.gauge import MOST_PORTS, Event, Gauge, Gauges
from liftbite.gauges.simulate import Simulator, depths, dial_sweep
from tests.api.jobs.test_views import begin
from tests.api.measure.test_views import CONCENTRIC, bench, calculation, check, post
from tests.jobs import CAR


@pytest.fixture
def dial() -> Iterator[Simulator]:
    there = Simulator(dial_sweep(0.18, 60), every=0.01).start()
    yield there
    there.stop()


def own(client: FlaskClient, url: str, kind: str = "dial") -> str:
    """The key of an instrument of the shop whose data port is at an address."""
    job = begin(client, CAR)
    added = post(client, job, "instruments", kind=kind, name="Wired", port=url)
    assert added.status_code == 200, added.text
    return next(i["key"] for i in reversed(added.get_json()["instruments"]) if i["own"] and i["port"] == url)


def ask(client: FlaskClient, key: str, **body: Any) -> dict[str, Any]:
    return client.post(f"/api/instruments/{key}/gauge", json=body).get_json()


def heard(client: FlaskClient, key: str, count: int) -> list[dict[str, Any]]:
    end = time.monotonic() + 60
    while time.monotonic() < end:
        told = ask(client, key, wait=0.2)
        values = [e for e in told["events"] if e["kind"] == "value"]
        if len(values) >= count:
            return values
    raise AssertionError(f"only {len(values)} of {count} readings came")


def test_a_gauge_sweeps_the_bore_by_itself_and_two_tabs_take_each_reading_once(
    client: FlaskClient, dial: Simulator
) -> None:
    job, key = begin(client, CAR), own(client, dial.url)
    places = [p["key"] for p in check(bench(client, job), "bore_runout")["places"]]
    for place, event in zip(places, heard(client, key, 9), strict=True):
        for _ in range(2):  # the same event from two tabs
            post(client, job, "readings", check="bore_runout", place=place, instrument=key, event=event["number"])
    bore = check(bench(client, job), "bore_runout")
    assert len(bore["readings"]) == 9
    assert {r["source"] for r in bore["readings"]} == {"gauge"}
    assert bore["sweep"]["direction"] == pytest.approx(60, abs=1)
    client.delete(f"/api/instruments/{key}/gauge")


def test_readings_without_a_place_go_round_in_order_whoever_hands_them_on(client: FlaskClient, dial: Simulator) -> None:
    """A screen that lags behind the gauge cannot say where the next one goes; the bench knows what is read."""
    job, key = begin(client, CAR), own(client, dial.url)
    events = heard(client, key, 9)
    app = client.application

    def hand_on() -> None:  # a tab: one after the other, each whether or not another tab was quicker
        with app.test_client() as tab:
            for event in events:
                post(tab, job, "readings", check="bore_runout", instrument=key, event=event["number"])

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
    other = own(client, more.url)
    (late, *_) = heard(client, other, 1)
    refused = post(client, job, "readings", check="bore_runout", instrument=other, event=late["number"])
    assert refused.status_code == 422
    assert "every place is read" in refused.get_json()["detail"]
    again = post(client, job, "readings", check="bore_runout", instrument=other, event=late["number"], place="90°")
    assert len(check(again.get_json(), "bore_runout")["readings"]) == 10
    for port in (key, other):
        client.delete(f"/api/instruments/{port}/gauge")
    more.stop()


def test_a_gauges_unit_is_its_own(client: FlaskClient) -> None:
    there = Simulator(depths([(3.219, "in"), (2.5, "in")]), every=0.01).start()
    job = begin(client, CONCENTRIC)
    key = own(client, there.url, "depth_gauge")
    x, y = heard(client, key, 2)
    post(client, job, "readings", check="depth_x", place="At 12", instrument=key, event=x["number"], unit="mm")
    measured = post(
        client, job, "readings", check="depth_y", place="At 12", instrument=key, event=y["number"]
    ).get_json()
    assert "X less Y is 18.263 mm (0.719 in)" in calculation(measured, "bearing")["shows"][0]["text"]
    client.delete(f"/api/instruments/{key}/gauge")
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
    key = own(client, there.url, "depth_gauge")
    heard(client, key, 1)
    with monkeypatch.context() as patch:
        patch.setattr(Gauge, "after", then_another)
        first = ask(client, key)
    second = ask(client, key, after=first["newest"])
    assert [e["text"] for e in (*first["events"], *second["events"]) if e["kind"] == "value"] == ["1.50 mm", "2.50 mm"]
    there.stop()


@pytest.mark.parametrize(
    "port", ["spy://x", "file:///etc/passwd", "/dev/sda", "/dev/../etc/passwd", "socket://a:99999"]
)
def test_what_is_no_gauges_address_is_never_kept(client: FlaskClient, port: str) -> None:
    refused = post(client, begin(client, CAR), "instruments", kind="dial", name="Odd", port=port)
    assert refused.status_code == 422
    assert "Data port" in refused.get_json()["detail"]


@pytest.mark.parametrize("body", [{"wait": 99}, {"after": -1}, {"port": "socket://127.0.0.1:9"}])
def test_only_an_instrument_of_the_shop_is_asked_and_only_so_long(
    client: FlaskClient, dial: Simulator, body: dict[str, Any]
) -> None:
    assert client.post(f"/api/instruments/{own(client, dial.url)}/gauge", json=body).status_code == 422
    assert client.post("/api/instruments/99/gauge", json={}).status_code == 404
    assert client.get("/api/gauge?port=socket://127.0.0.1:9").status_code == 404


def test_an_instrument_without_a_port_is_not_asked(client: FlaskClient) -> None:
    job = begin(client, CAR)
    added = post(client, job, "instruments", kind="dial", name="Plain").get_json()
    key = next(i["key"] for i in added["instruments"] if i["own"])
    assert "no data port" in client.post(f"/api/instruments/{key}/gauge", json={}).get_json()["detail"]


def test_what_another_device_says_there_is_not_passed_on(client: FlaskClient) -> None:
    there = socket.create_server(("127.0.0.1", 0))
    key = own(client, f"socket://127.0.0.1:{there.getsockname()[1]}")
    ask(client, key)
    said, _ = there.accept()
    said.sendall(b"HTTP/1.1 200 OK secret\n# a remark\n")
    end, events = time.monotonic() + 60, []
    while time.monotonic() < end and not {"odd", "said"} <= {e["kind"] for e in events}:
        events = ask(client, key, wait=0.2)["events"]
    assert {"odd", "said"} <= {e["kind"] for e in events}
    assert "secret" not in str(events)
    assert "remark" not in str(events)
    client.delete(f"/api/instruments/{key}/gauge")
    said.close()
    there.close()


def test_no_more_than_so_many_gauges_are_read_at_once(client: FlaskClient, dial: Simulator) -> None:
    gauges = Gauges()
    port = dial.url.rsplit(":", 1)[1]
    for number in range(MOST_PORTS):
        gauges.at(f"socket://127.0.0.{number + 1}:{port}")
    with pytest.raises(UnreadableEntry, match="let one go first"):
        gauges.at(f"socket://127.0.0.99:{port}")
    gauges.close_all()
