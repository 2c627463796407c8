"""Photos as they are kept: upright, small, plain, and the same again when they come back."""

from __future__ import annotations

import io

import numpy as np
import pytest
from PIL import Image

from liftbite.core.errors import UnreadableFile
from liftbite.files import photo as kept
from liftbite.files.photo import LONGEST, MOST_KEPT, read_photo


def noise(width: int, height: int) -> Image.Image:
    return Image.fromarray(np.random.default_rng(7).integers(0, 256, (height, width, 3), dtype=np.uint8))


def saved(image: Image.Image, form: str = "JPEG", **how: object) -> bytes:
    out = io.BytesIO()
    image.save(out, form, **how)
    return out.getvalue()


def test_the_worst_picture_there_is_fits() -> None:
    found = read_photo(saved(noise(2600, 2000), quality=95))
    assert len(found.jpeg) <= MOST_KEPT
    assert max(found.width, found.height) <= LONGEST
    assert Image.open(io.BytesIO(found.jpeg)).size == (found.width, found.height)


def test_what_a_camera_writes_is_left_out_and_the_picture_stands_upright() -> None:
    exif = Image.Exif()
    exif[0x0112], exif[0x010F] = 6, "Invented camera"  # turned a quarter; its maker
    exif.get_ifd(0x8825)[1] = "N"
    found = read_photo(saved(noise(300, 200), exif=exif, comment=b"private"))
    again = Image.open(io.BytesIO(found.jpeg))
    assert again.size == (200, 300)
    assert not again.getexif()
    assert b"Invented" not in found.jpeg
    assert b"private" not in found.jpeg


@pytest.mark.parametrize("form", ["JPEG", "PNG", "WEBP"])
def test_one_that_was_kept_comes_back_byte_for_byte(form: str) -> None:
    first = read_photo(saved(noise(640, 480), form))
    again = read_photo(first.jpeg)
    assert (again.jpeg, again.digest) == (first.jpeg, first.digest)


def test_see_through_and_grey_pictures_are_kept_too() -> None:
    for mode in ("RGBA", "L", "P", "CMYK"):
        form = "JPEG" if mode in ("L", "CMYK") else "PNG"
        assert read_photo(saved(noise(60, 40).convert(mode), form)).width == 60


def test_a_bomb_of_dots_is_refused_before_it_is_unpacked(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(kept, "MOST_DOTS", 10_000)
    with pytest.raises(UnreadableFile, match="320 by 200 dots"):
        read_photo(saved(Image.new("RGB", (320, 200)), "PNG"))
