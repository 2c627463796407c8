"""What the bench is sent: readings, series, limits, instruments, what is said."""

from __future__ import annotations

from datetime import date
from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, ConfigDict, Field

from liftbite.api.jobs.models import _In
from liftbite.api.paths import JobPath
from liftbite.api.statements import StatementWords, at_station, typed
from liftbite.core.measure.limit import LimitName
from liftbite.files.fields import Named, Short, Words
from liftbite.files.measured import RenewalFigures


class BenchQuery(BaseModel):
    """Whose parts: those that were found, or those that go in. Where a part stays they are one."""

    build: Literal["found", "planned"] = "found"


#: What its sender calls an append, so that one sent twice counts once.
RequestName = Annotated[str, Field(max_length=64, pattern=r"^[A-Za-z0-9._-]*$")]


def _a_day(text: str) -> str:
    """A day as an ISO date, or nothing."""
    return date.fromisoformat(text).isoformat() if text else ""


class SayIn(_In):
    """Something said of a job: an order, a line struck, a check closed, a verdict overruled, its scope."""

    model_config = ConfigDict(json_schema_extra=typed("bench"))

    kind: Annotated[str, at_station("bench")]
    key: Annotated[Words, Field(max_length=120)] = ""
    said: StatementWords
    who: Annotated[Words, Field(max_length=60)] = ""
    request: RequestName = ""


class SayManyIn(_In):
    """Several things said of a job in one go, in their order."""

    lines: Annotated[list[SayIn], Field(min_length=1, max_length=200)]
    who: Annotated[Words, Field(max_length=60)] = ""


class ReadingIn(_In):
    """A reading as keyed, a grade, a skip with its reason, or the event of a gauge."""

    check: Short
    place: Short = Field(default="", description="Left out for a gauge's reading, it goes to the first not read.")
    typed: Short = ""
    unit: Short = ""
    grade: Short = ""
    skipped: Annotated[Words, Field(max_length=200)] = ""
    instrument: Short = Field(default="", description="Kind, or the number of one of the shop's own.")
    sure: bool = Field(default=False, description="True to take a figure that is unusual.")
    event: Annotated[int, Field(ge=0, le=2**53)] = Field(
        default=0, description="Number of what the data port of the instrument sent; 0 for what was keyed."
    )
    series: Annotated[int, Field(ge=1, le=2**53)] | None = Field(default=None, description="The series it goes to.")
    request: RequestName = ""


class SeriesIn(_In):
    """Begins a new series of a check, or says more of one."""

    check: Short
    distance: Short = ""
    seen_from: Literal["gearbox", "engine"] = "gearbox"
    presses_plus: bool = True
    sag: Short = ""
    swept: Short = Field(default="", description="Radius a face was swept at, as typed.")
    label: Short = ""
    asked: dict[Words, Annotated[Words, Field(max_length=40)]] = Field(
        default_factory=dict, max_length=10, description="What a calculation asks of these readings: name to option."
    )
    request: RequestName = ""


class UndoIn(_In):
    """Which check's last reading."""

    check: Short


class LimitIn(_In):
    """A manual's limit for this vehicle; nothing typed goes back to the default."""

    typed: Short | None = None
    unit: Short = ""
    source: Annotated[Words, Field(max_length=200)] = ""


class LimitPath(JobPath):
    """A limit of a check, in a job."""

    check: Short
    name: LimitName


class PracticeIn(_In):
    """What the shop does where builders differ."""

    option: Short


class InstrumentIn(_In):
    """An instrument of the shop."""

    kind: Short
    name: Named
    resolution: Short = Field(default="", description="Smallest step it shows; empty takes its kind's.")
    uncertainty: Short = Field(default="", description="Expanded, k = 2; empty takes its kind's, half a step at least.")
    calibrated_on: Annotated[str, AfterValidator(_a_day)] = Field(default="", description="ISO date, or empty.")
    port: Annotated[Words, Field(max_length=200)] = ""
    torque_band: Short = Field(default="", description="Of a torque wrench, how far a pull may be off; empty for 5 %.")
    angle_band: Short = Field(default="", description="The same of its angle; empty for 5°.")


class PracticePath(JobPath):
    """What builders differ about, seen from a job."""

    name: Short


class RenewalIn(RenewalFigures):
    """The shop's own figures for renewing a part while it is open, as a job's file has them."""


class RenewalPath(JobPath):
    """A part that is renewed while it is open, in a job: its key, or its name where it is the shop's own."""

    part: Named


class GaugeIn(_In):
    """What was seen of a data port, and how long to wait for more [s]."""

    after: Annotated[int, Field(ge=0, le=2**53)] = 0
    wait: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] = 0.0


class TakenBackIn(_In):
    """The series a file brought, to take back."""

    series: list[Annotated[int, Field(ge=1, le=2**53)]] = Field(max_length=50_000)


class EffectsIn(_In):
    """Which measured values go into the job."""

    quantities: Annotated[list[Short], Field(max_length=40)]


class ReadingsFileIn(_In):
    """A file of readings."""

    text: Annotated[Words, Field(max_length=3_000_000)]


# --- out
