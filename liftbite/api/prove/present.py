"""A drive, the ranking of causes and bedding-in as screen and command line show them.

- `drive_out`   a log against a build
- `fault_out`   causes and tests of a job's bench
- `prove_out`   all of Prove
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from liftbite.api.account.present import complaint_out
from liftbite.api.jobs.models import NameOut
from liftbite.api.jobs.present import figure_out
from liftbite.api.prove import models as mp
from liftbite.api.prove.start import ahead_out, bleeding_out, cards_out, fluids_out, noises_out
from liftbite.api.statements import SaidOut, said_out
from liftbite.core.account.words import point_words
from liftbite.core.job.parts import called
from liftbite.core.job.record import Line, lines_of
from liftbite.core.measure.scope import SCOPES
from liftbite.core.prove.causes import CAUSES, COMPLAINTS, TESTS, Test
from liftbite.core.prove.drive import Drive
from liftbite.core.prove.driven import Event, drive_sentence, driven_working, friction_driven, trip_of
from liftbite.core.prove.faults import Finder
from liftbite.core.prove.road_log import ROLES, RoadLog, headings_of
from liftbite.core.prove.running_in import HOW, SCHOOLS, LoggedDrive, TripDriven, read_trip
from liftbite.core.prove.statements import BeddingIn, FaultTestAnswer, FullLoad, HandOver, ProvedFault, SecondLook
from liftbite.core.units.constants import RPM
from liftbite.core.units.show import bare
from liftbite.whole.account import account_of
from liftbite.whole.bench import Bench
from liftbite.whole.fault import complaints_of, finder_of
from liftbite.whole.hand_over import edition_signed
from liftbite.whole.road import LoggedRoad

#: Points a drive is drawn with at most.
_POINTS = 1_200
#: Causes and tests shown at once.
_CAUSES, _TESTS = 8, 5


def top_of(data: bytes) -> mp.LogTopOut:
    """The columns of a log, for somebody who knows better than its headings."""
    offered = [
        NameOut(name=f"{role}:{unit}", label=f"{_ROLES[role]} in {unit}")
        for role, units in ROLES.items()
        for unit in units
    ]
    return mp.LogTopOut(headings=[mp.LogHeadingOut(heading=h, taken=t) for h, t in headings_of(data)], offered=offered)


_ROLES = {
    "time": "time",
    "engine": "engine speed",
    "road": "speed of the road",
    "shaft": "speed of a shaft",
    "throttle": "throttle",
}


def drive_out(road: LoggedRoad) -> mp.DriveOut:
    """A log against a build, as it is shown."""
    log, found, drive = road.log, road.driven, road.driven.drive
    trip = trip_of(log, found)
    return mp.DriveOut(
        columns=[mp.LogColumnOut(heading=c.heading, role=c.role, unit=c.unit) for c in road.mapping.columns],
        distance=f"{bare(trip.distance, 'km', 2)} km" if trip.distance else "",
        starts=trip.starts,
        start_heat=f"{trip.heat:.0f} J" if trip.heat else "",
        how="hard" if trip.hard else "gentle",
        rate=round(log.rate, 3),
        minutes=round(float(log.time[-1]) / 60, 3),
        notes=list(log.notes),
        gears=[
            mp.DrivenGearOut(name=name, ratio=round(ratio, 4))
            for name, ratio in zip(drive.gears.names, drive.gears.ratios, strict=True)
        ],
        scale=drive.gears.scale,
        least_slip=round(drive.least_slip, 4),
        least_time=round(drive.least_time, 3),
        says=list(drive_sentence(found)),
        events=[_event(e) for e in found.events],
        slips=len(found.slips),
        holds=_three(found.holds, "N·m"),
        expected=_three(found.expected, "N·m"),
        friction=found.friction,
        share=None if found.holds is None or found.expected is None else round(found.holds[1] / found.expected[1], 4),
        puts=friction_driven(found),
        working=list(driven_working(found, road.nominal)),
        hottest=None if found.hottest is None else figure_out(found.hottest, "K"),
        trace=_trace(log, drive),
    )


def _three(band: tuple[float, float, float] | None, unit: str) -> mp.ThreeOut | None:
    if band is None:
        return None
    low, middle, high = (figure_out(value, unit) for value in band)
    return mp.ThreeOut(low=low, middle=middle, high=high)


def _event(event: Event) -> mp.DrivenEventOut:
    stretch = event.stretch
    one, other = (None if side is None else figure_out(side, "N·m") for side in event.sides)
    return mp.DrivenEventOut(
        kind=stretch.kind,
        gear=event.gear,
        time=round(stretch.time, 3),
        duration=round(stretch.duration, 3),
        speed=figure_out(stretch.speed, "rad/s"),
        slip=round(stretch.slip, 4),
        torque=_three(event.torque, "N·m"),
        from_engine=one,
        from_vehicle=other,
        heat=_three(event.heat, "J"),
        hottest=None if event.hottest is None else figure_out(event.hottest, "K"),
    )


def _trace(log: RoadLog, drive: Drive) -> mp.DrivenTraceOut:
    """The drive thinned evenly, with the line of the gear it slips in or the nearest one."""
    step = max(log.time.size // _POINTS, 1)
    time, engine, output = log.time[::step], log.engine[::step], log.output[::step]
    if not drive.gears.ratios:
        return mp.DrivenTraceOut(
            time=time.round(2).tolist(), engine=(engine / RPM).round(0).tolist(), wheels=[None] * time.size
        )
    lines = output[:, None] * np.asarray(drive.gears.ratios)
    nearest = np.abs(lines - engine[:, None]).argmin(axis=1)
    for stretch in drive.stretches:
        nearest[-(-stretch.begin // step) : -(-stretch.end // step)] = stretch.gear
    wheels = lines[np.arange(time.size), nearest] / RPM
    shown = [None if v < 1.5 else float(round(w)) for v, w in zip(output, wheels, strict=True)]
    return mp.DrivenTraceOut(time=time.round(2).tolist(), engine=(engine / RPM).round(0).tolist(), wheels=shown)


# --- the fault


def fault_out(bench: Bench) -> mp.LookedIntoOut:
    """The complaint looked into."""
    complaints, said = complaints_of(bench), bench.said_of(FaultTestAnswer)
    answers = {name: line.answer for name, line in said.items() if name in TESTS}
    offered = [NameOut(name=name, label=name) for name in COMPLAINTS]
    if not complaints:
        return mp.LookedIntoOut(complaints=[], offered=offered, causes=[], next=None, then=[], asked=[], settled=False)
    return _fault(finder_of(bench, complaints, answers), complaints, offered, said, bench.said_of(ProvedFault))


def _fault(
    found: Finder,
    complaints: Sequence[str],
    offered: list[NameOut],
    said: Mapping[str, Line],
    closed: Mapping[str, Line],
) -> mp.LookedIntoOut:
    tests = [_test(test, None) for test, _ in found.tests[: _TESTS + 1]]
    return mp.LookedIntoOut(
        complaints=list(complaints),
        offered=offered,
        settled=found.settled,
        causes=[
            mp.CauseOut(
                name=r.cause.name,
                words=r.cause.words,
                word=r.word,
                odds=round(r.odds, 4),
                why=list(r.why),
                mends=r.cause.mends,
                found=said_out(closed.get(r.cause.name)),
                closes=_closes(r.cause.name),
            )
            for r in found.ranked[:_CAUSES]
        ],
        next=tests[0] if tests else None,
        then=tests[1:],
        asked=[_test(TESTS[name], line) for name, line in said.items() if name in TESTS],
    )


def _closes(cause: str) -> mp.ClosesOut:
    found = CAUSES[cause]
    return mp.ClosesOut(
        parts=[NameOut(name=part, label=called(part)) for part in found.closes],
        scope=found.scope,
        scope_label=SCOPES[found.scope] if found.scope else "",
    )


def fault_alone(complaints: Sequence[str], answers: Mapping[str, str], found: Finder) -> mp.LookedIntoOut:
    """The same without a record: for the command line."""
    said = {name: Line(name, FaultTestAnswer(answer=answer)) for name, answer in answers.items()}
    return _fault(found, complaints, [NameOut(name=n, label=n) for n in COMPLAINTS], said, {})


def _test(test: Test, line: Line | None) -> mp.FaultTestOut:
    return mp.FaultTestOut(
        name=test.name,
        ask=test.ask,
        minutes=test.minutes,
        opens=test.opens,
        answers=[*test.answers, "cannot tell"],
        said=said_out(line),
    )


# --- the whole


def _running_in(bench: Bench) -> mp.RunningInOut:
    found = account_of(bench).bedding
    trips = [(line.key, read_trip(line)) for line in bench.said_of(TripDriven).values()]
    return mp.RunningInOut(
        school=found.school,
        schools=[NameOut(name=name, label=words) for name, (words, _) in SCHOOLS.items()],
        share=found.share,
        done=found.done,
        says=found.sentence,
        driven_hard=found.driven_hard,
        figure=said.statement.figure if (said := bench.said_of(BeddingIn).get("")) else "",
        faces=[NameOut(name=part, label=called(part)) for part in found.faces],
        trips=[
            mp.TripOut(
                key=key,
                distance=figure_out(t.distance, "m driven"),
                starts=t.starts,
                how=t.how,
                how_words=HOW[t.how],
                felt=t.felt,
                who=t.who,
                at=t.at,
            )
            for key, t in trips
        ],
        hows=[NameOut(name=name, label=label) for name, label in HOW.items()],
        look_at=account_of(bench).look_at,
        allowed=said_out(bench.said_of(FullLoad).get("")),
        look_again=found.look_again,
        looked=said_out(bench.said_of(SecondLook).get("")),
    )


def prove_out(bench: Bench, revision: int) -> mp.ProveOut:
    """Where a job stands in Prove."""
    signed = [line for line in lines_of(bench.record, HandOver) if line.answer == "signed"]
    last = edition_signed(bench)
    account = account_of(bench)
    case, standing = account.case, account.standing
    fluids = fluids_out(bench, case)
    return mp.ProveOut(
        job=bench.job_id,
        change=bench.change,
        fault=fault_out(bench),
        bleeding=bleeding_out(bench),
        drives=[
            mp.KeptDriveOut(
                name=key,
                says=line.statement.says,
                friction=line.statement.friction,
                who=line.who,
                at=line.at,
            )
            for key, line in bench.said_of(LoggedDrive).items()
        ],
        complaints=[complaint_out(each, account) for each in account.complaints],
        cards=cards_out(bench, case, standing),
        noises=noises_out(bench, case),
        fluids=fluids,
        ahead=ahead_out(bench, fluids),
        running_in=_running_in(bench),
        lacks=[
            mp.LacksOut(code=p.code, words=point_words(p), leads=p.station, named=list(p.named), at=p.at)
            for p in account.points
        ],
        editions=[
            SaidOut(
                answer=line.key,
                words=f"edition {n}, revision {line.key}",
                reason=line.statement.note,
                who=line.who,
                at=line.at,
            )
            for n, line in enumerate(signed, start=1)
        ],
        changed_since=bool(last) and last != str(revision),
        left_out=list(bench.unread),
    )
