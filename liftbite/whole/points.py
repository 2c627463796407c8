"""What of a job is not done, and known.

- `points_of`   every point, in the order somebody would go through them
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from liftbite.core.account.complaints import Complaint
from liftbite.core.account.parts import ON_THE_WAY, PartLine
from liftbite.core.account.points import Code, Point
from liftbite.core.account.read import ReadPart
from liftbite.core.fit.case import Case
from liftbite.core.fit.progress import PASSED, Progress, undone_in
from liftbite.core.job.builds import shared_figures
from liftbite.core.job.parts import called
from liftbite.core.prove.cards import CARDS, items_of
from liftbite.core.prove.running_in import LoggedDrive, RunningIn, TripDriven
from liftbite.core.prove.statements import Tried
from liftbite.whole.bench import Bench
from liftbite.whole.hand_over import unexplained

#: Steps of the owner's first kilometres, after the work is handed over.
AFTER = ("recheck", "prove_full_load", "full_load")


def points_of(
    bench: Bench,
    case: Case,
    standing: Progress,
    parts: Sequence[PartLine],
    read: Sequence[ReadPart],
    unread: Sequence[str],
    complaints: Sequence[Complaint],
    bedding: RunningIn,
) -> Iterator[Point]:
    """Every point of a job but its answers, which say themselves what they lack.

    Parameters
    ----------
    bench, case, standing : the job, what its plan is made from, and where it stands in it
    parts, read, complaints, bedding : of its account
    unread : titles of checks nobody read to the end
    """
    yield from _of_steps(standing, parts)
    yield from _of_parts(parts)
    if stops := [r.check.title for r in read if r.finding.verdict == "stop" and r.done in ("open", "struck")]:
        yield Point("stops", "measure", tuple(stops))
    if unread:
        yield Point("unread", "measure", tuple(unread))
    yield from _of_cards(bench, case, standing)
    if loose := unexplained(bench):
        yield Point("left over", "fit", tuple(loose), "left_over")
    if still := [each.label for each in complaints if each.state == "open"]:
        yield Point("complaints", "prove", tuple(still))
    if shared := shared_figures(bench.layers):
        yield Point("figures", "measure", tuple(called(part) for part in shared), next(iter(shared)))
    driven = [*bench.said_of(LoggedDrive), *bench.said_of(TripDriven)]
    if not driven and not any(s.planned.key == "drive" and s.settled for s in standing.standings):
        yield Point("no drive", "prove")
    if not bedding.done:
        yield Point("bedding", "prove", (bedding.sentence.rstrip("."),))
    for sentence in (*bench.unread, *standing.left_out):
        yield Point("lines unread", "fit", (sentence,))


def _of_steps(standing: Progress, parts: Sequence[PartLine]) -> Iterator[Point]:
    """Steps and hold points that are not passed; what follows the hand-over is a point of its own."""
    if again := undone_in(standing, {key for line in parts for key in line.left}):
        yield Point("undone", "fit", tuple(s.planned.step.title for s in again), again[0].planned.key)
    left = [s.planned.step for s in standing.standings if s.state not in PASSED]
    work = [step for step in left if step.key not in AFTER]
    if holds := [step for step in work if step.hold]:
        yield Point("hold points", "fit", tuple(step.title for step in holds), holds[0].key)
    if steps := [step for step in work if not step.hold]:
        yield Point("steps", "fit", tuple(step.title for step in steps), steps[0].key)
    for step in left:
        if step.key == "recheck":
            yield Point("look again", "prove", (step.title,), step.key)


def _of_parts(parts: Sequence[PartLine]) -> Iterator[Point]:
    """Parts that are planned and not in, and what the bench asks for and nobody planned."""
    waiting = [line for line in parts if line.work in ("get", "dress")]
    codes: dict[Code, list[str]] = {
        "awaited": [line.label for line in waiting if line.state in ON_THE_WAY],
        "to fit": [line.label for line in waiting if line.state in ("planned", "arrived", "in_stock")],
        "renew": [line.label for line in waiting if line.work == "get" and _asked_by_bench(line)],
        "dress": [line.label for line in waiting if line.work == "dress" and _asked_by_bench(line)],
        "put right": [line.label for line in parts if line.work == "put_right" and line.is_open],
        "measure": [line.label for line in parts if line.work == "measure" and line.is_open],
    }
    for code, labels in codes.items():
        if labels:
            yield Point(code, "measure", tuple(labels), "list")


def _asked_by_bench(line: PartLine) -> bool:
    return line.state in ("suggested", "put_back") and bool(line.because & {"verdict", "worn together"})


def _of_cards(bench: Bench, case: Case, standing: Progress) -> Iterator[Point]:
    """Cards that were not tried to their end, and what was odd."""
    said = bench.said_of(Tried)
    by_key = {s.planned.key: s for s in standing.standings}
    odd, untried = [], []
    for card in CARDS:
        items, step = items_of(card, case), by_key.get(card.name)
        odd += [item.do for key, item in items.items() if key in said and said[key].answer == "odd"]
        if card.name in AFTER or (step is not None and step.state in PASSED):
            continue
        left = [key for key in items if key not in said or said[key].answer == "not_tried"]
        if left and (step is not None or len(left) < len(items)):
            untried.append(f"{card.title} ({len(left)} of {len(items)})")
    if untried:
        yield Point("cards", "prove", tuple(untried))
    if odd:
        yield Point("odd", "prove", tuple(odd))
