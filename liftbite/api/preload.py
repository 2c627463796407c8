"""What a process of its own may need, imported once in the server that such processes are forked from (`own_process`)."""

from __future__ import annotations

import contextlib

import liftbite.core.parts.finder
import liftbite.core.prove.driven  # noqa: F401

with contextlib.suppress(OSError):  # without Pango there is no PDF, and whoever asks for one is told
    import weasyprint  # noqa: F401
