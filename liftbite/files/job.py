"""The job file, `*.liftbite.json`: a job with its whole ledger and all that was measured.

It has a version, and a published JSON Schema describes it; files of earlier versions are read as well (`versions`).

- `JobFile`              the file as a model; `JobFile.model_json_schema()` is what `liftbite schema` prints
- `to_file`, `from_file` ledger and bench to file, and the ledger back
- `FiledJob`, `read_job_file`   bytes to ledger and bench, every fault a sentence that names the place
- `entry_back`           an entry as a file would carry it, read again
"""

from __future__ import annotations

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from math import isclose
from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.ledger import (
    MAX_BUILD,
    Entry,
    Mark,
    Revision,
    RevisionKind,
    curve_entry,
    read_build,
    read_entry,
)
from liftbite.core.job.record import MAX_NAME
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.files.fields import Count, Finite, Moment, Money, Words
from liftbite.files.json_text import read_json
from liftbite.files.measured import FileBench, Filed, Identity, from_bench, to_bench
from liftbite.files.versions import newest_job

FORMAT = "liftbite-job"


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FileCurve(_Strict):
    """A torque curve by its points."""

    speed_rad_per_s: list[Finite] = Field(min_length=2, max_length=100_000, description="Engine speed, ascending.")
    torque_n_m: list[Finite] = Field(min_length=2, max_length=100_000, description="Torque at those speeds.")


class FileMapping(_Strict):
    """How the columns of a curve's file were read."""

    delimiter: Words = Field(max_length=4)
    decimal: Words = Field(max_length=4)
    first_row: int
    speed: int | None = None
    torque: int | None = None
    power: int | None = None
    speed_unit: Words = Field(default="rpm", max_length=100)
    torque_unit: Words = Field(default="", max_length=100)
    power_unit: Words = Field(default="", max_length=100)
    force: int | None = None
    road: int | None = None
    force_unit: Words = Field(default="", max_length=100)
    road_unit: Words = Field(default="", max_length=100)
    gearing: Words = Field(default="", max_length=100)
    run: int | None = None
    sweep: Words = Field(default="all", max_length=10)
    leave_out: list[int] = Field(default_factory=list, max_length=1000)
    last_row: int | None = None
    trust: Words = Field(default="", max_length=10)
    sure: bool = False


class FileSource(_Strict):
    """Where an entry comes from: how a curve's file was read, or what the part of the shelf said that was taken."""

    notes: list[Words] | None = Field(default=None, max_length=1000, description="What was done to read the curve.")
    mapping: FileMapping | None = None
    text: Words | None = Field(default=None, max_length=3_000_000, description="The curve's file as it came.")
    values: dict[Words, Words | None] | None = Field(default=None, max_length=200, description="Of the part, as typed.")
    source: Words | None = Field(default=None, max_length=4000)
    price: Money | None = None


class FileEntry(_Strict):
    """One quantity as entered; `typed` null withdraws it."""

    quantity: Words = Field(max_length=100, description="Name of an input or of a choice; see docs/quantities.md.")
    typed: Annotated[Words, Field(max_length=4000)] | None = Field(default=None, description="As typed, with its unit.")
    si: Finite | None = Field(default=None, description="Value in SI; worked out from `typed` where left out.")
    mark: Mark = "entered"
    curve: FileCurve | None = None
    file: FileSource | None = Field(
        default=None, description="Where it comes from: a curve's file, a part of the shelf."
    )
    build: Words = Field(
        default="", max_length=MAX_BUILD, description="Nothing for the plan, “found”, or an alternative's name."
    )


class FileRevision(_Strict):
    """Entries made at one moment."""

    number: Count = Field(description="1, 2, 3 ... without gaps.")
    kind: RevisionKind = "edit"
    at: Moment = Field(
        default="1970-01-01T00:00:00.000000Z",
        pattern=r"^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?(Z|[+-]\d\d:\d\d)$",
        description="When, ISO 8601 with its zone.",
    )
    of: Count | None = Field(default=None, description="For undo and redo: the revision turned back or brought again.")
    who: Words = Field(default="", max_length=MAX_NAME, description="Whose it is.")
    entries: list[FileEntry] = Field(max_length=1000)


class JobFile(_Strict):
    """A Lift Bite job."""

    format: Literal["liftbite-job"] = "liftbite-job"
    version: Literal[6] = 6
    job: Identity = Field(default="", description="The job's identity, in whichever shop; empty in files of before.")
    revisions: list[FileRevision] = Field(min_length=1, max_length=100_000)
    bench: FileBench | None = Field(default=None, description="What was measured; left out where nothing was.")


@dataclass(frozen=True, slots=True)
class FiledJob:
    """A job as a file has it: its ledger, all that was measured, and its identity, empty in files of before."""

    revisions: list[Revision]
    bench: Filed
    uid: str = ""


def to_file(revisions: Sequence[Revision], bench: Filed | None = None, uid: str = "") -> JobFile:
    """A ledger, with what was measured, as a file."""
    return JobFile(
        job=uid,
        bench=to_bench(bench or Filed()),
        revisions=[
            FileRevision(
                number=r.number, kind=r.kind, at=r.at, of=r.of, who=r.who, entries=[_to_entry(e) for e in r.entries]
            )
            for r in revisions
        ],
    )


