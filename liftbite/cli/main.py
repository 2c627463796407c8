"""The command line: serve the shop, load the demo, work out a job file without a server."""

from __future__ import annotations

import gc
import json
import signal
import sys
import threading
import time
from pathlib import Path
from typing import Any, Literal

import click

from liftbite import __version__
from liftbite.cli.commands import EXIT_BAD_INPUT, EXIT_FALLS_SHORT, EXIT_HOLDS
from liftbite.core.units.preference import Preference, preferring
from liftbite.core.verdicts.verdict import GOOD_STATES


@click.group()
@click.pass_context
@click.version_option(__version__, prog_name="liftbite")
@click.option(
    "--units",
    type=click.Choice(["both", "metric", "inch"]),
    default="both",
    envvar="LIFTBITE_UNITS",
    help="Units sentences and documents are written in; JSON and CSV are in SI.",
)
def main(context: click.Context, units: Preference) -> None:
    """Lift Bite: does this clutch hold, and by how much?"""
    context.with_resource(preferring(units))


@main.command()
@click.option("--host", default="127.0.0.1", show_default=True, help="Address to listen at.")
@click.option("--port", default=8700, show_default=True, envvar="PORT", type=click.IntRange(0, 65535))
@click.option("--open", "open_", is_flag=True, help="Let other machines of a trusted network in.")
def serve(host: str, port: int, open_: bool) -> None:
    """Serve the shop's own jobs."""
    _serve(host, port, demo=False, open_=open_)


@main.command()
@click.option("--host", default="127.0.0.1", show_default=True, help="Address to listen at.")
@click.option("--port", default=8700, show_default=True, envvar="PORT", type=click.IntRange(0, 65535))
@click.option("--open", "open_", is_flag=True, help="Let other machines of a trusted network in.")
def demo(host: str, port: int, open_: bool) -> None:
    """Serve the demo shop, loaded on the first run."""
    _serve(host, port, demo=True, open_=open_)


def _serve(host: str, port: int, *, demo: bool, open_: bool = False) -> None:
    from datetime import UTC, datetime

    from liftbite.api.app import create_app, data_path, hosts_from_environment
    from liftbite.api.guard import is_loopback
    from liftbite.api.serving import port_of, server_of
    from liftbite.store.database import UnusableShop, begin_use, close

    path = data_path("data/demo.sqlite" if demo else "").absolute()
    if not open_ and not is_loopback(host):
        raise click.ClickException(
            f"{host} can be reached from other machines, and whoever reaches it can read and change everything: there "
            "are no accounts. Say --open if every machine of the network is trusted."
        )
    try:
        app = create_app(path, hosts=hosts_from_environment(), open_to_network=open_)
    except UnusableShop as error:
        raise click.ClickException(str(error)) from None
    if demo:
        from liftbite.demo import load
        from liftbite.store.database import writing

        with writing(app.extensions["liftbite.sessions"]) as session:
            load(session)
    try:
        server = server_of(app, host, port)
    except OSError as error:
        raise click.ClickException(f"Port {port} cannot be used ({error.strerror}); name another with PORT=.") from None
    begin_use(app.extensions["liftbite.sessions"], f"since {datetime.now(UTC):%Y-%m-%d %H:%M} UTC")
    threading.Thread(target=_warm, daemon=True).start()
    keep_loaded()
    click.echo(f"Lift Bite is at  http://{host}:{port_of(server)}")
    click.echo(f"Its records are  {path}")
    if open_:
        click.echo("It is open to the network: whoever reaches it can read and change everything.")
    keeper = app.extensions["liftbite.keeper"]
    keeper.start()
    signal.signal(signal.SIGTERM, _stop)
    try:
        click.echo("Stop it with Ctrl+C.")
        server.run()
    except KeyboardInterrupt:
        pass  # a stop that was asked for
    finally:
        keeper.stop()
        app.extensions["liftbite.refresher"].stop()
        app.extensions["liftbite.transfers"].stop()
        close(app.extensions["liftbite.sessions"])


