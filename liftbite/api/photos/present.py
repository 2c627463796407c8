"""A job's photos, from its record.

- `photos_of`     each with what it is of, whoever asks: the screen, the sheet, the hand-over
- `photos_by_digest`   those that stand
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from sqlalchemy.orm import Session

from liftbite.api.photos.models import PhotoOut
from liftbite.core.fit.library import LIBRARY
from liftbite.core.fit.step_names import step_now
from liftbite.core.job.photos import Photo
from liftbite.core.job.record import Line, in_force
from liftbite.core.measure.check import Check
from liftbite.core.measure.own import known_checks
from liftbite.store.photos import sizes_of


def photos_by_digest(record: Sequence[Line]) -> dict[str, Line[Photo]]:
    """Digest -> what is said of it, of the photos that stand and were not erased."""
    return {digest: line for digest, line in in_force(record, Photo).items() if line.answer == "kept"}


def photos_of(session: Session, record: Sequence[Line]) -> list[PhotoOut]:
    """The photos of a job that stand, oldest first."""
    lines = photos_by_digest(record)
    sizes, checks = sizes_of(session, lines), known_checks(record)
    found = [_photo_out(digest, line, sizes.get(digest), checks) for digest, line in lines.items()]
    return sorted(found, key=lambda photo: photo.at)


def _photo_out(digest: str, line: Line[Photo], size: tuple[int, int] | None, checks: Mapping[str, Check]) -> PhotoOut:
    width, height = size or (0, 0)
    of = line.statement.of
    return PhotoOut(
        digest=digest,
        of=of,
        label=_label(of, checks),
        words=line.statement.words,
        who=line.who,
        at=line.at,
        width=width,
        height=height,
        here=size is not None,
    )


def _label(of: str, checks: Mapping[str, Check]) -> str:
    kind, _, name = of.partition(":")
    if kind == "check" and name in checks:
        return checks[name].title
    if kind == "step" and step_now(name) in LIBRARY:
        return LIBRARY[step_now(name)].title
    return {"job": "The job", "bag": f"Bag {name}"}.get(kind, name)
