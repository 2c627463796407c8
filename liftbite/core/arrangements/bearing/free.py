"""The release bearing does not press on the fingers at rest."""

from __future__ import annotations


def bearing_takes() -> float:
    """Force the bearing takes off the clamp at rest: none.

    F_takes = 0

    Returns
    -------
    F_takes, force the bearing takes off the clamp [N]

    Range: a bearing that stands clear at rest.
    Source: [definition: the bearing is free at rest].
    """
    return 0.0
