"""Views of the finder: a search that runs beside the requests, tells its progress and can be cancelled."""

from __future__ import annotations

import logging
import threading
from collections.abc import Mapping
from typing import Any

import numpy as np
from flask import Response, current_app
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.common import reply, session_of
from liftbite.api.jobs import models as m
from liftbite.api.jobs.entries import read_entries
from liftbite.api.jobs.present import band_out, figure_text, verdict_out
from liftbite.api.jobs.workings import typed_safely
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.shelf import models as ms
from liftbite.core.errors import UnreadableEntry
from liftbite.core.find.candidate_part import finder_part
from liftbite.core.find.combinations import LIMITS, OBJECTIVES, FinderPart
from liftbite.core.job import ledger
from liftbite.core.job.build import build_of, label_of, unit_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import Entry, read_entry
from liftbite.core.job.slots import SLOTS
from liftbite.core.parts.mismatch import misfit_sentence
from liftbite.core.parts.shelf import misfits, with_parts
from liftbite.core.units.kinds import KINDS
from liftbite.core.verdicts.answers import answer
from liftbite.core.verdicts.verdict import Band
from liftbite.store import jobs as store
from liftbite.store import parts as shelf
from liftbite.whole.runs import Run, Runs

log = logging.getLogger(__name__)
api = APIBlueprint("finder", __name__, abp_tags=[Tag(name="finder")])
_PROBLEMS = problem_responses(400, 404, 422)
_MOST = 50_000_000
_SHOWN = 400  # candidates sent at once
_LABELS = {
    "bite": ("Bite margin", ""),
    "lift": ("Lift margin", ""),
    "effort": ("Effort", "N"),
    "inertia": ("Inertia", "kg·m²"),
    "heat": ("Heat margin", ""),
    "price": ("Price", ""),
}


class RunPath(BaseModel):
    """Number of a run."""

    run_id: int = Field(ge=1, le=2**53)


def _runs() -> Runs:
    runs: Runs = current_app.extensions["liftbite.runs"]
    return runs


def _free_parts(free: ms.FreeIn) -> list[FinderPart]:
    """A figure left free as parts of a slot of its own."""
    asked = INPUTS.get(free.quantity)
    if asked is None or asked.many or asked.unit in {"text", "curve"}:
        raise UnreadableEntry(f"“{free.quantity}” is no figure that can be left free")
    ends = [read_entry(free.quantity, typed).si for typed in (free.start, free.end)]
    if ends[0] is None or ends[1] is None or ends[0] >= ends[1]:
        raise UnreadableEntry(f"{asked.label}: from “{free.start}” to “{free.end}” has to go upwards")
    values = np.linspace(ends[0], ends[1], free.steps + 1)
    if asked.unit == "count":
        values = np.unique(values.round())
    unit = KINDS[asked.unit].metric if asked.unit != "count" else ""
    return [
        FinderPart(typed_safely(float(v), free.quantity, True, unit), 0.0, {free.quantity: float(v)}) for v in values
    ]


@api.post("/api/jobs/<int:job_id>/finds", responses={"201": ms.FindOut, **_PROBLEMS})
def start_find(path: JobPath, body: ms.FindIn) -> Response:
    """Begins a search over parts and free figures against the job's brief."""
    with session_of() as session:
        entries = dict(ledger.present(store.revisions_of(session, path.job_id)))
        slots: dict[str, list[FinderPart]] = {}
        ids: dict[str, dict[str, int]] = {}
        for slot, numbers in body.slots.items():
            if slot not in SLOTS:
                raise UnreadableEntry(f"“{slot}” is no kind of part")
            if not numbers:
                continue
            taken = [(n, finder_part(shelf.part_of(session, n).part)) for n in numbers]
            slots[slot] = [part for _, part in taken]
            ids[slot] = {part.name: n for n, part in taken}
    for free in body.free:
        slots[f"={free.quantity}"] = _free_parts(free)
    if not slots:
        raise UnreadableEntry("Pick parts of at least one kind, or leave a figure free.")
    total = int(np.prod([len(parts) for parts in slots.values()], dtype=np.float64))
    if total > _MOST:
        raise UnreadableEntry(f"{total} combinations are too many; {_MOST} can be swept. Leave some parts out.")
    build = build_of(entries)
    run = _runs().start(path.job_id, slots, ids, total, body.all_four)
    threading.Thread(target=run.work, args=(entries, build.stage), daemon=True).start()
    return reply(_find_out(run), 201)


