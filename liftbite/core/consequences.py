"""What measured values do to the four questions: entries for the job's ledger, with what stood there before.

- `Effect`    one quantity that a finding changes, ready to be entered
- `effects`   every effect of the readings of a job
- `proofs`    the sums of the set-up that readings allow: bearing, floater, fork, shaft, air

Nothing is changed here. An effect taken into the job is an entry like any other, marked measured, and can be undone.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from math import hypot

import numpy as np

from liftbite.core.checks import CHECKS, Limit
from liftbite.core.findings import Reading, limits_of, value_of
from liftbite.core.fitting import Window, cushion_window, flywheel_cut
from liftbite.core.graph import Needs, Refused
from liftbite.core.instruments import INSTRUMENT_KINDS
from liftbite.core.proving import (
    Air,
    FloaterShims,
    ForkChange,
    Reach,
    Stack,
    air_left,
    bearing_stacks,
    floater_stands,
    fork_change,
    shaft_reach,
)
from liftbite.core.setup import Setup
from liftbite.core.units import from_si

#: A plain plate that differs from the common one by more than this is of another thickness [m]; our own choice.
ODD_PLATE = 0.15e-3
#: Swings that are timed together, and the doubt of one timing [s].
SWINGS, STOPWATCH = 20, INSTRUMENT_KINDS["stopwatch"].uncertainty

Readings = Mapping[str, Sequence[Reading]]


@dataclass(frozen=True, slots=True)
class Effect:
    """One quantity that readings change.

    Attributes
    ----------
    check : the check it comes from
    quantity : input or choice it is entered as
    typed : what is entered
    si : its value [SI]; None for a choice or several figures
    why : how it follows from the readings
    """

    check: str
    quantity: str
    typed: str
    si: float | None
    why: str


def _values(readings: Readings, check: str, place: str = "") -> list[float]:
    return [r.si for r in readings.get(check, ()) if r.si is not None and r.place.startswith(place)]


def _mean_by_item(readings: Readings, check: str) -> dict[str, float]:
    """Mean of every item's readings: a plate's thickness from its three places."""
    found: dict[str, list[float]] = {}
    for r in readings.get(check, ()):
        if r.si is not None:
            found.setdefault(r.place.split(",")[0], []).append(r.si)
    return {item: float(np.mean(values)) for item, values in found.items()}


def _length(value: float) -> str:
    return f"{round(from_si(value, 'mm'), 3):g} mm"


def _effect(check: str, quantity: str, value: float, why: str) -> Effect:
    typed = _length(value)
    return Effect(check, quantity, typed, value, why)


def _plates(setup: Setup, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    means, new = _mean_by_item(readings, "plate_thickness"), value_of(limits, "new")
    if not means or new is None:
        return []
    count = int(setup.known.get("friction_plate_count", len(means)))
    lost = max(new - float(np.mean(list(means.values()))), 0.0) * count
    return [_effect("plate_thickness", "wear", lost, f"{count} plates of {_length(new)} new, by their mean thickness")]


def _rivets(setup: Setup, readings: Readings, limits: Sequence[Limit]) -> list[Effect]:
    new = value_of(limits, "new")
    if new is None or not _values(readings, "rivet_depth"):
        return []
    lost: dict[str, float] = {}
    for item in dict.fromkeys(p.item for p in CHECKS["rivet_depth"].places(setup)):
        for side in ("flywheel side", "plate side"):
            depths = _values(readings, "rivet_depth", f"{item}, {side}")
            if not depths:
                return []  # a side nobody read is not a side without wear
            lost[item] = lost.get(item, 0.0) + max(new - float(np.mean(depths)), 0.0)
    found = [_effect("rivet_depth", "wear", sum(lost.values()), f"both sides of each disc, {_length(new)} new")]
    if int(setup.known.get("disc_count", 1)) > 1 and "Disc 1" in lost:
        found.append(_effect("rivet_depth", "inner_wear", lost["Disc 1"], "disc 1 runs at the flywheel"))
    return found


def _springs(setup: Setup, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    by_spring = _mean_by_item(readings, "spring_free_length")
    if len(by_spring) != int(setup.known.get("spring_count", -1)):
        return []
    ordered = sorted(by_spring, key=lambda item: int(item.rsplit(" ", 1)[1]))
    typed = "; ".join(_length(by_spring[item]) for item in ordered)
    why = "each spring's own length, in order round the plate"
    return [Effect("spring_free_length", "spring_lengths", "each", None, why),
            Effect("spring_free_length", "spring_free_lengths", typed, None, why)]  # fmt: skip


def _wobble(setup: Setup, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    values = [r.si for r in readings.get("disc_wobble", ()) if r.si is not None and not r.place.endswith("again")]
    outer, inner = setup.known.get("outer_diameter"), setup.known.get("inner_diameter")
    if len(values) < 3 or outer is None or inner is None:
        return []
    share = (outer + inner) / 2 / outer
    return [_effect("disc_wobble", "disc_wobble", (max(values) - min(values)) * share,
                    "the rim's full reading, taken down to the mean radius")]  # fmt: skip


def _floater(_: Setup, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    values = _values(readings, "floater_gap")
    return [_effect("floater_gap", "floater_clearance", float(np.mean(values)), "mean of the stands")] if values else []


def _cushion(setup: Setup, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    x, y = _values(readings, "depth_x"), _values(readings, "depth_y")
    if not x or not y:
        return []
    left = float(np.mean(x) - np.mean(y))
    if left <= 0:
        return []
    return [_effect("depth_x", "bearing_reserve", left, "X less Y, no spacer")]


def _cut(setup: Setup, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    face, seat = _values(readings, "face_cut"), _values(readings, "seat_cut")
    if not face and not seat:
        return []
    cut_face, cut_seat = (v[-1] if v else 0.0 for v in (face, seat))
    ratio = setup.evaluate(("release_lever_ratio",))["release_lever_ratio"]
    cut = flywheel_cut(cut_face, cut_seat, 1.0 if isinstance(ratio, Needs | Refused) else float(ratio))
    found = []
    pressed, thick, reserve = (setup.known.get(n) for n in ("diaphragm_set", "flywheel_thickness", "bearing_reserve"))
    if cut.acts_as_wear and pressed is not None and setup.chosen.options.get("clamp_source") == "diaphragm":
        found.append(_effect("face_cut", "diaphragm_set", pressed - cut.acts_as_wear,
                             "face and seat cut apart act on the cover as wear does"))  # fmt: skip
    if thick is not None:
        found.append(_effect("face_cut", "flywheel_thickness", thick - cut_face, "what the face lost"))
    if (
        reserve is not None
        and not isinstance(ratio, Needs | Refused)
        and cut.fingers
        and not _values(readings, "depth_x")
    ):
        found.append(_effect("face_cut", "bearing_reserve", reserve - cut.fingers, "the fingers move with the cut"))
    return found


def _weight(_: Setup, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    values = _values(readings, "flywheel_weight")
    if not values:
        return []
    return [Effect("flywheel_weight", "flywheel_mass", f"{round(values[-1], 4):g} kg", values[-1], "as weighed")]


def _swing(_: Setup, readings: Readings, __: Sequence[Limit]) -> list[Effect]:
    values = _values(readings, "flywheel_swing")
    if not values:
        return []
    period = float(np.mean(values)) / SWINGS
    doubt = STOPWATCH / SWINGS / len(values) ** 0.5
    why = f"a twentieth of {len(values)} timing{'s' if len(values) > 1 else ''}, ± {doubt:.2g} s by the thumb"
    return [Effect("flywheel_swing", "swing_period", f"{round(period, 4):g} s", period, why)]


def _air(setup: Setup, readings: Readings, _: Sequence[Limit]) -> list[Effect]:
    air = trapped_air(setup, readings)
    if air is None or air.volume <= 0:
        return []
    typed = f"{from_si(air.volume, 'mL'):.3g} mL"
    return [Effect("slave_travel", "trapped_air", typed, air.volume, "what the slave's travel falls short by")]


_EFFECTS: Mapping[str, Callable[[Setup, Readings, Sequence[Limit]], list[Effect]]] = {
    "rivet_depth": _rivets, "plate_thickness": _plates, "spring_free_length": _springs, "disc_wobble": _wobble,
    "floater_gap": _floater, "depth_x": _cushion, "face_cut": _cut, "flywheel_weight": _weight,
    "flywheel_swing": _swing, "slave_travel": _air,
}  # fmt: skip


def effects(
    setup: Setup, readings: Readings, manual: Mapping[str, Mapping[str, tuple[float, str]]] | None = None
) -> list[Effect]:
    """Every quantity of the job that its readings change, in the order of work.

    Parameters
    ----------
    setup : the job as it stands
    readings : check -> readings in force
    manual : check -> limits typed for this vehicle, as `findings.limits_of` takes them
    """
    found = []
    for check, work_out in _EFFECTS.items():
        limits = limits_of(CHECKS[check], setup, (manual or {}).get(check, {}))
        found += [e for e in work_out(setup, readings, limits) if not _stands_already(setup, e)]
    return found


def _stands_already(setup: Setup, effect: Effect) -> bool:
    entry = setup.entries.get(effect.quantity)
    if entry is None:
        return effect.si == 0 and effect.quantity in setup.chosen.assumed and setup.known[effect.quantity] == 0
    if effect.si is None or entry.si is None:
        return entry.typed == effect.typed
    return bool(np.isclose(entry.si, effect.si, rtol=1e-3, atol=1e-9))


def trapped_air(setup: Setup, readings: Readings) -> Air | None:
    """Air still in the system from the slave's travel at full pedal; None where it cannot be worked out."""
    travel = _values(readings, "slave_travel")
    names = ("master_area", "slave_area", "hose_swell", "pedal_stroke", "pedal_free_play", "pedal_ratio", "port_travel",
             "bearing_clearance", "fork_ratio", "finger_flex", "release_lever_ratio")  # fmt: skip
    if not travel:
        return None
    v = setup.evaluate(names)
    if any(isinstance(v[n], Needs | Refused) for n in names):
        return None
    bearing = travel[-1] / v["fork_ratio"] - v["bearing_clearance"]
    lift = bearing * v["finger_flex"] / v["release_lever_ratio"]
    pressure = setup.evaluate(("line_pressure",), plate_lift=max(lift, 0.0))["line_pressure"]
    if isinstance(pressure, Needs | Refused):
        return None
    master = (v["pedal_stroke"] - v["pedal_free_play"]) / v["pedal_ratio"] - v["port_travel"]
    doubt = next(r.uncertainty for r in reversed(readings["slave_travel"]) if r.si is not None)
    return air_left(float(v["master_area"]), float(master), float(v["slave_area"]), travel[-1], float(v["hose_swell"]),
                    float(pressure), travel_doubt=doubt)  # fmt: skip


