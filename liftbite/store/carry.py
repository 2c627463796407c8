"""Jobs and whole shops carried out as files, and in.

- `file_of`, `filed_job`, `raw_text`, `file_name`   a job as its file, as what that says, or as the rows it stands in
- `bring_job`, `stands_to`   a job of a file into a shop; how it stands to the one that is here
- `files_of_shop`   all a shop holds, file by file, in open formats
- `Brought`, `Changed`, `bring_shop`   such files into a shop, each apart; what stands otherwise here is asked
"""

from __future__ import annotations

import json
import logging
import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime
from typing import Literal

from sqlalchemy import func, select
from sqlalchemy.orm import Session, sessionmaker

from liftbite.core.errors import LiftBiteError, UnreadableEntry
from liftbite.core.job.dyno_table import decode
from liftbite.core.job.ledger import Revision, present
from liftbite.core.measure.instruments import Instrument
from liftbite.core.parts.shelf import ShelfPart, read_part
from liftbite.core.parts.stock import generic_parts
from liftbite.core.units.preference import PREFERENCES
from liftbite.files import shop as shop_file
from liftbite.files.archive import DOCUMENTS, Archive
from liftbite.files.fields import moment_of
from liftbite.files.job import FiledJob, dump, read_job_file, to_file
from liftbite.files.measured import from_instrument, to_instrument
from liftbite.files.photo import Photo
from liftbite.files.relation import Relation, relation
from liftbite.files.shelf_csv import read_shelf, write_shelf
from liftbite.store import filed as filed_store
from liftbite.store import instruments as instruments_store
from liftbite.store import jobs as store
from liftbite.store import parts as shelf_store
from liftbite.store import shop as shop_store
from liftbite.store.database import writing
from liftbite.store.models import JobRow, PartRow, PracticeRow, RevisionRow
from liftbite.store.photos import all_digests, erased_digests, keep_photo, mentioned_digests, photo_bytes
from liftbite.store.read_back import as_it_came
from liftbite.store.state import identity_of

log = logging.getLogger(__name__)
#: What may be done with something that stands otherwise here.
Decision = Literal["leave", "copy", "update"]


# --- a job


def file_name(name: str, ending: str) -> str:
    """A job's name as the name of a file.

    >>> file_name("Two-plate, road", ".csv"), file_name("Мотор", ".csv")
    ('two-plate-road.csv', 'job.csv')
    """
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-") or "job"
    return f"{stem[:60]}{ending}"


def vehicle_of(revisions: Sequence[Revision]) -> str:
    """The vehicle a job is about, or nothing."""
    named = present(revisions).get("vehicle")
    return (named.typed if named else "") or ""


def filed_job(session: Session, job_id: int) -> FiledJob:
    """A job as its file says it.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    revisions = store.revisions_of(session, job_id)
    measured = filed_store.filed_of(session, job_id, vehicle_of(revisions))
    return FiledJob(revisions, measured, store.uid_of(session, job_id))


def file_of(session: Session, job_id: int) -> tuple[str, str]:
    """Name and text of a job's file.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    filed = filed_job(session, job_id)
    name = present(filed.revisions).get("job_name")
    text = dump(to_file(filed.revisions, filed.bench, filed.uid))
    return file_name((name.typed if name else "") or "", ".liftbite.json"), text


def bring_job(
    session: Session, filed: FiledJob, at: datetime, *, uid: str = "", archived_at: datetime | None = None
) -> int:
    """A job read from a file, with all that was measured, as a job of the shop; its number.

    Parameters
    ----------
    uid : its identity; a new one where left out
    archived_at : when it was put out of sight
    """
    as_it_came(session)
    job_id = store.create(session, filed.revisions, at, uid, archived_at)
    filed_store.bring(session, job_id, vehicle_of(filed.revisions), filed.bench, at)
    return job_id


def bring_up_to_date(session: Session, job_id: int, filed: FiledJob, at: datetime) -> None:
    """A job that is here as a file has it that goes on where it ends; nothing of it is lost."""
    as_it_came(session)
    filed_store.clear(session, job_id)
    store.go_on(session, job_id, filed.revisions)
    filed_store.bring(session, job_id, vehicle_of(filed.revisions), filed.bench, at)


def stands_to(session: Session, filed: FiledJob) -> tuple[int, Relation] | None:
    """The number of the job here that a file is of, and how the file stands to it; None where it is not here.

    A file of before has no identity: it is of a job that began at the very same moment with the same.
    """
    here = store.job_of(session, filed.uid)
    numbers = [here] if here is not None else [] if filed.uid else _begun_at(session, filed.revisions[0])
    told = [(number, relation(filed, filed_job(session, number))) for number in numbers]
    order = ("same", "behind", "ahead", "apart")
    return min(told, key=lambda each: order.index(each[1]), default=None)