def dump(file: JobFile) -> str:
    """The file's text; fields that say nothing are left out."""
    said = file.model_dump(exclude_none=True)
    if not file.job:
        del said["job"]
    for revision in said["revisions"]:
        for holder, field in ((revision, "who"), *((e, "build") for e in revision["entries"])):
            if not holder[field]:
                del holder[field]
    if file.bench is not None:
        said["bench"] = file.bench.model_dump(exclude_defaults=True)
    return json.dumps(said, ensure_ascii=False, indent=1) + "\n"


def _to_entry(entry: Entry) -> FileEntry:
    curve = entry.curve
    return FileEntry(
        quantity=entry.quantity,
        typed=entry.typed,
        si=entry.si,
        mark="measured" if entry.mark == "measured" else "entered",
        curve=None
        if curve is None
        else FileCurve(speed_rad_per_s=curve.speed.tolist(), torque_n_m=curve.torque.tolist()),
        file=FileSource.model_validate(entry.file) if entry.file is not None else None,
        build=entry.build,
    )


def from_file(file: JobFile) -> list[Revision]:
    """The ledger of a file, every entry read again and compared with its SI value.

    Raises
    ------
    UnreadableFile : an entry cannot be read, its SI value contradicts what was typed, or revisions are out of order
    """
    ledger = []
    for index, revision in enumerate(file.revisions):
        where = f"revision {revision.number}"
        if revision.number != index + 1:
            raise UnreadableFile(f"{where} stands where revision {index + 1} belongs; they go 1, 2, 3 without gaps")
        if revision.kind in {"undo", "redo"} and not 1 <= (revision.of or 0) < revision.number:
            raise UnreadableFile(f"{where} is an {revision.kind} but does not say of which earlier revision (“of”)")
        entries = tuple(_from_entry(e, where) for e in revision.entries)
        ledger.append(Revision(revision.number, revision.kind, revision.at, entries, revision.of, revision.who))
    return ledger


def entry_back(entry: Entry) -> Entry:
    """An entry as a file would carry it, read again.

    Raises
    ------
    UnreadableFile, ValidationError : no file could
    """
    return _from_entry(_to_entry(entry), "this change")


def tidy_source(raw: Any) -> dict[str, Any] | None:
    """Where an entry comes from, as far as it can be read: what has no shape of one is left out.

    >>> tidy_source({"notes": 5, "text": "rpm,Nm"}), tidy_source([])
    ({'text': 'rpm,Nm'}, None)
    """
    if not isinstance(raw, Mapping):
        return None
    found: dict[str, Any] = {}
    for name, value in raw.items():
        try:
            FileSource.model_validate({name: value})
        except ValidationError:
            continue
        found[name] = value
    return found


def _from_entry(entry: FileEntry, where: str) -> Entry:
    source = entry.file.model_dump(exclude_unset=True) if entry.file is not None else None
    try:
        if entry.curve is not None:
            speed, torque = entry.curve.speed_rad_per_s, entry.curve.torque_n_m
            curve = curve_entry(entry.quantity, entry.typed or "curve", TorqueCurve.of(speed, torque), source)
            return replace(curve, build=read_build(entry.build))
        build, read = read_build(entry.build), read_entry(entry.quantity, entry.typed)
    except UnreadableEntry as error:
        raise UnreadableFile(f"{where}, {entry.quantity}: {error.reason}") from None
    except ValueError as error:
        raise UnreadableFile(f"{where}, {entry.quantity}: {error}") from None
    # what was measured is kept finer than it is written
    close = 1e-2 if entry.mark == "measured" else 1e-9
    if entry.si is not None and read.si is not None and not isclose(entry.si, read.si, rel_tol=close):
        raise UnreadableFile(
            f"{where}, {entry.quantity}: “{entry.typed}” is {read.si:.6g} in SI, but the file says {entry.si:.6g}"
        )
    si = entry.si if entry.mark == "measured" and entry.si is not None else read.si
    return Entry(read.quantity, read.typed, si, entry.mark, file=source, build=build)


def read_job_file(data: bytes) -> FiledJob:
    """The job of a job file.

    Raises
    ------
    UnreadableFile : a sentence that names what is wrong and where
    """
    raw = read_json(data)
    if not isinstance(raw, dict) or raw.get("format") != FORMAT:
        raise UnreadableFile(f"this is not a Lift Bite job: it does not begin with “format”: “{FORMAT}”")
    if raw.get("version") not in {1, 2, 3, 4, 5, 6}:
        raise UnreadableFile(f"this job file is of version {raw.get('version')}; this program reads versions 1 to 6")
    try:
        file = JobFile.model_validate(newest_job(raw))
    except ValidationError as error:
        first = error.errors()[0]
        place = ".".join(str(part) for part in first["loc"])
        raise UnreadableFile(f"{place}: {first['msg']}") from None
    ledger = from_file(file)
    layout = next(
        (e.typed for r in reversed(ledger) for e in r.entries if e.quantity == "layout" and not e.build), None
    )
    if layout is None:
        offered = ", ".join(o.value for o in CHOICES["layout"].options)
        raise UnreadableFile(f"no entry says the “layout”; it is one of {offered}")
    return FiledJob(ledger, from_bench(file.bench), file.job)
