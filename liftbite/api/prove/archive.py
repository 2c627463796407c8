"""All of a job as files of an archive.

- `documents_of`   its file, readings, plan, papers, dates, photos
"""

from __future__ import annotations

from datetime import datetime

from sqlalchemy.orm import Session

from liftbite.api.account.papers import papers_of
from liftbite.api.fit.present import plan_text
from liftbite.api.prove.calendar import calendar_of
from liftbite.api.sheet.documents import hand_over_html, owner_html
from liftbite.core.job.ledger import FOUND
from liftbite.core.job.photos import Photo
from liftbite.core.job.record import lines_of
from liftbite.files.archive import DOCUMENTS
from liftbite.store.carry import file_of
from liftbite.store.jobs import uid_of
from liftbite.store.photos import photo_bytes
from liftbite.whole.bench import bench_of
from liftbite.whole.readings import readings_of


def documents_of(session: Session, job_id: int, now: datetime) -> list[tuple[str, str | bytes]]:
    """All of a job as files of an archive: the job's file, readings, plan, documents, dates, photos.

    What is no job file and no photo was made from it, and is passed over when the archive comes back in.
    """
    name, text = file_of(session, job_id)
    found, bench = papers_of(session, job_id, now.date(), appendix=True), bench_of(session, job_id, FOUND)
    files: list[tuple[str, str | bytes]] = [
        (f"jobs/{job_id:05}-{name}", text),
        (f"{DOCUMENTS}readings.csv", readings_of(bench)),
        (f"{DOCUMENTS}plan.json", plan_text(bench)),
        (f"{DOCUMENTS}hand-over.html", hand_over_html(found)),
        (f"{DOCUMENTS}owner.html", owner_html(found)),
        (f"{DOCUMENTS}dates.ics", calendar_of(bench.job_name, found.prove, now, uid_of(session, job_id))),
    ]
    digests = dict.fromkeys(line.key for line in lines_of(bench.record, Photo))
    photos = ((digest, photo_bytes(session, digest)) for digest in digests)
    return [*files, *((f"photos/{digest}.jpg", jpeg) for digest, jpeg in photos if jpeg)]
