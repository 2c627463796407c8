"""Commands that write documents of a job file.

- `sheet`   what is handed over, as HTML or PDF
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

import click
from sqlalchemy.orm import Session

from liftbite.cli.commands import FILE, bad_input, read_job


@contextmanager
def shop_of(file: Path) -> Iterator[tuple[Session, int]]:
    """A shop that holds nothing but the job of a file, for as long as it is looked at; the session and its number."""
    from liftbite.api.jobs.files import bring_in
    from liftbite.store.database import open_database, writing

    filed = read_job(file)
    with TemporaryDirectory(prefix="liftbite-") as folder:
        sessions = open_database(Path(folder) / "shop.sqlite")
        with writing(sessions) as session:
            job_id = bring_in(session, filed, datetime.now(UTC))
        with sessions() as session:
            yield session, job_id


def write_document(html: str, as_html: Path | None, as_pdf: Path | None) -> None:
    """Writes a document where it was asked for; to the terminal as HTML where nothing was."""
    from liftbite.api.paper.document import NoPdf, pdf

    try:
        if as_html:
            as_html.write_text(html, "utf-8")
        if as_pdf:
            as_pdf.write_bytes(pdf(html))
    except OSError as error:
        bad_input(f"{error.filename}: {error.strerror}")
    except NoPdf as error:
        bad_input(str(error))
    if not as_html and not as_pdf:
        click.echo(html)


HTML = click.option("--html", "as_html", type=click.Path(path_type=Path, dir_okay=False), help="Write HTML here.")
PDF = click.option("--pdf", "as_pdf", type=click.Path(path_type=Path, dir_okay=False), help="Write PDF here.")


@click.command()
@FILE
@HTML
@PDF
@click.option("--appendix", is_flag=True, help="With inputs, results, assumptions and workings.")
def sheet(file: Path, as_html: Path | None, as_pdf: Path | None, appendix: bool) -> None:
    """Write the sheet of a job FILE: verdicts, what was measured and decided, drawings, list."""
    from liftbite.api.sheet.gathered import sheet_html, sheet_of

    with shop_of(file) as (session, job_id):
        found = sheet_of(session, job_id, datetime.now(UTC).date(), appendix=appendix)
    html = sheet_html(found, appendix=appendix)
    write_document(html, as_html, as_pdf)


COMMANDS = (sheet,)