def _stop(_signal: int, _frame: object) -> None:
    """A stop that was asked for: the server ends as on Ctrl+C, and the file is closed."""
    raise KeyboardInterrupt


@main.command()
@click.argument("kind", type=click.Choice(["caliper", "dial", "depth", "wrench"]))
@click.option("--port", default=8765, show_default=True, type=click.IntRange(0, 65535), help="TCP port to listen at.")
@click.option("--value", default=2.83, show_default=True, help="What the caliper reads [mm].")
@click.option("--values", default="", help='What the depth gauge reads, in order: "3.219 in, 63.5 mm".')
@click.option("--off", default=0.15, show_default=True, help="How far the dial's bore is off centre [mm].")
@click.option("--towards", default=120.0, show_default=True, help="Which way [°], clockwise, 0 at the top.")
@click.option("--angles", default=8, show_default=True, type=click.IntRange(3, 72), help="Angles of the dial's sweep.")
@click.option("--torque", default=95.0, show_default=True, help="What the wrench is set to [N·m].")
@click.option("--turn", default=0.0, show_default=True, help="Angle after it [°], a pass of its own; 0 for none.")
@click.option("--bolts", default=8, show_default=True, type=click.IntRange(3, 36), help="Bolts the wrench tightens.")
@click.option("--fault", default="", type=click.Choice(["", "low", "double"]), help="What goes wrong with the wrench.")
@click.option("--noise", default=0.005, show_default=True, help="Scatter of a reading [mm].")
@click.option("--every", default=1.0, show_default=True, help="Seconds between readings; 0 waits for Enter.")
@click.option("--drop-after", default=0, show_default=True, help="Breaks the connection after so many readings.")
@click.option("--seed", default=1, show_default=True, help="Seed of the scatter.")
def gauge(
    kind: str,
    port: int,
    value: float,
    values: str,
    off: float,
    towards: float,
    angles: int,
    noise: float,
    torque: float,
    turn: float,
    bolts: int,
    fault: str,
    every: float,
    drop_after: int,
    seed: int,
) -> None:
    """Simulate a gauge with a data port: a caliper, a dial swept round a bore, a depth gauge, or a torque wrench."""
    from liftbite.core.errors import UnreadableEntry
    from liftbite.gauges import simulate

    try:
        lines = {
            "caliper": lambda: simulate.caliper(value, noise, seed),
            "dial": lambda: simulate.dial_sweep(off, towards, angles, noise=noise, seed=seed),
            "depth": lambda: simulate.depths(simulate.read_values(values), noise, seed),
            "wrench": lambda: simulate.wrench(torque, bolts, turn, fault, seed=seed),
        }[kind]()
        there = simulate.Simulator(lines, every=every, port=port, drop_after=drop_after, by_hand=every == 0)
    except UnreadableEntry as error:
        raise click.ClickException(error.reason) from None
    except OSError as error:
        raise click.ClickException(
            f"Port {port} cannot be used ({error.strerror}); name another with --port."
        ) from None
    click.echo(f"The simulated {kind} is at  {there.url}")
    click.echo("Give this address as the data port of an instrument. Stop it with Ctrl+C.")
    there.start()
    try:
        while there.running:
            if every == 0:
                click.pause("Enter sends a reading.")
                there.press()
            else:
                time.sleep(0.2)
    except (KeyboardInterrupt, EOFError):
        pass
    there.stop()


def keep_loaded() -> None:
    """Takes all that is loaded by now out of what is searched for garbage, so that no request waits for that search."""
    gc.collect()
    gc.freeze()


def _warm() -> None:
    """Loads what the first question asked backwards would wait for."""
    import scipy.optimize  # noqa: F401

    from liftbite.whole import own_process

    own_process.warm()


