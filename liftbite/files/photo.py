"""Photos as they are kept: upright, small enough for one backup of everything, and without what a camera adds.

- `Photo`        a photo to keep, with a small one for lists and paper
- `read_photo`   any usual picture as such a photo, always encoded anew
- `stored_photo`   one that was kept before, as it comes back with an archive
- `plain_jpeg`   a JPEG's dots alone
- `covered`      a photo with parts of it blackened
"""

from __future__ import annotations

import hashlib
import io
import re
from collections.abc import Iterable
from dataclasses import dataclass, replace

from PIL import Image, ImageDraw, ImageOps, UnidentifiedImageError

from liftbite.core.errors import UnreadableFile

#: Most bytes and dots of a picture that is taken in.
MOST_IN, MOST_DOTS = 25 * 2**20, 60_000_000
#: Most bytes that are kept of one, and its longest side; longest side of the small one [dots].
MOST_KEPT, LONGEST, SMALL = 1_000_000, 2048, 480
_FORMATS = ("JPEG", "PNG", "WEBP")
_DIGEST = re.compile(r"[0-9a-f]{64}")
#: Markers of a JPEG that its dots need: tables, frame, scan.
_OF_DOTS = frozenset({0xDB, 0xC0, 0xC1, 0xC2, 0xC4, 0xDD, 0xDA})


@dataclass(frozen=True, slots=True)
class Photo:
    """A photo to keep.

    Attributes
    ----------
    digest : SHA-256 of `jpeg` when it was first kept, by which it is known
    jpeg, small : JPEG, and a small one
    width, height : of `jpeg` [dots]
    """

    digest: str
    jpeg: bytes
    small: bytes
    width: int
    height: int


def read_photo(data: bytes) -> Photo:
    """A JPEG, PNG or WebP, turned upright and encoded anew, whatever it was: nothing but its dots is kept.

    Raises
    ------
    UnreadableFile : it is no such picture, is damaged, or is larger than a camera's

    >>> dots = io.BytesIO()
    >>> Image.new("RGB", (3000, 1500), "grey").save(dots, "PNG")
    >>> photo = read_photo(dots.getvalue())
    >>> (photo.width, photo.height), plain_jpeg(photo.jpeg) == photo.jpeg
    ((2048, 1024), True)
    """
    upright = _upright(data)
    upright.thumbnail((LONGEST, LONGEST))
    return _photo(upright, _encoded(upright))


def stored_photo(data: bytes, name: str) -> Photo:
    """A photo of an archive under the name it was kept by: as it is where that is dots alone, else encoded anew.

    Parameters
    ----------
    data : of the file
    name : its name there, the digest it is known by

    Raises
    ------
    UnreadableFile : as `read_photo`, or the name is none of a photo
    """
    if not _DIGEST.fullmatch(name):
        raise UnreadableFile(f"“{name[:80]}” is no name of a photo")
    upright = _upright(data)
    if len(data) <= MOST_KEPT and max(upright.size) <= LONGEST and plain_jpeg(data) == data:
        return replace(_photo(upright, data), digest=name)
    upright.thumbnail((LONGEST, LONGEST))
    return replace(_photo(upright, _encoded(upright)), digest=name)


def covered(jpeg: bytes, boxes: Iterable[tuple[float, float, float, float]]) -> Photo:
    """A photo with boxes of it blackened, such as a plate or a face; what was under them is in no dot of it.

    Parameters
    ----------
    jpeg : as it is kept
    boxes : left, top, right and bottom of each, as shares of width and height

    Raises
    ------
    UnreadableFile : a box that covers nothing of it
    """
    with Image.open(io.BytesIO(jpeg)) as found:
        upright = found.convert("RGB")
    width, height = upright.size
    draw = ImageDraw.Draw(upright)
    for left, top, right, bottom in boxes:
        if not (0 <= left < right <= 1 and 0 <= top < bottom <= 1):
            raise UnreadableFile("a box has its left before its right and its top above its bottom, inside the photo")
        # blocks of a JPEG are 16 dots wide: whole ones are covered, so that none keeps a shade of what was there
        begin = (int(left * width) // 16 * 16, int(top * height) // 16 * 16)
        draw.rectangle(
            (*begin, -(-int(right * width) // 16) * 16 + 15, -(-int(bottom * height) // 16) * 16 + 15), "black"
        )
    return _photo(upright, _encoded(upright))


def _upright(data: bytes) -> Image.Image:
    """The dots of a picture from outside, turned upright."""
    if len(data) > MOST_IN:
        raise UnreadableFile(f"the picture has {len(data) / 2**20:.0f} MB; {MOST_IN // 2**20} are the most")
    try:
        with Image.open(io.BytesIO(data), formats=_FORMATS) as found:
            if found.width * found.height > MOST_DOTS:
                raise UnreadableFile(f"the picture is {found.width} by {found.height} dots; no camera's is")
            found.load()
            return ImageOps.exif_transpose(found).convert("RGB")
    except (UnidentifiedImageError, Image.DecompressionBombError) as error:
        raise UnreadableFile("this is no picture that can be kept; a JPEG, PNG or WebP is") from error
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        raise UnreadableFile("the picture is damaged, or did not arrive whole") from error


def plain_jpeg(data: bytes) -> bytes:
    """A JPEG with its dots alone: no words, no place, no profile, no small picture inside, nothing behind its end.

    What is no JPEG of the usual build comes back as it is.

    >>> dots = io.BytesIO()
    >>> Image.new("RGB", (16, 16)).save(dots, "JPEG", comment=b"Lenk, plate KV 1 40")
    >>> b"plate" in dots.getvalue(), b"plate" in plain_jpeg(dots.getvalue() + b"plate")
    (True, False)
    """
    kept, at = [data[:2]], 2
    while at + 4 <= len(data):
        if data[at] != 0xFF:
            return data
        kind, length = data[at + 1], int.from_bytes(data[at + 2 : at + 4], "big")
        end = at + 2 + length
        if kind == 0xDA:  # the dots, up to the next marker that is none of theirs
            end = _end_of_scan(data, end)
        if kind in _OF_DOTS or (kind == 0xE0 and data[at + 4 : at + 9] == b"JFIF\x00" and length == 16):
            kept.append(data[at:end])
        at = end
        if data[at : at + 2] == b"\xff\xd9":
            return b"".join(kept) + b"\xff\xd9"
    return data


def _end_of_scan(data: bytes, at: int) -> int:
    while (at := data.find(b"\xff", at)) >= 0:
        if at + 1 >= len(data):
            break
        if data[at + 1] != 0 and not 0xD0 <= data[at + 1] <= 0xD7:
            return at
        at += 2
    return len(data)


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