@api.get("/api/finds/<int:run_id>", responses={"200": ms.FindOut, **_PROBLEMS})
def get_find(path: RunPath) -> Response:
    """How far a search is and what it found so far."""
    return reply(_find_out(_runs().get(path.run_id)))


@api.delete("/api/finds/<int:run_id>", responses={"200": ms.FindOut, **_PROBLEMS})
def cancel_find(path: RunPath) -> Response:
    """Stops a search; what it found so far stays."""
    run = _runs().get(path.run_id)
    run.cancel()
    return reply(_find_out(run))


def _find_out(run: Run) -> ms.FindOut:
    found = run.found
    shown = _best(found.front, _SHOWN) if found else []
    unseen = set(found.unseen) if found else set()
    return ms.FindOut(
        run=run.number,
        total=run.total,
        done=found.total if found else 0,
        kept=found.kept if found else 0,
        state=run.state,
        candidates=[_candidate(row, run) for row in shown],
        more_candidates=max(0, len(found.front) - _SHOWN) if found else 0,
        excluded=[
            ms.ExcludedOut(name=n, says=LIMITS[n], count=c)
            for n, c in sorted((found.excluded if found else {}).items(), key=lambda p: -p[1])
        ],
        objectives=[
            ms.ObjectiveOut(name=n, label=_LABELS[n][0], unit=_LABELS[n][1], more=sign > 0)
            for n, sign in OBJECTIVES.items()
            if n not in unseen
        ],
        unseen=[_LABELS[n][0] for n in OBJECTIVES if n in unseen],
        trouble=run.trouble,
    )


def _best(front: list[dict[str, Any]], most: int) -> list[dict[str, Any]]:
    """At most `most` of the front, spread evenly over bite, so that both ends stay in sight."""
    if len(front) <= most:
        return front
    ordered = sorted(front, key=lambda row: row.get("bite", row.get("price", 0.0)))
    return [ordered[i] for i in np.linspace(0, len(ordered) - 1, most).round().astype(int)]


def _candidate(row: Mapping[str, Any], run: Run) -> ms.CandidateOut:
    return ms.CandidateOut(
        parts={s: run.ids[s][row[s]] for s in run.ids},
        free={s[1:]: row[s] for s in run.shelf if s.startswith("=")},
        names={SLOTS[s].label if s in SLOTS else label_of(s[1:]): row[s] for s in run.shelf},
        objectives={n: round(float(row[n]), 4) for n in OBJECTIVES if n in row and np.isfinite(row[n])},
    )


_COMPARED = (
    "clamp_load",
    "torque_capacity",
    "bite_margin",
    "mean_pressure",
    "pressure_margin",
    "plate_lift_available",
    "lift_margin",
    "overtravel_margin",
    "slip_energy",
    "heat_margin",
    "sustained_margin",
    "engine_inertia",
    "burst_margin",
    "balance_margin",
    "joint_margin",
)


@api.post("/api/jobs/<int:job_id>/compare", responses={"200": ms.CompareOut, **_PROBLEMS})
def compare(path: JobPath, body: ms.CompareIn) -> Response:
    """Candidates side by side with the job as it is."""
    with session_of() as session:
        present = dict(ledger.present(store.revisions_of(session, path.job_id)))
        columns = [_compared("As it is", present)]
        for number, candidate in enumerate(body.candidates, start=1):
            tried, _ = read_entries(candidate.entries)
            after = with_parts(present, shelf.parts_of(session, candidate.parts), tried)
            columns.append(_compared(f"Pin {number}", after))
    rows = [m.NameOut(name=n, label=label_of(n)) for n in _COMPARED if any(n in c.figures for c in columns)]
    return reply(ms.CompareOut(rows=rows, columns=columns))


def _compared(label: str, entries: Mapping[str, Entry]) -> ms.ComparedOut:
    answers = answer(entries)
    figures = {}
    for name in _COMPARED:
        band = answers.results.get(name)
        if isinstance(band, Band):
            out = band_out(band, unit_of(name, answers.build.graph))
            if out is not None:
                figures[name] = figure_text(out.nominal)
    clash = misfits(answers.build)
    return ms.ComparedOut(
        label=label,
        verdicts=[verdict_out(v) for v in (answers.verdict, *answers.others)],
        figures=figures,
        misfit=misfit_sentence(clash[0]) if clash else None,
    )
