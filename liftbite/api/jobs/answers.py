"""A job as it is answered, and its builds with what is tried.

- `answer_with_job`   a job, worked out, with its revision as the tag
- `asked_of`      what the shop asks about a job's fields
- `layers_with`, `build_with`   a job with entries that are not kept
"""

from __future__ import annotations

from collections.abc import Mapping

from flask import Response
from sqlalchemy.orm import Session

from liftbite.api.common import session_of, tagged
from liftbite.api.jobs import models_working as mw
from liftbite.api.jobs import present as out
from liftbite.api.jobs.entries import read_entries
from liftbite.api.jobs.lines import keep_line
from liftbite.core.job import ledger
from liftbite.core.job.build import Build, build_of
from liftbite.core.job.builds import entering, entries_of, with_entries
from liftbite.core.job.ledger import Entry, Revision, Unusual
from liftbite.store import jobs as store
from liftbite.store.vehicles import alike


def answer_with_job(
    session: Session, job_id: int, revisions: list[Revision], status: int = 200, build: str = ""
) -> Response:
    """A job, worked out in a build of it, with its revision as the tag."""
    archived, change = store.is_archived(session, job_id), store.change_of(session, job_id)
    asked = asked_of(session, ledger.present(revisions))
    job = out.job_out(job_id, revisions, archived=archived, change=change, build=ledger.read_build(build), asked=asked)
    if session.connection().get_execution_options().get("writes"):
        plan = job if not job.build else out.job_out(job_id, revisions, archived=archived, change=change)
        keep_line(session, plan, revisions)
    return tagged(Response(job.model_dump_json(), status, content_type="application/json"), job.revision)


def asked_of(session: Session, entries: Mapping[str, Entry]) -> dict[str, Unusual]:
    """What the shop asks about a job's fields: whether a vehicle is one it knows by almost the same name."""
    named = entries.get("vehicle")
    known = alike(session, (named.typed or "").strip()) if named else ()
    if not known:
        return {}
    names = ", ".join(f"“{name}”" for name in known)
    return {
        "vehicle": Unusual(
            f"The shop knows {names}. Is it the same vehicle? Its limits and readings come along.", known
        )
    }


def layers_with(job_id: int, body: mw.TryIn) -> ledger.Layers:
    """The layers of a job with entries that are not kept; what cannot be read is left as it was."""
    with session_of() as session:
        layers = ledger.layers_of(store.revisions_of(session, job_id))
    return with_entries(layers, entering(layers, body.build, read_entries(body.entries)[0]))


def build_with(job_id: int, body: mw.TryIn) -> Build:
    """A build of a job with entries that are not kept."""
    return build_of(entries_of(layers_with(job_id, body), ledger.read_build(body.build)))
