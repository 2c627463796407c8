"""Views of the shelf: parts in and out, CSV with a preview, parts offered to a job and taken into it."""

from __future__ import annotations

from datetime import UTC, datetime

import numpy as np
from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field
from sqlalchemy.orm import Session

from liftbite.api.common import download, reply, seen_version, session_of, tagged, writing
from liftbite.api.jobs import models as m
from liftbite.api.jobs.answers import answer_with_job
from liftbite.api.jobs.entries import changes, read_entries
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.shelf import models as ms
from liftbite.core.errors import UnreadableEntry
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job import ledger
from liftbite.core.job.build import build_of, label_of
from liftbite.core.job.builds import entering, entries_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.ledger import Entry
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.mismatch import misfit_sentence
from liftbite.core.parts.shelf import (
    OF_SLOT,
    ShelfPart,
    changed_since,
    misfits,
    part_name,
    read_part,
    with_parts,
    would_misfit,
)
from liftbite.files.shelf_csv import PartLine, read_shelf, write_shelf
from liftbite.store import jobs as store
from liftbite.store import parts as shelf

api = APIBlueprint("shelf", __name__, abp_tags=[Tag(name="shelf")])
_PROBLEMS = problem_responses(400, 404, 422)
_REPLACES = problem_responses(400, 404, 412, 422, 428)


#: Parts of a kind offered at once: each is worked out in the job.
_OFFERED = 30


class PartPath(BaseModel):
    """Number of a part."""

    part_id: int = Field(ge=1, le=2**53)


class ShelfQuery(BaseModel):
    """Which parts, and which page of them."""

    archived: bool = False
    slot: str = Field(default="", max_length=40)
    find: str = Field(default="", max_length=200, description="Words in name, notes, source or figures.")
    first: int = Field(default=0, ge=0, le=10**7)
    most: int = Field(default=100, ge=1, le=500)


class SlotQuery(BaseModel):
    """Parts of which kind, and which page of them."""

    slot: str = Field(max_length=40)
    find: str = Field(default="", max_length=200, description="Words in name, notes, source or figures.")
    first: int = Field(default=0, ge=0, le=10**7)


def part_out(found: shelf.Shelved) -> ms.PartOut:
    """A part with its number and its version."""
    part = found.part
    return ms.PartOut(
        id=found.id,
        version=found.version,
        slot=part.slot,
        name=part.name,
        values=dict(part.values),
        price=part.price,
        source=part.source,
        notes=part.notes,
    )


def _part(body: ms.PartIn) -> ShelfPart:
    """A part as sent, checked; what is left empty is left out."""
    values = {q: t.strip() for q, t in body.values.items() if t.strip()}
    part = ShelfPart(body.slot, body.name.strip(), values, body.price, body.source.strip(), body.notes.strip())
    read_part(part)
    return part


@api.get("/api/shelf", responses={"200": ms.ShelfOut})
def get_shelf(query: ShelfQuery) -> Response:
    """A page of the parts that match, how many there are of each kind, and what each kind may state."""
    wanted = query.model_dump(include={"archived", "slot", "find"})
    with session_of() as session:
        parts = shelf.list_parts(session, **wanted, first=query.first, most=query.most)
        count, away = shelf.count_parts(session, **wanted), shelf.count_parts(session, archived=True)
        counts = shelf.counts_of_slots(session, archived=query.archived)
    slots = [
        ms.SlotOut(slot=s.name, label=s.label, quantities=list(OF_SLOT[s.name]), count=counts.get(s.name, 0))
        for s in SLOTS.values()
    ]
    return reply(
        ms.ShelfOut(slots=slots, parts=[part_out(p) for p in parts], archived=away, count=count, first=query.first)
    )


@api.get("/api/shelf/<int:part_id>", responses={"200": ms.PartOut, **problem_responses(404)})
def get_part(path: PartPath) -> Response:
    """A part; the ETag is its version."""
    with session_of() as session:
        found = shelf.part_of(session, path.part_id)
    return tagged(reply(part_out(found)), found.version)


@api.post("/api/shelf", responses={"201": ms.PartOut, **_PROBLEMS})
def add_part(body: ms.PartIn) -> Response:
    """A new part."""
    part = _part(body)
    with writing() as session:
        (part_id,) = shelf.add_parts(session, [part], datetime.now(UTC))
    return tagged(reply(part_out(shelf.Shelved(part_id, 1, part)), 201), 1)


@api.put("/api/shelf/<int:part_id>", responses={"200": ms.PartOut, **_REPLACES})
def change_part(path: PartPath, body: ms.PartIn) -> Response:
    """What a part says from now on, in the place of the version in If-Match; jobs that took it keep what they took."""
    part, seen = _part(body), seen_version()
    with writing() as session:
        found = shelf.change_part(session, path.part_id, part, datetime.now(UTC), seen)
    return tagged(reply(part_out(found)), found.version)


@api.put("/api/shelf/<int:part_id>/archived", responses={"200": ms.PartOut, **_REPLACES})
def archive_part(path: PartPath, body: m.ArchiveIn) -> Response:
    """Takes a part off the shelf, or puts it back."""
    seen = seen_version()
    with writing() as session:
        found = shelf.archive_part(session, path.part_id, datetime.now(UTC) if body.archived else None, seen)
    return tagged(reply(part_out(found)), found.version)


@api.get("/api/shelf.csv", responses={"200": None})
def export_shelf() -> Response:
    """The shelf as CSV."""
    with session_of() as session:
        parts = [p.part for p in shelf.list_parts(session)]
    return download(write_shelf(parts), "text/csv; charset=utf-8", "shelf.csv")


