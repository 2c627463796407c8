"""The gauge: its lines, the reader over a real TCP port, drop-outs, and the stand-in that ships with the product."""

from __future__ import annotations

import socket
import subprocess
import sys
import time
from collections.abc import Callable, Iterator

import numpy as np
import pytest
from click.testing import CliRunner

from liftbite.cli.main import main
from liftbite.core.errors import UnreadableEntry
from liftbite.core.measure.runout import fit_sweep
from liftbite.gauges.gauge import Gauge, Gauges
from liftbite.gauges.protocol import check_port, parse_message, write_line
from liftbite.gauges.simulate import Simulator, caliper, depths, dial_sweep, read_values


def eventually(found: Callable[[], bool], seconds: float = 60.0) -> bool:
    end = time.monotonic() + seconds
    while time.monotonic() < end:
        if found():
            return True
        time.sleep(0.01)
    return False


@pytest.fixture
def gauges() -> Iterator[Gauges]:
    found = Gauges()
    yield found
    found.close_all()


def values(gauge: Gauge) -> list[str]:
    return [e.text for e in gauge.after(0) if e.kind == "value"]


# --- lines


@pytest.mark.parametrize(
    ("raw", "kind", "text"),
    [
        (b"12.30 mm\n", "value", "12.30 mm"),
        (b"+0.483 in\r\n", "value", "0.483 in"),
        (b"-3 thou", "value", "-3 thou"),
        ("12.5 µm\n".encode(), "value", "12.5 µm"),
        (b"4 um\n", "value", "4 um"),
        ("−0,25 mm".encode(), "value", "-0,25 mm"),
        (b"12.3kg", "value", "12.3 kg"),
        (b"# battery low", "said", "battery low"),
        (b"12.3", "odd", "12.3"),
        (b"hello", "odd", "hello"),
        (b"1.2.3 mm", "odd", "1.2.3 mm"),
        (b"\xff\xfe mm", "odd", "\ufffd\ufffd mm"),
    ],
)
def test_a_line_is_value_unit_newline(raw: bytes, kind: str, text: str) -> None:
    line = parse_message(raw)
    assert line is not None
    assert (line.kind, line.text) == (kind, text)


def test_an_empty_line_says_nothing() -> None:
    assert parse_message(b" \r\n") is None
    assert parse_message(write_line(2.8, "mm", 3)) == parse_message(b"2.800 mm")


@pytest.mark.parametrize(
    "port", ["/dev/ttyUSB0", "COM3", "socket://127.0.0.1:8765", "socket://gauge.local:1", "/dev/serial/by-id/x-1"]
)
def test_ports_that_may_be_opened(port: str) -> None:
    assert check_port(f" {port} ") == port


@pytest.mark.parametrize(
    "port",
    [
        "",
        "spy://x?file=/etc/motd",
        "/etc/passwd",
        "/dev/../etc/passwd",
        "socket://host",
        "socket://host:99999",
        "http://host:80",
        "loop://",
        "COM",
    ],
)
def test_ports_that_may_not(port: str) -> None:
    with pytest.raises(UnreadableEntry, match="Data port"):
        check_port(port)


# --- the stand-in


@pytest.mark.parametrize(("off", "towards", "count"), [(0.2, 0, 8), (0.15, 120, 8), (0.33, 271, 6), (0.05, 45, 12)])
def test_the_simulated_dial_sweeps_the_bore_it_was_given(off: float, towards: float, count: int) -> None:
    lines = [float(line.split()[0]) for line in dial_sweep(off, towards, count)]
    angles = np.radians(np.arange(count) * 360 / count)
    fit = fit_sweep(angles, np.array(lines[:-1]) / 1e3, inside=True)
    assert float(fit.eccentricity) * 1e3 == pytest.approx(off, abs=0.002)
    assert float(np.cos(fit.direction - np.radians(towards))) == pytest.approx(1, abs=1e-3)
    assert lines[0] == lines[-1]


def test_noise_is_noise_and_the_same_seed_the_same_readings() -> None:
    first = [float(line.split()[0]) for line, _ in zip(caliper(2.83, 0.01, 4), range(400), strict=False)]
    again = [float(line.split()[0]) for line, _ in zip(caliper(2.83, 0.01, 4), range(400), strict=False)]
    assert first == again
    assert np.mean(first) == pytest.approx(2.83, abs=0.003)
    assert np.std(first) == pytest.approx(0.01, rel=0.2)


