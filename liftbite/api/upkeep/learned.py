"""What the shop's own jobs teach, with counts and spread, and nothing from fewer than five of them.

- `api`     all of it
"""

from __future__ import annotations

from collections import defaultdict

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.common import reply, session_of
from liftbite.core.fit.library import LIBRARY
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.parts import called
from liftbite.core.prove.learned import LEAST, learned_from, left_and_back, rates_of
from liftbite.store import learned as store
from liftbite.whole.learned import minutes_of_steps

api = APIBlueprint("learned", __name__, url_prefix="/api/shop", abp_tags=[Tag(name="upkeep")])


class LearnedStepOut(BaseModel):
    """How long a step takes in this shop."""

    key: str
    title: str
    minutes: float
    low: float
    high: float
    jobs: int
    usual: int = Field(description="What is taken where nothing was learned [min].")


class LearnedPartOut(BaseModel):
    """How often a part that was left was renewed later."""

    part: str
    label: str
    jobs: int
    back: int
    share: float = Field(description="How often leaving it came back.")


class LearnedWearOut(BaseModel):
    """How fast a facing wears in a kind of use."""

    use: str
    label: str
    per_distance: float = Field(description="Middle [µm in 1,000 km].")
    low: float
    high: float
    jobs: int


class LearnedOut(BaseModel):
    """What the shop's own jobs teach."""

    least: int = Field(description="Fewest jobs anything is said from.")
    steps: list[LearnedStepOut]
    parts: list[LearnedPartOut]
    wear: list[LearnedWearOut]


@api.get("/learned", responses={"200": LearnedOut})
def learned() -> Response:
    """What the shop's own jobs teach: minutes of steps, parts that came back, wear by use; from at least five each."""
    with session_of() as session:
        steps, parts = minutes_of_steps(session), left_and_back(store.fates(session))
        by_use: dict[str, list[float]] = defaultdict(list)
        for use, rate in rates_of(store.thicknesses(session)):
            by_use[use].append(rate * 1e12)
    wear = {use: found for use, rates in by_use.items() if (found := learned_from(rates))}
    return reply(
        LearnedOut(
            least=LEAST,
            steps=[
                LearnedStepOut(
                    key=key,
                    title=LIBRARY[key].title,
                    minutes=f.middle,
                    low=f.low,
                    high=f.high,
                    jobs=f.jobs,
                    usual=LIBRARY[key].minutes,
                )
                for key, f in steps.items()
                if key in LIBRARY
            ],
            parts=[
                LearnedPartOut(part=name, label=called(name), jobs=f.jobs, back=f.back, share=f.share)
                for name, f in parts.items()
            ],
            wear=[
                LearnedWearOut(use=use, label=_use(use), per_distance=f.middle, low=f.low, high=f.high, jobs=f.jobs)
                for use, f in wear.items()
            ],
        )
    )


def _use(name: str) -> str:
    option = CHOICES["use"].option(name)
    return option.label if option else "use not said"
