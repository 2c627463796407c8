"""What speed does to the fingers is left aside."""

from __future__ import annotations


def centrifugal_clamp() -> float:
    """Force that speed adds to the clamp: left aside.

    ΔF_c = 0

    Returns
    -------
    ΔF_c, centrifugal part of the clamp load [N]

    Range: for want of the fingers' mass; what it leaves out grows with ω².
    Source: [practice: small below about 6000 rpm].
    """
    return 0.0
