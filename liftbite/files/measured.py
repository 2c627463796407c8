"""What was measured, as a job file carries it: series with their readings, the manual's limits, sums.

- `Filed`, `FiledSeries`, `FiledReading`, `FiledLimit`   what a bench holds, without numbers of a store
- `FileBench`      the same as a model of the file
- `to_bench`, `from_bench`   there and back; every reading is read again as if it had been keyed
- `line_back`, `series_back`, `reading_back`, `limit_back`, `renewal_back`   one of each, there and back
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from datetime import UTC, date, datetime
from math import isclose
from typing import Annotated, Any, Literal, get_args

from pydantic import BaseModel, ConfigDict, Field

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.ledger import FOUND, MAX_TEXT, PLAN
from liftbite.core.job.parts import part_named
from liftbite.core.job.record import MAX_NAME, MAX_WORDS, Line, RawLine
from liftbite.core.measure.check import Check
from liftbite.core.measure.instruments import ANGLE_BAND, INSTRUMENT_KINDS, TORQUE_BAND, Instrument
from liftbite.core.measure.keyed import ASKS, how_typed, read_filed, read_how, read_limit
from liftbite.core.measure.own import known_checks
from liftbite.core.measure.parts_list import Renewal
from liftbite.core.measure.reading import Reading
from liftbite.core.statements import read_statement
from liftbite.files.fields import Finite, Hours, Moment, Money, Named, Share, Short, Words, moment_of

Source = Literal["typed", "gauge", "file"]
#: Most lines of the record of a job.
MOST_LINES = 20_000
#: An identity, made once; what a vehicle was called.
Identity = Annotated[Words, Field(max_length=40, pattern=r"^[0-9a-f-]*$")]
Called = Annotated[Words, Field(max_length=MAX_TEXT)] | None


@dataclass(frozen=True, slots=True)
class FiledReading:
    """A reading, when it was taken (UTC), where it came from, and whether it was taken back since.

    `back` where it was the last thing done to its series, so that it can still be brought back.
    """

    reading: Reading
    at: datetime
    source: str = "typed"
    withdrawn: bool = False
    who: str = ""
    back: bool = False


@dataclass(frozen=True, slots=True)
class FiledSeries:
    """Readings taken together: of which check and which build's part, since when (UTC), at what mileage [m], how.

    `vehicle` is what the vehicle was called then; None for what the job calls it.
    """

    check: str
    begun_at: datetime
    distance: float | None = None
    settings: Mapping[str, Any] = field(default_factory=dict)
    readings: tuple[FiledReading, ...] = ()
    build: str = FOUND
    vehicle: str | None = None


@dataclass(frozen=True, slots=True)
class FiledLimit:
    """A limit of the vehicle's manual: which of which check, as typed [SI], where it stands, and since when.

    `vehicle` is what the vehicle was called then; None for what the job calls it.
    """

    check: str
    name: str
    typed: str
    si: float
    source: str = ""
    vehicle: str | None = None
    at: datetime | None = None


@dataclass(frozen=True, slots=True)
class Filed:
    """All that a bench holds of a job, with the shop's own instruments its readings were taken with.

    `unread` are lines of the record that no version can read; they go along as they stand.
    """

    series: tuple[FiledSeries, ...] = ()
    limits: tuple[FiledLimit, ...] = ()
    renewals: tuple[Renewal, ...] = ()
    record: tuple[Line, ...] = ()
    instruments: tuple[Instrument, ...] = ()
    unread: tuple[RawLine, ...] = ()


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FileReading(_Strict):
    """One reading, or why there is none."""

    place: Short = Field(description="Where on the part.")
    typed: Short = Field(default="", description="As typed, with its unit; for a condition, its grade.")
    si: Finite | None = Field(default=None, description="Value in SI; worked out from `typed` where left out.")
    instrument: Words = Field(default="", max_length=40, description="Kind of instrument.")
    uncertainty: Annotated[Finite, Field(ge=0, lt=1e6)] | None = Field(
        default=None, description="Its uncertainty then, in SI; the kind's own where left out."
    )
    skipped: Words = Field(default="", max_length=200, description="Why it was not read.")
    at: Moment = Field(description="When, ISO 8601 with its zone.")
    source: Source = "typed"
    withdrawn: bool = Field(default=False, description="Taken back since; it counts no more, and is kept.")
    back: bool = Field(default=False, description="It was taken back last, and can still be brought back.")
    who: Words = Field(default="", max_length=MAX_NAME, description="Who read it.")
    held: Identity = Field(default="", description="Identity of the instrument, where it was one of `instruments`.")


class FileSeries(_Strict):
    """Readings taken together."""

    check: Words = Field(max_length=60, description="Name of the check.")
    at: Moment = Field(description="When it was begun, ISO 8601 with its zone.")
    distance: Annotated[Finite, Field(ge=0, le=1e10)] | None = Field(default=None, description="Odometer, in metres.")
    label: Short = Field(default="", description="What it was called.")
    seen_from: Words = Field(default="", max_length=20, description="A sweep's angles: seen from gearbox or engine.")
    pressed_in_reads: Words = Field(default="", max_length=20, description="A sweep's sign: plus or minus.")
    sag: Short = Field(default="", description="Sag of a sweep's bracket, as typed.")
    swept: Short = Field(default="", description="Radius a face was swept at, as typed.")
    asked: dict[Words, Annotated[Words, Field(max_length=40)]] = Field(
        default_factory=dict, max_length=10, description="What a calculation asks: a floater's shims raise or lower."
    )
    build: Literal["found", "planned"] = Field(default="found", description="Of the part that was found, or goes in.")
    vehicle: Called = Field(default=None, description="What the vehicle was called then, where that differs.")
    readings: list[FileReading] = Field(max_length=10_000)


class FileLimit(_Strict):
    """A figure of the vehicle's manual that stands over the default."""

    check: Words = Field(max_length=60)
    limit: Words = Field(max_length=20, description="new, least, most or spread.")
    typed: Short = Field(description="As typed, with its unit.")
    source: Words = Field(default="", max_length=200)
    vehicle: Called = Field(default=None, description="What the vehicle was called then, where that differs.")
    at: Moment | None = Field(default=None, description="When it was typed.")


