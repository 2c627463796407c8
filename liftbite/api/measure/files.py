"""Views of the bench's files: readings in and out, the list of parts to get."""

from __future__ import annotations

import hashlib
from collections.abc import Sequence

from flask import Response
from flask_openapi3 import APIBlueprint, Tag

from liftbite.api.common import download, now, reply, session_of, writing
from liftbite.api.measure import models as mm
from liftbite.api.measure import models_in as mi
from liftbite.api.measure.present import measure_out
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.core.measure.parts_list import WORKS
from liftbite.core.measure.statements import ListLine, Order
from liftbite.files.measured import Filed, FiledReading, FiledSeries
from liftbite.files.readings import CsvReading, read_readings
from liftbite.files.table import write_table
from liftbite.store import measurements as store
from liftbite.store.filed import bring
from liftbite.store.jobs import brought, note_brought
from liftbite.whole.account import account_of
from liftbite.whole.bench import bench_of
from liftbite.whole.readings import readings_of, rows_of

api = APIBlueprint("bench_files", __name__, abp_tags=[Tag(name="measure")])
_ORDER = ("number", "source", "price", "currency", "state")
_PROBLEMS = problem_responses(400, 404, 422)


@api.get("/api/jobs/<int:job_id>/readings.csv", responses={"200": None, **problem_responses(404)})
def export_readings(path: JobPath) -> Response:
    """The readings of the vehicle as CSV, as typed, in UTC."""
    with session_of() as session:
        bench = bench_of(session, path.job_id)
    return download(readings_of(bench), "text/csv; charset=utf-8", "readings.csv")


@api.post("/api/jobs/<int:job_id>/readings/csv", responses={"200": mm.ImportedOut, **_PROBLEMS})
def import_readings(path: JobPath, query: mi.BenchQuery, body: mi.ReadingsFileIn) -> Response:
    """Takes in a file of readings; rows that cannot be read are named and left, those the job has are counted.

    A file sent again is known by its content, and answered as it was the first time.
    """
    moment = now()
    digest = hashlib.sha256(body.text.encode()).hexdigest()
    with writing() as session:
        before = brought(session, digest, path.job_id)
        if before is not None and store.any_in_force(session, before.says["series"]):
            return reply(mm.ImportedOut(**(before.says | {"taken": 0, "already": before.says["taken"]})))
        bench = bench_of(session, path.job_id, query.build)
        lines = read_readings(body.text, moment, bench.known)
        there = {_what(row) for row in rows_of(bench.series, bench.known)}
        known = {c.name for c in bench.checks}
        groups: dict[tuple[str, str], list[CsvReading]] = {}
        faults = [f"Line {line.number}: {line.fault}." for line in lines if line.row is None]
        already = 0
        for line in lines:
            row = line.row
            if row is None:
                continue
            if row.check not in known:
                faults.append(f"Line {line.number}: {row.check} is no check of this job's layout.")
            elif _what(row) in there:
                already += 1
            else:
                groups.setdefault((row.series, row.check), []).append(row)
        filed = Filed(tuple(_filed_taking(check, rows, bench.whose(check)) for (_, check), rows in groups.items()))
        numbers = bring(session, path.job_id, bench.vehicle, filed, moment)
        taken = sum(map(len, groups.values()))
        told = mm.ImportedOut(taken=taken, already=already, series=numbers, faults=faults[:200])
        if taken:
            note_brought(session, digest, path.job_id, moment, told.model_dump())
    return reply(told)


def _what(row: CsvReading) -> tuple[object, ...]:
    """What makes a reading itself; files have moments to the second."""
    return row.check, row.reading.place, row.reading.typed, row.reading.skipped, row.at.replace(microsecond=0)


def _filed_taking(check: str, rows: Sequence[CsvReading], build: str) -> FiledSeries:
    return FiledSeries(
        check,
        min(r.at for r in rows),
        next((r.distance for r in rows if r.distance is not None), None),
        next((r.settings for r in rows if r.settings), {}),
        tuple(FiledReading(r.reading, r.at, "file") for r in rows),
        build,
    )


@api.post("/api/jobs/<int:job_id>/readings/csv/undo", responses={"200": mm.MeasureOut, **_PROBLEMS})
def undo_import(path: JobPath, query: mi.BenchQuery, body: mi.TakenBackIn) -> Response:
    """Withdraws every reading of series a file brought; they stay in the record, withdrawn."""
    with writing() as session:
        store.withdraw_series(session, path.job_id, body.series, now())
        return reply(measure_out(bench_of(session, path.job_id, query.build)))


@api.get("/api/jobs/<int:job_id>/parts.csv", responses={"200": None, **problem_responses(404)})
def export_parts(path: JobPath) -> Response:
    """The parts to get and the work to have done, with every reason, as CSV."""
    with session_of() as session:
        bench = bench_of(session, path.job_id)
    orders, lines = bench.said_of(Order), bench.said_of(ListLine)
    rows = []
    for need in account_of(bench).needs:
        order, line = orders.get(need.key), lines.get(need.key)
        struck = line.statement.reason if line and line.answer == "struck" else ""
        rows.append(
            [
                need.label,
                WORKS[need.work],
                " | ".join(need.reasons),
                *(getattr(order.statement, name) if order else "" for name in _ORDER),
                struck,
            ]
        )
    return download(
        write_table([["part", "work", "reasons", *_ORDER, "struck because"], *rows]),
        "text/csv; charset=utf-8",
        "parts-to-get.csv",
    )
