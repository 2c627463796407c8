"""Everything of a shop in one archive of open formats: job files, shelf, what the shop says of itself, photos.

- `write_archive`   files by name as one archive, in memory or one after the other into a file
- `Archive`         one that can be trusted, or a folder of the same files: each file apart
- `read_archive`    the files of one, one after the other; a bomb and a path that leads out are refused
"""

from __future__ import annotations

import io
import lzma
import struct
import zipfile
import zlib
from collections.abc import Iterable, Iterator
from contextlib import AbstractContextManager
from pathlib import Path
from typing import IO, Self

from liftbite.core.errors import UnreadableFile

#: The folder of what was made from a job for people to read; it is passed over when an archive comes back in.
DOCUMENTS = "documents/"
#: Most files of an archive, and bytes of one once unpacked.
MOST_FILES, MOST_OF_ONE = 2_000_000, 64 * 2**20
#: How much larger a file may be than it is packed, and the size from which that is asked [bytes].
MOST_PACKED, SMALL = 400, 4 * 2**20
#: What an archive that is damaged, locked or packed in an unknown way is told by.
_DAMAGED = (
    zipfile.BadZipFile,
    zlib.error,
    lzma.LZMAError,
    struct.error,
    RuntimeError,
    OSError,
    EOFError,
    ValueError,
    OverflowError,
)


def write_archive(files: Iterable[tuple[str, str | bytes]], to: IO[bytes] | None = None) -> bytes:
    """Files by name and content as one archive.

    Parameters
    ----------
    files : they are taken one after the other, so that no more than one is in memory
    to : where it is written; it comes back as bytes where left out

    >>> [name for name, _ in read_archive(write_archive([("jobs/00001-two.liftbite.json", "{}")]))]
    ['jobs/00001-two.liftbite.json']
    """
    packed = io.BytesIO() if to is None else to
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in files:
            pack = zipfile.ZIP_STORED if name.endswith(".jpg") else zipfile.ZIP_DEFLATED  # a photo is packed already
            archive.writestr(name, content, pack)
    return packed.getvalue() if isinstance(packed, io.BytesIO) else b""


class Archive(AbstractContextManager["Archive"]):
    """An archive, or a folder of the same files. What it says of its sizes is not believed; each file is read apart.

    Parameters
    ----------
    source : a file, its bytes, or a folder

    Raises
    ------
    UnreadableFile : it is no archive, has too many files, or a name leads out of it
    """

    def __init__(self, source: Path | bytes) -> None:
        self._zip: zipfile.ZipFile | None = None
        self._folder = source if isinstance(source, Path) and source.is_dir() else None
        if self._folder is not None:
            inside = sorted(path for path in self._folder.rglob("*") if path.is_file() and not path.is_symlink())
            self.names = [path.relative_to(self._folder).as_posix() for path in inside]
            return
        try:
            self._zip = zipfile.ZipFile(io.BytesIO(source) if isinstance(source, bytes) else source)
        except FileNotFoundError:
            raise UnreadableFile(f"there is no file {source!s}") from None
        except _DAMAGED as error:
            raise UnreadableFile("this is no archive: a .zip of job files and a shelf is one") from error
        self.names = [each.filename for each in self._zip.infolist() if not each.is_dir()]
        if len(self.names) > MOST_FILES:
            raise UnreadableFile(f"the archive has {len(self.names)} files; {MOST_FILES} are the most")
        for name in self.names:
            if name.startswith("/") or ".." in name.split("/") or "\\" in name:
                raise UnreadableFile(f"“{name[:80]}” leads out of the archive")

    def __enter__(self) -> Self:
        return self

    def __exit__(self, *_: object) -> None:
        if self._zip is not None:
            self._zip.close()

    def read(self, name: str) -> bytes:
        """One file.

        Raises
        ------
        UnreadableFile : it is damaged, locked, or too large once unpacked
        """
        try:
            if self._zip is None:
                assert self._folder is not None
                with (self._folder / name).open("rb") as plain:
                    content = plain.read(MOST_OF_ONE + 1)
            else:
                content = self._unpacked(self._zip, name)
        except _DAMAGED as error:
            raise UnreadableFile(f"“{name[:80]}” in the archive is damaged or locked") from error
        if len(content) > MOST_OF_ONE:
            raise UnreadableFile(f"“{name[:80]}” is too large once unpacked")
        return content

    def _unpacked(self, archive: zipfile.ZipFile, name: str) -> bytes:
        """The content of one, no more than may be there."""
        packed = max(archive.getinfo(name).compress_size, 1)
        most = min(MOST_OF_ONE, max(SMALL, MOST_PACKED * packed))
        with archive.open(name) as opened:
            content = opened.read(most + 1)
        return content if len(content) <= most else bytes(MOST_OF_ONE + 1)


def read_archive(data: bytes) -> Iterator[tuple[str, bytes]]:
    """The files of an archive by name, in the order they are in.

    Raises
    ------
    UnreadableFile : of `Archive`
    """
    with Archive(data) as archive:
        for name in archive.names:
            yield name, archive.read(name)
