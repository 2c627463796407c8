"""What a process of its own may need, imported once in the server that such processes are forked from."""

from __future__ import annotations

import contextlib

import liftbite.api.app  # noqa: F401

with contextlib.suppress(OSError):  # without Pango there is no PDF, and whoever asks for one is told
    import weasyprint  # noqa: F401
