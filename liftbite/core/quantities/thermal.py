"""A handful of masses that take heat, give it to each other and to what is around them.

- `HeatNetwork`   the masses and what lies between them
- `settle`        their temperatures over a time in which the heat put in stays the same

Plain code that quantities and schedules of starts use. A network is linear, so a stretch of any length is one closed
form, and no step size comes into it.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from liftbite.core.quantities.torque_curve import Array


@dataclass(frozen=True, eq=False)
class HeatNetwork:
    """Masses at one temperature each.

    Attributes
    ----------
    names : what they are, those the facings rub on first
    stores : heat capacity of each [J/K]
    links : heat that goes from one to another per degree, symmetric, 0 on the diagonal [W/K]
    outside : heat that each gives to what is around the clutch per degree [W/K]
    shares : share of the heat of a start that each takes [-], together 1
    """

    names: tuple[str, ...]
    stores: Array
    links: Array
    outside: Array
    shares: Array

    @property
    def rubbed(self) -> int:
        """How many of them the facings rub on: the first ones."""
        return int(np.count_nonzero(self.shares))

    @cached_property
    def modes(self) -> tuple[Array, Array, Array]:
        """√C of each mass, and the rates [1/s] and modes at which they even out."""
        root = np.sqrt(self.stores)
        flows = np.diag(self.links.sum(axis=1) + self.outside) - self.links
        rates, modes = np.linalg.eigh(flows / np.outer(root, root))
        return root, np.maximum(rates, 0.0), modes


def settle(network: HeatNetwork, begin: Array, around: float, power: float, times: Array) -> Array:
    """Temperatures of every mass at some times, while the facings make a steady power.

    C·dT/dt = −L·T − h·(T − T_around) + a·P, by its own modes: with y = √C·(T − T_around) the matrix is symmetric.

    Parameters
    ----------
    network : the masses
    begin : their temperatures at time 0 [K]
    around : temperature of what is around the clutch [K]
    power : heat the facings make [W]
    times : when, from 0 [s]

    Returns
    -------
    temperatures, a row for each time [K]

    Source: [definition: linear heat balance of each mass].

    >>> one = HeatNetwork(("plate",), np.array([2500.0]), np.zeros((1, 1)), np.array([0.0]), np.array([1.0]))
    >>> settle(one, np.array([300.0]), 300.0, 25e3, np.array([1.0])).tolist()
    [[310.0]]
    """
    root, rates, modes = network.modes
    start = modes.T @ (root * (begin - around))
    drive = modes.T @ (network.shares * power / root)
    decay = np.outer(times, rates)
    grown = np.where(decay > 1e-9, -np.expm1(-decay) / np.where(rates > 0, rates, 1.0), times[:, np.newaxis])
    found: Array = around + ((start * np.exp(-decay) + drive * grown) @ modes.T) / root
    return found
