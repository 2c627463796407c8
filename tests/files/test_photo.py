"""Photos as they are kept: upright, small, plain, and the same again when they come back."""

from __future__ import annotations

import io

import numpy as np
import pytest
from PIL import Image

from liftbite.core.errors import UnreadableFile
from liftbite.files import photo as kept
from liftbite.files.photo import LONGEST, MOST_KEPT, covered, plain_jpeg, read_photo, stored_photo


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
def test_one_that_was_kept_comes_back_byte_for_byte_with_its_archive(form: str) -> None:
    first = read_photo(saved(noise(640, 480), form))
    again = stored_photo(first.jpeg, first.digest)
    assert (again.jpeg, again.digest) == (first.jpeg, first.digest)


def secret_jpeg() -> bytes:
    """A JPEG of a phone: words in a comment, a profile of its own, a small picture inside, more behind its end."""
    plain = saved(noise(64, 48), "JPEG")
    marker = lambda kind, body: bytes((0xFF, kind)) + (len(body) + 2).to_bytes(2, "big") + body  # noqa: E731
    inside = marker(0xFE, b"plate KV 1 40") + marker(0xE2, b"ICC KV 1 40") + marker(0xED, b"8BIM KV 1 40")
    return plain[:2] + inside + plain[2:] + b"KV 1 40 behind the end"


def test_a_photo_is_always_encoded_anew_and_says_nothing_besides_its_dots() -> None:
    """One without EXIF went in byte for byte once, with all that stood in it and behind its end."""
    secret = secret_jpeg()
    for kept_now in (read_photo(secret), stored_photo(secret, "0" * 64)):
        assert b"KV 1 40" not in kept_now.jpeg + kept_now.small
        assert kept_now.jpeg != secret
    assert stored_photo(secret, "0" * 64).digest == "0" * 64, "the record goes on naming it"
    assert Image.open(io.BytesIO(plain_jpeg(secret))).tobytes() == Image.open(io.BytesIO(secret)).tobytes()
    with pytest.raises(UnreadableFile, match="no name of a photo"):
        stored_photo(secret, "../etc")


def test_a_box_of_a_photo_is_covered_and_the_rest_stays() -> None:
    """A plate: nothing of it is in any dot, also where a block of the JPEG reaches over its edge."""
    photo = read_photo(saved(Image.new("RGB", (320, 200), "white"), "PNG"))
    left = Image.open(io.BytesIO(covered(photo.jpeg, [(0.25, 0.25, 0.5, 0.5)]).jpeg)).convert("L")
    assert max(left.crop((80, 50, 160, 100)).tobytes()) < 16
    assert min(left.crop((200, 120, 320, 200)).tobytes()) > 240
    with pytest.raises(UnreadableFile, match="left before its right"):
        covered(photo.jpeg, [(0.5, 0.1, 0.4, 0.2)])


def test_see_through_and_grey_pictures_are_kept_too() -> None:
    for mode in ("RGBA", "L", "P", "CMYK"):
        form = "JPEG" if mode in ("L", "CMYK") else "PNG"
        assert read_photo(saved(noise(60, 40).convert(mode), form)).width == 60


def test_a_bomb_of_dots_is_refused_before_it_is_unpacked(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(kept, "MOST_DOTS", 10_000)
    with pytest.raises(UnreadableFile, match="320 by 200 dots"):
        read_photo(saved(Image.new("RGB", (320, 200)), "PNG"))