@dataclass(frozen=True, slots=True)
class Proofs:
    """The sums of the set-up, each None while readings for it are missing.

    Attributes
    ----------
    cushion, cushion_doubt : X less Y and its uncertainty [m]
    window : the computed window of the cushion
    stacks : every stack of the spacers at hand, best first
    floater : shims for the stands, raising the stop and lowering it
    fork : what the new bearing does to the fork
    reach : the shaft in its pilot
    air : trapped air
    pack : what counts and thicknesses say of the order of a wet pack, a sentence each
    """

    cushion: float | None = None
    cushion_doubt: float = 0.0
    window: Window | None = None
    stacks: tuple[Stack, ...] = ()
    floater: tuple[FloaterShims, FloaterShims] | None = None
    fork: ForkChange | None = None
    reach: Reach | None = None
    air: Air | None = None
    pack: tuple[str, ...] = ()


def computed_window(setup: Setup) -> Window | None:
    """The window of a concentric bearing's cushion, from the wear still to come and the stroke; None until known.

    Release stroke is the bearing's travel at full pedal. What has worn already has already moved the fingers.
    """
    v = setup.evaluate(("wear_limit", "release_lever_ratio", "plate_lift_available", "finger_flex"))
    stroke = setup.known.get("slave_stroke")
    if stroke is None or any(isinstance(v[n], Needs | Refused) for n in v):
        return None
    left = max(float(v["wear_limit"]) - float(setup.known.get("wear", 0.0)), 0.0)
    release = float(v["plate_lift_available"] * v["release_lever_ratio"] / v["finger_flex"])
    return cushion_window(left, float(v["release_lever_ratio"]), release, float(stroke))


