"""What was read on the bench as the account has it: of whose part, and what was done about it.

- `read_parts`   every check that was read, or closed unread
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence

from liftbite.core.account.claims import Claim
from liftbite.core.account.parts import PartLine
from liftbite.core.account.read import ReadPart, Whose, done_about
from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.measure.check import Check
from liftbite.core.measure.instruments import INSTRUMENT_KINDS
from liftbite.core.measure.judgement import USABLE, Finding
from liftbite.core.measure.statements import CheckClosed
from liftbite.core.measure.whose import part_read
from liftbite.store.jobs import utc_text
from liftbite.store.measurements import Series
from liftbite.whole.bench import Bench, finding_of, finding_of_series


def read_parts(bench: Bench, parts: Sequence[PartLine]) -> tuple[ReadPart, ...]:
    """Every check that was read, or closed unread: first of what was found, then of parts that go in and are others.

    Parameters
    ----------
    bench : of the job
    parts : of its account
    """
    lines = {line.key: line for line in parts}
    found, plan = bench.seen_as(FOUND), bench.seen_as(PLAN)
    goes_in = [c for c in plan.checks if not part_read(c.name) or part_read(c.name) in bench.apart]
    other = {check.name for check in goes_in if not part_read(check.name)}
    return (
        *_read(found, lines, [check for check in found.checks if check.name not in other]),
        *_read(plan, lines, goes_in),
    )


def _read(bench: Bench, lines: Mapping[str, PartLine], checks: Sequence[Check]) -> Iterator[ReadPart]:
    for check in checks:
        finding, closed = finding_of(bench, check)[0], bench.said_of(CheckClosed).get(check.name)
        of = _whose(bench, check, lines)
        if not finding.taken and (closed is None or of in ("goes_in", "went_in")):
            continue  # one that was closed unread is told once, of what was found
        before = _before(bench, check, finding)
        done = done_about(check, of, finding, lines, before=before is not None)
        yield ReadPart(check, of, bench.which, finding, done, before, _claim(bench, check), closed)


def _whose(bench: Bench, check: Check, lines: Mapping[str, PartLine]) -> Whose:
    part = part_read(check.name)
    if not part:
        return "set_up"
    if part not in bench.apart:
        return "stays"
    line = lines.get(f"{part}:get")
    fitted = line is not None and line.state == "fitted"
    if bench.which == FOUND:
        return "came_out" if fitted else "comes_out"
    return "went_in" if fitted else "goes_in"


def _before(bench: Bench, check: Check, finding: Finding) -> Finding | None:
    """What it came to when it was last bad, where it is good now."""
    if finding.verdict not in USABLE:
        return None
    earlier = [t for t in bench.series if t.check == check.name and bench.counts(t)][:-1]
    came_to = (finding_of_series(bench, check, series)[0] for series in reversed(earlier))
    return next((f for f in came_to if f.taken and f.verdict not in (*USABLE, "open")), None)


def _claim(bench: Bench, check: Check) -> Claim | None:
    """Who read it, when, and with what."""
    series = bench.latest(check.name)
    taken = [t for t in series.taken if not t.withdrawn] if series else []
    if series is None or not taken:
        return None
    people = ", ".join(dict.fromkeys(t.who for t in taken if t.who))
    return Claim("reading", check.name, _read_with(bench, series), people, utc_text(max(t.at for t in taken)))


def _read_with(bench: Bench, series: Series) -> str:
    """How often, and with what."""
    readings = [t.reading for t in series.taken if not t.withdrawn]
    held = (bench.held.get(r.held) for r in readings)
    names = [
        own.name if own is not None else kind.label if (kind := INSTRUMENT_KINDS.get(r.instrument)) else ""
        for own, r in zip(held, readings, strict=True)
    ]
    count = f"{len(readings)} {'reading' if len(readings) == 1 else 'readings'}"
    return ", ".join(filter(None, (count, *dict.fromkeys(names))))