class FileInstrument(_Strict):
    """An instrument of the shop, that readings were taken with."""

    uid: Identity = Field(min_length=1)
    kind: Words = Field(max_length=40)
    name: Words = Field(max_length=80)
    resolution: Annotated[Finite, Field(gt=0, le=1e6)]
    uncertainty: Annotated[Finite, Field(gt=0, le=1e6)]
    calibrated_on: Words = Field(default="", max_length=10, description="ISO date, or empty.")
    torque_band: Annotated[Finite, Field(gt=0, le=0.2)] = Field(
        default=TORQUE_BAND, description="Of a torque wrench, how far a pull may be off, as a share."
    )
    angle_band: Annotated[Finite, Field(gt=0, le=0.4)] = Field(
        default=ANGLE_BAND, description="The same of its angle, in rad."
    )
    port: Words = Field(default="", max_length=200, description="Where its data port is read; only in a shop's file.")


class RenewalFigures(_Strict):
    """What it costs to renew a part while it is open, and what it would cost later."""

    price: Money
    chance: Share
    hours: Hours
    rate: Money
    extra_hours: Hours = 0.0


class FileRenewal(RenewalFigures):
    """The figures of a sum of renewing a part while it is open."""

    part: Named


class FileLine(_Strict):
    """Something said of the job: an order, a line struck, a check closed, a verdict overruled."""

    kind: Words = Field(max_length=40)
    key: Words = Field(default="", max_length=120, description="Of what: a part, a check.")
    said: dict[Words, Annotated[Words, Field(max_length=MAX_WORDS)]] = Field(max_length=20)
    who: Words = Field(default="", max_length=MAX_NAME)
    at: Moment = Field(description="When, ISO 8601 with its zone.")


class FileRawLine(_Strict):
    """A line of the record as it stands, that no version can read."""

    kind: Words = Field(max_length=200)
    key: Words = Field(default="", max_length=4000)
    said: dict[Words, Words] = Field(default_factory=dict, max_length=100)
    who: Words = Field(default="", max_length=200)
    at: Moment = Field(description="When, ISO 8601 with its zone.")


class FileBench(_Strict):
    """What was measured."""

    series: list[FileSeries] = Field(default_factory=list, max_length=10_000)
    limits: list[FileLimit] = Field(default_factory=list, max_length=1_000)
    renewals: list[FileRenewal] = Field(default_factory=list, max_length=200)
    record: list[FileLine] = Field(default_factory=list, max_length=MOST_LINES, description="What was said, in order.")
    instruments: list[FileInstrument] = Field(default_factory=list, max_length=1_000)
    unread: list[FileRawLine] = Field(
        default_factory=list,
        max_length=MOST_LINES,
        description="Lines of the record nobody can read; kept as they are.",
    )