def _read_csv(
    session: Session, text: str
) -> tuple[list[tuple[PartLine, ms.LineStatus, shelf.Shelved | None]], ms.CsvOut]:
    """Rows with what would become of each, and the part a row changes."""
    read = read_shelf(text)
    named = shelf.parts_named(session, [line.name for line in read])
    known = {(p.part.slot, p.part.name): p for p in named}
    rows: list[tuple[PartLine, ms.LineStatus, shelf.Shelved | None]] = []
    for line in read:
        if line.part is None:
            rows.append((line, "bad", None))
            continue
        there = known.get((line.part.slot, line.part.name))
        status: ms.LineStatus = "new" if there is None else "same" if there.part == line.part else "changes"
        rows.append((line, status, there))
    says = {"new": "new", "changes": "changes what is on the shelf", "same": "is on the shelf as it is"}
    lines = [
        ms.CsvLineOut(
            line=r.number,
            name=r.name,
            slot=r.part.slot if r.part else "",
            status=s,
            says=r.fault or says[s],
            column=r.column,
        )
        for r, s, _ in rows
    ]
    count = [s for _, s, _ in rows].count
    return rows, ms.CsvOut(lines=lines, new=count("new"), changes=count("changes"), bad=count("bad"))


@api.post("/api/shelf/csv/preview", responses={"200": ms.CsvOut, **_PROBLEMS})
def preview_csv(body: ms.CsvIn) -> Response:
    """What a file would do to the shelf, row by row; nothing is kept."""
    with session_of() as session:
        return reply(_read_csv(session, body.text)[1])


@api.post("/api/shelf/csv", responses={"200": ms.CsvOut, **_PROBLEMS})
def import_csv(body: ms.CsvIn) -> Response:
    """Takes in the rows of a file that can be read; the others are named and left."""
    now = datetime.now(UTC)
    with writing() as session:
        rows, told = _read_csv(session, body.text)
        for line, status, there in rows:
            if status == "changes" and line.part is not None and there is not None:
                shelf.change_part(session, there.id, line.part, now, there.version)
        shelf.add_parts(session, [r.part for r, s, _ in rows if s == "new" and r.part], now)
    return reply(told)


# --- into a job


def typed_name(quantity: str, typed: str) -> m.NameOut:
    """A figure of a part: what it is called and what it says."""
    option = CHOICES[quantity].option(typed) if quantity in CHOICES else None
    return m.NameOut(name=label_of(quantity), label=option.label.lower() if option else typed)


def _low(entries: dict[str, Entry], result: str, friction: float) -> float | None:
    found = build_of(entries).evaluate((result,), stage=1.0, friction=friction)[result]
    return None if isinstance(found, Needs | Refused) or not np.isfinite(found) else round(float(found), 3)


@api.get("/api/jobs/<int:job_id>/shelf", responses={"200": ms.OffersOut, **_PROBLEMS})
def offers(path: JobPath, query: SlotQuery) -> Response:
    """The parts of a kind, each with what it would make of the job or why it does not go in."""
    if query.slot not in SLOTS:
        raise UnreadableEntry(f"“{query.slot}” is no kind of part")
    with session_of() as session:
        present = dict(ledger.present(store.revisions_of(session, path.job_id)))
        parts = shelf.list_parts(session, slot=query.slot, find=query.find, first=query.first, most=_OFFERED)
        count = shelf.count_parts(session, slot=query.slot, find=query.find)
    now = present.get(part_name(query.slot))
    found = []
    for shelved in parts:
        part = shelved.part
        after = with_parts(present, [part], [])
        clash = would_misfit(present, part)
        found.append(
            ms.OfferOut(
                part=part_out(shelved),
                states=[typed_name(q, t) for q, t in part.values.items()],
                taken=now is not None and now.typed == part.name,
                misfit=misfit_sentence(clash[0]) if clash else None,
                bite=_low(after, "bite_margin", -1.0),
                lift=_low(after, "lift_margin", 0.0),
            )
        )
    changed = [m.NameOut(name=q, label=label_of(q)) for q in changed_since(present, query.slot)]
    taken = now.typed if now else None
    return reply(
        ms.OffersOut(
            slot=query.slot,
            label=SLOTS[query.slot].label,
            taken=taken,
            changed=changed,
            parts=found,
            count=count,
            first=query.first,
        )
    )


@api.post("/api/jobs/<int:job_id>/take", responses={"200": m.JobOut, **problem_responses(404, 412, 422, 428)})
def take(path: JobPath, body: ms.TakeIn) -> Response:
    """Takes parts and figures into a job, as one change. Parts that do not go together are refused."""
    revision = seen_version()
    tried, faults = read_entries(body.entries)
    if faults:
        raise UnreadableEntry(" ".join(why for _, why in faults.values()))
    with writing() as session:
        revisions = store.revisions_of(session, path.job_id)
        layers, build = ledger.layers_of(revisions), ledger.read_build(body.build)
        present = entries_of(layers, build)
        parts = shelf.parts_of(session, body.parts)
        after = with_parts(present, parts, tried)
        before = set(misfits(build_of(present)))
        clash = next((c for c in misfits(build_of(after)) if c not in before), None)
        if clash is not None:
            raise UnreadableEntry(misfit_sentence(clash))
        gone = [Entry(q, None) for q in present if q not in after]
        taken = [*gone, *(e for q, e in after.items() if e is not present.get(q))]
        new = changes(entering(layers, build, taken), layers)
        if new:
            revisions.append(store.append(session, path.job_id, revision, new, datetime.now(UTC)))
        return answer_with_job(session, path.job_id, revisions, build=build)
