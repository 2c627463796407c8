"""Instructions for the flywheel's bolts, side by side: the same bolts, each with its owner, torque, angle and finish.

`instructions`: what each of those typed makes of the bolts. One is chosen, and its washers, locker and lubrication go
with it; instructions are never mixed.
"""

from __future__ import annotations

import numpy as np

from liftbite.core.find.alternatives import Beside, Row
from liftbite.core.fit.bolt_load import of_proof
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.job.tightening import Instruction, read_instructions
from liftbite.core.units.show import figure

_WANTED = ("bolt_preload", "low_preload", "proof_margin", "joint_margin", "bolt_proof_load")


def instructions(build: Build) -> Beside | Needs | Refused | None:
    """The instructions typed for the flywheel's bolts, worked out; None where none were typed."""
    entry = build.entries.get("bolt_instructions")
    if entry is None or not entry.typed or "bolt_preload" not in build.graph.functions:
        return None
    rows, missing = [], build.lacks(("bolt_preload", "proof_margin")) - {"bolt_torque"}
    if missing:
        return Needs(frozenset(missing))
    for one in read_instructions(entry.typed):
        row = _row(build, one)
        if isinstance(row, Refused):
            return row
        rows.append(row)
    return Beside(
        "Same bolts, these instructions",
        ("Whose", "Instruction", "With it", "Preload", "Of proof", "Holds", "Verdict"),
        tuple(rows),
        ("One is chosen, and its washers, locker and lubrication go with it; never mixed. The manual wins.",),
    )


def _row(build: Build, one: Instruction) -> Row | Refused:
    taken = {"bolt_torque": one.torque, "bolt_angle": one.angle}
    if one.factor is not None:
        taken["torque_factor"] = one.factor
    v = build.evaluate(_WANTED, stage=build.stage, friction=1.0, **taken)
    refused = next((x for n in _WANTED if isinstance(x := v[n], Refused)), None)
    if refused is not None:
        return refused
    preload, share = float(v["bolt_preload"]), float(v["bolt_preload"]) / float(v["bolt_proof_load"])
    holds = v["joint_margin"]
    margin = None if isinstance(holds, Needs) else (float(holds), "-")
    word, good = _word(share, one.angle)
    factor = taken.get("torque_factor", float(build.known.get("torque_factor", np.nan)))
    present = all(abs(float(build.known.get(n, 0.0)) - taken[n]) < 1e-6 * max(taken[n], 1) for n in taken)
    puts = (("bolt_torque", one.typed), ("torque_factor", f"{factor:g}"))
    with_it = f"{one.words or 'not said'}, K {factor:.2f}"
    cells = (one.owner or "not said", one.typed, with_it, (preload, "N"), f"{figure(100 * share, 3)} %", margin, word)
    return Row(cells, good and (margin is None or margin[0] >= 1), present, puts)


def _word(share: float, angle: float) -> tuple[str, bool]:
    """What a preload over proof is called, and whether it is sound."""
    if angle > 0:
        return ("to yield, one use" if share > 1 else "by stretch"), True
    state = of_proof(share)
    return f"look again: {state}" if state in {"high", "low"} else state, state == "plausible"
