"""The bench's record: nothing is deleted, repeats are kept, a manual's figure stays with its vehicle."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta, timezone

import pytest
from sqlalchemy import func, select, text
from sqlalchemy.orm import Session

from liftbite.core.job.ledger import Entry, Revision
from liftbite.core.measure.instruments import Instrument
from liftbite.core.measure.practices import PRACTICES
from liftbite.core.measure.reading import Reading
from liftbite.store import instruments as held
from liftbite.store import jobs as jobs_store
from liftbite.store import measurements as bench
from liftbite.store.models import ReadingRow, VehicleLimitRow

NOW = datetime(2026, 5, 4, 9, 30, tzinfo=UTC)


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
    (series,) = bench.series_of(session, number)[0]
    assert (series.id, series.check, series.distance) == (first, "plate_thickness", None)
    assert series.readings == (plate(1, 2.9), plate(1, 2.91), Reading("Plate 2", skipped="lost"))
    assert [t.source for t in series.taken] == ["typed"] * 3
    assert all(t.at == NOW for t in series.taken)


def test_a_moment_of_any_zone_is_kept_in_utc(session: Session) -> None:
    number = job(session)
    begun = bench.begin(session, number, "basket", "", NOW.astimezone(timezone(timedelta(hours=5, minutes=30))))
    bench.add_readings(
        session, number, begun, [Reading("Once", typed="smooth")], NOW.astimezone(timezone(timedelta(hours=-8)))
    )
    (series,) = bench.series_of(session, number)[0]
    assert series.begun_at == series.taken[0].at == NOW
    assert session.scalar(text("SELECT at FROM reading")) == "2026-05-04 09:30:00.000000"


def test_taken_back_and_brought_back(session: Session) -> None:
    number = job(session)
    series = taken(session, number, plate(1, 2.9), plate(2, 2.8), plate(3, 2.7))
    assert bench.withdraw_last(session, number, series, NOW) == "Plate 3"
    assert bench.withdraw_last(session, number, series, NOW) == "Plate 2"
    assert [r.place for r in bench.series_of(session, number)[0][0].readings] == ["Plate 1"]
    assert bench.bring_back(session, number, series) == "Plate 2"
    assert bench.bring_back(session, number, series) == "Plate 3"
    assert bench.bring_back(session, number, series) is None
    assert session.scalar(select(func.count()).select_from(ReadingRow)) == 3


def test_what_was_taken_back_stays_so_once_something_else_is_read(session: Session) -> None:
    number = job(session)
    series = taken(session, number, plate(1, 2.9), plate(2, 2.8))
    bench.withdraw_last(session, number, series, NOW)
    bench.add_readings(session, number, series, [plate(2, 2.85)], NOW)
    assert bench.bring_back(session, number, series) is None
    assert [r.si for r in bench.series_of(session, number)[0][0].readings] == [2.9e-3, 2.85e-3]


def test_of_two_taken_back_apart_only_the_later_one_comes_back(session: Session) -> None:
    """Read, take back, read another, take that back: what comes back is the other."""
    number = job(session)
    series = taken(session, number, plate(1, 2.9))
    bench.withdraw_last(session, number, series, NOW)
    bench.add_readings(session, number, series, [plate(2, 2.8)], NOW)
    bench.withdraw_last(session, number, series, NOW)
    assert bench.bring_back(session, number, series) == "Plate 2"
    assert bench.bring_back(session, number, series) is None
    assert [t.back for t in bench.series_of(session, number)[0][0].taken] == [False, False]


def test_nothing_to_take_back(session: Session) -> None:
    number = job(session)
    series = taken(session, number)
    assert bench.withdraw_last(session, number, series, NOW) is None
    assert bench.bring_back(session, number, series) is None


def test_a_taking_belongs_to_its_job(session: Session) -> None:
    first, second = job(session), job(session)
    series = taken(session, first, plate(1, 2.9))
    for call in (
        lambda: bench.add_readings(session, second, series, [plate(2, 2.9)], NOW),
        lambda: bench.withdraw_last(session, second, series, NOW),
        lambda: bench.bring_back(session, second, 999),
        lambda: bench.change_series(session, second, series, 1, distance=1.0, settings={}),
    ):
        with pytest.raises(bench.NoSuchSeries, match=r"^\d+$"):
            call()
    with pytest.raises(jobs_store.NoSuchJob, match=r"^99$"):
        bench.begin(session, 99, "basket", "", NOW)
    with pytest.raises(jobs_store.NoSuchJob, match=r"^99$"):
        bench.set_renewal(session, 99, bench.Renewal("Seal", 1, 0.1, 1, 1), 0)


def test_a_taking_learns_its_distance_and_how_it_was_read(session: Session) -> None:
    number = job(session)
    series = taken(session, number)
    bench.change_series(session, number, series, 1, distance=24e6, settings={"seen_from": "engine"})
    (found,) = bench.series_of(session, number)[0]
    assert (found.distance, found.settings) == (24e6, {"seen_from": "engine"})


def test_a_vehicles_life_runs_over_its_jobs_in_the_order_of_time(session: Session) -> None:
    first, second = job(session), job(session)
    later = bench.begin(session, first, "basket", "Alder GT", NOW + timedelta(days=2))
    earlier = bench.begin(session, second, "basket", "Alder GT", NOW)
    other = bench.begin(session, second, "basket", "Another", NOW + timedelta(days=1))

    def numbers(job: int, vehicle: str) -> tuple[list[int], list[int]]:
        of_job, life = bench.series_of(session, job, vehicle)
        return [t.id for t in of_job], [t.id for t in life]

    assert numbers(first, "Alder GT") == ([later], [earlier, later])
    assert numbers(second, "Alder GT") == ([earlier, other], [earlier, other, later])
    assert numbers(first, "") == ([later], [])
    assert numbers(first, "renamed") == ([later], [later])


def test_the_latest_limit_of_a_vehicle_is_in_force_and_none_is_lost(session: Session) -> None:
    number, elsewhere = job(session), job(session)

    def limit(typed: str | None, si: float | None) -> None:
        there = bench.limits_of(session, number, "Alder GT").get("plate_thickness", {}).get("least")
        seen = there.version if there else 0
        bench.set_limit(session, number, "Alder GT", "plate_thickness", "least", typed, si, "manual", NOW, seen)

    limit("2.6 mm", 2.6e-3)
    limit("2.7 mm", 2.7e-3)
    found = bench.limits_of(session, elsewhere, "Alder GT")["plate_thickness"]["least"]
    assert (found.value, found.source) == (2.7e-3, "manual")
    with pytest.raises(jobs_store.Stale, match="limit is at revision 2"):
        bench.set_limit(session, number, "Alder GT", "plate_thickness", "least", "3", 3e-3, "", NOW, 1)
    limit(None, None)
    assert bench.limits_of(session, elsewhere, "Alder GT") == {}
    assert bench.limits_of(session, elsewhere, "Another") == {}
    assert session.scalar(select(func.count()).select_from(VehicleLimitRow)) == 3


def test_a_limit_stays_with_its_job_when_the_vehicle_is_renamed_and_says_so(session: Session) -> None:
    number, elsewhere = job(session), job(session)
    bench.set_limit(session, number, "", "plate_thickness", "least", "2.6", 2.6e-3, "p. 7", NOW, 0)
    bench.set_limit(session, number, "Aldr GT", "plate_thickness", "new", "3.1", 3.1e-3, "", NOW, 0)
    found = bench.limits_of(session, number, "Alder GT")["plate_thickness"]
    assert {name: (f.value, f.source) for name, f in found.items()} == {
        "least": (2.6e-3, "p. 7, typed before the vehicle had a name"),
        "new": (3.1e-3, "typed for “Aldr GT”"),
    }
    assert bench.limits_of(session, elsewhere, "Alder GT") == {}
    assert bench.limits_of(session, elsewhere, "") == {}
    bench.set_limit(session, number, "Alder GT", "plate_thickness", "least", None, None, "", NOW, 1)
    assert "least" not in bench.limits_of(session, number, "Alder GT")["plate_thickness"], "back to the default"
    with pytest.raises(jobs_store.NoSuchJob, match=r"^99$"):
        bench.set_limit(session, 99, "", "plate_thickness", "least", "2.6", 2.6e-3, "", NOW, 0)


def test_a_shop_begins_with_the_first_of_each_school(session: Session) -> None:
    begins = {name: next(iter(options)) for name, (_, options) in PRACTICES.items()}
    assert bench.practices(session) == {name: (option, 0) for name, option in begins.items()}
    bench.set_practice(session, "face", "always", NOW, 0)
    bench.set_practice(session, "face", "always", NOW, 1)
    with pytest.raises(jobs_store.Stale, match="practice is at revision 2"):
        bench.set_practice(session, "face", "needed", NOW, 1)
    bench.set_practice(session, "of another version", "x", NOW, 0)
    found = bench.practices(session)
    assert {name: option for name, (option, _) in found.items()} == begins | {"face": "always"}


def test_instruments_are_put_away_and_back(session: Session) -> None:
    own = Instrument("micrometer", "Old screw", 1e-6, 8e-6, "2026-01-15", "", "5a")
    number = held.add_instrument(session, own)
    assert held.instruments(session) == [(number, own)]
    held.archive_instrument(session, number, NOW)
    assert held.instruments(session) == []
    held.archive_instrument(session, number, None)
    assert held.instruments(session) == [(number, own)]
    with pytest.raises(held.NoSuchInstrument, match=r"^99$"):
        held.archive_instrument(session, 99, NOW)


def test_a_sum_of_a_part_is_changed_not_doubled(session: Session) -> None:
    number = job(session)
    bench.set_renewal(session, number, bench.Renewal("Seal", 10, 0.1, 8, 70), 0)
    bench.set_renewal(session, number, bench.Renewal("Pilot bearing", 25, 0.1, 8, 70), 0)
    bench.set_renewal(session, number, bench.Renewal("Seal", 12, 0.2, 8, 70, 0.5), 1)
    assert bench.renewals_of(session, number) == [
        (bench.Renewal("Seal", 12, 0.2, 8, 70, 0.5), 2),
        (bench.Renewal("Pilot bearing", 25, 0.1, 8, 70), 1),
    ]
    with pytest.raises(jobs_store.Stale, match="sum is at revision 2"):
        bench.drop_renewal(session, number, "Seal", 1)
    bench.drop_renewal(session, number, "Seal", 2)
    bench.drop_renewal(session, number, "Seal", 0)  # it is off the list already
    assert [s.part for s, _ in bench.renewals_of(session, number)] == ["Pilot bearing"]
