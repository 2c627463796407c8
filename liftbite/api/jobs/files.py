"""Jobs as files: one, its raw rows, and all of a shop.

- `file_of`, `raw_text`   a job as its file, or as the rows it stands in
- `bring_in`              a job of a file into a shop
- `files_of_shop`         every job and the shelf, in open formats
- `photos_of_shop`        every photo as JPEG
"""

from __future__ import annotations

import json
import logging
import re
from collections.abc import Iterator, Sequence
from datetime import datetime

from sqlalchemy.orm import Session

from liftbite.core.job.ledger import Revision, present
from liftbite.files.job import FiledJob, dump, to_file
from liftbite.files.shelf_csv import write_shelf
from liftbite.store import jobs as store
from liftbite.store import measurements
from liftbite.store.parts import list_parts
from liftbite.store.photos import all_digests, photo_bytes

log = logging.getLogger(__name__)


def file_name(name: str, ending: str) -> str:
    """A job's name as the name of a file."""
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-") or "job"
    return f"{stem[:60]}{ending}"


def vehicle_of(revisions: Sequence[Revision]) -> str:
    """The vehicle a job is about, or nothing."""
    named = present(revisions).get("vehicle")
    return (named.typed if named else "") or ""


def file_of(session: Session, job_id: int) -> tuple[str, str]:
    """Name and text of a job's file.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    revisions = store.revisions_of(session, job_id)
    measured = measurements.filed_of(session, job_id, vehicle_of(revisions))
    name = present(revisions).get("job_name")
    return file_name((name.typed if name else "") or "", ".liftbite.json"), dump(to_file(revisions, measured))


def bring_in(session: Session, filed: FiledJob, at: datetime) -> int:
    """A job read from a file, with all that was measured, as a job of the shop; its number."""
    job_id = store.create(session, filed.revisions, at)
    measurements.bring(session, job_id, vehicle_of(filed.revisions), filed.bench, at)
    return job_id


def raw_text(session: Session, job_id: int) -> str:
    """The rows of a job as JSON.

    Raises
    ------
    NoSuchJob : no job has this number
    """
    return json.dumps(store.raw_of(session, job_id), ensure_ascii=False, indent=1, default=str) + "\n"


def files_of_shop(session: Session) -> Iterator[tuple[str, str, bool]]:
    """Name, text and whether it is whole, of every job and of the shelf; a job that cannot be read goes as its rows."""
    for number in store.all_numbers(session):
        try:
            name, text = file_of(session, number)
        except Exception:  # whatever is wrong with it, the others go out
            log.exception("job %d cannot be read", number)
            yield f"jobs/{number:05}.rows.json", raw_text(session, number), False
        else:
            yield f"jobs/{number:05}-{name}", text, True
    yield "shelf.csv", write_shelf([p.part for p in list_parts(session)]), True


def photos_of_shop(session: Session) -> Iterator[tuple[str, bytes]]:
    """Name and JPEG of every photo; the records of jobs say what each is of."""
    for digest in all_digests(session):
        yield f"photos/{digest}.jpg", photo_bytes(session, digest) or b""
