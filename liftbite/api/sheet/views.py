"""Views of the sheet: HTML for the screen and the printer, PDF to send."""

from __future__ import annotations

from flask import Response
from flask_openapi3 import APIBlueprint, Tag
from pydantic import BaseModel, Field

from liftbite.api.account.papers import papers_of
from liftbite.api.common import now, session_of
from liftbite.api.paper.document import answered
from liftbite.api.paths import JobPath
from liftbite.api.problems import problem_responses
from liftbite.api.sheet.documents import sheet_html
from liftbite.api.turns import in_turn
from liftbite.core.units.preference import Preference, prefer
from liftbite.store.carry import file_name

api = APIBlueprint("sheet", __name__, url_prefix="/api/jobs", abp_tags=[Tag(name="sheet")])
_PROBLEMS = problem_responses(404, 422)


class SheetQuery(BaseModel):
    """How the sheet is wanted."""

    units: Preference | None = Field(default=None, description="Instead of those the shop prefers.")
    appendix: bool = Field(default=False, description="With inputs, results, assumptions and workings.")
    night: bool = Field(default=False, description="As a night print on screen; paper stays white.")


def _html(job_id: int, query: SheetQuery) -> tuple[str, str]:
    if query.units:
        prefer(query.units)
    with session_of() as session:
        found = papers_of(session, job_id, now().date(), appendix=query.appendix)
    html = sheet_html(found, night=query.night, appendix=query.appendix)
    return html, file_name(found.job.name, "")


@api.get("/<int:job_id>/sheet.html", responses={"200": {"content": {"text/html": {}}}, **_PROBLEMS})
def sheet(path: JobPath, query: SheetQuery) -> Response:
    """The sheet as one HTML that carries its style, its fonts and its drawings."""
    return answered(*_html(path.job_id, query), "html")


@api.get(
    "/<int:job_id>/sheet.pdf",
    responses={"200": {"content": {"application/pdf": {}}}, **problem_responses(404, 422, 501)},
)
@in_turn
def sheet_pdf(path: JobPath, query: SheetQuery) -> Response:
    """The sheet as PDF."""
    return answered(*_html(path.job_id, query), "pdf")
