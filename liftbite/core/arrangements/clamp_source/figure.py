"""The clamp load is the cover maker's figure, or one measured in a press; how it moves with wear is not known."""

from __future__ import annotations

from liftbite.core.graph.graph import Values


def spring_clamp(cover_clamp: Values) -> Values:
    """Force of the cover's spring on the plate, taken as the same over the life of the disc.

    F_spring = F_cover

    Parameters
    ----------
    cover_clamp : F_cover, clamp load the cover is rated at [N]

    Returns
    -------
    F_spring, spring force on the plate [N]

    Range: F_cover above 0; a figure for the cover as set, new.
    Source: [definition: the maker's figure].

    >>> spring_clamp(8000.0)
    8000.0
    """
    return cover_clamp


def lifted_spring_force(cover_clamp: Values) -> Values:
    """Force the release has to overcome at the plate, taken as the clamp load all along the lift.

    F_lift = F_cover

    Parameters
    ----------
    cover_clamp : F_cover, clamp load the cover is rated at [N]

    Returns
    -------
    F_lift, spring force on the plate while it lifts [N]

    Range: F_cover above 0; a force that stays through the lift.
    Source: [practice: without the spring's own data its force is taken as constant].

    >>> lifted_spring_force(8000.0)
    8000.0
    """
    return cover_clamp
