"""The wheels that drive, and how it pulls away."""

from __future__ import annotations

from liftbite.core.arrangements.start import by_acceleration, by_share
from liftbite.core.arrangements.throttle import held, with_pedal
from liftbite.core.job.alternatives.choice import BOTH, Choice, Option
from liftbite.core.job.assumptions import STARTS
from liftbite.core.job.input import Assumed
from liftbite.core.job.parts import CAR, MOTORCYCLE


def _driven(share: float, low: float, high: float) -> dict[str, Assumed]:
    return {"driven_load_share": Assumed(share, "practice", "weight on the driven wheels in a start", low, high)}


CHOICES = (
    Choice(
        "drive",
        "Driven wheels",
        (
            Option("rear", "Rear", "The weight goes to them in a start.", (), _driven(0.6, 0.5, 0.7), (CAR,)),
            Option("front", "Front", "The weight leaves them in a start.", (), _driven(0.5, 0.42, 0.6), (CAR,)),
            Option("all", "All", "Every wheel pulls.", (), _driven(1.0, 0.95, 1.0), (CAR,)),
        ),
        begins={CAR: "rear"},
        under=("layout", CAR),
        group="vehicle",
    ),
    Choice(
        "start",
        "Kind of start",
        tuple(
            Option(
                name,
                start.label,
                start.says,
                (by_share if start.by_share else by_acceleration,),
                assumes_in={layout: start.assumes(layout) for layout in BOTH},
            )
            for name, start in STARTS.items()
        ),
        begins={CAR: "pull_away", MOTORCYCLE: "pull_away"},
        assumption=True,
        group="start",
    ),
    Choice(
        "throttle",
        "Throttle",
        (
            Option("with_pedal", "Follows the clutch", "The driver gives what the clutch takes.", (with_pedal,)),
            Option("held", "Held open", "Open from the start: the engine flares, and heats the clutch.", (held,)),
        ),
        begins={CAR: "with_pedal", MOTORCYCLE: "with_pedal"},
        group="start",
    ),
)
