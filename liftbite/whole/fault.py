"""The complaint of a job: what is complained of, what explains it, and the causes it may have.

- `complaints_of`   what is complained of
- `told_only`       what the brief tells in words nothing is known by
- `finder_of`       causes, by the job's numbers, its bench, its drives and what was answered
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from liftbite.core.job.ledger import FOUND, PLAN
from liftbite.core.prove.causes import COMPLAINTS
from liftbite.core.prove.complaints import complaints_in
from liftbite.core.prove.faults import Finder, find, known_of
from liftbite.core.prove.running_in import LoggedDrive
from liftbite.core.prove.statements import Complaints
from liftbite.whole.bench import Bench, findings_of


def complaints_of(bench: Bench) -> list[str]:
    """What is complained of: as said in Prove, else by the words of the brief."""
    said = bench.said_of(Complaints).get("")
    if said is not None:
        return [name for name in said.answer.split(", ") if name in COMPLAINTS]
    entry = bench.layers[PLAN].get("complaint")
    return list(complaints_in((entry.typed if entry else "") or ""))


def friction_of_drives(bench: Bench) -> float | None:
    """Friction of the drive kept last that measured one, over what the job took it for then [-]."""
    kept = [share for line in bench.said_of(LoggedDrive).values() if (share := line.statement.share)]
    return float(kept[-1]) if kept else None


def finder_of(bench: Bench, complaints: Sequence[str], answers: Mapping[str, str]) -> Finder:
    """Causes of a job's complaint, by its numbers, its bench, its drives and what was answered."""
    found = bench.seen_as(FOUND)
    known = known_of(found.build, findings_of(found), friction_of_drives(bench))
    return find(found.build.chosen.layout, complaints, answers, known)


def told_only(bench: Bench) -> str:
    """What the brief complains of, where nothing in it is known and nobody said in Prove what it is; else empty."""
    entry = bench.layers[PLAN].get("complaint")
    text = ((entry.typed if entry else "") or "").strip()
    nothing = text.lower().rstrip(".") in ("", "none", "no complaint", "-")
    return "" if nothing or "" in bench.said_of(Complaints) or complaints_of(bench) else text
