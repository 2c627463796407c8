"""Each calculation of the set-up says whether things go in as they are: set-ups known to work, and known to fail."""

from __future__ import annotations

from collections.abc import Mapping

import pytest

from liftbite.core.job.build import build_of
from liftbite.core.job.ledger import Entry
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.effects import effects
from liftbite.core.measure.parts_list import needs
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.core.measure.setup import outcome_of
from liftbite.core.units.constants import INCH
from liftbite.core.verdicts.answers import answer
from tests.jobs import CAR, FULL, MOTORCYCLE, entries

Depths = Mapping[str, float]
TWIN = {**FULL, "disc_count": "2"}
LEVER = {**CAR, "lever_ratio": "3.9"}
PACK = {**MOTORCYCLE, "friction_plate_count": "8"}
FORKED = {**FULL, "release": "hydraulic_fork", "fork_ratio": "2", "bearing_clearance": "1.5 mm"}
CONCENTRIC = {
    **CAR,
    "release": "concentric",
    "master_diameter": "3/4 in",
    "slave_outer_diameter": "52 mm",
    "slave_inner_diameter": "38 mm",
    "slave_stroke": "20 mm",
    "pedal_stroke": "150 mm",
    "pedal_ratio": "5.4",
    "lever_ratio": "3.9",
}


def taken(**checks: Depths) -> dict[str, tuple[Reading, ...]]:
    return {
        check: tuple(Reading(place, value, str(value), "caliper", 2e-5) for place, value in read.items())
        for check, read in checks.items()
    }


def told(name: str, job: Mapping[str, str], said: Mapping[str, str] | None = None, **checks: Depths) -> tuple[str, str]:
    found = {c.name: t for c, t in outcome_of(build_of(entries(job)), taken(**checks), said)}[name]
    assert found is not None
    return found.verdict, found.sentence


def stands(*thousandths: float) -> Depths:
    return {f"Stand {i}": t * 1e-3 * INCH for i, t in enumerate(thousandths, start=1)}


def shaft(out: float) -> Depths:
    places = [p.key for p in CHECKS["shaft_reach"].places(build_of(entries(CAR)))]
    return dict(zip(places, (out, 0.165, 0.003, 0.004, 0.0, 0.016, 0.010), strict=True))


@pytest.mark.parametrize(
    ("name", "job", "said", "checks", "verdict", "words"),
    [
        ("floater", TWIN, {}, {"floater_gap": stands(20, 21, 20.5)}, "reuse", "no shim is needed"),
        ("floater", TWIN, {"shims": "raises"}, {"floater_gap": stands(15, 22, 16.5)}, "put right", "Get for stand 1"),
        (
            "floater",
            TWIN,
            {"shims": "raises"},
            {"floater_gap": stands(15, 40, 16.5)},
            "put right",
            "No shim more mends stand 2",
        ),
        ("shaft", CAR, {}, {"shaft_reach": shaft(0.190)}, "reuse", "passes the whole pilot"),
        ("shaft", CAR, {}, {"shaft_reach": shaft(0.180)}, "put right", "not its whole length"),
        ("shaft", CAR, {}, {"shaft_reach": shaft(0.1625)}, "stop", "9.5 mm"),
        ("shaft", CAR, {}, {"shaft_reach": shaft(0.199)}, "stop", "meets the bottom"),
        ("end_float", CAR, {}, {"end_float": {"Once": 0.0}}, "reuse", "turns free by hand"),
        (
            "end_float",
            CAR,
            {},
            {"end_float": {"Once": 0.0003}, "retainer_shims": {"Shim 1": 0.0003}},
            "put right",
            "takes the end float to 0",
        ),
        (
            "end_float",
            CAR,
            {},
            {"end_float": {"Once": 0.0003}, "retainer_shims": {"Shim 1": 0.0005}},
            "put right",
            "Get one of 0.3 mm",
        ),
        ("fork", FORKED, {}, {"bearing_height": {"Old": 0.020, "New": 0.021}}, "reuse", "1 mm"),
        ("fork", FORKED, {}, {"bearing_height": {"Old": 0.020, "New": 0.023}}, "put right", "always loaded"),
        ("pack", PACK, {}, {"plate_count": {"Friction": 8, "Plain": 7}}, "reuse", "as usual"),
        ("pack", PACK, {}, {"plate_count": {"Friction": 7, "Plain": 7}}, "put right", "the job says 8"),
        ("cut", LEVER, {}, {"face_cut": {"Once": 0.0001}, "seat_cut": {"Once": 0.0001}}, "reuse", "Cut alike"),
        ("cut", LEVER, {}, {"face_cut": {"Once": 0.0005}}, "put right", "make it up"),
        (
            "bearing",
            CONCENTRIC,
            {},
            {"depth_x": {"Once": 0.060}, "depth_y": {"Once": 0.053}},
            "reuse",
            "between 5.96 mm",
        ),
        ("bearing", CONCENTRIC, {}, {"depth_x": {"Once": 0.060}, "depth_y": {"Once": 0.061}}, "stop", "already meets"),
        ("bearing", CONCENTRIC, {}, {"depth_x": {"Once": 0.075}, "depth_y": {"Once": 0.053}}, "put right", "Get "),
    ],
)
def test_what_goes_in_as_it_is_and_what_is_put_right(
    name: str, job: Mapping[str, str], said: Mapping[str, str], checks: Mapping[str, Depths], verdict: str, words: str
) -> None:
    found = told(name, job, said, **checks)
    assert found[0] == verdict, found[1]
    assert words in found[1]


def test_what_is_to_be_put_right_stands_on_the_list() -> None:
    build, read = build_of(entries(CAR)), taken(shaft_reach=shaft(0.1625))
    setups = [(c, t) for c, t in outcome_of(build, read) if t is not None]
    practices = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()}
    found = {n.part: n for n in needs(build, (), practices, setups=setups)}
    assert found["input_shaft"].work == "put_right"
    assert "Reach of the input shaft: " in found["input_shaft"].reasons[0]
    assert "short" in found["input_shaft"].reasons[0]


def test_a_shaft_short_of_its_pilot_stops_true_and_one_that_reaches_does_not() -> None:
    for out, state in ((0.1625, "stop"), (0.199, "stop"), (0.180, "look again"), (0.190, "runs true")):
        build = build_of(entries(FULL))
        measured = {
            e.quantity: Entry(e.quantity, e.typed, e.si, "measured")
            for e in effects(build, taken(shaft_reach=shaft(out)))
        }
        true = next(v for v in answer({**entries(FULL), **measured}).others if v.question == "true")
        assert true.state == state, (out, true.sentence)
