"""Photos as they are kept: upright, small enough for one backup of everything, and without what a camera adds.

- `Photo`        a photo to keep, with a small one for lists and paper
- `read_photo`   any usual picture as such a photo
"""

from __future__ import annotations

import hashlib
import io
from dataclasses import dataclass

from PIL import Image, ImageOps, UnidentifiedImageError

from liftbite.core.errors import UnreadableFile

#: Most bytes and dots of a picture that is taken in.
MOST_IN, MOST_DOTS = 25 * 2**20, 60_000_000
#: Most bytes that are kept of one, and its longest side; longest side of the small one [dots].
MOST_KEPT, LONGEST, SMALL = 1_000_000, 2048, 480
_FORMATS = ("JPEG", "PNG", "WEBP")
#: What a kept photo may say of itself; a place, an owner, a camera is nothing of it.
_PLAIN = frozenset({"jfif", "jfif_version", "jfif_unit", "jfif_density", "progressive", "progression"})


@dataclass(frozen=True, slots=True)
class Photo:
    """A photo to keep.

    Attributes
    ----------
    digest : SHA-256 of `jpeg`, by which it is known
    jpeg, small : JPEG, and a small one
    width, height : of `jpeg` [dots]
    """

    digest: str
    jpeg: bytes
    small: bytes
    width: int
    height: int


def read_photo(data: bytes) -> Photo:
    """A JPEG, PNG or WebP, turned upright and encoded anew; one that was kept before stays byte for byte.

    Raises
    ------
    UnreadableFile : it is no such picture, is damaged, or is larger than a camera's

    >>> dots = io.BytesIO()
    >>> Image.new("RGB", (3000, 1500), "grey").save(dots, "PNG")
    >>> photo = read_photo(dots.getvalue())
    >>> (photo.width, photo.height), read_photo(photo.jpeg).digest == photo.digest
    ((2048, 1024), True)
    """
    if len(data) > MOST_IN:
        raise UnreadableFile(f"the picture has {len(data) / 2**20:.0f} MB; {MOST_IN // 2**20} are the most")
    try:
        with Image.open(io.BytesIO(data), formats=_FORMATS) as found:
            if found.width * found.height > MOST_DOTS:
                raise UnreadableFile(f"the picture is {found.width} by {found.height} dots; no camera's is")
            found.load()
            if _is_kept(found, data):
                return _photo(found, data)
            upright = ImageOps.exif_transpose(found).convert("RGB")
    except (UnidentifiedImageError, Image.DecompressionBombError) as error:
        raise UnreadableFile("this is no picture that can be kept; a JPEG, PNG or WebP is") from error
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        raise UnreadableFile("the picture is damaged, or did not arrive whole") from error
    upright.thumbnail((LONGEST, LONGEST))
    return _photo(upright, _encoded(upright))


def _is_kept(found: Image.Image, data: bytes) -> bool:
    """Whether it is as `read_photo` leaves one."""
    return (
        found.format == "JPEG" and found.mode == "RGB" and len(data) <= MOST_KEPT and max(found.size) <= LONGEST
        and set(found.info) <= _PLAIN and not found.getexif() and data.endswith(b"\xff\xd9")
    )  # fmt: skip


def _encoded(image: Image.Image) -> bytes:
    """As fine as fits."""
    for quality in (85, 75, 60, 45, 30, 15):
        jpeg = _jpeg(image, quality)
        if len(jpeg) <= MOST_KEPT:
            return jpeg
    raise UnreadableFile("the picture cannot be made small enough to keep")


def _jpeg(image: Image.Image, quality: int) -> bytes:
    out = io.BytesIO()
    Image.frombytes("RGB", image.size, image.tobytes()).save(out, "JPEG", quality=quality, optimize=True)
    return out.getvalue()


def _photo(image: Image.Image, jpeg: bytes) -> Photo:
    small = image.copy()
    small.thumbnail((SMALL, SMALL))
    return Photo(hashlib.sha256(jpeg).hexdigest(), jpeg, _jpeg(small, 70), image.width, image.height)
