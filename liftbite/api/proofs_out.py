"""The sums of the set-up as they go over the wire."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from liftbite.api import models_proofs as mm
from liftbite.api.present import fine_out
from liftbite.core.consequences import Proofs, piece_places, proofs
from liftbite.core.explained import bearing_explained
from liftbite.core.findings import Reading
from liftbite.core.fitting import Window
from liftbite.core.graph import Needs, Refused
from liftbite.core.lift import inner_gap, outer_gap
from liftbite.core.proving import FLOATER, NOMINAL, RULE, FloaterShims, Stack, shims_for_float
from liftbite.core.setup import Setup, both, both_fine

_SHOWN = 8


def proofs_out(setup: Setup, readings: Mapping[str, Sequence[Reading]]) -> mm.ProofsOut:
    """Every sum that the readings allow."""
    found = proofs(setup, readings)
    return mm.ProofsOut(
        bearing=_bearing(found, piece_places(readings, "spacers")),
        floater=_floater(setup, found, readings),
        reach=_reach(found),
        fork=_fork(found),
        air=_air(found),
        end_float=_end_float(readings),
        pack=list(found.pack),
    )


def _stack(stack: Stack, names: Sequence[str]) -> mm.StackOut:
    return mm.StackOut(
        pieces=[names[i] for i in stack.pieces], height=fine_out(stack.height, "m"),
        cushion=fine_out(stack.cushion, "m"), in_rule=stack.in_rule, off_nominal=fine_out(stack.off_nominal, "m"),
        in_window=stack.in_window, sure=stack.sure,
    )  # fmt: skip


def _bearing(found: Proofs, names: Sequence[str]) -> mm.BearingOut | None:
    if found.cushion is None:
        return None
    window = found.window if found.window is not None and found.window.high > found.window.low else None
    best = found.stacks[0]
    marks = [0.0, RULE.high, found.cushion, best.cushion, *([window.high] if window else [])]
    top = max(marks) * 1.08

    def at(value: float) -> float:
        return round(max(value, 0.0) / top, 5)

    marks_at = [("rule", RULE.low, RULE.high), ("nominal", NOMINAL, NOMINAL), ("none", found.cushion, found.cushion),
                ("best", best.cushion, best.cushion)]  # fmt: skip
    if window:
        marks_at.insert(0, ("window", window.low, window.high))
    ruler = [mm.StandsAtOut(name=name, start=at(low), end=at(high)) for name, low, high in marks_at]
    return mm.BearingOut(
        cushion=fine_out(found.cushion, "m"), doubt=fine_out(found.cushion_doubt, "m"),
        window_low=fine_out(found.window.low, "m") if found.window else None,
        window_high=fine_out(found.window.high, "m") if found.window else None,
        rule_low=fine_out(RULE.low, "m"), rule_high=fine_out(RULE.high, "m"),
        stacks=[_stack(s, names) for s in found.stacks[:_SHOWN]], ruler=ruler, working=list(bearing_explained(found)),
        sentence=_says(found, best, names, window),
    )  # fmt: skip


def _says(found: Proofs, best: Stack, names: Sequence[str], window: Window | None) -> str:
    assert found.cushion is not None
    if found.cushion <= 0:
        return "The bearing already meets the fingers: no stack can help. A shorter bearing or another seat is needed."
    with_what = " and ".join(names[i] for i in best.pieces) if best.pieces else "no spacer"
    left = f"With {with_what} the cushion is {both_fine(best.cushion, 'm')}"
    if found.window is not None and window is None:
        return (
            f"No cushion serves: the fingers ask for {both_fine(found.window.low, 'm')} and the stroke leaves "
            f"{both_fine(found.window.high, 'm')}. A bearing of more stroke is needed. {left}."
        )
    if window is not None:
        low, high = both_fine(window.low, "m"), both_fine(window.high, "m")
        inside = f"between {low} for the wear to come and {high} for the stroke"
        if not best.in_window:
            return f"No stack at hand falls {inside}. Nearest: {left[0].lower()}{left[1:]}."
        rule = "" if best.in_rule else " It lies outside the rule of 1/8 to 3/8 in, which counts less."
        doubt = "" if best.sure else " It stands on the doubt of the readings: measure again."
        return f"{left}, {inside}.{rule}{doubt}"
    if not best.in_rule:
        return f"No stack at hand falls in 1/8 to 3/8 in. Nearest: {left[0].lower()}{left[1:]}."
    doubt = "" if best.sure else " It stands on the doubt of the readings: measure again."
    return f"{left}, in the rule of 1/8 to 3/8 in; wear limit and bearing stroke would give a window of its own.{doubt}"


def _stands(found: FloaterShims, names: Sequence[str], *, opens: bool) -> mm.StandsOut:
    return mm.StandsOut(opens=opens, pieces=[[names[i] for i in stack] for stack in found.pieces],
                        gaps=[fine_out(g, "m") for g in found.gaps], in_window=found.in_window,
                        alike=found.alike)  # fmt: skip


def _floater(setup: Setup, found: Proofs, readings: Mapping[str, Sequence[Reading]]) -> mm.FloaterOut | None:
    if found.floater is None:
        return None
    names = piece_places(readings, "floater_shims")
    v = setup.evaluate(("plate_lift_available", "reshim_wear", "wear_limit"))
    lift, cushion = v["plate_lift_available"], float(setup.known.get("cushion_travel", 0.0))
    wears, inner, outer = [], [], []
    if not isinstance(lift, Needs | Refused):
        limit = v["wear_limit"]
        most = 0.001 if isinstance(limit, Needs | Refused) else float(limit) / 2
        gap = float(np.mean(found.floater[0].gaps)) if found.floater[0].in_window else (FLOATER.low + FLOATER.high) / 2
        for wear in np.linspace(0.0, most, 5):
            wears.append(fine_out(float(wear), "m"))
            inner.append(fine_out(float(inner_gap(gap, cushion, float(wear))), "m"))
            outer.append(fine_out(float(outer_gap(float(lift), gap, cushion, float(wear))), "m"))
    at = v["reshim_wear"]
    return mm.FloaterOut(
        stands=[_stands(found.floater[0], names, opens=True), _stands(found.floater[1], names, opens=False)],
        wear=wears, inner=inner, outer=outer,
        wants_shims_at=None if isinstance(at, Needs | Refused) else fine_out(float(at), "m"),
    )  # fmt: skip


def _reach(found: Proofs) -> mm.ReachOut | None:
    r = found.reach
    if r is None:
        return None
    if r.engagement <= 0:
        said = f"The shaft does not reach its pilot: {both_fine(-r.engagement, 'm')} short."
    elif r.touches:
        said = "The shaft meets the bottom of the bore: shorten it or recess the pilot before anything is bolted up."
    elif not r.full:
        said = f"The shaft enters the pilot by {both_fine(r.engagement, 'm')}, not its whole length."
    else:
        said = f"The shaft passes the whole pilot and stays {both_fine(r.clear, 'm')} clear of the bottom."
    return mm.ReachOut(engagement=fine_out(r.engagement, "m"), clear=fine_out(r.clear, "m"), full=r.full,
                       touches=r.touches, sentence=said)  # fmt: skip


def _fork(found: Proofs) -> mm.ForkOut | None:
    f = found.fork
    if f is None:
        return None
    taller = "taller" if f.height >= 0 else "shorter"
    new, play = f"The new bearing is {both_fine(abs(f.height), 'm')} {taller}", both_fine(abs(f.free_play), "m")
    said = f"{new}; {play} of free play is left."
    if f.free_play < 0:
        said = f"{new} and always loaded, {play} past its free play: shim the pivot or the slave."
    turns = "" if f.tilt is None else f" The fork turns by {both(abs(f.tilt), 'rad')}."
    return mm.ForkOut(height=fine_out(f.height, "m"), free_play=fine_out(f.free_play, "m"), sentence=said + turns,
                      tilt=None if f.tilt is None else fine_out(f.tilt, "rad"))  # fmt: skip


def _air(found: Proofs) -> mm.AirOut | None:
    a = found.air
    if a is None:
        return None
    low, high = both_fine(a.low, "m³"), both_fine(a.high, "m³")
    said = "The slave travels as far as it should: no air worth counting."
    if a.high > 0 and a.volume > 0:
        said = f"{low} to {high} of air is still in there, or something flexes."
    return mm.AirOut(low=fine_out(a.low, "m³"), volume=fine_out(a.volume, "m³"), high=fine_out(a.high, "m³"),
                     sentence=said)  # fmt: skip


def _end_float(readings: Mapping[str, Sequence[Reading]]) -> str:
    end = [r.si for r in readings.get("end_float", ()) if r.si is not None]
    names = piece_places(readings, "retainer_shims")
    latest = {r.place: r.si for r in readings.get("retainer_shims", ()) if r.si is not None}
    if not end:
        return ""
    if not names:
        return f"End float {both_fine(end[-1], 'm')}: nil but free turning is wanted. Measure the shims at hand."
    pieces, left = shims_for_float(end[-1], [latest[n] for n in names])
    if not pieces:
        return f"End float {both_fine(end[-1], 'm')}: no shim at hand is thin enough."
    return (
        f"{' and '.join(names[i] for i in pieces)} take the end float to {both_fine(left, 'm')}; thickest at the race."
    )