def _begun_at(session: Session, first: Revision) -> list[int]:
    moment = store.utc_moment(first.at)
    query = select(RevisionRow.job_id).where(RevisionRow.number == 1, RevisionRow.at == moment)
    numbers = session.scalars(query).all()
    return [n for n in numbers if store.revisions_of(session, n)[0].entries == first.entries]


def raw_text(session: Session, job_id: int) -> str:
    """The rows of a job as JSON.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    return json.dumps(store.raw_of(session, job_id), ensure_ascii=False, indent=1, default=str) + "\n"


# --- a shop, out


def count_of_shop(session: Session) -> int:
    """How many files a shop is carried out as, about."""
    jobs = session.scalar(select(func.count()).select_from(JobRow)) or 0
    return jobs + len(all_digests(session)) + 2


def files_of_shop(session: Session) -> Iterator[tuple[str, str | bytes, bool]]:
    """Name, content and whether it is whole, of every file of a shop; a job that cannot be read goes as its rows.

    One after the other, so that no more than one is in memory; photos last, for jobs say whose they are.
    """
    jobs = []
    for number in store.all_numbers(session):
        try:
            name, text = file_of(session, number)
        except Exception:  # whatever is wrong with it, the others go out
            log.exception("job %d cannot be read", number)
            yield f"jobs/{number:05}.rows.json", raw_text(session, number), False
            continue
        finally:
            session.expunge_all()  # rows of a job are not kept for the next
        row = session.get_one(JobRow, number)
        path = f"jobs/{number:05}-{name}"
        jobs.append(shop_file.FileJobOf(job=row.uid, file=path, archived=_text(row.archived_at)))
        yield path, text, True
    parts = list(_parts_of(session))
    for begin in range(0, len(parts), shop_file.PARTS_OF_ONE):
        some = shop_file.PartsFile(parts=parts[begin : begin + shop_file.PARTS_OF_ONE])
        yield f"{shop_file.PARTS}{begin // shop_file.PARTS_OF_ONE + 1:05}.json", shop_file.write_shop(some), True
    yield "shelf.csv", write_shelf([p.part for p in shelf_store.list_parts(session)]), True
    yield shop_file.SHOP_FILE, shop_file.write_shop(_shop_of(session, jobs)), True
    named = mentioned_digests(session)
    for digest in all_digests(session):
        if digest in named:
            yield f"photos/{digest}.jpg", photo_bytes(session, digest) or b"", True


def _text(moment: datetime | None) -> str | None:
    return None if moment is None else store.utc_text(moment)


def _parts_of(session: Session) -> Iterator[shop_file.FilePart]:
    for row in session.scalars(select(PartRow).order_by(PartRow.id)):
        yield shop_file.FilePart(
            slot=row.slot,
            name=row.name,
            price=row.price,
            values=dict(row.values),
            source=row.source,
            notes=row.notes,
            archived=_text(row.archived_at),
        )


def _shop_of(session: Session, jobs: list[shop_file.FileJobOf]) -> shop_file.ShopFile:
    units, version = shop_store.units(session)
    said = {row.name: row.option for row in session.scalars(select(PracticeRow)) if row.name in shop_store.SAID}
    return shop_file.ShopFile(
        shop=identity_of(session).shop,
        units=units if version else None,
        practices=said,
        steps=[
            shop_file.FileShopStep(title=title, said=dict(words))
            for title, (words, _) in shop_store.steps(session).items()
        ],
        instruments=[
            shop_file.FileHeld(instrument=to_instrument(held), archived=_text(away))
            for held, away in instruments_store.instruments_ever(session)
        ],
        jobs=jobs,
    )


# --- a shop, in


@dataclass(frozen=True, slots=True)
class Changed:
    """Something that is here otherwise than an archive has it, and was left as it is here.

    Attributes
    ----------
    key : what it goes by where somebody decides
    what : in words
    says : how it stands
    offered : what may be done with it, besides leaving it
    job : its number here; None for what is no job
    """

    key: str
    what: str
    says: str
    offered: tuple[Decision, ...]
    job: int | None = None


@dataclass
class Brought:
    """What was brought: new jobs, parts, photos; jobs that were here as they are; what is asked; what cannot be read.

    `done` of `total` files are through.
    """

    jobs: int = 0
    already: int = 0
    parts: int = 0
    photos: int = 0
    instruments: int = 0
    updated: int = 0
    said: int = 0
    changed: list[Changed] = field(default_factory=list)
    faults: list[str] = field(default_factory=list)
    done: int = 0
    total: int = 0


_SAYS: Mapping[Relation, str] = {
    "ahead": "the archive goes on where the job here ends",
    "behind": "the job here goes on where the archive's ends",
    "apart": "both were changed since, each otherwise",
    "same": "",
}
_OFFERS: Mapping[Relation, tuple[Decision, ...]] = {
    "ahead": ("update", "copy"),
    "behind": ("copy",),
    "apart": ("copy",),
    "same": (),
}


def bring_shop(
    sessions: sessionmaker[Session],
    archive: Archive,
    at: datetime,
    read_photo: Callable[[bytes, str], Photo],
    decided: Mapping[str, Decision] | None = None,
    brought: Brought | None = None,
    who: str = "",
    read_job: Callable[[bytes], FiledJob] = read_job_file,
    step: Callable[[], object] = lambda: None,
) -> Brought:
    """Takes in the files of an archive: what can be read comes in, the rest is named; what is here is not doubled.

    One file a transaction, so that a large archive never keeps others waiting; sent again it goes on where it stopped.

    Parameters
    ----------
    read_photo, read_job : read a file of that kind, in a process of its own where one likes
    decided : key of something that was asked -> what to do with it
    brought : what is counted in while it goes on
    step : called after each file
    """
    told = brought or Brought()
    bringing = _Bringing(sessions, told, at, {} if decided is None else decided, who)
    order = sorted(archive.names, key=lambda name: (_rank(name), name))
    told.total = len(order)
    for name in order:
        try:
            content = archive.read(name)
            if name.endswith(".liftbite.json"):
                bringing.job(name, read_job(content))
            elif name.startswith("photos/") and name.endswith(".jpg"):
                bringing.photo(content, name.removeprefix("photos/").removesuffix(".jpg"), read_photo)
            elif name == shop_file.SHOP_FILE:
                bringing.shop(shop_file.read_shop(content))
            elif name.startswith(shop_file.PARTS) and name.endswith(".json"):
                bringing.parts([_part(each) for each in shop_file.read_parts(content)])
            elif name.endswith("shelf.csv"):
                if not bringing.has_parts:
                    bringing.shelf(decode(content))
            elif not name.startswith(DOCUMENTS):
                told.faults.append(f"{name[:80]}: no job file, no shelf and no photo.")
        except store.UnreadableJob as error:
            told.faults.append(
                f"{name[:80]}: job {error.job_id} is here and cannot be read, so nothing was done ({error})."
            )
        except (LiftBiteError, ValueError) as error:
            told.faults.append(f"{name[:80]}: {error}")
        told.done += 1
        step()
    return told


def _rank(name: str) -> int:
    """Instruments before the readings taken with them, jobs before the photos they mention."""
    if name == shop_file.SHOP_FILE:
        return 0
    return 1 if name.startswith(shop_file.PARTS) else 4 if name.startswith("photos/") else 2


def _part(each: shop_file.FilePart) -> tuple[ShelfPart, datetime | None]:
    return (
        ShelfPart(each.slot, each.name, dict(each.values), each.price, each.source, each.notes),
        moment_of(each.archived) if each.archived else None,
    )


class _Bringing:
    """An archive on its way in."""

    def __init__(
        self, sessions: sessionmaker[Session], told: Brought, at: datetime, decided: Mapping[str, Decision], who: str
    ) -> None:
        self._sessions, self._told, self._at, self._decided, self._who = sessions, told, at, decided, who
        self._archived: dict[str, datetime] = {}
        self.has_parts = False

    def _decision(self, key: str) -> Decision:
        return self._decided.get(key, "leave")

    def _asks(self, changed: Changed) -> None:
        self._told.changed.append(changed)

    def job(self, name: str, filed: FiledJob) -> None:
        """A job: in where it is not here, as it is where it is the same, asked where it is another."""
        with writing(self._sessions, self._who) as session:
            there = stands_to(session, filed)
            if there is None:
                bring_job(session, filed, self._at, uid=filed.uid, archived_at=self._archived.get(name))
                self._told.jobs += 1
                return
            number, how = there
            key = filed.uid or store.uid_of(session, number)
            decision = self._decision(key)
            if how == "same":
                self._told.already += 1
            elif decision == "copy":
                bring_job(session, filed, self._at)
                self._told.jobs += 1
            elif decision == "update" and how == "ahead":
                bring_up_to_date(session, number, filed, self._at)
                self._told.updated += 1
            else:
                called = present(filed.revisions).get("job_name")
                what = f"Job “{(called.typed if called else '') or name}”"
                self._asks(Changed(key, what, _SAYS[how], _OFFERS[how], number))

    def photo(self, content: bytes, digest: str, read_photo: Callable[[bytes, str], Photo]) -> None:
        """A photo of a job that is here and was not erased."""
        with self._sessions() as session:
            if digest not in mentioned_digests(session, digest) or digest in erased_digests(session, digest):
                return
        photo = read_photo(content, digest)
        with writing(self._sessions, self._who) as session:
            self._told.photos += keep_photo(session, photo, self._at)

    def shelf(self, text: str) -> None:
        """The shelf of an archive of before."""
        lines = read_shelf(text)
        self._told.faults += [f"shelf.csv, line {line.number}: {line.fault}" for line in lines if line.part is None]
        self.parts([(line.part, None) for line in lines if line.part is not None])

    def parts(self, parts: Sequence[tuple[ShelfPart, datetime | None]]) -> None:
        """Parts: in where they are not here; those every shop begins with give way where nobody changed them."""
        self.has_parts = True
        for begin in range(0, len(parts), 200):
            with writing(self._sessions, self._who) as session:
                for part, away in parts[begin : begin + 200]:
                    self._one_part(session, part, away)

    def _one_part(self, session: Session, part: ShelfPart, away: datetime | None) -> None:
        try:
            read_part(part)
        except UnreadableEntry as error:
            self._told.faults.append(f"part “{part.name}”: {error.reason}")
            return
        query = select(PartRow).where(PartRow.slot == part.slot, PartRow.name == part.name).order_by(PartRow.id)
        here = session.scalars(query).all()
        if any(shelf_store.part_in(row) == part and (row.archived_at is None) == (away is None) for row in here):
            return
        if not here:
            shelf_store.add_parts(session, [part], self._at, away)
            self._told.parts += 1
            return
        row, key = here[0], f"part {part.slot} {part.name}"
        untouched = row.version == 1 and row.archived_at is None and shelf_store.part_in(row) in _generic()
        decision = "update" if untouched else self._decision(key)
        if decision == "update":
            shelf_store.change_part(session, row.id, part, self._at, row.version)
            row.archived_at = away
            self._told.parts += 1
        elif decision == "copy":
            shelf_store.add_parts(session, [part], self._at, away)
            self._told.parts += 1
        else:
            self._asks(Changed(key, f"Part “{part.name}”", "it says something else here", ("update", "copy")))

    def shop(self, found: shop_file.ShopFile) -> None:
        """Units, practices, steps, instruments; and which jobs were put away."""
        self._archived = {each.file: moment_of(each.archived) for each in found.jobs if each.archived}
        for held in found.instruments:
            self._instrument(from_instrument(held.instrument), moment_of(held.archived) if held.archived else None)
        said = {**found.practices, **({shop_store.UNITS: found.units} if found.units else {})}
        for name, option in said.items():
            offered: Mapping[str, str] = dict(shop_store.SAID.get(name, {}))
            if name == shop_store.UNITS:
                offered = {str(preference): label for preference, label in PREFERENCES.items()}
            if option not in offered:
                self._told.faults.append(f"{shop_file.SHOP_FILE}: “{option}” is no option of “{name}”")
                continue
            self._say(name, option, f"“{shop_store.label_of(name)}”: {offered[option]}")
        for step in found.steps:
            name = shop_store.step_name(step.title)
            self._say(name, json.dumps(dict(step.said), ensure_ascii=False), f"Step “{step.title}”")

    def _say(self, name: str, option: str, what: str) -> None:
        with writing(self._sessions, self._who) as session:
            row = session.get(PracticeRow, name)
            if row is not None and row.option == option:
                return
            if row is not None and self._decision(name) != "update":
                self._asks(Changed(name, what, "the shop here does it otherwise", ("update",)))
                return
            version = 1 if row is None else row.version + 1
            session.merge(PracticeRow(name=name, option=option, at=self._at, version=version))
            self._told.said += 1

    def _instrument(self, held: Instrument, away: datetime | None) -> None:
        with writing(self._sessions, self._who) as session:
            known = {i.uid for i, _ in instruments_store.instruments_ever(session)}
            if held.uid not in known:
                instruments_store.add_instrument(session, held, away)
                self._told.instruments += 1


def _generic() -> list[ShelfPart]:
    return list(generic_parts())
