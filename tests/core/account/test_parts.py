"""The state of a part: what was said and ticked decides it, and nothing else makes it new."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from liftbite.core.account.claims import Claim
from liftbite.core.account.parts import PLANNED, PartLine, PartsSaid, PartState, new_faces, part_lines
from liftbite.core.account.points import Point, status_of
from liftbite.core.account.read import Whose, done_about
from liftbite.core.account.words import part_words
from liftbite.core.fit.case import Case
from liftbite.core.fit.library import LIBRARY
from liftbite.core.fit.plan import Planned
from liftbite.core.fit.progress import Progress, Standing
from liftbite.core.fit.statements import StepTick
from liftbite.core.job.record import Line
from liftbite.core.measure.checks import CHECKS
from liftbite.core.measure.judgement import Finding
from liftbite.core.measure.parts_list import Need
from liftbite.core.measure.statements import ListLine, Order, OwnPart
from liftbite.core.prove.running_in import Asked, asked_for, running_in
from liftbite.core.prove.statements import BeddingIn

CAR = Case({"kind": "in_line"}, True, False, True, False, 1, "", {}, {})
BY_BENCH = Need("disc", "get", ("1.6 of 1.2",), frozenset({"verdict"}))


def standing(*done: str, steps: tuple[str, ...] = ("disc_on", "balanced", "cover_on", "flywheel_on")) -> Progress:
    tick = Line("", StepTick(answer="done"), "Inga", "2026-03-04T10:00:00Z")
    return Progress(
        tuple(
            Standing(Planned(LIBRARY[key], (), {}), "done" if key in done else "open", tick if key in done else None)
            for key in steps
        ),
        None,
        (),
    )


def state(need: Need, done: tuple[str, ...] = (), fate: str = "stays", **said: Mapping[str, Line]) -> str:
    case = replace(CAR, fates={need.part: fate})
    return part_lines([need], PartsSaid(**said), case, standing(*done))[0].state  # type: ignore[arg-type]


@pytest.mark.parametrize(
    ("done", "fate", "said", "is_"),
    [
        ((), "stays", {}, "suggested"),
        (("disc_on",), "stays", {}, "put_back"),
        ((), "renewed", {}, "planned"),
        (("disc_on",), "renewed", {}, "fitted"),
        ((), "stays", {"own": {"disc": Line("disc", OwnPart(answer="to_get", reason="old"))}}, "planned"),
        ((), "stays", {"lines": {"disc:get": Line("disc:get", ListLine(answer="accepted"))}}, "planned"),
        ((), "stays", {"lines": {"disc:get": Line("disc:get", ListLine(answer="struck", reason="no"))}}, "struck"),
        ((), "renewed", {"lines": {"disc:get": Line("disc:get", ListLine(answer="struck", reason="no"))}}, "planned"),
        ((), "stays", {"orders": {"disc:get": Line("disc:get", Order(state="awaited"))}}, "awaited"),
        (("disc_on",), "stays", {"orders": {"disc:get": Line("disc:get", Order(state="arrived"))}}, "fitted"),
    ],
)
def test_a_part_is_what_was_said_and_ticked_of_it(
    done: tuple[str, ...], fate: str, said: Mapping[str, Mapping[str, Line]], is_: str
) -> None:
    assert state(BY_BENCH, done, fate, **said) == is_


def test_every_step_that_takes_a_part_is_done_before_it_is_fitted() -> None:
    cover = Need("cover", "get", (), frozenset({"plan"}))
    assert state(cover, ("cover_on",), "renewed") == "planned", "it was not balanced"
    assert state(cover, ("balanced", "cover_on"), "renewed") == "fitted"


def test_a_step_done_before_its_part_was_planned_put_the_old_one_back() -> None:
    early = replace(
        standing("disc_on").standings[0], said=Line("disc_on", StepTick(answer="done"), "Ines", "2026-03-02")
    )
    found = Progress((early,), None, ())
    case = replace(CAR, fates={"disc": "renewed"})
    for since, is_, left in (("2026-03-03", "planned", ("disc_on",)), ("2026-03-01", "fitted", ())):
        (line, *_) = part_lines([BY_BENCH], PartsSaid(since={"disc:get": since}), case, found)
        assert (line.state, line.left) == (is_, left)


def test_a_flywheel_goes_out_and_comes_back() -> None:
    dress = Need("flywheel", "dress", (), frozenset({"plan"}))
    case = replace(CAR, fates={"flywheel": "dressed"})
    steps = ("flywheel_sent", "flywheel_back", "flywheel_on")
    states = [
        part_words(part_lines([dress], PartsSaid(), case, standing(*steps[:n], steps=steps))[0]) for n in range(4)
    ]
    assert states == ["to dress or machine", "sent out", "back, to fit", "dressed, fitted again"]


def test_what_was_only_suggested_was_put_back() -> None:
    lines = part_lines([BY_BENCH], PartsSaid(), CAR, standing("disc_on"))
    assert [(line.part, line.state, line.reasons) for line in lines] == [("disc", "put_back", BY_BENCH.reasons)]


@given(
    st.sampled_from(["stays", "renewed"]),
    st.sampled_from(["", "ordered", "awaited", "arrived", "in_stock"]),
    st.sampled_from(["", "accepted", "struck"]),
    st.booleans(),
)
def test_nothing_is_fitted_that_nobody_planned_and_ticked(fate: str, order: str, line: str, ticked: bool) -> None:
    said = PartsSaid(
        {"disc:get": Line("disc:get", Order(state=order))} if order else {},  # type: ignore[arg-type]
        {"disc:get": Line("disc:get", ListLine(answer=line, reason="so"))} if line else {},  # type: ignore[arg-type]
    )
    case = replace(CAR, fates={"disc": fate})
    found = part_lines([BY_BENCH], said, case, standing(*(["disc_on"] if ticked else [])))[0]
    planned = fate == "renewed" or line == "accepted" or (order and line != "struck")
    assert (found.state == "fitted") == bool(planned and ticked)
    assert (found.state in PLANNED) == bool(planned)
    assert found.rests_on or found.state in ("suggested", "planned"), "a state says what it rests on"


def test_only_a_face_that_is_new_or_cut_is_bedded_in() -> None:
    assert new_faces([PartLine("bearing", "get", "fitted"), PartLine("disc", "put_back", "put_back")], CAR) == ()
    assert new_faces([PartLine("cover", "get", "planned")], CAR) == ("cover",)
    assert running_in([], Asked("distance", 800e3), ()).done


def test_the_makers_figure_wins_and_the_facing_says_how_it_is_counted() -> None:
    maker = Line("", BeddingIn(answer="distance", figure="300 mi"))
    assert asked_for(["cermet"], maker).amount == pytest.approx(300 * 1609.344)
    assert [
        asked_for([facing]).school for facing in ("organic", "paper", "sintered_wet", "sintered_dry", "cermet")
    ] == [
        "distance",
        "distance",
        "distance",
        "starts",
        "starts",
    ]


def test_the_work_is_finished_while_the_road_is_still_to_come() -> None:
    assert status_of([], []) == "not_begun"
    assert status_of([Point("bedding", "prove"), Point("complaints", "prove")], ["full_load"]) == "finished"
    assert status_of([Point("put right", "measure")], ["full_load"]) == "in_work"


def test_a_part_is_left_out_once_it_is_out() -> None:
    case = replace(CAR, fates={"slave": "left_out"})
    said = PartsSaid(fates={"slave": Claim("list", "slave", who="Inga")})
    (planned,) = part_lines([], said, case, standing(steps=("slave_out",)))
    assert (part_words(planned), planned.left, planned.rests_on[0].who) == ("to leave out", ("slave_out",), "Inga")
    (out,) = part_lines([], said, case, standing("slave_out", steps=("slave_out",)))
    assert part_words(out) == "left out"


@pytest.mark.parametrize(
    ("of", "state", "done"),
    [
        ("came_out", "fitted", "renewed"),
        ("comes_out", "planned", "to_renew"),
        ("stays", "suggested", "open"),
        ("stays", "struck", "struck"),
        ("went_in", "fitted", "open"),
        ("goes_in", "ordered", "open"),
        ("set_up", "fitted", "open"),
    ],
)
def test_a_new_part_mends_what_was_read_of_the_old_one_only(of: Whose, state: PartState, done: str) -> None:
    cracked = Finding("rivet_depth", "stop", taken=1, wanted=1)
    lines = {"disc:get": PartLine("disc", "get", state)}
    assert done_about(CHECKS["rivet_depth"], of, cracked, lines) == done
