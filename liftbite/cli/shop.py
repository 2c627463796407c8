"""Commands on the shop's file as a whole: copies out and back, a look at what is in it, all of it in open formats.

- `backup`, `restore`, `check`, `export`, `import`   the commands
- `SHOP_COMMANDS`   all of them
"""

from __future__ import annotations

import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, NoReturn

import click
from sqlalchemy.orm import Session

from liftbite.cli.commands import EXIT_BAD_INPUT, EXIT_FALLS_SHORT

_FILE = click.Path(path_type=Path)


def _shop(data: Path | None) -> Path:
    from liftbite.api.app import data_path

    return (data or data_path()).absolute()


def _fails(sentence: str, code: int = EXIT_BAD_INPUT) -> NoReturn:
    click.echo(sentence, err=True)
    sys.exit(code)


_data = click.option("--data", type=_FILE, help="The shop's file; LIFTBITE_DATA or the usual place where left out.")


@contextmanager
def _opened(path: Path) -> Iterator[Session]:
    from liftbite.store.database import UnusableShop, close, open_database

    if not path.exists():
        _fails(f"There is no shop at {path}.")
    try:
        sessions = open_database(path)
    except UnusableShop as error:
        _fails(str(error))
    try:
        with sessions() as session:
            yield session
    finally:
        close(sessions)


@click.command()
@click.argument("to", type=_FILE, required=False)
@_data
def backup(to: Path | None, data: Path | None) -> None:
    """Copy the shop's file TO a file, or beside it; it may be in use. The copy is looked at before it counts."""
    from datetime import UTC, datetime

    from liftbite.store import backups

    shop = _shop(data)
    try:
        made = backups.back_up(shop, to or backups.new_name(shop, datetime.now(UTC), "hand"))
    except backups.NotBackedUp as error:
        _fails(str(error))
    click.echo(f"Copied to {made.path}, {size_words(made.size)}, and it is whole.")


@click.command()
@click.argument("source", type=_FILE)
@_data
def restore(source: Path, data: Path | None) -> None:
    """Put a backup, SOURCE, in the place of the shop's file. What stands there now is kept beside it."""
    from liftbite.store import backups
    from liftbite.store.database import UnusableShop, close, open_database

    shop = _shop(data)
    try:
        kept = backups.restore(shop, source.absolute())
        close(open_database(shop))  # tables of before are brought up to date
    except (backups.NotBackedUp, UnusableShop) as error:
        _fails(str(error))
    click.echo(f"{shop} is as {source} had it.")
    if kept is not None:
        click.echo(f"What stood there before is kept as {kept}.")


@click.command()
@click.argument("file", type=_FILE, required=False)
@click.option("--as-it-stands", is_flag=True, help="Go on with what a file holds that was copied without its log.")
@_data
def check(file: Path | None, as_it_stands: bool, data: Path | None) -> None:
    """Look at a shop's FILE: pages, tables, and whether every job opens. Exit code 0 whole, 1 faults, 2 no shop."""
    from liftbite.store import copies
    from liftbite.store.database import UnusableShop, accept_as_it_stands

    path = (file or _shop(data)).absolute()
    if as_it_stands and copies.is_shop(path):
        try:
            accept_as_it_stands(path)
        except UnusableShop as error:
            _fails(str(error))
    faults = copies.faults_of(path)
    if faults:
        for fault in faults:
            click.echo(f"{path}: {fault}.", err=True)
        if not copies.is_shop(path):
            _fails(f"{path} is no shop that this Lift Bite can open. {_way_out(path)}")
        what = "not whole" if copies.is_alone(path) else "damaged"
        _fails(f"{path} is {what}. {_way_out(path)}", EXIT_FALLS_SHORT)
    if not copies.is_of_today(path):
        click.echo(f"{path} is whole. It has tables of an earlier Lift Bite and is brought up to date when opened.")
        return
    jobs = bad = 0
    with _opened(path) as session:
        for number, fault in _looked_at(session):
            jobs += 1
            if fault:
                bad += 1
                click.echo(f"Job {number} cannot be read: {fault}", err=True)
    click.echo(f"{path} is whole: {jobs} jobs, {bad} that cannot be read.")
    sys.exit(EXIT_FALLS_SHORT if bad else 0)


def _way_out(path: Path) -> str:
    from liftbite.store.copies import way_out

    return way_out(path)


def _looked_at(session: Session) -> Iterator[tuple[int, str]]:
    """Every job's number, with why it cannot be read, or nothing."""
    from liftbite.core.job.ledger import present
    from liftbite.core.verdicts.answers import answer
    from liftbite.store import jobs, measurements

    for number in jobs.all_numbers(session):
        try:
            answer(present(jobs.revisions_of(session, number)))
            measurements.series_of(session, number)
        except Exception as error:  # whatever it is, the next job is looked at
            yield number, str(error) if isinstance(error, jobs.UnreadableJob) else repr(error)
        else:
            yield number, ""


