"""Limits in force: the manual's before the job's before the default, and what follows from the job at its edges."""

from __future__ import annotations

from types import SimpleNamespace
from typing import Any, cast

import pytest

from liftbite.core.graph.graph import Needs
from liftbite.core.job.build import Build
from liftbite.core.measure.check import Check
from liftbite.core.measure.limit import Limit, LimitName, value_of
from liftbite.core.measure.limits import limits_of, most_of, new_of, plate_limits, standoff_limits


def build(entries: dict[str, float | None] | None = None, *, adjusts: bool = False, **worked_out: float) -> Build:
    """A build that has these entries, and works these figures out; nothing else is known."""

    def evaluate(names: tuple[str, ...]) -> dict[str, Any]:
        return {name: worked_out.get(name, Needs((name,))) for name in names}

    has = SimpleNamespace(has=lambda trait: adjusts and trait == "self-adjusting cover")
    typed = {name: SimpleNamespace(si=si) for name, si in (entries or {}).items()}
    return cast("Build", SimpleNamespace(entries=typed, known=entries or {}, evaluate=evaluate, chosen=has))


def limits(**values: float | None) -> dict[LimitName, Limit]:
    return {name: Limit(name, value, "practice", f"{name} of practice") for name, value in values.items()}  # type: ignore[misc]


def found(of: Any, *given: Any) -> dict[str, float | None]:
    return {limit.name: limit.value for limit in of(*given)}


def test_the_manual_stands_before_the_job_and_the_job_before_practice() -> None:
    check = Check(
        "gap",
        "fork",
        "Gap",
        "Look.",
        "reading",
        "m",
        suited=(),
        limits=tuple(limits(new=3.0, least=2.0, most=4.0).values()),
        of_job=new_of("gap_of_job"),
    )
    job, nothing = build({"gap_of_job": 3.5}), build()
    assert found(limits_of, check, nothing, {}) == {"new": 3.0, "least": 2.0, "most": 4.0}
    assert found(limits_of, check, job, {}) == {"new": 3.5, "least": 2.0, "most": 4.0}
    manual = limits_of(check, job, {"new": (3.3, ""), "most": (4.5, "p. 7")})
    assert {f.name: (f.value, f.mark, f.why) for f in manual} == {
        "new": (3.3, "manual", "the manual's figure"),
        "least": (2.0, "practice", "least of practice"),
        "most": (4.5, "manual", "p. 7"),
    }


def test_a_new_one_reads_what_the_job_says() -> None:
    of = new_of("gap")
    assert found(of, build(), limits(new=3.0, least=2.0)) == {}
    assert found(of, build({"gap": None}), limits(new=3.0, least=2.0)) == {}
    assert found(of, build({"gap": 4.0}), limits(new=3.0, least=2.0)) == {"new": 4.0}, "the least does not follow"
    (new,) = of(build({"gap": 4.0}), limits(new=3.0))
    assert (new.mark, new.why) == ("job", "as this job has it")


@pytest.mark.parametrize(
    ("new", "least"),
    [  # practice: 1000, least 900; within 3.5 % of it the least of practice stands
        (1000.0, None),
        (1034.9, None),
        (1035.0, None),
        (1035.1, 0.9 * 1035.1),
        (965.0, None),
        (964.9, 0.9 * 964.9),
        (2000.0, 1800.0),
    ],
)
def test_the_least_goes_with_a_new_one_in_proportion(new: float, least: float | None) -> None:
    of = new_of("gap", in_proportion=True)
    got = found(of, build({"gap": new}), limits(new=1000.0, least=900.0))
    assert got == pytest.approx({"new": new} | ({} if least is None else {"least": least}))


@pytest.mark.parametrize(
    "given",
    [limits(new=1000.0), limits(new=1000.0, least=None), limits(new=None, least=900.0), limits(new=1000.0, most=9.0)],
)
def test_without_both_there_is_no_proportion(given: dict[LimitName, Limit]) -> None:
    assert found(new_of("gap", in_proportion=True), build({"gap": 2000.0}), given) == {"new": 2000.0}


def test_a_least_in_proportion_says_so() -> None:
    got = {f.name: f.why for f in new_of("gap", in_proportion=True)(build({"gap": 9.0}), limits(new=3.0, least=2.0))}
    assert got["least"] == "least of practice; in proportion to this job's figure"


def test_a_plate_may_wear_by_what_the_job_allows() -> None:
    practice = limits(new=3.0, least=2.8)

    def of(**entries: float | None) -> dict[str, float | None]:
        return found(plate_limits, build(entries), practice)

    assert of() == {}
    assert of(friction_plate_thickness=6.0) == pytest.approx({"new": 6.0, "least": 5.6})
    assert of(plate_wear_allowed=0.5) == {"least": 2.5}
    assert of(plate_wear_allowed=None) == {}
    assert of(friction_plate_thickness=6.0, plate_wear_allowed=0.5) == {"new": 6.0, "least": 5.5}
    assert found(plate_limits, build({"plate_wear_allowed": 0.5}), limits(least=2.8)) == {}
    assert found(plate_limits, build({"plate_wear_allowed": 0.5}), limits(new=None, least=2.8)) == {}
    assert found(plate_limits, build({"plate_wear_allowed": 0.5}), limits(new=0.0, least=2.8)) == {}


def test_the_most_it_may_read_is_a_figure_of_the_job() -> None:
    (most,) = most_of("disc_wobble")(build({"disc_wobble": 0.0}), {})
    assert (most.name, most.value, most.mark, most.why) == ("most", 0.0, "job", "disc wobble of this job")
    assert found(most_of("disc_wobble"), build(), {}) == {}
    assert found(most_of("disc_wobble"), build({"disc_wobble": None}), {}) == {}


def test_a_cover_stands_off_by_what_its_ring_is_pressed_flat() -> None:
    """At the plate: what the ring is pressed over its leverage; one for one less with the wear allowed."""
    job = {"diaphragm_set": 6.0}
    of = standoff_limits
    assert found(of, build(job, ring_leverage=2.0, wear_limit=1.0), {}) == {"new": 3.0, "least": 2.0}
    assert found(of, build(job, ring_leverage=2.0, wear_limit=2.999), {}) == pytest.approx({"new": 3.0, "least": 0.001})
    for wear in (3.0, 3.001, 0.0, -1.0):
        assert found(of, build(job, ring_leverage=2.0, wear_limit=wear), {}) == {"new": 3.0}
    assert found(of, build(job, ring_leverage=2.0), {}) == {"new": 3.0}
    assert found(of, build(job, wear_limit=1.0), {}) == {}, "leverage not known"
    assert found(of, build({}, ring_leverage=2.0, wear_limit=1.0), {}) == {}
    assert found(of, build({"diaphragm_set": None}, ring_leverage=2.0, wear_limit=1.0), {}) == {}
    assert found(of, build(job, adjusts=True, ring_leverage=2.0, wear_limit=1.0), {}) == {}


def test_the_first_of_some_names_that_has_a_figure() -> None:
    given = limits(new=None, least=2.0, most=4.0).values()
    assert value_of(given, "new", "most", "least") == 4.0
    assert value_of(given, "new") is None