def _text(moment: datetime) -> str:
    return moment.astimezone(UTC).isoformat().replace("+00:00", "Z")


def to_bench(filed: Filed) -> FileBench | None:
    """What a bench holds, as a job file has it; None where it holds nothing."""
    if filed == Filed():
        return None
    checks = known_checks(filed.record)
    return FileBench(
        series=[_to_series(t, checks) for t in filed.series],
        limits=[_to_limit(x) for x in filed.limits],
        renewals=[_to_renewal(s) for s in filed.renewals],
        record=[_to_line(x) for x in filed.record],
        instruments=[to_instrument(each) for each in filed.instruments],
        unread=[FileRawLine(kind=x.kind, key=x.key, said=dict(x.words), who=x.who, at=x.at) for x in filed.unread],
    )


def _to_limit(x: FiledLimit) -> FileLimit:
    return FileLimit(
        check=x.check, limit=x.name, typed=x.typed, source=x.source, vehicle=x.vehicle, at=_text(x.at) if x.at else None
    )


def _to_renewal(s: Renewal) -> FileRenewal:
    return FileRenewal(
        part=s.part, price=s.price, chance=s.chance, hours=s.hours, rate=s.rate, extra_hours=s.extra_hours
    )


def _to_line(x: Line | RawLine) -> FileLine:
    return FileLine(kind=x.kind, key=x.key, said=dict(x.words), who=x.who, at=x.at)


def to_instrument(each: Instrument) -> FileInstrument:
    """An instrument as files have it."""
    return FileInstrument(
        uid=each.uid,
        kind=each.kind,
        name=each.name,
        resolution=each.resolution,
        uncertainty=each.uncertainty,
        calibrated_on=each.calibrated_on,
        port=each.port,
        torque_band=each.torque_band,
        angle_band=each.angle_band,
    )


def from_instrument(each: FileInstrument) -> Instrument:
    """An instrument of a file.

    Raises
    ------
    UnreadableFile : a kind there is none of, or no day
    """
    if each.kind not in INSTRUMENT_KINDS:
        raise UnreadableFile(f"instrument “{each.name}”: “{each.kind}” is no kind of instrument")
    try:
        day = date.fromisoformat(each.calibrated_on).isoformat() if each.calibrated_on else ""
    except ValueError:
        raise UnreadableFile(f"instrument “{each.name}”: “{each.calibrated_on}” is no day") from None
    return Instrument(
        each.kind,
        each.name,
        each.resolution,
        each.uncertainty,
        day,
        each.port,
        each.uid,
        each.torque_band,
        each.angle_band,
    )


def _to_series(series: FiledSeries, checks: Mapping[str, Check]) -> FileSeries:
    how = how_typed(checks[series.check], series.settings)
    asked = {name: how.pop(name) for name in ASKS if name in how}
    return FileSeries(
        check=series.check,
        at=_text(series.begun_at),
        distance=series.distance,
        label=str(series.settings.get("label", "")),
        readings=[_to_reading(r) for r in series.readings],
        asked=asked,
        build="found" if series.build == FOUND else "planned",
        vehicle=series.vehicle,
        **how,
    )


def _to_reading(filed: FiledReading) -> FileReading:
    r = filed.reading
    source: Source = next((s for s in get_args(Source) if s == filed.source), "file")
    return FileReading(
        place=r.place,
        typed=r.typed,
        si=r.si,
        instrument=r.instrument,
        uncertainty=r.uncertainty or None,
        skipped=r.skipped,
        at=_text(filed.at),
        source=source,
        withdrawn=filed.withdrawn,
        back=filed.back,
        who=filed.who,
        held=r.held,
    )


def from_bench(file: FileBench | None) -> Filed:
    """What a job file says was measured.

    Raises
    ------
    UnreadableFile : a check, reading, limit or part it does not know, or an SI value that contradicts what was typed
    """
    if file is None:
        return Filed()
    record = tuple(_from_line(x, f"line {n}") for n, x in enumerate(file.record, 1))
    checks = known_checks(record)
    series = tuple(_from_series(t, checks, f"series {n}") for n, t in enumerate(file.series, start=1))
    limits = tuple(_from_limit(x, checks, f"limit {n}") for n, x in enumerate(file.limits, start=1))
    if len({(x.check, x.name) for x in limits}) < len(limits):
        raise UnreadableFile("the same limit of the same check is given twice")
    if len({part_named(s.part) for s in file.renewals}) < len(file.renewals):
        raise UnreadableFile("the same part stands twice among the renewals")
    renewals = tuple(_from_renewal(s) for s in file.renewals)
    instruments = tuple(from_instrument(each) for each in file.instruments)
    unread = tuple(RawLine(x.kind, x.key, dict(x.said), x.who, _text(moment_of(x.at))) for x in file.unread)
    return Filed(series, limits, renewals, record, instruments, unread)


