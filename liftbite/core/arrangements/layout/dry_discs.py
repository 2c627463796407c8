"""A dry car clutch: discs between flywheel, floater plates and pressure plate, at crank speed."""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain
from liftbite.core.graph.guards import positive


def friction_faces(disc_count: Values) -> Values:
    """Friction interfaces of a stack of dry discs; each disc rubs on both sides.

    N = 2 · n_discs

    Parameters
    ----------
    disc_count : n_discs, discs in the clutch [count]

    Returns
    -------
    N, friction interfaces in the stack [-]

    Range: one disc or more.
    Source: [definition: two faces a disc].

    >>> friction_faces(2)
    4.0
    """
    return 2 * disc_count * positive("disc_count", disc_count)


def primary_ratio() -> float:
    """Crank turns per clutch turn: a car's clutch turns with the crank.

    i_p = 1

    Returns
    -------
    i_p, primary reduction [-]

    Range: a clutch on the crank.
    Source: [definition: the clutch sits on the crank].
    """
    return 1.0


def primary_efficiency() -> float:
    """Efficiency of the primary drive: a car has none before the clutch.

    η_p = 1

    Returns
    -------
    η_p, efficiency of the primary drive [-]

    Range: a clutch on the crank, with no drive before it.
    Source: [definition: the clutch sits on the crank].
    """
    return 1.0


def interface_efficiency() -> float:
    """Share of the clamp each interface passes on: a dry stack has no teeth that hold it back.

    η = 1

    Returns
    -------
    η, share of the clamp each interface passes on [-]

    Range: dry discs on clean splines.
    Source: [practice: dry discs slide freely on their splines].
    """
    return 1.0


def springback(disc_count: Values, cushion_travel: Values, disc_wobble: Values) -> Values:
    """How far the discs spring back when unloaded, with half their wobble.

    x_spring = n_discs · (x_cush + x_wobble/2)

    Parameters
    ----------
    disc_count : n_discs, discs in the clutch [count]
    cushion_travel : x_cush, how far one disc's cushion springs back [m]
    disc_wobble : x_wobble, runout of a disc at its mean radius, full reading [m]

    Returns
    -------
    x_spring, what discs spring back when unloaded, with half their wobble [m]

    Range: one to three discs; x_cush and x_wobble 0 or more.
    Source: [geometry: a wobble of one reading needs half of it on either side].

    >>> round(springback(1.0, 0.0007, 0.0003) * 1e3, 2)
    0.85
    """
    return disc_count * (cushion_travel + disc_wobble / 2)


def cushion_stack(disc_count: Values, cushion_travel: Values) -> Values:
    """How far the cushions of all discs spring back.

    c = n_discs · x_cush

    Parameters
    ----------
    disc_count : n_discs, discs in the clutch [count]
    cushion_travel : x_cush, how far one disc's cushion springs back [m]

    Returns
    -------
    c, how far the cushions of all discs spring back [m]

    Range: one to three discs; x_cush 0 or more.
    Source: [geometry: cushions in line].

    >>> cushion_stack(2.0, 0.0005)
    0.001
    """
    return disc_count * cushion_travel


def running_gap(disc_count: Values, gap_single: Values, gap_several: Values) -> Values:
    """Comfortable gap per face: more for a single disc, less where there are several.

    g = g_1 for one disc, g_n for two or three

    Parameters
    ----------
    disc_count : n_discs, discs in the clutch [count]
    gap_single : g_1, comfortable gap per face of a single disc [m]
    gap_several : g_n, comfortable gap per face of two or three discs [m]

    Returns
    -------
    g, comfortable gap per face [m]

    Range: one to three discs; both gaps above 0.
    Source: [memory: 0.3 to 0.5 mm single, 0.15 to 0.25 mm for two or three].

    >>> running_gap(1.0, 0.0004, 0.0002), running_gap(2.0, 0.0004, 0.0002)
    (0.0004, 0.0002)
    """
    return plain(np.where(np.greater(disc_count, 1), gap_several, gap_single))


def wear_limit(disc_count: Values, facing_depth: Values, wear_evenness: Values) -> Values:
    """Thickness all discs together can lose before a rivet or a carrier shows.

    w_max = 2 · n_discs · d · ε

    Parameters
    ----------
    disc_count : n_discs, discs in the clutch [count]
    facing_depth : d, facing above rivet or carrier that may be worn, per face [m]
    wear_evenness : ε, mean wear of both sides over that of the side that wears more [-]

    Returns
    -------
    w_max, wear of the stack at its limit [m]

    Range: one to three discs; d above 0, down to rivets or backing.
    Source: [practice: a new facing stands over 1.0 mm above its rivets, renew under 0.3].

    >>> round(wear_limit(1.0, 0.0007, 1.0) * 1e3, 2)
    1.4
    """
    return 2 * disc_count * facing_depth * wear_evenness
