"""Commands that write documents of a job file.

- `sheet`   what is handed over, as HTML or PDF
- `plan`    the steps of the work
- `card`    a bolt card at 1:1
"""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any, TypeVar

import click
from sqlalchemy.orm import Session

from liftbite.cli.commands import FILE, JSON, bad_input, read_job


@contextmanager
def shop_of(file: Path) -> Iterator[tuple[Session, int]]:
    """A shop that holds nothing but the job of a file, for as long as it is looked at; the session and its number."""
    from liftbite.store.carry import bring_job
    from liftbite.store.database import open_database, writing

    filed = read_job(file)
    with TemporaryDirectory(prefix="liftbite-") as folder:
        sessions = open_database(Path(folder) / "shop.sqlite")
        with writing(sessions) as session:
            job_id = bring_job(session, filed, datetime.now(UTC), uid=filed.uid)
        with sessions() as session:
            yield session, job_id


def write_document(html: str, as_html: Path | None, as_pdf: Path | None) -> None:
    """Writes a document where it was asked for; to the terminal as HTML where nothing was."""
    from liftbite.api.paper.document import NoPdf, pdf

    try:
        if as_html or not as_pdf:
            write(html.encode(), as_html or Path("-"))
        if as_pdf:
            write(pdf(html), as_pdf)
    except NoPdf as error:
        bad_input(str(error))


def write(data: bytes, to: Path) -> None:
    """Writes what was made; a place it cannot go to ends the command."""
    try:
        with click.open_file(str(to), "wb") as out:
            out.write(data)
    except OSError as error:
        bad_input(f"{error.filename}: {error.strerror}")


_F = TypeVar("_F", bound=Callable[..., Any])
_OUT = click.Path(path_type=Path, dir_okay=False, allow_dash=True)


class Writes(click.Command):
    """A command whose `--html`, `--pdf` and `--svg` may stand alone: then what they name goes to the terminal."""

    def parse_args(self, ctx: click.Context, args: list[str]) -> list[str]:
        """The words of a command, with a dash after an option that stands alone."""
        bare = {f"--{name}" for name in ("html", "pdf", "svg")}
        whole: list[str] = []
        for n, word in enumerate(args):
            whole.append(word)
            if word in bare and (n + 1 == len(args) or args[n + 1].startswith("--")):
                whole.append("-")
        return super().parse_args(ctx, whole)


def _option(name: str) -> Callable[[_F], _F]:
    """`--pdf FILE` writes there; `--pdf` alone goes to the terminal, for a pipe."""
    said = f"Write {name.upper()} here; to the terminal where no file is named."
    return click.option(f"--{name}", f"as_{name}", type=_OUT, help=said)


HTML, PDF, SVG = _option("html"), _option("pdf"), _option("svg")


@click.command(cls=Writes)
@FILE
@HTML
@PDF
@click.option("--appendix", is_flag=True, help="With inputs, results, assumptions and workings.")
def sheet(file: Path, as_html: Path | None, as_pdf: Path | None, appendix: bool) -> None:
    """Write the sheet of a job FILE: verdicts, what was measured and decided, drawings, list."""
    from liftbite.api.account.papers import papers_of
    from liftbite.api.sheet.documents import sheet_html

    with shop_of(file) as (session, job_id):
        found = papers_of(session, job_id, datetime.now(UTC).date(), appendix=appendix)
    html = sheet_html(found, appendix=appendix)
    write_document(html, as_html, as_pdf)


@click.command()
@FILE
@JSON
@click.option("--file", "as_file", type=_OUT, help="Write the plan's own file here: answers, own steps, instructions.")
@click.option("--with", "taken", type=click.Path(path_type=Path), help="Take another plan's file in first.")
@click.option(
    "--answer", "answers", multiple=True, metavar="NAME=ANSWER", help="What the plan depends on: kind=transverse."
)
def plan(file: Path, as_json: bool, as_file: Path | None, taken: Path | None, answers: tuple[str, ...]) -> None:
    """Lay out the work of a job FILE: every step in order, what it needs, what is done and open."""
    from liftbite.api.fit.present import plan_out, plan_text
    from liftbite.core.errors import UnreadableEntry, UnreadableFile
    from liftbite.core.job.ledger import FOUND
    from liftbite.files.plan import read_plan
    from liftbite.store.record import say
    from liftbite.whole.bench import bench_of
    from liftbite.whole.statements import plan_statement

    with shop_of(file) as (session, job_id):
        for text in answers:
            name, _, answer = text.partition("=")
            try:
                line = plan_statement(bench_of(session, job_id, FOUND), "plan", name, {"answer": answer}, "")
            except UnreadableEntry as error:
                bad_input(error.reason)
            say(session, job_id, line, datetime.now(UTC))
        try:
            for line in read_plan(taken.read_text("utf-8")) if taken else ():
                say(session, job_id, line, datetime.now(UTC))
        except (UnreadableFile, OSError, UnicodeDecodeError) as error:
            bad_input(f"{taken}: {error}")
        bench = bench_of(session, job_id, FOUND)
        if as_file:
            write(plan_text(bench).encode(), as_file)
            return
        found = plan_out(bench)
    if as_json:
        click.echo(json.dumps(found.model_dump(exclude={"job", "change"}), ensure_ascii=False, indent=1))
        return
    marks = {"done": "x", "overridden": "!", "open": ">", "waits": "~", "shut": " "}
    for question in found.questions:
        click.echo(
            f"{question.label}: {next(o.label for o in question.options if o.name == question.answer)}"
            f"{'' if question.said else ' (assumed)'}"
        )
    click.echo(f"Opens: {found.opening}{'' if not found.opens_for else ', for ' + '; '.join(found.opens_for)}")
    for step in found.steps:
        click.echo(f"[{marks[step.state]}] {'HOLD ' if step.hold else ''}{step.title}")
        if step.shut:
            click.echo(f"      shut: {step.shut}")
        if step.known or (step.asked and not step.shut):
            click.echo(f"      {step.known or f'said {step.asked}'}")
        for look in step.lines:
            past = f"; gone past by {look.overridden.who}: {look.overridden.reason}" if look.overridden else ""
            click.echo(f"      {look.state}: {look.label}: {look.says}{past}")


@click.command(cls=Writes)
@FILE
@click.option(
    "--joint",
    default="flywheel",
    show_default=True,
    help="flywheel, cover or spring_bolts, or a joint of the job's bolt map.",
)
@click.option("--count", type=click.IntRange(3, 36), help="How many bolts, where the job does not say.")
@click.option(
    "--svg", "as_svg", type=click.Path(path_type=Path, dir_okay=False, allow_dash=True), help="Write SVG here."
)
@PDF
def card(file: Path, joint: str, count: int | None, as_svg: Path | None, as_pdf: Path | None) -> None:
    """Draw the bolt card of a joint of a job FILE at 1:1, numbered in the order of tightening."""
    from liftbite.api.fit.card import card_html, card_svg
    from liftbite.core.errors import UnreadableEntry
    from liftbite.core.job.ledger import FOUND
    from liftbite.whole.bench import bench_of
    from liftbite.whole.joints import card_of_job

    with shop_of(file) as (session, job_id):
        bench = bench_of(session, job_id, FOUND)
        try:
            found = card_of_job(bench, joint, count)
        except UnreadableEntry as error:
            bad_input(str(error))
    if as_pdf:
        write_document(card_html(found, bench.job_name), None, as_pdf)
    if as_svg or not as_pdf:
        write(f"{card_svg(found)}\n".encode(), as_svg or Path("-"))


COMMANDS = (sheet, plan, card)
