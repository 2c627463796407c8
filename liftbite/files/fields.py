"""Kinds of fields that requests and files share.

- `Finite`   a number that is one
- `Words`    text that can be stored
"""

from __future__ import annotations

from typing import Annotated

from pydantic import AfterValidator, Field


def no_nul(text: str) -> str:
    """The text, where it can be stored.

    Raises
    ------
    ValueError : it holds a null character
    """
    if "\x00" in text:
        raise ValueError("holds a character that cannot be stored")
    return text


Words = Annotated[str, AfterValidator(no_nul)]
Finite = Annotated[float, Field(strict=True, allow_inf_nan=False)]
