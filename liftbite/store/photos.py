"""Photos of a shop, in the same file as all else; what each is of stands in its job's record.

- `NoSuchPhoto`   a job has none of that name
- `keep_photo`    a photo, once, whoever brings it
- `photo_bytes`   one as JPEG
- `sizes_of`      width and height of those that are here
- `all_digests`   every one
"""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from liftbite.core.errors import LiftBiteError
from liftbite.files.photo import Photo
from liftbite.store.models import PhotoRow


class NoSuchPhoto(LiftBiteError):
    """A job has no photo of that name, or it is not here."""


def keep_photo(session: Session, photo: Photo, at: datetime) -> bool:
    """Keeps a photo; False where it is here already."""
    if session.get(PhotoRow, photo.digest) is not None:
        return False
    session.add(PhotoRow(digest=photo.digest, jpeg=photo.jpeg, small=photo.small, width=photo.width,
                         height=photo.height, at=at))  # fmt: skip
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
