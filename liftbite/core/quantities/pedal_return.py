"""Whether the pedal comes back where an assist spring helps it down.

`pedal_return`, `return_margin`; the least of the way back over the stroke is made from these.
"""

from __future__ import annotations

from liftbite.core.graph.graph import Values
from liftbite.core.graph.guards import positive


def pedal_return(pedal_effort: Values, pedal_spring: Values, pedal_efficiency: Values) -> Values:
    """Force that brings the pedal back at a lift of the plate, at the pad.

    F_back = (F_p − F_sp) · η² + F_sp

    Parameters
    ----------
    pedal_effort : F_p, pedal effort [N]
    pedal_spring : F_sp, force of the springs at the pad [N]
    pedal_efficiency : η, share of the work that friction leaves [-]

    Returns
    -------
    F_back, force that brings the pedal back [N]

    Range: friction takes its share on the way down and once more on the way back; below 0 the pedal stays down.
    Source: [definition: what the driver gives is the load over η, what comes back the load times η].

    >>> round(pedal_return(90.0, -10.0, 0.9), 1)
    71.0
    """
    return (pedal_effort - pedal_spring) * pedal_efficiency**2 + pedal_spring


def return_margin(least_pedal_return: Values, pedal_drag: Values) -> Values:
    """What brings the pedal back, where it is least, over the drag of seals and pivots.

    m_back = F_bl / F_drag

    Parameters
    ----------
    least_pedal_return : F_bl, least force that brings the pedal back [N]
    pedal_drag : F_drag, drag of seals and pivots at the pad [N]

    Returns
    -------
    m_back, margin of the way back; below 1 the pedal stays down [-]

    Range: F_drag above 0.
    Source: [definition: available over needed].

    >>> return_margin(24.0, 8.0)
    3.0
    """
    return least_pedal_return / pedal_drag * positive("pedal_drag", pedal_drag)