def test_depths_come_in_the_order_given() -> None:
    assert list(depths(read_values("3.219 in, 63.5"))) == [b"3.219 in\n", b"63.50 mm\n"]
    with pytest.raises(UnreadableEntry, match="depth gauge"):
        read_values(" , ")


# --- the reader


def test_readings_arrive_by_themselves_numbered(gauges: Gauges) -> None:
    there = Simulator(depths([(1.5, "mm"), (2.5, "mm"), (0.1, "in")]), every=0.01).start()
    gauge = gauges.at(there.url)
    assert eventually(lambda: len(values(gauge)) == 3)
    assert values(gauge) == ["1.50 mm", "2.50 mm", "0.100 in"]
    numbers = [e.number for e in gauge.after(0)]
    assert numbers == list(range(numbers[0], numbers[0] + len(numbers)))
    assert gauge.after(numbers[-2])[0].number == numbers[-1]
    there.stop()


def test_the_first_to_listen_hears_all_since_the_port_was_opened_the_next_from_now(gauges: Gauges) -> None:
    there = Simulator(depths([(1.5, "mm"), (2.5, "mm"), (3.5, "mm")]), every=0.01).start()
    gauge = gauges.at(there.url)
    assert eventually(lambda: len(values(gauge)) == 3)
    assert [e.text for e in gauge.after(gauge.join()) if e.kind == "value"] == ["1.50 mm", "2.50 mm", "3.50 mm"]
    assert gauge.after(gauge.join()) == []
    there.stop()


def test_a_number_is_never_given_twice_over_a_restart() -> None:
    """A tab that remembers the last number it saw hears all that comes after the program was started anew."""
    seen = []
    for value in (1.5, 2.5):
        there = Simulator(depths([(value, "mm")]), every=0.01).start()
        gauge = Gauge(there.url)
        assert eventually(lambda gauge=gauge: len(values(gauge)) == 1)  # type: ignore[misc]
        assert [e.text for e in gauge.after(max(seen, default=0)) if e.kind == "value"] == [f"{value:.2f} mm"]
        seen += [e.number for e in gauge.after(0)]
        gauge.stop()
        there.stop()
    assert len(set(seen)) == len(seen)


def test_two_hundred_readings_a_second_without_loss(gauges: Gauges) -> None:
    """As fast as they come: two thousand readings, each one there, in order."""
    sent = [(i / 100, "mm") for i in range(1, 2001)]
    there = Simulator(depths(sent), every=0.0).start()
    gauge = gauges.at(there.url)
    assert eventually(lambda: len(values(gauge)) == 2000)
    assert values(gauge) == [f"{v:.2f} mm" for v, _ in sent]
    there.stop()


def test_unplugging_loses_nothing_and_says_so(gauges: Gauges) -> None:
    there = Simulator(depths([(i, "mm") for i in range(1, 7)]), every=0.01, drop_after=3, drop_for=0.1).start()
    gauge = gauges.at(there.url)
    assert eventually(lambda: len(values(gauge)) == 6)
    assert values(gauge) == [f"{i}.00 mm" for i in range(1, 7)]
    kinds = [e.kind for e in gauge.after(0) if e.kind != "said"]
    assert kinds[:5] == ["back", "value", "value", "value", "lost"]
    assert kinds[5] == "back"
    lost = next(e for e in gauge.after(0) if e.kind == "lost")
    assert "What it sent is kept" in lost.text
    there.stop()
    assert eventually(lambda: not gauge.connected)


def test_a_reading_cut_off_in_the_middle_is_not_taken(gauges: Gauges) -> None:
    server = socket.create_server(("127.0.0.1", 0))
    gauge = gauges.at(f"socket://127.0.0.1:{server.getsockname()[1]}")
    there, _ = server.accept()
    there.sendall(b"2.80 mm\n12.3")
    assert eventually(lambda: values(gauge) == ["2.80 mm"])
    there.close()
    assert eventually(lambda: any(e.kind == "lost" for e in gauge.after(0)))
    lost = next(e for e in gauge.after(0) if e.kind == "lost")
    assert "cut off (12.3)" in lost.text
    server.close()


