"""Photos of a shop, in the same file as all else; what each is of stands in its job's record.

- `NoSuchPhoto`   a job has none of that name
- `keep_photo`    a photo, once, whoever brings it
- `photo_bytes`   one as JPEG
- `sizes_of`      width and height of those that are here
- `all_digests`   every one
- `mentioned_digests`, `erased_digests`   those that a job's record names; those that somebody erased
- `photo_lines`, `replace_photo`   the jobs that have one; another in its place, or none: the bytes go
"""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime

from sqlalchemy import literal_column, select
from sqlalchemy.orm import Session

from liftbite.core.errors import LiftBiteError
from liftbite.core.job.record import RawLine
from liftbite.files.photo import Photo
from liftbite.store.models import PhotoRow, RecordRow
from liftbite.store.record import line_of

#: As the index says it, so that a photo's lines are found by it.
_OF_PHOTO = RecordRow.kind == literal_column("'photo'")


class NoSuchPhoto(LiftBiteError):
    """A job has no photo of that name, or it is not here."""


def keep_photo(session: Session, photo: Photo, at: datetime) -> bool:
    """Keeps a photo; False where it is here already."""
    if session.get(PhotoRow, photo.digest) is not None:
        return False
    session.add(
        PhotoRow(digest=photo.digest, jpeg=photo.jpeg, small=photo.small, width=photo.width, height=photo.height, at=at)
    )
    session.flush()
    return True


def photo_bytes(session: Session, digest: str, *, small: bool = False) -> bytes | None:
    """A photo as JPEG, or its small one; None where it is not here."""
    column = PhotoRow.small if small else PhotoRow.jpeg
    return session.scalar(select(column).where(PhotoRow.digest == digest))


def sizes_of(session: Session, digests: Iterable[str]) -> dict[str, tuple[int, int]]:
    """Photo -> width and height [dots], of those that are here."""
    query = select(PhotoRow.digest, PhotoRow.width, PhotoRow.height).where(PhotoRow.digest.in_(list(digests)))
    return {digest: (width, height) for digest, width, height in session.execute(query)}


def all_digests(session: Session) -> list[str]:
    """Every photo of the shop, in an order that stays."""
    return list(session.scalars(select(PhotoRow.digest).order_by(PhotoRow.digest)))


def _named(session: Session, digest: str, erased: bool) -> set[str]:
    query = select(RecordRow.key).where(_OF_PHOTO)
    if digest:
        query = query.where(RecordRow.key == digest)
    if erased:
        query = query.where(RecordRow.said["answer"].as_string() == "erased")
    return set(session.scalars(query.distinct()))


def mentioned_digests(session: Session, digest: str = "") -> set[str]:
    """The photos that the record of a job names; of one where it is asked for alone."""
    return _named(session, digest, erased=False)


def erased_digests(session: Session, digest: str = "") -> set[str]:
    """The photos somebody erased; of one where it is asked for alone. They do not come back with an archive."""
    return _named(session, digest, erased=True)


def photo_lines(session: Session, digest: str) -> dict[int, RawLine]:
    """Job -> what its record says last of a photo, of every job that has it."""
    query = select(RecordRow).where(_OF_PHOTO, RecordRow.key == digest).order_by(RecordRow.id)
    return {row.job_id: line_of(row) for row in session.scalars(query)}


def replace_photo(session: Session, digest: str, by: Photo | None, at: datetime) -> None:
    """Takes the bytes of a photo out of the file, and puts others in under their own name where there are some.

    What was said to be seen on it goes as well.

    Raises
    ------
    NoSuchPhoto : it is not here
    """
    row = session.get(PhotoRow, digest)
    if row is None:
        raise NoSuchPhoto
    session.delete(row)
    for line in session.scalars(select(RecordRow).where(_OF_PHOTO, RecordRow.key == digest)):
        if line.said.get("words"):
            line.said = {name: words for name, words in line.said.items() if name != "words"}
    session.flush()
    if by is not None:
        keep_photo(session, by, at)