def proofs(setup: Setup, readings: Readings) -> Proofs:
    """The sums of the set-up that the readings of a job allow."""
    x, y = _values(readings, "depth_x"), _values(readings, "depth_y")
    cushion, doubt, window, stacks = None, 0.0, None, []
    if x and y:
        cushion = float(np.mean(x) - np.mean(y))
        u = [max((r.uncertainty for r in readings[n]), default=0.0) for n in ("depth_x", "depth_y")]
        doubt = hypot(*u) + (np.ptp(x) + np.ptp(y)) / 2
        window = computed_window(setup)
        usable = window if window is not None and window.high > window.low else None
        stacks = bearing_stacks(
            float(np.mean(x)), float(np.mean(y)), _pieces(readings, "spacers"), usable, float(doubt)
        )
    gaps = [_values(readings, "floater_gap", f"Stand {i}")[-1:] for i in (1, 2, 3)]
    shims = _pieces(readings, "floater_shims")
    measured = [g[0] for g in gaps if g]
    floater = None
    if len(measured) == 3:
        floater = floater_stands(measured, shims, opens=True), floater_stands(measured, shims, opens=False)
    return Proofs(cushion, float(doubt), window, tuple(stacks), floater, _fork(setup, readings), _reach(readings),
                  trapped_air(setup, readings), pack_order(setup, readings))  # fmt: skip