@click.command()
@click.option("--all", "everything", is_flag=True, required=True, help="Every job, the shelf and the readings.")
@click.argument("to", type=_FILE)
@_data
def export(everything: bool, to: Path, data: Path | None) -> None:
    """Write all a shop holds, in open formats, to a folder or a .zip. 1 where a job left as raw rows.

    Jobs, shelf, instruments, practices, steps, units and photos; “liftbite import” brings them back as they were.
    """
    from liftbite.files.archive import write_archive
    from liftbite.store.carry import count_of_shop, files_of_shop

    if to.exists() and (to.is_file() or any(to.iterdir())):
        _fails(f"{to} is there already; name a folder or a .zip that is not.")
    written, raw = 0, 0

    def counted(session: Session) -> Iterator[tuple[str, bytes]]:
        nonlocal written, raw
        with _progress(count_of_shop(session), "Writing") as bar:
            for name, content, whole in files_of_shop(session):
                written, raw = written + 1, raw + (not whole)
                yield name, content.encode() if isinstance(content, str) else content
                bar.update(1)

    with _opened(_shop(data)) as session:
        try:
            if to.suffix == ".zip":
                with to.open("xb") as packed:
                    write_archive(counted(session), packed)
            else:
                for name, content in counted(session):
                    (to / name).parent.mkdir(parents=True, exist_ok=True)
                    (to / name).write_bytes(content)
        except OSError as error:
            _fails(f"{to} could not be written ({error.strerror}).")
    click.echo(f"{written} files written to {to}.")
    if raw:
        _fails(f"{raw} of the jobs cannot be read; they are there as raw rows.", EXIT_FALLS_SHORT)


def _progress(length: int, label: str) -> Any:
    """How far it is, on the terminal; nothing where nobody looks."""
    return click.progressbar(length=length, label=label, file=sys.stderr, hidden=not sys.stderr.isatty())


@click.command("import")
@click.argument("source", type=_FILE)
@click.option(
    "--changed",
    type=click.Choice(["leave", "copy", "update"]),
    default="leave",
    show_default=True,
    help="Where something stands otherwise here: leave it, bring it as a second one, or take what is brought.",
)
@_data
def import_(source: Path, changed: str, data: Path | None) -> None:
    """Bring an archive, a folder or a job file, SOURCE, into the shop. 1 where something was not read, or is asked.

    A job is the same job by its identity; what is here as it is, is not doubled. “update” takes a job's file only where
    it goes on where the job here ends.
    """
    from datetime import UTC, datetime

    from liftbite.core.errors import UnreadableFile
    from liftbite.files.archive import Archive
    from liftbite.files.photo import stored_photo
    from liftbite.store.carry import Brought, bring_shop
    from liftbite.store.database import UnusableShop, close, open_database

    if not source.exists():
        _fails(f"There is nothing at {source}.")
    try:
        sessions = open_database(_shop(data))
        with Archive(_as_archive(source)) as archive, _progress(len(archive.names), "Reading") as bar:
            told = Brought()
            found = bring_shop(
                sessions, archive, datetime.now(UTC), stored_photo, _Always(changed), told, step=lambda: bar.update(1)
            )
    except (UnusableShop, UnreadableFile) as error:
        _fails(str(error))
    close(sessions)
    click.echo(brought_sentence(found))
    for each in found.changed:
        click.echo(f"{each.what}: {each.says}; left as it is here. --changed {' or '.join(each.offered)} takes it.")
    for fault in found.faults:
        click.echo(f"Not read: {fault}", err=True)
    if found.faults or found.changed:
        sys.exit(EXIT_FALLS_SHORT)


class _Always(dict[str, Any]):
    """The same decision, whatever is asked."""

    def __init__(self, decision: str) -> None:
        super().__init__()
        self._decision = decision

    def get(self, _key: str, _default: Any = None) -> Any:
        """The decision."""
        return self._decision


def _as_archive(source: Path) -> Path | bytes:
    """A single job file as an archive of one."""
    from liftbite.files.archive import write_archive

    if source.is_file() and source.suffix == ".json":
        return write_archive(
            [(f"jobs/{source.name}" if source.name.endswith(".liftbite.json") else source.name, source.read_bytes())]
        )
    return source


def brought_sentence(found: Any) -> str:
    """What was brought, in a sentence."""
    told = [
        (found.jobs, "new job", "new jobs"),
        (found.updated, "job gone on with", "jobs gone on with"),
        (found.already, "job that was here as it is", "jobs that were here as they are"),
        (found.parts, "part", "parts"),
        (found.photos, "photo", "photos"),
        (found.instruments, "instrument", "instruments"),
        (found.said, "practice of the shop", "practices of the shop"),
    ]
    words = [f"{count} {one if count == 1 else many}" for count, one, many in told if count]
    return f"{', '.join(words) or 'Nothing that is new here'}."


def size_words(size: int) -> str:
    """A size in the unit a human would say.

    >>> size_words(900), size_words(1_234_000)
    ('900 B', '1.23 MB')
    """
    value = float(size)
    for unit in ("B", "kB", "MB"):
        if value < 1000:
            return f"{value:.3g} {unit}" if unit != "B" else f"{size} B"
        value /= 1000
    return f"{value:.3g} GB"


SHOP_COMMANDS = (backup, restore, check, export, import_)
