"""The bench's record: nothing is deleted, repeats are kept, a manual's figure stays with its vehicle."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import UTC, datetime, timedelta, timezone
from pathlib import Path

import pytest
from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from liftbite.core.job.ledger import Entry, Revision
from liftbite.core.measure.judgement import Reading
from liftbite.core.measure.parts_list import SCHOOLS
from liftbite.store import jobs as jobs_store
from liftbite.store import measurements as bench
from liftbite.store.database import open_database
from liftbite.store.models import ReadingRow, VehicleLimitRow

NOW = datetime(2026, 5, 4, 9, 30, tzinfo=UTC)


@pytest.fixture
def session(tmp_path: Path) -> Iterator[Session]:
    made = open_database(tmp_path / "shop.sqlite")
    with made() as found:
        yield found
    made.kw["bind"].dispose()


def job(session: Session, vehicle: str = "Alder GT") -> int:
    first = Revision(1, "start", jobs_store.utc_text(NOW), (Entry("layout", "dry_car"), Entry("vehicle", vehicle)))
    return jobs_store.create(session, [first], NOW)


def plate(place: int, mm: float) -> Reading:
    return Reading(f"Plate {place}", mm / 1e3, f"{mm} mm", "caliper", 3e-5)


def taken(session: Session, job_id: int, *readings: Reading, check: str = "plate_thickness") -> int:
    number = bench.begin(session, job_id, check, "Alder GT", NOW)
    bench.add_readings(session, job_id, number, readings, NOW)
    return number


def test_readings_come_back_as_they_were_taken(session: Session) -> None:
    number = job(session)
    first = taken(session, number, plate(1, 2.9), plate(1, 2.91), Reading("Plate 2", skipped="lost"))
    (taking,) = bench.takings_of(session, number)[0]
    assert (taking.id, taking.check, taking.distance) == (first, "plate_thickness", None)
    assert taking.readings == (plate(1, 2.9), plate(1, 2.91), Reading("Plate 2", skipped="lost"))
    assert [t.source for t in taking.taken] == ["typed"] * 3
    assert all(t.at == NOW for t in taking.taken)


def test_a_moment_of_any_zone_is_kept_in_utc(session: Session) -> None:
    number = job(session)
    begun = bench.begin(session, number, "basket", "", NOW.astimezone(timezone(timedelta(hours=5, minutes=30))))
    bench.add_readings(
        session, number, begun, [Reading("Once", typed="smooth")], NOW.astimezone(timezone(timedelta(hours=-8)))
    )
    (taking,) = bench.takings_of(session, number)[0]
    assert taking.begun_at == taking.taken[0].at == NOW
    assert session.scalar(text("SELECT at FROM reading")) == "2026-05-04 09:30:00.000000"


def test_taken_back_and_brought_back(session: Session) -> None:
    number = job(session)
    taking = taken(session, number, plate(1, 2.9), plate(2, 2.8), plate(3, 2.7))
    assert bench.strike_last(session, number, taking, NOW) == "Plate 3"
    assert bench.strike_last(session, number, taking, NOW) == "Plate 2"
    assert [r.place for r in bench.takings_of(session, number)[0][0].readings] == ["Plate 1"]
    assert bench.bring_back(session, number, taking) == "Plate 2"
    assert bench.bring_back(session, number, taking) == "Plate 3"
    assert bench.bring_back(session, number, taking) is None
    assert session.scalar(select(func.count()).select_from(ReadingRow)) == 3


def test_what_was_taken_back_stays_so_once_something_else_is_read(session: Session) -> None:
    number = job(session)
    taking = taken(session, number, plate(1, 2.9), plate(2, 2.8))
    bench.strike_last(session, number, taking, NOW)
    bench.add_readings(session, number, taking, [plate(2, 2.85)], NOW)
    assert bench.bring_back(session, number, taking) is None
    assert [r.si for r in bench.takings_of(session, number)[0][0].readings] == [2.9e-3, 2.85e-3]


def test_of_two_taken_back_apart_only_the_later_one_comes_back(session: Session) -> None:
    """Read, take back, read another, take that back: what comes back is the other."""
    number = job(session)
    taking = taken(session, number, plate(1, 2.9))
    bench.strike_last(session, number, taking, NOW)
    bench.add_readings(session, number, taking, [plate(2, 2.8)], NOW)
    bench.strike_last(session, number, taking, NOW)
    assert bench.bring_back(session, number, taking) == "Plate 2"
    assert bench.bring_back(session, number, taking) is None
    assert [t.back for t in bench.takings_of(session, number)[0][0].taken] == [False, False]


def test_nothing_to_take_back(session: Session) -> None:
    number = job(session)
    taking = taken(session, number)
    assert bench.strike_last(session, number, taking, NOW) is None
    assert bench.bring_back(session, number, taking) is None


def test_a_taking_belongs_to_its_job(session: Session) -> None:
    first, second = job(session), job(session)
    taking = taken(session, first, plate(1, 2.9))
    for call in (
        lambda: bench.add_readings(session, second, taking, [plate(2, 2.9)], NOW),
        lambda: bench.strike_last(session, second, taking, NOW),
        lambda: bench.bring_back(session, second, 999),
        lambda: bench.change_taking(session, second, taking, distance=1.0, settings={}),
    ):
        with pytest.raises(bench.NoSuchTaking):
            call()
    with pytest.raises(jobs_store.NoSuchJob):
        bench.begin(session, 99, "basket", "", NOW)
    with pytest.raises(jobs_store.NoSuchJob):
        bench.set_sum(session, 99, bench.OpenSum("Seal", 1, 0.1, 1, 1))


def test_a_taking_learns_its_distance_and_how_it_was_read(session: Session) -> None:
    number = job(session)
    taking = taken(session, number)
    bench.change_taking(session, number, taking, distance=24e6, settings={"seen_from": "engine"})
    (found,) = bench.takings_of(session, number)[0]
    assert (found.distance, found.settings) == (24e6, {"seen_from": "engine"})


def test_a_vehicles_life_runs_over_its_jobs_in_the_order_of_time(session: Session) -> None:
    first, second = job(session), job(session)
    later = bench.begin(session, first, "basket", "Alder GT", NOW + timedelta(days=2))
    earlier = bench.begin(session, second, "basket", "Alder GT", NOW)
    other = bench.begin(session, second, "basket", "Another", NOW + timedelta(days=1))

    def numbers(job: int, vehicle: str) -> tuple[list[int], list[int]]:
        of_job, life = bench.takings_of(session, job, vehicle)
        return [t.id for t in of_job], [t.id for t in life]

    assert numbers(first, "Alder GT") == ([later], [earlier, later])
    assert numbers(second, "Alder GT") == ([earlier, other], [earlier, other, later])
    assert numbers(first, "") == ([later], [])
    assert numbers(first, "renamed") == ([later], [later])


def test_the_latest_limit_of_a_vehicle_is_in_force_and_none_is_lost(session: Session) -> None:
    number, elsewhere = job(session), job(session)

    def limit(typed: str | None, si: float | None) -> None:
        bench.set_limit(session, number, "Alder GT", "plate_thickness", "least", typed, si, "manual", NOW)

    limit("2.6 mm", 2.6e-3)
    limit("2.7 mm", 2.7e-3)
    assert bench.limits_of(session, elsewhere, "Alder GT") == {"plate_thickness": {"least": (2.7e-3, "manual")}}
    limit(None, None)
    assert bench.limits_of(session, elsewhere, "Alder GT") == {}
    assert bench.limits_of(session, elsewhere, "Another") == {}
    assert session.scalar(select(func.count()).select_from(VehicleLimitRow)) == 3


def test_a_limit_stays_with_its_job_when_the_vehicle_is_renamed_and_says_so(session: Session) -> None:
    number, elsewhere = job(session), job(session)
    bench.set_limit(session, number, "", "plate_thickness", "least", "2.6", 2.6e-3, "p. 7", NOW)
    bench.set_limit(session, number, "Aldr GT", "plate_thickness", "new", "3.1", 3.1e-3, "", NOW)
    found = bench.limits_of(session, number, "Alder GT")["plate_thickness"]
    assert found == {"least": (2.6e-3, "p. 7, typed before the vehicle had a name"),
                     "new": (3.1e-3, "typed for “Aldr GT”")}  # fmt: skip
    assert bench.limits_of(session, elsewhere, "Alder GT") == {}
    assert bench.limits_of(session, elsewhere, "") == {}
    bench.set_limit(session, number, "Alder GT", "plate_thickness", "least", None, None, "", NOW)
    assert "least" not in bench.limits_of(session, number, "Alder GT")["plate_thickness"], "back to the default"
    with pytest.raises(jobs_store.NoSuchJob):
        bench.set_limit(session, 99, "", "plate_thickness", "least", "2.6", 2.6e-3, "", NOW)


def test_a_shop_begins_with_the_first_of_each_school(session: Session) -> None:
    begins = {name: next(iter(options)) for name, (_, options) in SCHOOLS.items()}
    assert bench.schools(session) == begins
    bench.set_school(session, "face", "always", NOW)
    bench.set_school(session, "face", "always", NOW)
    bench.set_school(session, "of another version", "x", NOW)
    assert bench.schools(session) == begins | {"face": "always"}


def test_instruments_are_put_away_and_back(session: Session) -> None:
    own = bench.Instrument("micrometer", "Old screw", 1e-6, 8e-6, "2026-01-15", "")
    number = bench.add_instrument(session, own)
    assert bench.instruments(session) == [(number, own)]
    bench.put_instrument_away(session, number, NOW)
    assert bench.instruments(session) == []
    bench.put_instrument_away(session, number, None)
    assert bench.instruments(session) == [(number, own)]
    with pytest.raises(bench.NoSuchInstrument):
        bench.put_instrument_away(session, 99, NOW)


def test_a_sum_of_a_part_is_changed_not_doubled(session: Session) -> None:
    number = job(session)
    bench.set_sum(session, number, bench.OpenSum("Seal", 10, 0.1, 8, 70))
    bench.set_sum(session, number, bench.OpenSum("Pilot bearing", 25, 0.1, 8, 70))
    bench.set_sum(session, number, bench.OpenSum("Seal", 12, 0.2, 8, 70, 0.5))
    assert bench.sums_of(session, number) == [bench.OpenSum("Seal", 12, 0.2, 8, 70, 0.5),
                                              bench.OpenSum("Pilot bearing", 25, 0.1, 8, 70)]  # fmt: skip
    bench.drop_sum(session, number, "Seal")
    bench.drop_sum(session, number, "Seal")
    assert [s.part for s in bench.sums_of(session, number)] == ["Pilot bearing"]
