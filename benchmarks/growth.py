"""A shop that has grown: 10,000 jobs, 100,000 parts and a million readings in one file."""

from __future__ import annotations

import json
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import text
from sqlalchemy.orm import Session

from liftbite.api.app import create_app
from liftbite.api.serving import serving
from liftbite.demo import JOBS, ledger_of
from liftbite.store import jobs
from liftbite.store.database import writing

Row = Callable[[str, str, str], None]
JOBS_KEPT, PARTS, READINGS = 10_000, 100_000, 1_000_000
_COPIED = 4


def grow(session: Session) -> None:
    """Fills a shop: copies of four demo jobs, covers, and readings spread over ten thousand series."""
    for job in JOBS[:_COPIED]:
        jobs.create(session, ledger_of(job), datetime.now(UTC))
    for turn in range(1, JOBS_KEPT // _COPIED):
        at = {"job": turn * _COPIED, "revision": turn * 1000}
        for statement in (
            "INSERT INTO job (id, created_at, change) SELECT id + :job, created_at, change FROM job WHERE id <= 4",
            """INSERT INTO revision (id, job_id, number, kind, at)
               SELECT id + :revision, job_id + :job, number, kind, at FROM revision WHERE job_id <= 4""",
            """INSERT INTO entry (revision_id, quantity, typed, si, mark, curve, file)
               SELECT revision_id + :revision, quantity, typed, si, mark, curve, file FROM entry
               WHERE revision_id IN (SELECT id FROM revision WHERE job_id <= 4)""",
        ):
            session.execute(text(statement), at)
    counted = "WITH RECURSIVE c(x) AS (SELECT 1 UNION ALL SELECT x + 1 FROM c WHERE x < {})"
    began = "(SELECT created_at AS at FROM job LIMIT 1)"
    session.execute(
        text(f"""INSERT INTO part (slot, name, price, "values", source, notes, changed_at)
        {counted.format(PARTS)} SELECT 'cover', 'Cover ' || x, 100, '{{"cover_clamp": "8 kN"}}', '', '', at
        FROM c, {began}""")
    )
    session.execute(
        text(f"""INSERT INTO series (id, job_id, "check", vehicle, begun_at, settings)
        {counted.format(10_000)} SELECT x, 1 + x % {JOBS_KEPT}, 'bore_runout', 'v' || x, at, '{{}}' FROM c, {began}""")
    )
    session.execute(
        text(f"""INSERT INTO reading
        (series_id, place, si, typed, instrument, uncertainty, skipped, source, at, who)
        {counted.format(READINGS)}
        SELECT 1 + x % 10000, (x % 360) || '°', 1e-4, '0.1 mm', 'dial', 1e-5, '', 'typed', at,
        'Mechanic ' || x % 12 FROM c, {began}""")
    )


def grown(row: Row) -> None:
    """Lists, pickers, a job and its bench over HTTP in a shop that has grown."""
    import http.client

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Path(folder) / "grown.sqlite")
        with writing(app.extensions["liftbite.sessions"]) as session:
            grow(session)
        with serving(app) as address:
            line = http.client.HTTPConnection(address.removeprefix("http://"))

            def ask(path: str) -> float:
                start = time.perf_counter()
                line.request("GET", path)
                answer = line.getresponse()
                answer.read()
                assert answer.status == 200, path
                return time.perf_counter() - start

            def p95(path: str, count: int = 40) -> str:
                found = sorted(ask(path) for _ in range(count))
                return f"{found[int(0.95 * len(found))] * 1e3:.0f} ms"

            row("job list, first page, nothing worked out before", f"{ask('/api/jobs') * 1e3:.0f} ms", "< 200 ms")
            start = time.perf_counter()
            while _waits(line):
                time.sleep(1)
            row("all lines worked out in the background", f"{time.perf_counter() - start:.0f} s", "said")
            row("job list, first page, p95", p95("/api/jobs"), "< 200 ms")
            row("job list, a word looked for, p95", p95("/api/jobs?find=bramwick"), "< 200 ms")
            row("job list, by name, page 100, p95", p95("/api/jobs?sort=name&first=5000"), "< 200 ms")
            row("a job opened, cold", f"{ask('/api/jobs/7001') * 1e3:.0f} ms", "< 300 ms")
            row("a job opened, warm, p95", p95("/api/jobs/7001"), "< 50 ms")
            row("its bench, warm, p95", p95("/api/jobs/7001/measure"), "< 50 ms")
            row("shelf, first page of 100 000, p95", p95("/api/shelf?slot=cover"), "< 200 ms")
            row("covers offered to a job, p95", p95("/api/jobs/7001/shelf?slot=cover", 10), "< 200 ms")
            line.close()


def _waits(line: object) -> bool:
    line.request("GET", "/api/jobs?first=9950")  # type: ignore[attr-defined]
    page = json.loads(line.getresponse().read())  # type: ignore[attr-defined]
    return any(job["waits"] or not job["vehicle"] for job in page["jobs"])
