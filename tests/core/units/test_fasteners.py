"""Threads, classes and torques with an angle, as a workshop writes them."""

from __future__ import annotations

import pytest

from liftbite.core.units.fasteners import Thread, Tightening, read_class, read_thread, read_tightening

#: Metric thread -> coarse pitch [mm]: ISO 261, from memory, written down here a second time.
COARSE = {5: 0.8, 6: 1.0, 8: 1.25, 10: 1.5, 12: 1.75, 14: 2.0, 16: 2.0, 18: 2.5, 20: 2.5}
#: Class or grade -> proof strength [MPa]: ISO 898-1 and SAE J429 (85 and 120 ksi), from memory.
PROOF = {"8.8": 580.0, "10.9": 830.0, "12.9": 970.0, "grade 5": 586.05, "grade 8": 827.37}


@pytest.mark.parametrize("diameter", COARSE)
def test_a_metric_thread_without_a_pitch_is_coarse(diameter: int) -> None:
    thread = read_thread(f"M{diameter}")
    assert thread is not None
    assert (thread.diameter, thread.pitch) == (pytest.approx(diameter / 1e3), pytest.approx(COARSE[diameter] / 1e3))


@pytest.mark.parametrize(
    ("typed", "diameter", "pitch"),
    [
        ("M10 x 1.25", 10, 1.25),
        ("m10x1,25", 10, 1.25),
        (" M 10 × 1 ", 10, 1.0),
        ("M10*1.5", 10, 1.5),
        ("M7 x 1", 7, 1.0),
        ("M8 x 7.9", 8, 7.9),
        ("7/16-20", 11.1125, 1.27),
        ("3/8 in - 16", 9.525, 1.5875),
        ("1/2 -13", 12.7, 25.4 / 13),
    ],
)
def test_threads_of_the_workshop(typed: str, diameter: float, pitch: float) -> None:
    thread = read_thread(typed)
    assert thread is not None
    assert (thread.diameter * 1e3, thread.pitch * 1e3) == (pytest.approx(diameter), pytest.approx(pitch))


@pytest.mark.parametrize(
    "typed",
    [
        "",
        "10 mm",
        "M",
        "M7",
        "M8.5",
        "M8 x 8",
        "M8 x 9",
        "M8 x 0",
        "3/0-16",
        "3/8-0",
        "3/8",
        "M10 x 1.25 left",
        "M8" + " " * 99 + ".",
    ],
)
def test_what_is_no_thread(typed: str) -> None:
    assert read_thread(typed) is None


@pytest.mark.parametrize("typed", PROOF)
def test_proof_strengths(typed: str) -> None:
    for written in (typed, typed.upper(), f" class {typed} ", typed.replace(".", ",")):
        assert read_class(written) == pytest.approx(PROOF[typed] * 1e6, rel=1e-4)
    assert read_class("9.8") is read_class("") is read_class("8.8" + " " * 2 + "x" * 99) is None
    assert read_class("x" * 100) is None


def test_a_torque_with_the_angle_after_it() -> None:
    assert read_tightening("19.8 lb-ft + 120°") == Tightening("19.8 lb-ft", "120°")
    assert read_tightening(" 22 N·m+90 ") == Tightening("22 N·m", "90°")
    assert read_tightening("22 N·m + 22,5 deg") == Tightening("22 N·m", "22.5°")
    assert read_tightening("22 N·m + 1200°") is read_tightening("22 N·m") is read_tightening("+ 90°") is None
    assert read_tightening("2" * 60 + "+ 90°") == Tightening("2" * 60, "90°")
    assert read_tightening("2" * 101 + "+ 90°") is None
    assert Thread(0.01, 0.0015) == read_thread("M10")
