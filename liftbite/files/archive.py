"""Everything of a shop in one archive of open formats: job files, the shelf as CSV, photos.

- `write_archive`   files by name as one archive
- `read_archive`    the files of one that can be trusted; a bomb and a path that leads out are refused
"""

from __future__ import annotations

import io
import lzma
import struct
import zipfile
import zlib
from collections.abc import Iterable, Iterator

from liftbite.core.errors import UnreadableFile

#: The folder of what was made from a job for people to read; it is passed over when an archive comes back in.
DOCUMENTS = "documents/"
#: Most files of an archive, and bytes of one and of all once unpacked.
MOST_FILES, MOST_OF_ONE, MOST_OF_ALL = 20_000, 32 * 2**20, 512 * 2**20
#: What an archive that is damaged, locked or packed in an unknown way is told by.
_DAMAGED = (
    zipfile.BadZipFile, zlib.error, lzma.LZMAError, struct.error, RuntimeError, OSError, EOFError, ValueError,
    OverflowError,
)  # fmt: skip


def write_archive(files: Iterable[tuple[str, str | bytes]]) -> bytes:
    """Files by name and content as one archive.

    >>> [name for name, _ in read_archive(write_archive([("jobs/00001-two.liftbite.json", "{}")]))]
    ['jobs/00001-two.liftbite.json']
    """
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files:
            archive.writestr(name, content)
    return packed.getvalue()


def read_archive(data: bytes) -> Iterator[tuple[str, bytes]]:
    """The files of an archive by name, in the order they are in.

    What an archive says of its sizes is not believed: no more is unpacked than may be there.

    Raises
    ------
    UnreadableFile : it is no archive, is too large once unpacked, or a name leads out of it
    """
    try:
        archive = zipfile.ZipFile(io.BytesIO(data))
    except _DAMAGED as error:
        raise UnreadableFile("this is no archive: a .zip of job files and a shelf is one") from error
    with archive:
        inside = [each for each in archive.infolist() if not each.is_dir()]
        if len(inside) > MOST_FILES:
            raise UnreadableFile(f"the archive has {len(inside)} files; {MOST_FILES} are the most")
        left = MOST_OF_ALL
        for each in inside:
            if each.filename.startswith("/") or ".." in each.filename.split("/") or "\\" in each.filename:
                raise UnreadableFile(f"“{each.filename[:80]}” leads out of the archive")
            content = _unpacked(archive, each, min(MOST_OF_ONE, left))
            left -= len(content)
            yield each.filename, content


def _unpacked(archive: zipfile.ZipFile, each: zipfile.ZipInfo, most: int) -> bytes:
    try:
        with archive.open(each) as packed:
            content = packed.read(most + 1)
    except _DAMAGED as error:
        raise UnreadableFile(f"“{each.filename[:80]}” in the archive is damaged or locked") from error
    if len(content) > most:
        raise UnreadableFile(f"“{each.filename[:80]}” is too large once unpacked")
    return content
