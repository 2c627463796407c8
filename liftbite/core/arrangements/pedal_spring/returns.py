"""A spring that only returns pedal or lever."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def pedal_spring(pedal_return_force: Values) -> Values:
    """Force of the springs at the pad itself.

    F_sp = F_return

    Parameters
    ----------
    pedal_return_force : F_return, return spring at the pad [N]

    Returns
    -------
    F_sp, force of the springs at the pad [N]

    Range: 0 or more, the same over the stroke.
    Source: [definition: one spring].

    >>> pedal_spring(10.0)
    10.0
    """
    return pedal_return_force