@main.command()
@click.argument("file", type=click.Path(path_type=Path))
@click.option("--json", "as_json", is_flag=True, help="Print what the screen is made from, as JSON.")
@click.option("--csv", "as_csv", is_flag=True, help="Print the results as CSV, in SI.")
@click.option(
    "--build",
    "which",
    default="planned",
    show_default=True,
    metavar="NAME",
    help="Which build: planned, found, or an alternative by its name.",
)
def compute(file: Path, as_json: bool, as_csv: bool, which: str) -> None:
    """Work out a job FILE (*.liftbite.json). Exit code 0 good, 1 falls short or does not fit, 2 bad input."""
    from liftbite.api.jobs.present import job_out
    from liftbite.cli.commands import bad_input, read_revisions
    from liftbite.core.errors import UnreadableEntry
    from liftbite.core.job.builds import entries_of, known_build
    from liftbite.core.job.ledger import FOUND, layers_of

    revisions = read_revisions(file)
    try:
        build = known_build(layers_of(revisions), which)
    except UnreadableEntry as error:
        bad_input(f"{file}: {error}")
    entries, job = entries_of(layers_of(revisions), build), job_out(0, revisions, build=build)
    if as_json:
        click.echo(json.dumps(job.model_dump(exclude={"id", "archived", "change"}), ensure_ascii=False, indent=1))
    elif as_csv:
        click.echo("quantity,low,nominal,high")
        for result in job.results:
            band = result.planned
            figures = [getattr(band, place).si if band else "" for place in ("low", "nominal", "high")]
            click.echo(",".join([result.name, *map(str, figures)]))
    else:
        click.echo(_table(job))
        for line in _mends(entries) if build != FOUND else ():
            click.echo(line)
    if any(v.state == "does not fit" for v in job.verdicts):
        sys.exit(EXIT_FALLS_SHORT)
    if job.verdicts[0].state == "open":
        sys.exit(EXIT_BAD_INPUT)
    good = all(v.state in GOOD_STATES | {"open"} for v in job.verdicts)
    sys.exit(EXIT_HOLDS if good else EXIT_FALLS_SHORT)


def _mends(entries: Any) -> list[str]:
    """What would mend each answer that falls short soonest."""
    from liftbite.core.job.build import label_of, unit_of
    from liftbite.core.units.sentence import both
    from liftbite.core.verdicts.answers import answer, stands_on
    from liftbite.core.verdicts.cure import soonest

    answers = answer(entries)
    build = answers.build
    lines = []
    for other in answers.others:
        if other.state != "open":
            names = ", ".join(label_of(a.name).lower() for a in stands_on(build, other.question))
            lines.append(f"{other.question.capitalize()} stands on what nobody entered: {names}.")
    for verdict in (answers.verdict, *answers.others):
        for sought in soonest(build, verdict):
            value = both(sought.crossings[0], unit_of(sought.quantity, build.graph))
            bound = "at least" if sought.at_least else "at most"
            lines.append(
                f"{verdict.question.capitalize()} is mended by {label_of(sought.quantity).lower()} {bound} {value}."
            )
    return ["", *lines] if lines else []


def _decides(link: Any) -> str:
    """The figure that decides an answer, beside its limit."""
    from liftbite.api.jobs.present import figure_text

    if link is None or link.figure is None or link.limit is None:
        return ""
    return f", {link.label} {figure_text(link.figure)} of {'at most ' if link.most else ''}{figure_text(link.limit)}"


