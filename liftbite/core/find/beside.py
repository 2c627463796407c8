"""The parts there are alternatives for, by name.

- `BESIDE`   name -> how its alternatives are worked out; None where an arrangement has no such part
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.find.alternatives import WorkOut
from liftbite.core.find.cylinders import cylinders
from liftbite.core.find.instructions import instructions

BESIDE: Mapping[str, WorkOut] = {"cylinders": cylinders, "instructions": instructions}
