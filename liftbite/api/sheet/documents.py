"""The papers of a job as documents: each is made of its account, and of nothing else.

- `sheet_html`       the sheet
- `hand_over_html`   the sheet with everything that was done and proved
- `owner_html`       one page for the owner
"""

from __future__ import annotations

from liftbite.api.account.papers import Papers
from liftbite.api.paper.document import page


def _running(papers: Papers) -> tuple[str, str]:
    return papers.job.name, papers.about[-1]


def sheet_html(papers: Papers, *, night: bool = False, appendix: bool = False) -> str:
    """The sheet of a job as one HTML that needs nothing else, in the units preferred."""
    return page("sheet", night=night, papers=papers, appendix=appendix, running=_running(papers))


def hand_over_html(papers: Papers) -> str:
    """The hand-over as one HTML document that needs nothing else."""
    return page("handover", papers=papers, appendix=True, running=_running(papers))


def owner_html(papers: Papers) -> str:
    """One page for the owner."""
    return page("owner", papers=papers, running=_running(papers))