def line_back(line: RawLine) -> Line:
    """A line of the record as it is stored, as a file would carry it, read again.

    Raises
    ------
    UnreadableFile, ValidationError : no file could
    """
    return _from_line(_to_line(line), "this line")


def series_back(
    check: str,
    at: datetime,
    distance: float | None,
    settings: Mapping[str, Any],
    build: str,
    checks: Mapping[str, Check],
) -> FiledSeries:
    """Readings taken together, without them, as a file would carry them, read again.

    Raises
    ------
    UnreadableFile, ValidationError : no file could
    """
    return _from_series(_to_series(FiledSeries(check, at, distance, settings, (), build), checks), checks, check)


def reading_back(check: Check, reading: Reading, at: datetime, source: str, who: str) -> FiledReading:
    """A reading as a file would carry it, read again.

    Raises
    ------
    UnreadableFile, ValidationError : no file could
    """
    return _from_reading(check, _to_reading(FiledReading(reading, at, source, False, who)), check.label)


def limit_back(limit: FiledLimit, checks: Mapping[str, Check]) -> FiledLimit:
    """A limit as a file would carry it, read again.

    Raises
    ------
    UnreadableFile, ValidationError : no file could
    """
    return _from_limit(_to_limit(limit), checks, "this limit")


def renewal_back(found: Renewal) -> Renewal:
    """The figures of a renewal as a file would carry them, read again.

    Raises
    ------
    ValidationError : no file could
    """
    return _from_renewal(_to_renewal(found))


def _from_renewal(s: FileRenewal) -> Renewal:
    return Renewal(part_named(s.part), s.price, s.chance, s.hours, s.rate, s.extra_hours)


def _from_line(line: FileLine, where: str) -> Line:
    try:
        found = read_statement(line.kind, line.key, line.said, line.who)
    except UnreadableEntry as error:
        raise UnreadableFile(f"{where} of the record: {error.reason}") from None
    return replace(found, at=_text(moment_of(line.at)))


def _check(name: str, checks: Mapping[str, Check], where: str) -> Check:
    if name not in checks:
        raise UnreadableFile(f"{where}: “{name}” is no check")
    return checks[name]


def _from_series(series: FileSeries, checks: Mapping[str, Check], where: str) -> FiledSeries:
    check = _check(series.check, checks, where)
    try:
        unknown = next((name for name in series.asked if name not in ASKS), None)
        if unknown is not None:
            raise UnreadableEntry(f"“{unknown}” is nothing that is asked")
        settings = read_how(
            check, series.asked | series.model_dump(include={"seen_from", "pressed_in_reads", "sag", "swept"})
        )
    except UnreadableEntry as error:
        raise UnreadableFile(f"{where}: {error.reason}") from None
    if series.label:
        settings["label"] = series.label
    readings = tuple(_from_reading(check, r, f"{where}, {r.place}") for r in series.readings)
    return FiledSeries(
        check.name,
        moment_of(series.at),
        series.distance,
        settings,
        readings,
        FOUND if series.build == "found" else PLAN,
        series.vehicle,
    )


def _from_reading(check: Check, read: FileReading, where: str) -> FiledReading:
    try:
        found = read_filed(check, read.place, read.typed, read.instrument, read.uncertainty, read.skipped, read.held)
    except UnreadableEntry as error:
        raise UnreadableFile(f"{where}: {error.reason}") from None
    if read.si is not None and (found.si is None or not isclose(read.si, found.si, rel_tol=1e-9, abs_tol=1e-12)):
        raise UnreadableFile(f"{where}: “{read.typed}” is not {read.si:.6g} in SI, as the file says")
    return FiledReading(found, moment_of(read.at), read.source, read.withdrawn, read.who, read.back)


def _from_limit(limit: FileLimit, checks: Mapping[str, Check], where: str) -> FiledLimit:
    check = _check(limit.check, checks, where)
    try:
        keyed = read_limit(check, limit.limit, limit.typed)
    except UnreadableEntry as error:
        raise UnreadableFile(f"{where}: {error.reason}") from None
    return FiledLimit(
        check.name,
        limit.limit,
        keyed.typed,
        keyed.si,
        limit.source,
        limit.vehicle,
        moment_of(limit.at) if limit.at else None,
    )