def pack_order(setup: Setup, readings: Readings) -> tuple[str, ...]:
    """What counts and thicknesses of a wet pack say of its order.

    One more friction plate than plain ones is usual; a plain plate of another thickness has a place of its own.
    """
    said = []
    counts = {r.place: int(r.si) for r in readings.get("plate_count", ()) if r.si is not None}
    friction, plain = counts.get("Friction"), counts.get("Plain")
    asked = setup.known.get("friction_plate_count")
    if friction is not None and asked is not None and friction != int(asked):
        said.append(f"{friction} friction plates are there, but the job says {int(asked)}.")
    if friction is not None and plain is not None:
        usual = friction == plain + 1
        said.append(
            f"{friction} friction and {plain} plain plates: "
            f"{'one more friction plate, as usual' if usual else 'one more friction plate is usual, look again'}."
        )
    by_plate = _mean_by_item(readings, "plain_thickness")
    if len(by_plate) >= 3:
        common = float(np.median(list(by_plate.values())))
        odd = [name for name, thick in by_plate.items() if abs(thick - common) > ODD_PLATE]
        said += [f"{name} is {_length(by_plate[name])} among {_length(common)}: it has a place of its own in the pack, "
                 "often at the far end; put it back there." for name in odd]  # fmt: skip
        if not odd:
            said.append(f"Every plain plate read is of one thickness, {_length(common)}.")
    return tuple(said)


def _pieces(readings: Readings, check: str) -> list[float]:
    """The latest reading of each piece at hand, in the order of their places."""
    latest: dict[str, float] = {}
    for r in readings.get(check, ()):
        if r.si is not None:
            latest[r.place] = r.si
    return [latest[place] for place in piece_places(readings, check)]


def piece_places(readings: Readings, check: str) -> list[str]:
    """Names of the pieces at hand that were measured, in order."""
    seen = {r.place for r in readings.get(check, ()) if r.si is not None}
    return sorted(seen, key=lambda place: (len(place), place))[:10]


def _fork(setup: Setup, readings: Readings) -> ForkChange | None:
    old, new = _values(readings, "bearing_height", "Old"), _values(readings, "bearing_height", "New")
    arm = _values(readings, "bearing_height", "Fork")
    ratio, play = setup.known.get("fork_ratio"), setup.known.get("bearing_clearance", 0.0)
    if not old or not new or ratio is None:
        return None
    return fork_change(old[-1], new[-1], float(ratio), float(play * ratio), arm[-1] if arm else None)


def _reach(readings: Readings) -> Reach | None:
    depths = [_values(readings, "shaft_reach", p.key)[-1:] for p in CHECKS["shaft_reach"].places(None)]  # type: ignore[arg-type]
    if not all(depths):
        return None
    return shaft_reach(*(d[0] for d in depths))
