"""Loggers' files as they come: units, names, gaps, clocks that jump; said, never guessed."""

from __future__ import annotations

import numpy as np
import pytest

from liftbite.core.errors import UnreadableFile
from liftbite.core.prove.logger import simulated, written
from liftbite.core.prove.road_log import propose_log, read_log
from tests.core.prove.vehicles import vehicle


def rows(n: int = 60, form: str = "{t:.2f},{rpm},{v},{p}") -> str:
    return "\n".join(form.format(t=i * 0.1, ms=i * 100, rpm=3000, v=60, p=50) for i in range(n))


@pytest.mark.parametrize(
    ("head", "form", "engine", "road"),
    [
        ("Time (s),RPM,Speed [km/h],TPS %", "{t:.2f},{rpm},{v},{p}", 314.16, 16.667),
        ("time;Drehzahl 1/min;Geschwindigkeit km/h", "{t:.2f};{rpm};{v}", 314.16, 16.667),
        ("Zeit [s];Drehzahl [1/min];Geschwindigkeit [km/h]", "{t:.2f};{rpm},0;{v},5", 314.16, 16.806),
        ("t\tengine speed (rad/s)\tvehicle speed (m/s)", "{t:.2f}\t300\t20", 300.0, 20.0),
        ("Time_ms,Engine RPM,GPS speed mph", "{ms},{rpm},{v}", 314.16, 26.822),
        ("time,engine rpm,gearbox output shaft rpm", "{t:.2f},{rpm},1500", 314.16, 157.08),
        ("Time,Engine,Speed\n[s],[rpm],[mph]", "{t:.2f},{rpm},{v}", 314.16, 26.822),
    ],
)
def test_any_naming_and_unit(head: str, form: str, engine: float, road: float) -> None:
    log = read_log(f"{head}\n{rows(form=form)}\n".encode())
    assert log.engine.mean() == pytest.approx(engine, rel=1e-3)
    assert log.output.mean() == pytest.approx(road, rel=1e-3)
    assert log.rate == pytest.approx(10.0, rel=0.02)
    assert any("cannot be seen" in note for note in log.notes), "10 Hz sees slip late, and that is said"


def test_a_clock_of_hours_minutes_and_seconds() -> None:
    lines = "\n".join(f"14:03:{i / 10:04.1f},3000,60" for i in range(100))
    assert read_log(f"time,rpm,km/h\n{lines}".encode()).time[-1] == pytest.approx(9.9)


def test_gaps_and_a_clock_that_goes_back_end_a_stretch_and_are_said() -> None:
    time = np.concatenate([np.arange(0, 5, 0.05), np.arange(20, 25, 0.05), np.arange(3, 8, 0.05)])
    log = read_log(("time,rpm,km/h\n" + "\n".join(f"{t:.2f},3000,60" for t in time)).encode())
    assert len(log.stretches) == 3
    assert any("gap" in note for note in log.notes)
    assert any("goes back" in note for note in log.notes)
    assert np.all(np.diff(log.time[log.stretches[2]]) > 0)


def test_rows_that_are_no_figures_are_left_out_and_counted() -> None:
    lines = rows(form="{t:.2f},{rpm},{v}").splitlines()
    lines[10], lines[20] = "1.0,,60", "2.0,lost,lost"
    log = read_log(("time,rpm,km/h\n" + "\n".join(lines)).encode())
    assert log.time.size == 58
    assert any("2 rows" in note for note in log.notes)


def test_two_rates_and_a_wrong_unit_are_said() -> None:
    time = np.concatenate([np.arange(0, 5, 0.02), np.arange(5, 30, 0.06)])
    log = read_log(("time,engine speed [rad/s],km/h\n" + "\n".join(f"{t:.2f},3000,60" for t in time)).encode())
    assert any("more than one rate" in note for note in log.notes)
    assert any("another unit" in note for note in log.notes)


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("time,rpm\n1,2\n2,3\n", "at least three figures"),
        ("a,b,c\n1,2,3\n2,3,4\n", "name no time"),
        ("time,rpm,km/h\n" + "1.0,3000,60\n" * 50, "does not rise"),
        ("time,rpm,km/h\n0,1,2\n0.1,1,2\n", "only 2 rows"),
        ("", "empty"),
    ],
)
def test_what_is_no_log_is_refused_in_words(text: str, words: str) -> None:
    with pytest.raises(UnreadableFile, match=words):
        read_log(text.encode())


def test_what_the_simulated_logger_writes_reads_back() -> None:
    log, _ = simulated(vehicle(), minutes=1, rate=50)
    text = written(log).encode()
    assert [c.role for c in propose_log(text).columns] == ["time", "engine", "road", "throttle"]
    back = read_log(text)
    assert back.engine == pytest.approx(log.engine, abs=0.06)
    assert back.output == pytest.approx(log.output, abs=0.002)
    assert back.notes == ()


def test_a_quote_that_is_never_closed_is_a_sentence() -> None:
    text = "time,rpm,km/h\n" + "0.1,3000,60\n" * 30 + '"' + "1,2,3\n" * 40_000
    with pytest.raises(UnreadableFile, match="never closed"):
        read_log(text.encode())


@pytest.mark.parametrize("cell", ["1e308", "-1e308", "inf", "nan", "9" * 400, "1e-320", "--", "٣"])
def test_figures_no_logger_writes_break_nothing(cell: str) -> None:
    lines = rows(form="{t:.2f},{rpm},{v}").splitlines()
    for column in range(3):
        cells = lines[30].split(",")
        cells[column] = cell
        text = "time,rpm,km/h\n" + "\n".join([*lines[:30], ",".join(cells), *lines[31:]])
        assert read_log(text.encode()).time.size >= 58
