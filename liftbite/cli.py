"""The command line: serve the shop, load the demo, work out a job file without a server."""

from __future__ import annotations

import json
import sys
import threading
from pathlib import Path
from typing import Any

import click

from liftbite import __version__
from liftbite.core.errors import UnreadableFile

EXIT_HOLDS, EXIT_FALLS_SHORT, EXIT_BAD_INPUT = 0, 1, 2


@click.group()
@click.version_option(__version__, prog_name="liftbite")
def main() -> None:
    """Lift Bite: does this clutch hold, and by how much?"""


@main.command()
@click.option("--host", default="127.0.0.1", show_default=True, help="Address to listen at.")
@click.option("--port", default=8700, show_default=True, envvar="PORT", type=click.IntRange(0, 65535))
def serve(host: str, port: int) -> None:
    """Serve the shop's own jobs."""
    _serve(host, port, demo=False)


@main.command()
@click.option("--host", default="127.0.0.1", show_default=True, help="Address to listen at.")
@click.option("--port", default=8700, show_default=True, envvar="PORT", type=click.IntRange(0, 65535))
def demo(host: str, port: int) -> None:
    """Serve the demo shop, loaded on the first run."""
    _serve(host, port, demo=True)


def _serve(host: str, port: int, *, demo: bool) -> None:
    from waitress.server import create_server

    from liftbite.api.app import create_app, data_path, hosts_from_environment

    path = data_path("data/demo.sqlite" if demo else "").absolute()
    app = create_app(path, hosts=hosts_from_environment())
    if demo:
        from liftbite.demo import load

        with app.extensions["liftbite.sessions"]() as session:
            load(session)
    try:
        server = create_server(app, host=host, port=port, threads=8, max_request_body_size=8 * 1024 * 1024)
    except OSError as error:
        raise click.ClickException(f"Port {port} cannot be used ({error.strerror}); name another with PORT=.") from None
    threading.Thread(target=_warm, daemon=True).start()
    click.echo(f"Lift Bite is at  http://{host}:{server.effective_port}")
    click.echo(f"Its records are  {path}")
    click.echo("Stop it with Ctrl+C.")
    server.run()


def _warm() -> None:
    """Loads what the first question asked backwards would wait for."""
    import scipy.optimize  # noqa: F401


@main.command()
@click.argument("file", type=click.Path(path_type=Path))
@click.option("--json", "as_json", is_flag=True, help="Print what the screen is made from, as JSON.")
def compute(file: Path, as_json: bool) -> None:
    """Work out a job FILE (*.liftbite.json). Exit code 0 holds, 1 falls short, 2 bad input."""
    from liftbite.api.present import job_out
    from liftbite.jobfile import read_job_file

    try:
        revisions = read_job_file(file.read_bytes())
    except OSError as error:
        _bad_input(f"{file}: {error.strerror}")
    except UnreadableFile as error:
        _bad_input(f"{file}: {error}")
    job = job_out(0, revisions)
    if as_json:
        click.echo(json.dumps(job.model_dump(exclude={"id", "put_away"}), ensure_ascii=False, indent=1))
    else:
        click.echo(_table(job))
    verdict = job.verdicts[0]
    if verdict.state in {"open", "stop"}:
        sys.exit(EXIT_BAD_INPUT)
    sys.exit(EXIT_HOLDS if verdict.state == "holds" else EXIT_FALLS_SHORT)


def _bad_input(sentence: str) -> None:
    click.echo(sentence, err=True)
    sys.exit(EXIT_BAD_INPUT)


def _cell(figure: Any) -> str:
    metric = f"{figure.metric.figure} {figure.metric.unit}".strip()
    inch = f"{figure.inch.figure} {figure.inch.unit}".strip()
    return metric if metric == inch else f"{metric} ({inch})"


def _table(job: Any) -> str:
    """The results as a table for the eye."""
    verdict = job.verdicts[0]
    rows = [["", "low friction", "nominal", "high friction"]]
    for result in job.results:
        band = result.planned
        if band is None:
            rows.append([result.label, "—", "—", "—"])
        elif band.single:
            rows.append([result.label, "", _cell(band.nominal), ""])
        else:
            rows.append([result.label, _cell(band.low), _cell(band.nominal), _cell(band.high)])
    widths = [max(len(row[i]) for row in rows) for i in range(4)]
    lines = ["  ".join(cell.ljust(w) for cell, w in zip(row, widths, strict=True)).rstrip() for row in rows]
    head = [job.name or "Job", f"Bite: {verdict.state.upper()}", verdict.sentence, ""]
    tail = ["", "Stands on what nobody entered:"] if job.assumptions else []
    for a in job.assumptions:
        value = a.option or (_cell(a.value) if a.value else "")
        tail.append(f"  {a.label}: {value} [{a.mark}] {a.why}")
    return "\n".join([*head, *lines, *tail])


@main.command()
def schema() -> None:
    """Print the JSON Schema of the job file."""
    click.echo(schema_text(), nl=False)


def schema_text() -> str:
    """The JSON Schema of the job file, as published in docs."""
    from liftbite.jobfile import JobFile

    found = JobFile.model_json_schema() | {"$schema": "https://json-schema.org/draft/2020-12/schema"}
    return json.dumps(found, ensure_ascii=False, indent=2, sort_keys=True) + "\n"


@main.command()
@click.option("--json", "as_json", is_flag=True, help="Print as JSON.")
@click.option("--markdown", "as_markdown", is_flag=True, help="Print the docs page.")
def quantities(as_json: bool, as_markdown: bool) -> None:
    """List every quantity with unit, meaning and source."""
    from liftbite.quantities import markdown, quantity_rows

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


@main.command(hidden=True)
def openapi() -> None:
    """Print the OpenAPI document the web's types are generated from."""
    click.echo(openapi_text(), nl=False)


def openapi_text() -> str:
    """The OpenAPI document, as kept in docs."""
    import tempfile

    from liftbite.api.app import create_app, document

    with tempfile.TemporaryDirectory() as folder:
        return json.dumps(document(create_app(Path(folder) / "none.sqlite")), ensure_ascii=False, indent=1) + "\n"


if __name__ == "__main__":
    main()
