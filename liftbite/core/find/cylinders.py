"""Stocked bores of master and slave, every pair of them: which frees the clutch at an effort a driver can live with.

- `STOCKED`     the bores, as they are called
- `cylinders`   the pairs side by side, and the answer backwards: area ratio, clamp, pedal stop
"""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

import numpy as np

from liftbite.core.find.alternatives import Beside, Row
from liftbite.core.graph.graph import Known, Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.quantities.torque_curve import Array
from liftbite.core.units.read import read
from liftbite.core.units.sentence import both, both_fine
from liftbite.core.units.show import figure
from liftbite.core.verdicts.criteria import LIFT_NEW

#: Bores that are stocked, as they are called [practice].
STOCKED = (
    "14 mm",
    "5/8 in",
    "16 mm",
    "11/16 in",
    "0.700 in",
    "18 mm",
    "19 mm",
    "3/4 in",
    "20 mm",
    "13/16 in",
    "22 mm",
    "7/8 in",
    "15/16 in",
    "1 in",
)
_WANTED = ("lift_margin", "least_lift_margin", "peak_pedal_effort", "peak_line_pressure", "plate_lift_available")
#: Pairs that are shown.
_SHOWN = 10
#: Bores the area ratio is looked for among [m].
_BORES = (0.008, 0.040)


def cylinders(build: Build) -> Beside | Needs | Refused | None:
    """Every pair of stocked bores; of a concentric slave, which is what it is, every stocked master.

    A pair is kept where it lifts comfortably at an effort that is allowed; the most spare lift first, then the least
    effort, and those that pass the cover's largest lift, which want a pedal stop, after the rest. Effort is the highest
    from first lift to full pedal.
    """
    if "master_area" not in build.graph.functions:
        return None
    own = build.evaluate((*_WANTED, "slave_area"))
    for name in (*_WANTED, "slave_area"):
        if isinstance(own[name], Needs | Refused):
            found: Needs | Refused = own[name]
            return found
    slaves = STOCKED if build.chosen.has("slave on a lever") else ("",)
    pairs = [(m, s) for m in STOCKED for s in slaves]
    bores: dict[str, Any] = {"master_diameter": _metres(m for m, _ in pairs)}
    if slaves != ("",):
        bores["slave_diameter"] = _metres(s for _, s in pairs)
    v = build.evaluate(_WANTED, **bores)
    lift, least, effort, pressure, full = (np.broadcast_to(v[n], len(pairs)).astype(float) for n in _WANTED)
    allowed = float(build.known.get("effort_limit", np.inf))
    most = float(build.known.get("plate_lift_limit", np.inf))
    good = (lift >= LIFT_NEW) & (effort <= allowed)
    misses = [_miss(float(x), float(f), allowed) for x, f in zip(lift, effort, strict=True)]
    order = sorted(
        range(len(pairs)), key=lambda i: (not good[i], full[i] > most, -lift[i] if good[i] else misses[i], effort[i])
    )
    present = [all(abs(bores[n][i] - float(build.known.get(n, 0.0))) < 2e-5 for n in bores) for i in range(len(pairs))]
    shown = [i for rank, i in enumerate(order) if rank < _SHOWN or present[i]]

    def row(i: int) -> Row:
        stop = "pedal stop" if full[i] > most else ""
        cells = (
            pairs[i][0],
            pairs[i][1] or "as it is",
            (lift[i], "-"),
            (effort[i], "N"),
            (pressure[i], "Pa"),
            "drags" if least[i] < 1 else stop,
        )
        puts = (("master_diameter", pairs[i][0]), *([("slave_diameter", pairs[i][1])] if pairs[i][1] else []))
        return Row(cells, bool(good[i]), present[i], puts)

    columns = ("Master", "Slave", "Lift", "Effort", "Pressure", "Wants")
    return Beside(
        "Stocked bores",
        columns,
        tuple(row(i) for i in shown),
        _says(build, own, allowed, most, int(good.sum()), len(pairs)),
    )


def _metres(bores: Iterable[str]) -> Array:
    return np.array([read(b, "m", "mm").si for b in bores])


def _miss(lift: float, effort: float, allowed: float) -> float:
    """By how much a pair falls short, lift and effort alike."""
    return max(LIFT_NEW / max(lift, 1e-6), effort / allowed if np.isfinite(allowed) else 0.0)


def _says(build: Build, own: Known, allowed: float, most: float, kept: int, tried: int) -> tuple[str, ...]:
    says = [
        f"{kept} of {tried} meet both: {LIFT_NEW} times the lift that is needed"
        + (f", at most {both(allowed, 'N')}." if np.isfinite(allowed) else ".")
    ]
    slave, bore = float(own["slave_area"]), _bore_for(build, LIFT_NEW)
    if bore is not None:
        ratio = np.pi / 4 * bore**2 / slave
        says.append(
            f"Backwards: a comfortable lift wants a master of {both_fine(bore, 'm')}, {figure(ratio, 3)} times "
            "the slave's area, or more."
        )
    clamp = _clamp_for(build, allowed)
    if clamp is not None:
        says.append(f"With the cylinders as they are the effort allows a clamp of {both(clamp, 'N')}.")
    stop = build.evaluate(("pedal_at_overtravel",))["pedal_at_overtravel"]
    if not isinstance(stop, Needs | Refused) and np.isfinite(stop) and stop <= float(build.known["pedal_stroke"]):
        says.append(f"The cover's largest lift is reached at {both(float(stop), 'm')} of pedal: a stop goes there.")
    return tuple(says)


def _bore_for(build: Build, margin: float) -> float | None:
    """The smallest master that gives a lift margin [m]; None where none does."""
    from scipy.optimize import brentq  # here: it takes longer to load than all of the core

    def short(bore: float) -> float:
        found = build.evaluate(("lift_margin",), master_diameter=bore)["lift_margin"]
        return -margin if isinstance(found, Needs | Refused) else float(found) - margin

    low, high = _BORES
    return float(brentq(short, low, high, xtol=1e-6)) if short(low) < 0 < short(high) else None


def _clamp_for(build: Build, allowed: float) -> float | None:
    """The clamp at which the pedal is as heavy as allowed, springs grown alike all over [N]; None where not known."""
    v = build.evaluate(("peak_pedal_effort", "clamp_load", "pedal_spring"))
    if not np.isfinite(allowed) or any(isinstance(v[n], Needs | Refused) for n in ("peak_pedal_effort", "clamp_load")):
        return None
    rest = 0.0 if isinstance(v["pedal_spring"], Needs | Refused) else float(v["pedal_spring"])
    peak = float(v["peak_pedal_effort"]) - rest
    return None if peak <= 0 else float(v["clamp_load"]) * (allowed - rest) / peak
