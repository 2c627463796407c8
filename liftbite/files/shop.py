"""What a shop holds besides its jobs and photos, as one JSON file of its archive: version 1.

- `ShopFile`, `PartsFile`      the form of it, and of its shelf, which goes into files of its own
- `write_shop`, `read_shop`, `read_parts`   to text and back
"""

from __future__ import annotations

import json
from typing import Annotated, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from liftbite.core.errors import UnreadableFile
from liftbite.core.units.preference import Preference
from liftbite.files.fields import Moment, Money, Words
from liftbite.files.json_text import read_json
from liftbite.files.measured import FileInstrument, Identity

#: The name it has in an archive.
SHOP_FILE = "shop.json"
#: The folder its parts are in, and how many go into one file.
PARTS, PARTS_OF_ONE = "parts/", 5_000


T = TypeVar("T", bound=BaseModel)


class _Strict(BaseModel):
    model_config = ConfigDict(extra="forbid")


class FileHeld(_Strict):
    """An instrument, and when it was put away."""

    instrument: FileInstrument
    archived: Moment | None = None


class FilePart(_Strict):
    """A part of the shelf, and when it was taken off it."""

    slot: Words = Field(max_length=60)
    name: Words = Field(min_length=1, max_length=200)
    price: Money
    values: dict[Words, Annotated[Words, Field(max_length=4000)]] = Field(max_length=200)
    source: Words = Field(default="", max_length=4000)
    notes: Words = Field(default="", max_length=4000)
    archived: Moment | None = None


class FileShopStep(_Strict):
    """A step the shop adds to every plan; with nothing said, one it has let go."""

    title: Words = Field(min_length=1, max_length=120)
    said: dict[Annotated[Words, Field(max_length=40)], Annotated[Words, Field(max_length=2000)]] = Field(max_length=20)


class FileJobOf(_Strict):
    """Which file of the archive a job is, and when it was put away."""

    job: Identity = Field(min_length=1)
    file: Words = Field(max_length=200)
    archived: Moment | None = None


class ShopFile(_Strict):
    """A shop of Lift Bite's, less its jobs and photos."""

    format: Literal["liftbite-shop"] = "liftbite-shop"
    version: Literal[1] = 1
    shop: Identity = Field(min_length=1, description="The shop's identity.")
    units: Preference | None = Field(default=None, description="Units it prefers; left out where nobody said.")
    practices: dict[Annotated[Words, Field(max_length=60)], Annotated[Words, Field(max_length=60)]] = Field(
        default_factory=dict, max_length=200, description="Where builders differ, what it does."
    )
    steps: list[FileShopStep] = Field(default_factory=list, max_length=1_000)
    instruments: list[FileHeld] = Field(default_factory=list, max_length=10_000)
    jobs: list[FileJobOf] = Field(default_factory=list, max_length=1_000_000)


class PartsFile(_Strict):
    """Some parts of a shelf, those taken off it among them."""

    format: Literal["liftbite-parts"] = "liftbite-parts"
    version: Literal[1] = 1
    parts: list[FilePart] = Field(max_length=PARTS_OF_ONE)


def write_shop(shop: ShopFile | PartsFile) -> str:
    """The text of a shop's file, or of some of its parts."""
    return json.dumps(shop.model_dump(exclude_none=True), ensure_ascii=False, indent=1) + "\n"


def read_shop(data: bytes) -> ShopFile:
    """A shop's file.

    Raises
    ------
    UnreadableFile : it is none; which place of it

    >>> read_shop(b'{"format": "liftbite-shop", "version": 1, "shop": "5a"}').jobs
    []
    """
    return _read(ShopFile, data, "shop's file")


def read_parts(data: bytes) -> list[FilePart]:
    """Some parts of a shelf.

    Raises
    ------
    UnreadableFile : the file is none of parts; which place of it

    >>> read_parts(b'{"parts": []}')
    []
    """
    return _read(PartsFile, data, "file of parts").parts


def _read(form: type[T], data: bytes, what: str) -> T:
    try:
        return form.model_validate(read_json(data))
    except ValidationError as error:
        first = error.errors()[0]
        where = ".".join(map(str, first["loc"]))
        raise UnreadableFile(f"this is no {what}: {where}: {first['msg'].lower()}") from None
