"""Archives: out and in, and what is damaged."""

from __future__ import annotations

import pytest

from liftbite.core.errors import UnreadableFile
from liftbite.files.archive import read_archive, write_archive


def test_a_file_whose_packing_is_broken_is_refused_in_a_sentence() -> None:
    packed = bytearray(write_archive([("jobs/00001-two.liftbite.json", "words " * 400)]))
    begins = packed.index(b"liftbite.json") + len("liftbite.json")
    packed[begins : begins + 6] = b"\xff\xff\xff\xff\xff\xff"
    with pytest.raises(UnreadableFile, match="damaged or locked"):
        list(read_archive(bytes(packed)))
