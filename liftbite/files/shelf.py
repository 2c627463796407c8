"""The shelf file, `*.liftbite-shelf.json`: parts by slot, for `liftbite find`.

- `ShelfFile`        the file as a model
- `read_shelf_file`  bytes to a `finder.Shelf`, every fault a sentence that names the part and the field
"""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from liftbite.core.errors import UnreadableEntry, UnreadableFile
from liftbite.core.find.combinations import FinderPart
from liftbite.core.job.ledger import read_entry
from liftbite.files.json_text import read_json
from liftbite.files.versions import name_now


class ShelfPart(BaseModel):
    """A part: what it brings as typed, the options it decides, what has to fit."""

    model_config = ConfigDict(extra="forbid")
    name: Annotated[str, Field(min_length=1, max_length=200)]
    price: Annotated[float, Field(ge=0, allow_inf_nan=False)] = 0.0
    values: dict[str, str] = Field(default_factory=dict, description="Quantity to value as typed, with its unit.")
    options: dict[str, str] = Field(default_factory=dict, description="Choice to option.")
    properties: dict[str, float | str | bool] = Field(default_factory=dict, description="What has to fit, in SI.")


class ShelfFile(BaseModel):
    """A shelf of parts."""

    model_config = ConfigDict(extra="forbid")
    format: Literal["liftbite-shelf"] = "liftbite-shelf"
    version: Literal[1] = 1
    slots: dict[str, Annotated[list[ShelfPart], Field(min_length=1)]]


def read_shelf_file(data: bytes) -> dict[str, list[FinderPart]]:
    """The shelf of a file.

    Raises
    ------
    UnreadableFile : a sentence that names the part and the field
    """
    try:
        file = ShelfFile.model_validate(read_json(data))
    except ValidationError as error:
        first = error.errors()[0]
        raise UnreadableFile(f"{'.'.join(str(p) for p in first['loc'])}: {first['msg']}") from None
    return {slot: [_part(slot, part) for part in parts] for slot, parts in file.slots.items()}


def _part(slot: str, part: ShelfPart) -> FinderPart:
    values: dict[str, Any] = {}
    said = {name_now(name): typed for name, typed in part.values.items()}
    options = {name_now(name): option for name, option in part.options.items()}
    for quantity, typed in {**said, **options}.items():
        try:
            entry = read_entry(quantity, typed)
        except UnreadableEntry as error:
            raise UnreadableFile(f"{slot}, {part.name}: {error.reason}") from None
        if quantity in said:
            if entry.si is None:
                raise UnreadableFile(f"{slot}, {part.name}: {quantity} is not a single figure")
            values[quantity] = entry.si
    return FinderPart(part.name, part.price, values, options, dict(part.properties))
