"""Commands of Prove.

- `drive`      a simulated logger drives the vehicle of a job
- `log`        a logger's file against a job
- `fault`      causes of a complaint, ranked
- `handover`   what is handed over, as HTML or PDF
"""

from __future__ import annotations

import json
import sys
from datetime import UTC, datetime
from pathlib import Path

import click

from liftbite.cli.commands import EXIT_FALLS_SHORT, FILE, JSON, bad_input, build_in
from liftbite.cli.papers import HTML, PDF, Writes, shop_of, write_document
from liftbite.core.prove.statements import FaultTestAnswer


@click.command()
@FILE
@click.option("--fault", default="none", show_default=True, help="none, slip, slip_hot, drag, judder or tyre.")
@click.option("--minutes", type=float, default=5.0, show_default=True, help="How long it drives.")
@click.option("--rate", type=float, default=50.0, show_default=True, help="Rows a second.")
@click.option("--seed", type=click.IntRange(0), default=1, show_default=True, help="The same drive again.")
def drive(file: Path, fault: str, minutes: float, rate: float, seed: int) -> None:
    """Drive the vehicle of a job FILE with a simulated logger, healthy or with a fault, and print its CSV."""
    from liftbite.core.errors import UnreadableEntry
    from liftbite.core.prove.logger import simulated, vehicle_of, written

    try:
        vehicle = vehicle_of(build_in(file))
        found, _ = simulated(vehicle, fault, minutes=minutes, rate=rate, seed=seed)
    except UnreadableEntry as error:
        bad_input(str(error))
    click.echo(written(found, vehicle.guessed), nl=False)


@click.command()
@FILE
@click.argument("logged", metavar="LOG", type=click.Path(path_type=Path, dir_okay=False, allow_dash=True))
@JSON
def log(file: Path, logged: Path, as_json: bool) -> None:
    """Read a logger's LOG against a job FILE: gears, starts, shifts, slip, heat and margin. 1 where it slips."""
    from liftbite.api.prove.present import drive_out
    from liftbite.core.errors import UnreadableFile
    from liftbite.whole.road import road_of

    try:
        with click.open_file(str(logged), "rb") as file_of_log:
            data = file_of_log.read()
        found = drive_out(road_of(build_in(file).entries, data))
    except OSError as error:
        bad_input(f"{logged}: {error.strerror}")
    except UnreadableFile as error:
        bad_input(f"{logged}: {error}")
    if as_json:
        click.echo(json.dumps(found.model_dump(exclude={"trace"}), ensure_ascii=False, indent=1))
    else:
        for sentence in (*found.says, *found.notes):
            click.echo(sentence)
        for line in found.working:
            click.echo(line)
        for event in found.events:
            if event.kind == "slip":
                click.echo(f"{event.time:8.1f} s  {event.gear}, {event.duration:.2f} s, {100 * event.slip:.0f} %")
    if found.slips:
        sys.exit(EXIT_FALLS_SHORT)


@click.command()
@FILE
@click.option("--complaint", "complaints", multiple=True, help="slips, drags, judders, noise, pedal, vibration, ...")
@click.option("--test", "tests", multiple=True, metavar="NAME=ANSWER", help="What a test said; may be named again.")
@JSON
def fault(file: Path, complaints: tuple[str, ...], tests: tuple[str, ...], as_json: bool) -> None:
    """Rank the causes of the complaint of a job FILE by its own numbers and tests, and name the next test."""
    from liftbite.api.prove.present import fault_alone
    from liftbite.core.errors import UnreadableEntry
    from liftbite.core.job.ledger import FOUND
    from liftbite.core.prove.causes import COMPLAINTS
    from liftbite.whole.bench import bench_of
    from liftbite.whole.fault import complaints_of, finder_of

    unknown = [c for c in complaints if c not in COMPLAINTS]
    if unknown:
        bad_input(f"“{unknown[0]}” is no complaint; {', '.join(COMPLAINTS)} are")
    if any("=" not in test for test in tests):
        bad_input("a test is named with what it said: --test pump=better")
    answered = dict(test.split("=", 1) for test in tests)
    with shop_of(file) as (session, job_id):
        bench = bench_of(session, job_id, FOUND)
        said = {name: line.answer for name, line in bench.said_of(FaultTestAnswer).items()}
        asked = list(complaints) or complaints_of(bench)
        try:
            ranked = finder_of(bench, asked, {**said, **answered})
        except UnreadableEntry as error:
            bad_input(str(error))
        layout = bench.build.chosen.layout
    found = fault_alone(asked, {**said, **answered}, ranked)
    if as_json:
        told = found.model_dump(exclude={"offered"}) | {"layout": layout}
        click.echo(json.dumps(told, ensure_ascii=False, indent=1))
        return
    for cause in found.causes:
        click.echo(f"{cause.word:9} {cause.words}. {'; '.join(cause.why)}")
    if found.next:
        click.echo(f"Next, about {found.next.minutes:.0f} min: {found.next.ask}  ({found.next.name})")


@click.command(cls=Writes)
@FILE
@HTML
@PDF
@click.option("--owner", is_flag=True, help="One page for the owner instead of the whole.")
def handover(file: Path, as_html: Path | None, as_pdf: Path | None, owner: bool) -> None:
    """Write what is handed over of a job FILE: verdicts, measurements, hold points, road, bedding-in, cautions."""
    from liftbite.api.account.papers import papers_of
    from liftbite.api.sheet.documents import hand_over_html, owner_html

    with shop_of(file) as (session, job_id):
        found = papers_of(session, job_id, datetime.now(UTC).date(), appendix=not owner)
    write_document((owner_html if owner else hand_over_html)(found), as_html, as_pdf)


COMMANDS = (drive, log, fault, handover)
