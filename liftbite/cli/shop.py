"""Commands on the shop's file as a whole: copies out and back, a look at what is in it, all of it in open formats.

- `backup`, `restore`, `check`, `export`   the commands
- `SHOP_COMMANDS`   all of them
"""

from __future__ import annotations

import sys
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import NoReturn

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
        made = backups.back_up(shop, to or backups.new_name(shop, datetime.now(UTC)))
    except backups.NotBackedUp as error:
        _fails(str(error))
    click.echo(f"Copied to {made.path}, {size_said(made.size)}, and it is whole.")


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
@_data
def check(file: Path | None, data: Path | None) -> None:
    """Look at a shop's FILE: pages, tables, and whether every job opens. Exit code 0 whole, 1 faults, 2 no shop."""
    from liftbite.store import backups

    path = (file or _shop(data)).absolute()
    faults = backups.faults_of(path)
    if faults:
        for fault in faults:
            click.echo(f"{path}: {fault}.", err=True)
        if not backups.is_shop(path):
            _fails(f"{path} is no shop that this Lift Bite can open. {_way_out(path)}")
        _fails(f"{path} is damaged. {_way_out(path)}", EXIT_FALLS_SHORT)
    if not backups.is_of_today(path):
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
    from liftbite.store.database import way_out

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
    """Write every job, the shelf and photos, in open formats, to a folder or a .zip. 1 where a job left as raw rows."""
    from liftbite.api.jobs.files import files_of_shop, photos_of_shop
    from liftbite.files.archive import write_archive

    if to.exists() and (to.is_file() or any(to.iterdir())):
        _fails(f"{to} is there already; name a folder or a .zip that is not.")
    raw = 0
    with _opened(_shop(data)) as session:
        files: list[tuple[str, bytes]] = []
        for name, text, whole in files_of_shop(session):
            files.append((name, text.encode()))
            raw += not whole
        files += photos_of_shop(session)
    try:
        if to.suffix == ".zip":
            to.write_bytes(write_archive(files))
        else:
            for name, content in files:
                (to / name).parent.mkdir(parents=True, exist_ok=True)
                (to / name).write_bytes(content)
    except OSError as error:
        _fails(f"{to} could not be written ({error.strerror}).")
    click.echo(f"{len(files)} files written to {to}.")
    if raw:
        _fails(f"{raw} of the jobs cannot be read; they are there as raw rows.", EXIT_FALLS_SHORT)


def size_said(size: int) -> str:
    """A size in the unit a human would say.

    >>> size_said(900), size_said(1_234_000)
    ('900 B', '1.23 MB')
    """
    value = float(size)
    for unit in ("B", "kB", "MB"):
        if value < 1000:
            return f"{value:.3g} {unit}" if unit != "B" else f"{size} B"
        value /= 1000
    return f"{value:.3g} GB"


SHOP_COMMANDS = (backup, restore, check, export)
