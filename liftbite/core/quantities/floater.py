"""The floater plate of a twin: whether both discs get room.

`floater_margin`; `inner_gap` and `outer_gap` come from what stops the floater.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.graph.graph import Values, plain


def floater_margin(inner_gap: Values, outer_gap: Values, disc_wobble: Values, least_gap: Values) -> Values:
    """Room left to the tighter disc of a twin at full pedal over what just frees its two faces.

    m_fl = (min(f_in, f_out) − x_wobble/2) / (2·g_least)

    Parameters
    ----------
    inner_gap : f_in, free travel at the inner disc, both faces together [m]
    outer_gap : f_out, free travel at the outer disc, both faces together [m]
    disc_wobble : x_wobble, runout of a disc at its mean radius, full reading [m]
    least_gap : g_least, gap per face that is just enough [m]

    Returns
    -------
    m_fl, margin of the floater; below 0 where a disc stays pinched [-]

    Range: two discs or three; g_least above 0.
    Source: [practice: a floater that stops too early or too late leaves one disc dragging].

    x 0.045 in, f 0.022 in, 0.5 mm of inner wear leave the outer disc 0.003 in: it drags.

    >>> round(floater_margin(0.001059, 0.000084, 0.0, 0.00015), 2)
    0.28
    """
    return (plain(np.minimum(inner_gap, outer_gap)) - disc_wobble / 2) / (2 * least_gap)
