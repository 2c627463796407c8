"""Trapped air, from the slave's travel at full pedal.

- `air_left`, `Air`           from travels, areas and pressure
- `AirInSystem`, `trapped_air`   with what it was worked out from, for a job
- `work_out`, `tell`          the calculation
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import hypot

from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.measure.effect import Effect, EffectOf
from liftbite.core.measure.limit import Limit
from liftbite.core.measure.reading import Readings, values_of
from liftbite.core.measure.setup.calculation import Calculation, Outcome, mm, right
from liftbite.core.units.constants import ATMOSPHERE
from liftbite.core.units.read import from_si
from liftbite.core.units.sentence import both
from liftbite.core.units.show import figure

#: Doubt of where a master's port closes [m] [practice].
PORT_DOUBT = 0.5e-3


@dataclass(frozen=True, slots=True)
class Air:
    """Air still in the system at rest [m³]: best estimate and band; at most nothing below 0."""

    volume: float
    low: float
    high: float


def air_left(
    master_area: float,
    master_travel: float,
    slave_area: float,
    slave_travel: float,
    hose_swell: float,
    pressure: float,
    *,
    port_doubt: float = PORT_DOUBT,
    travel_doubt: float = 0.0,
) -> Air | None:
    """Trapped air from measured slave travel, the pedal held at full.

    V_air = (A_m·x_m − A_s·x_s − C·p)·(p_0 + p)/p, isothermal.

    Parameters
    ----------
    master_area, slave_area : [m²]
    master_travel : after the port has closed [m]
    slave_travel : measured [m]
    hose_swell : C [m³/Pa]
    pressure : p, gauge, from the release load [Pa]
    port_doubt : doubt of where the port closes [m]
    travel_doubt : doubt of the slave's travel [m]

    Returns
    -------
    the air with its band; None without pressure, where the sum has no value

    Source: [definition: Boyle's law]; a fork or bulkhead that flexes looks like air [practice].

    Half a millimetre of port doubt at a 285 mm² master:

    >>> air = air_left(285e-6, 20e-3, 285e-6, 18e-3, 0.0, 3e6)
    >>> round((air.high - air.volume) * 1e6, 2)
    0.15
    """
    if pressure <= 0:
        return None
    grows = (ATMOSPHERE + pressure) / pressure
    volume = (master_area * master_travel - slave_area * slave_travel - hose_swell * pressure) * grows
    doubt = hypot(master_area * port_doubt, slave_area * travel_doubt) * grows
    return Air(max(volume, 0.0), max(volume - doubt, 0.0), max(volume + doubt, 0.0))


@dataclass(frozen=True, slots=True)
class AirInSystem:
    """Trapped air with what it was worked out from [SI]: areas, travels after the port, swell, gauge pressure.

    `frees` is the lift at full pedal over what just frees every face, with the travel as it was measured [-].
    """

    air: Air
    master_area: float
    master_travel: float
    slave_area: float
    slave_travel: float
    hose_swell: float
    pressure: float
    frees: float | None = None


def trapped_air(build: Build, readings: Readings) -> AirInSystem | None:
    """Air still in the system from the slave's travel at full pedal; None where it cannot be worked out."""
    travel = values_of(readings, "slave_travel")
    names = (
        "master_area",
        "slave_area",
        "hose_swell",
        "pedal_stroke",
        "pedal_free_play",
        "pedal_ratio",
        "port_travel",
        "bearing_clearance",
        "fork_ratio",
        "finger_flex",
        "release_lever_ratio",
    )
    if not travel:
        return None
    v = build.evaluate(names)
    if any(isinstance(v[n], Needs | Refused) for n in names):
        return None
    bearing = travel[-1] / v["fork_ratio"] - v["bearing_clearance"]
    lift = bearing * v["finger_flex"] / v["release_lever_ratio"]
    pressure = build.evaluate(("line_pressure",), plate_lift=max(lift, 0.0))["line_pressure"]
    if isinstance(pressure, Needs | Refused):
        return None
    master = float((v["pedal_stroke"] - v["pedal_free_play"]) / v["pedal_ratio"] - v["port_travel"])
    doubt = next(r.uncertainty for r in reversed(readings["slave_travel"]) if r.si is not None)
    terms = (
        float(v["master_area"]),
        master,
        float(v["slave_area"]),
        travel[-1],
        float(v["hose_swell"]),
        float(pressure),
    )
    air = air_left(*terms, travel_doubt=doubt)
    if air is None:
        return None
    least = build.evaluate(("lift_needed_least",))["lift_needed_least"]
    return AirInSystem(air, *terms, None if isinstance(least, Needs | Refused) else float(lift / least))


def work_out(build: Build, readings: Readings, _: Mapping[str, str]) -> AirInSystem | None:
    """The air of a job's readings; None where it cannot be worked out."""
    return trapped_air(build, readings)


def _ml(value: float) -> str:
    return figure(from_si(value, "mL"), 3)


def tell(found: AirInSystem) -> Outcome:
    """Trapped air, to no more digits than its band allows."""
    air = found.air
    low, high = both(air.low, "m³", 2), both(air.high, "m³", 2)
    sentence = "The slave travels as far as it should: no air worth counting."
    if air.high > 0 and air.volume > 0:
        least = f"Up to {high}" if air.low == 0 else f"{low} to {high}"
        sentence = f"{least} of air is still in there, or something flexes."
    if found.frees is not None:
        times = f"{figure(max(found.frees, 0.0), 3)} times what just frees it"
        sentence += f" It frees as it is: {times}." if found.frees >= 1 else f" It does not free as it is: {times}."
    pushed, came = found.master_area * found.master_travel, found.slave_area * found.slave_travel
    swell = found.hose_swell * found.pressure
    grows = (ATMOSPHERE + found.pressure) / found.pressure
    fine = air.low <= 0 and (found.frees is None or found.frees >= 1)
    return Outcome(
        sentence,
        right(fine),
        (
            f"Master pushes A_m · x_m = {both(found.master_area, 'm²')} · {mm(found.master_travel)} mm = "
            f"{_ml(pushed)} mL after its port has closed.",
            f"Slave took A_s · x_s = {both(found.slave_area, 'm²')} · {mm(found.slave_travel)} mm = {_ml(came)} mL; "
            f"swelling hoses took {_ml(swell)} mL at {both(found.pressure, 'Pa')}.",
            f"What is missing is air pressed together: ({_ml(pushed)} − {_ml(came)} − {_ml(swell)}) mL · (p₀ + p)/p = "
            f"{_ml(pushed - came - swell)} mL · {figure(grows, 3)}, at rest {both(max(air.volume, 0.0), 'm³', 2)} "
            "[definition: Boyle's law].",
            f"Its band is {mm(PORT_DOUBT)} mm of doubt where the port closes and the reading's own: {low} to {high}. A "
            "fork or bulkhead that flexes looks the same [practice].",
        ),
    )


def _effects(build: Build, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    found = trapped_air(build, readings)
    if found is None or found.air.volume <= 0:
        return []
    typed = f"{from_si(found.air.volume, 'mL'):.3g} mL"
    return [Effect("slave_travel", "trapped_air", typed, found.air.volume, "what the slave's travel falls short by")]


CALCULATION = Calculation(
    "air",
    "Trapped air",
    "fluid",
    ("slave_travel",),
    "the hydraulics of this job and the travel",
    work_out,
    tell,
    effects={"slave_travel": EffectOf(_effects)},
)
