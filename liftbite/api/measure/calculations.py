"""The sums of the set-up as they go over the wire."""

from __future__ import annotations

from collections.abc import Callable

from liftbite.api.jobs.present import fine_out
from liftbite.api.measure import models_calculations as mm
from liftbite.core.measure.setup.proofs import Bearing, Floater, Pieces, Proofs
from liftbite.core.measure.setup.proofs_said import SEATS, say
from liftbite.core.measure.setup.proving import FLOATER, NOMINAL, RULE, FloaterShims, Stack

#: Stacks a page shows.
_SHOWN = 8


def proofs_out(found: Proofs) -> mm.ProofsOut:
    """Every sum that the readings allow."""
    words = {name: mm.SaidOut(sentence=s.sentence, working=list(s.working)) for name, s in say(found).items()}
    return mm.ProofsOut(
        bearing=None if found.bearing is None else _bearing(found.bearing, words["bearing"]),
        floater=None if found.floater is None else _floater(found.floater, words["floater"]),
        shaft=words.get("shaft"), fork=words.get("fork"), cut=words.get("cut"), air=words.get("air"),
        end_float=words.get("end_float"), pack=words.get("pack"),
    )  # fmt: skip


def _scale(*marks: float) -> Callable[[float], float]:
    """Places lengths on a ruler from nothing to a little beyond the longest: 0 to 1."""
    top = max(*marks, 1e-6) * 1.08
    return lambda value: round(max(value, 0.0) / top, 5)


def _stack(stack: Stack, pieces: Pieces) -> mm.StackOut:
    return mm.StackOut(
        pieces=[pieces.names[i] for i in stack.pieces], height=fine_out(stack.height, "m"),
        cushion=fine_out(stack.cushion, "m"), in_rule=stack.in_rule, off_nominal=fine_out(stack.off_nominal, "m"),
        in_window=stack.in_window, sure=stack.sure,
    )  # fmt: skip


def _bearing(found: Bearing, said: mm.SaidOut) -> mm.BearingOut:
    window, best = found.usable, found.stacks[0]
    at = _scale(RULE.high, found.cushion, best.cushion, *([window.high] if window else []))
    marks = [("rule", RULE.low, RULE.high), ("nominal", NOMINAL, NOMINAL), ("none", found.cushion, found.cushion),
             ("best", best.cushion, best.cushion)]  # fmt: skip
    if window:
        marks.insert(0, ("window", window.low, window.high))
    return mm.BearingOut(
        cushion=fine_out(found.cushion, "m"), doubt=fine_out(found.doubt, "m"),
        window_low=fine_out(found.window.low, "m") if found.window else None,
        window_high=fine_out(found.window.high, "m") if found.window else None,
        rule_low=fine_out(RULE.low, "m"), rule_high=fine_out(RULE.high, "m"),
        stacks=[_stack(s, found.pieces) for s in found.stacks[:_SHOWN]],
        ruler=[mm.StandsAtOut(name=name, start=at(low), end=at(high)) for name, low, high in marks],
        sentence=said.sentence, working=said.working,
    )  # fmt: skip


def _floater(found: Floater, said: mm.SaidOut) -> mm.FloaterOut:
    at = _scale(FLOATER.high, *found.gaps, *(gap for _, shims in found.ways for gap in shims.gaps))

    def stands(shims: FloaterShims) -> list[mm.StandOut]:
        return [
            mm.StandOut(pieces=[found.pieces.names[i] for i in stack], before=fine_out(before, "m"),
                        after=fine_out(after, "m"), before_at=at(before), after_at=at(after))
            for before, after, stack in zip(found.gaps, shims.gaps, shims.pieces, strict=True)
        ]  # fmt: skip

    return mm.FloaterOut(
        ways=[
            mm.ShimWayOut(way=way, about=SEATS[way], stands=stands(shims),
                          comes_right=shims.in_window and shims.alike)
            for way, shims in found.ways
        ],
        window=mm.StandsAtOut(name="window", start=at(FLOATER.low), end=at(FLOATER.high)),
        window_low=fine_out(FLOATER.low, "m"), window_high=fine_out(FLOATER.high, "m"),
        wear=[fine_out(w, "m") for w in found.wear], inner=[fine_out(g, "m") for g in found.inner],
        outer=[fine_out(g, "m") for g in found.outer],
        wants_shims_at=None if found.reshim_at is None else fine_out(found.reshim_at, "m"),
        sentence=said.sentence, working=said.working,
    )  # fmt: skip