def test_what_a_gauge_should_not_send_is_shown_and_left(gauges: Gauges) -> None:
    server = socket.create_server(("127.0.0.1", 0))
    gauge = gauges.at(f"socket://127.0.0.1:{server.getsockname()[1]}")
    there, _ = server.accept()
    there.sendall(b"\n# hello\nnonsense\n2.80 mm\n" + b"x" * 5000 + b"\n")
    assert eventually(lambda: len(gauge.after(0)) >= 5)
    assert [e.kind for e in gauge.after(0)][:4] == ["back", "said", "odd", "value"]
    there.close()
    server.close()


def test_nothing_there_is_said_once(gauges: Gauges) -> None:
    with socket.create_server(("127.0.0.1", 0)) as free:
        port = free.getsockname()[1]
    gauge = gauges.at(f"socket://127.0.0.1:{port}")
    assert eventually(lambda: bool(gauge.after(0)))
    time.sleep(1.2)
    (event,) = gauge.after(0)
    assert event.kind == "lost"
    assert "nothing listens there" in event.text


def test_one_reading_is_claimed_once(gauges: Gauges) -> None:
    there = Simulator(depths([(1.5, "mm")]), every=0.01).start()
    gauge = gauges.at(there.url)
    assert eventually(lambda: bool(values(gauge)))
    number = next(e.number for e in gauge.after(0) if e.kind == "value")
    first, second = gauge.claim(number), gauge.claim(number)
    assert first is not None
    assert first.text == "1.50 mm"
    assert second is None
    assert gauge.claim(999) is None
    there.stop()


def test_a_wait_ends_with_the_reading(gauges: Gauges) -> None:
    there = Simulator(depths([(1.5, "mm")]), by_hand=True).start()
    gauge = gauges.at(there.url)
    assert eventually(lambda: gauge.connected)
    assert eventually(lambda: any(e.kind == "said" for e in gauge.after(0)))
    seen = gauge.newest
    assert gauge.after(seen, wait=0.05) == []
    there.press()
    (event,) = gauge.after(seen, wait=5)
    assert event.text == "1.50 mm"
    there.stop()
    assert not there.running


def test_a_port_is_shared_and_let_go(gauges: Gauges) -> None:
    there = Simulator(caliper(2.8, 0.0), every=0.01).start()
    gauge = gauges.at(there.url)
    assert gauges.at(there.url) is gauge
    gauges.close(there.url)
    assert eventually(lambda: not gauge.connected)
    assert gauges.at(there.url) is not gauge
    gauges.close("socket://127.0.0.1:1")
    there.stop()


# --- the command


def test_the_command_speaks_the_real_protocol() -> None:
    with socket.create_server(("127.0.0.1", 0)) as free:
        port = free.getsockname()[1]
    command = [
        sys.executable,
        "-m",
        "liftbite.cli.main",
        "gauge",
        "dial",
        "--port",
        str(port),
        "--every",
        "0.01",
        "--off",
        "0.2",
        "--towards",
        "90",
        "--noise",
        "0",
    ]
    with subprocess.Popen(command, stdout=subprocess.PIPE, text=True) as running:
        assert running.stdout is not None
        assert f"socket://127.0.0.1:{port}" in running.stdout.readline()
        with socket.create_connection(("127.0.0.1", port), timeout=5) as there:
            said = b""
            while said.count(b"\n") < 10:
                said += there.recv(4096)
        running.terminate()
    lines = said.decode().splitlines()
    assert lines[0].startswith("#")
    assert lines[1] == "0.000 mm"
    assert lines[3] == "-0.200 mm"


def test_the_command_says_what_it_lacks() -> None:
    result = CliRunner().invoke(main, ["gauge", "depth"])
    assert result.exit_code == 1
    assert "Say what the depth gauge reads" in result.output
    with socket.create_server(("127.0.0.1", 0)) as taken:
        port = taken.getsockname()[1]
        result = CliRunner().invoke(main, ["gauge", "caliper", "--port", str(port)])
    assert result.exit_code == 1
    assert "cannot be used" in result.output