def _table(job: Any) -> str:
    """The results as a table for the eye."""
    from liftbite.api.jobs.present import figure_text

    rows = [["", "low friction", "nominal", "high friction"]]
    for result in job.results:
        band = result.planned
        if band is None:
            rows.append([result.label, "—", "—", "—"])
        elif band.single:
            rows.append([result.label, "", figure_text(band.nominal), ""])
        else:
            rows.append([result.label, figure_text(band.low), figure_text(band.nominal), figure_text(band.high)])
    widths = [max(len(row[i]) for row in rows) for i in range(4)]
    lines = ["  ".join(cell.ljust(w) for cell, w in zip(row, widths, strict=True)).rstrip() for row in rows]
    head = [job.name or "Job"]
    for answer in job.verdicts:
        if answer.state != "open" or answer.question == "bite":
            head += [
                f"{answer.question.capitalize()}: {answer.state.upper()}{_decides(answer.deciding)}",
                answer.sentence,
            ]
    head.append("")
    tail = ["", "Stands on what nobody entered:"] if job.assumptions else []
    for a in job.assumptions:
        value = a.option or (figure_text(a.value) if a.value else "")
        tail.append(f"  {a.label}: {value} [{a.mark}] {a.why}")
    return "\n".join([*head, *lines, *tail])


@main.command()
@click.option("--plan", "of_plan", is_flag=True, help="Of a plan's file instead.")
def schema(of_plan: bool) -> None:
    """Print the JSON Schema of the job file."""
    click.echo(schema_text("plan" if of_plan else "job"), nl=False)


def schema_text(of: Literal["job", "plan"] = "job") -> str:
    """The JSON Schema of the job file, or of a plan's, as published in docs."""
    from liftbite.files.job import JobFile
    from liftbite.files.plan import PlanFile

    form = JobFile if of == "job" else PlanFile
    found = form.model_json_schema() | {"$schema": "https://json-schema.org/draft/2020-12/schema"}
    return json.dumps(found, ensure_ascii=False, indent=2, sort_keys=True) + "\n"


@main.command()
@click.option("--json", "as_json", is_flag=True, help="Print as JSON.")
@click.option("--markdown", "as_markdown", is_flag=True, help="Print the docs page.")
def quantities(as_json: bool, as_markdown: bool) -> None:
    """List every quantity with unit, meaning and source."""
    from liftbite.cli.quantities import markdown, quantity_rows

    if as_markdown:
        click.echo(markdown(), nl=False)
        return
    rows = quantity_rows()
    if as_json:
        click.echo(json.dumps(rows, ensure_ascii=False, indent=1))
        return
    width = max(len(row["name"]) for row in rows)
    for row in rows:
        click.echo(f"{row['name'].ljust(width)}  {row['unit'].ljust(6)}  {row['meaning']}  {row['source']}")


@main.command()
@click.argument("shell", type=click.Choice(["bash", "zsh", "fish"]))
def completion(shell: str) -> None:
    """Print what completes commands and options in a SHELL: liftbite completion bash >> ~/.bashrc."""
    from click.shell_completion import get_completion_class

    found = get_completion_class(shell)
    assert found is not None
    click.echo(found(main, {}, "liftbite", "_LIFTBITE_COMPLETE").source())


@main.command(hidden=True)
def openapi() -> None:
    """Print the OpenAPI document the web's types are generated from."""
    click.echo(openapi_text(), nl=False)


def openapi_text() -> str:
    """The OpenAPI document, as kept in docs."""
    import tempfile

    from liftbite.api.app import create_app
    from liftbite.api.document import document

    with tempfile.TemporaryDirectory() as folder:
        return json.dumps(document(create_app(Path(folder) / "none.sqlite")), ensure_ascii=False, indent=1) + "\n"


def _register() -> None:
    from liftbite.cli.commands import BEFORE, COMMANDS
    from liftbite.cli.papers import COMMANDS as PAPERS
    from liftbite.cli.proving import COMMANDS as PROVING
    from liftbite.cli.shop import SHOP_COMMANDS

    for command in (*COMMANDS, *PAPERS, *PROVING, *SHOP_COMMANDS):
        main.add_command(command)
    for name, command in BEFORE.items():
        main.add_command(click.Command(name, callback=command.callback, params=command.params, hidden=True))


_register()

if __name__ == "__main__":
    main()
