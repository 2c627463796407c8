"""The commands that look into a job file: explain, launch, stroke, life, find. Exit codes as for `compute`."""

from __future__ import annotations

import csv
import io
import json
import sys
from collections.abc import Mapping, Sequence
from pathlib import Path
from typing import TYPE_CHECKING, Any, NoReturn

import click
import numpy as np

from liftbite.core.errors import UnreadableFile
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, build_of, label_of
from liftbite.core.job.ledger import Revision, layers_of, present
from liftbite.core.job.refusal import refusal
from liftbite.core.units.read import from_si
from liftbite.core.units.sentence import both
from liftbite.core.units.show import bare

if TYPE_CHECKING:
    from liftbite.files.job import FiledJob

EXIT_HOLDS, EXIT_FALLS_SHORT, EXIT_BAD_INPUT = 0, 1, 2
FILE = click.argument("file", type=click.Path(path_type=Path))
JSON = click.option("--json", "as_json", is_flag=True, help="Print as JSON, in SI.")
CSV = click.option("--csv", "as_csv", is_flag=True, help="Print as CSV, in SI.")


def bad_input(sentence: str) -> NoReturn:
    """Says what is wrong and ends with the exit code for bad input."""
    click.echo(sentence, err=True)
    sys.exit(EXIT_BAD_INPUT)


def read_job(file: Path) -> FiledJob:
    """All a job file holds; a file that cannot be read ends the command."""
    from liftbite.files.job import read_job_file

    try:
        return read_job_file(file.read_bytes())
    except OSError as error:
        bad_input(f"{file}: {error.strerror}")
    except UnreadableFile as error:
        bad_input(f"{file}: {error}")


def read_revisions(file: Path) -> list[Revision]:
    """The ledger of a job file."""
    return read_job(file).revisions


def build_in(file: Path) -> Build:
    """The plan of a job file, worked out."""
    return build_of(present(read_revisions(file)))


def _ended(found: Needs | Refused, build: Build) -> NoReturn:
    """Says what is missing (2) or impossible (1), and ends."""
    if isinstance(found, Needs):
        names = build.chosen.to_ask(found.names)
        click.echo("Needs " + ", ".join(f"{label_of(n).lower()} ({n})" for n in names) + ".", err=True)
        sys.exit(2)
    click.echo(refusal(found.error, build), err=True)
    sys.exit(1)


def _print_columns(columns: Mapping[str, Any], as_json: bool, as_csv: bool) -> bool:
    """Columns of one length as JSON or CSV; False where neither was asked for."""
    if as_json:
        click.echo(json.dumps({n: np.asarray(v).tolist() for n, v in columns.items()}, ensure_ascii=False, indent=1))
    elif as_csv:
        out = io.StringIO()
        writer = csv.writer(out, lineterminator="\n")
        writer.writerow(columns)
        writer.writerows(zip(*(np.asarray(v).tolist() for v in columns.values()), strict=True))
        click.echo(out.getvalue(), nl=False)
    return as_json or as_csv


def _table(heads: Sequence[str], rows: Sequence[Sequence[str]]) -> str:
    widths = [max(len(r[i]) for r in (heads, *rows)) for i in range(len(heads))]
    return "\n".join("  ".join(c.rjust(w) for c, w in zip(r, widths, strict=True)) for r in (heads, *rows))


@click.command()
@click.argument("quantity")
@FILE
@JSON
@CSV
def explain(quantity: str, file: Path, as_json: bool, as_csv: bool) -> None:
    """Show how QUANTITY came about in a job FILE, down to the inputs."""
    from liftbite.api.jobs.workings import working_out
    from liftbite.core.analysis.working import working

    build = build_in(file)
    if quantity not in build.graph.functions:
        known = ", ".join(sorted(build.graph.functions))
        bad_input(f"“{quantity}” is not worked out in this job; it works out {known}.")
    shown = working_out(working(build, quantity, stage=build.stage, friction=0.0), "nominal friction")
    if as_json:
        click.echo(json.dumps(shown.model_dump(), ensure_ascii=False, indent=1))
        return
    if as_csv:
        out = io.StringIO()
        writer = csv.writer(out, lineterminator="\n")
        writer.writerow(["of", "quantity", "symbol", "value", "mark", "typed"])
        for step in shown.steps:
            writer.writerow(["", step.name, step.symbol, step.si or step.words, step.mark, ""])
            for t in step.terms:
                writer.writerow([step.name, t.name, t.symbol, t.si or t.words, t.mark, t.typeset or ""])
        click.echo(out.getvalue(), nl=False)
        return
    for step in shown.steps:
        click.echo(
            f"{step.label}: {step.words or _shown(step.value)}\n    {step.formula}    [{step.mark}] {step.source}"
        )
        for term in step.terms:
            origin = (
                f" as typed {term.typeset}" if term.typeset else f" {term.mark}" if term.mark != "worked out" else ""
            )
            click.echo(f"      {term.symbol} = {term.words or _shown(term.value)}  {term.label}{origin}")


@click.command()
@FILE
@JSON
@CSV
def stroke(file: Path, as_json: bool, as_csv: bool) -> None:
    """Work out the whole stroke of pedal or lever of a job FILE."""
    from liftbite.core.analysis.stroke import stroke as work_out

    build = build_in(file)
    found = work_out(build)
    if isinstance(found, Needs | Refused):
        _ended(found, build)
    columns = {"pedal_m": found.pedal, "lift_m": found.lift, "gap_per_face_m": found.gap, "effort_n": found.effort}
    if found.pressure is not None:
        columns["pressure_pa"] = found.pressure
    if not _print_columns(columns, as_json, as_csv):
        even = np.searchsorted(found.pedal, np.linspace(found.pedal[0], found.pedal[-1], 17))
        at = np.unique(even.clip(0, len(found.pedal) - 1))
        rows = [
            [
                bare(found.pedal[i], "mm", 1),
                bare(found.lift[i], "mm", 3),
                bare(found.gap[i], "mm", 3),
                f"{found.effort[i]:.0f}",
            ]
            for i in at
        ]
        click.echo(_table(["pedal mm", "lift mm", "gap/face mm", "effort N"], rows))
        click.echo(f"\nFull pedal lifts {both(found.full, 'm')}; highest effort {both(found.peak_effort, 'N')}.")
        if found.bite_point is not None:
            click.echo(f"Bites at {found.bite_point / found.pedal[-1] * 100:.0f} % of the stroke.")
        for name, where in found.stops:
            click.echo(f"Limit: {label_of(name).lower()} at {both(where, 'm')} of pedal.")
        if not found.smooth:
            click.echo("The plate snaps through: effort falls faster than hose and air give way.")
    margins = build.evaluate(("least_lift_margin", "overtravel_margin"))
    names = ("least_lift_margin", "overtravel_margin")
    short = any(margins[n] < 1 for n in names if not isinstance(margins[n], Needs | Refused))
    sys.exit(1 if short else 0)


@click.command()
@FILE
@JSON
@CSV
def life(file: Path, as_json: bool, as_csv: bool) -> None:
    """Work out clamp and margin of a job FILE over the wear of its facings."""
    from liftbite.core.analysis.life import life as work_out

    build = build_in(file)
    found = work_out(build, stage=build.stage, friction=0.0)
    if isinstance(found, Needs | Refused):
        _ended(found, build)
    columns = {"wear_m": found.wear, "clamp_n": found.clamp, "bite_margin": found.margin}
    if not _print_columns(columns, as_json, as_csv):
        rows = [
            [bare(found.wear[i], "mm", 2), f"{found.clamp[i]:.0f}", f"{found.margin[i]:.3f}"]
            for i in range(0, len(found.wear), 10)
        ]
        click.echo(_table(["wear mm", "clamp N", "margin"], rows))
        end, at = found.ends[0]
        click.echo(f"\nEnds with the {end} at {both(at, 'm')} of wear; {found.target:g} is asked for.")
        if found.shims_at is not None:
            click.echo(f"The floater wants new shims at {both(found.shims_at, 'm')} of inner wear.")
    sys.exit(1 if found.target_lost is not None else 0)


@click.command()
@FILE
@JSON
@CSV
def launch(file: Path, as_json: bool, as_csv: bool) -> None:
    """Integrate one start of a job FILE, with the closed form beside it."""
    from liftbite.core.analysis.upshift import upshift_sentence
    from liftbite.core.quantities.launch import launch as integrate

    build = build_in(file)
    case = build.evaluate(("start_case",), stage=build.stage)["start_case"]
    if isinstance(case, Needs | Refused):
        _ended(case, build)
    found = integrate(case)
    if not _print_columns(found.trace, as_json, as_csv):
        closed = build.evaluate(("held_slip_time", "held_slip_energy"), stage=build.stage)
        ratio = float(case.ratio)
        click.echo(
            f"The clutch {found.outcome}."
            if found.outcome != "spins"
            else "The tyres give way; then the clutch locks and the wheels take hold again."
        )
        click.echo(
            f"Slips {float(found.slip_time):.3f} s, heat {both(float(found.energy), 'J')}, "
            f"peak power {both(float(found.peak_power), 'W')}; in the tyres {both(float(found.tyre_energy), 'J')}."
        )
        click.echo(
            f"Lowest engine speed {from_si(float(found.lowest_speed) * ratio, 'rpm'):.0f} rpm, "
            f"peak torque {both(float(found.peak_torque), 'N·m')}."
        )
        if isinstance(closed["held_slip_energy"], Needs | Refused):
            click.echo("With the engine's speed held it would never lock.")
        else:
            held = f"{closed['held_slip_time']:.3f} s, {both(closed['held_slip_energy'], 'J')}"
            click.echo(f"With the engine's speed held and tyres that grip: {held}.")
        if shift := upshift_sentence(build, stage=build.stage):
            click.echo(shift)
    sys.exit(0 if found.outcome in {"locks", "spins"} else 1)


@click.command()
@FILE
@JSON
@CSV
def stint(file: Path, as_json: bool, as_csv: bool) -> None:
    """Work out the schedule of starts of a job FILE: every mass over time, and what is hot first."""
    from liftbite.core.analysis.stint import Stint, stint_sentence
    from liftbite.core.analysis.stint import stint as work_out

    build = build_in(file)
    found = work_out(build, stage=build.stage)
    if found is None:
        bad_input("No schedule of starts (start_schedule) is entered.")
    if not isinstance(found, Stint):
        _ended(found, build)
    masses = dict(zip(found.network.names, found.temperatures.T, strict=True))
    if not _print_columns({"time": found.time, **masses}, as_json, as_csv):
        click.echo("\n".join(stint_sentence(found)))
    sys.exit(0 if found.first_over is None and found.outcome in {"locks", "spins"} else 1)


@click.command("next")
@FILE
@JSON
def next_question(file: Path, as_json: bool) -> None:
    """Ask for the one figure or reading that would settle most of what a job FILE leaves open."""
    from liftbite.api.choose.present import next_out
    from liftbite.core.verdicts.answers import answer

    found = next_out(answer(present(read_revisions(file))))
    if as_json:
        click.echo(json.dumps(found.model_dump(), ensure_ascii=False, indent=1))
        return
    if not found.ranking:
        click.echo("Nothing is left that would settle anything.")
    for place, asked in enumerate(found.ranking[:8]):
        how = f" Bench: {asked.check}." if asked.check else ""
        click.echo(f"{'Next' if place == 0 else 'then'}: {asked.label} ({asked.name}). {asked.why}{how}")


@click.command()
@FILE
@click.argument("others", nargs=-1, type=click.Path(exists=True, dir_okay=False, path_type=Path))
@JSON
def compare(file: Path, others: tuple[Path, ...], as_json: bool) -> None:
    """Put every build of a job FILE against what was found: every answer and what a driver feels.

    The plans of OTHERS, more job files, stand beside them.
    """
    from liftbite.api.choose.present import against_out

    plans = {other.name.partition(".")[0]: present(read_revisions(other)) for other in others}
    found = against_out(layers_of(read_revisions(file)), plans)
    if as_json:
        click.echo(json.dumps(found.model_dump(), ensure_ascii=False, indent=1))
        return
    for build in found.builds[1:]:
        says = ", ".join(build.says).capitalize() if build.says else "Nothing a driver would feel differs"
        parts = "; ".join(f"{part.name.lower()} {part.label.lower()}" for part in build.parts)
        click.echo(f"{build.label}: {says}. {parts or 'every part stays'}.")
    names = [build.name for build in found.builds]
    rows = [[a.question.capitalize(), *(a.states[n] for n in names)] for a in found.answers]
    rows += [[c.label, *(_shown(c.values[n]) for n in names)] for c in found.changes]
    click.echo(_table(["", *(build.label.lower() for build in found.builds)], rows))


def _shown(found: Any) -> str:
    from liftbite.api.jobs.present import figure_text

    return "open" if found is None else figure_text(found)


@click.command()
@click.argument("part", type=click.Choice(["cylinders", "instructions"]))
@FILE
@JSON
def beside(part: str, file: Path, as_json: bool) -> None:
    """Put alternatives for a PART of a job FILE side by side: stocked cylinders, instructions for the bolts."""
    from liftbite.api.choose.present import beside_out
    from liftbite.core.find.alternatives import Beside
    from liftbite.core.find.beside import BESIDE

    build = build_in(file)
    found = BESIDE[part](build)
    if found is None:
        bad_input(f"This job has no {part} to put side by side.")
    if not isinstance(found, Beside):
        _ended(found, build)
    if as_json:
        click.echo(json.dumps(beside_out(build, found).model_dump(), ensure_ascii=False, indent=1))
        return
    click.echo("\n".join(found.says))
    rows = [["*" if row.present else "", *(_said(c) for c in row.cells)] for row in found.rows]
    click.echo(_table(["", *found.columns], rows))


def _said(cell: str | tuple[float, str] | None) -> str:
    return cell or "" if cell is None or isinstance(cell, str) else both(*cell)


@click.command()
@FILE
@click.argument("shelf", type=click.Path(path_type=Path))
@JSON
@CSV
def find(file: Path, shelf: Path, as_json: bool, as_csv: bool) -> None:
    """Evaluate every combination of a SHELF of parts against the brief of a job FILE."""
    from liftbite.core.find.combinations import LIMITS, OBJECTIVES
    from liftbite.core.find.finder import search
    from liftbite.files.shelf import read_shelf_file

    build = build_in(file)
    try:
        parts = read_shelf_file(shelf.read_bytes())
    except OSError as error:
        bad_input(f"{shelf}: {error.strerror}")
    except UnreadableFile as error:
        bad_input(f"{shelf}: {error}")
    with click.progressbar(length=1, label="Searching", file=sys.stderr) as bar:

        def progress(done: int, total: int) -> bool:
            bar.length = total
            bar.update(done - bar.pos)
            return True

        found = search(build.entries, parts, stage=build.stage, progress=progress)
    if as_json:
        told = {"total": found.total, "kept": found.kept, "excluded": found.excluded, "unseen": found.unseen}
        click.echo(json.dumps(told | {"front": found.front}, ensure_ascii=False, indent=1))
    elif not _print_columns({n: [row.get(n, "") for row in found.front] for n in (*parts, *OBJECTIVES)}, False, as_csv):
        click.echo(f"{found.total} combinations, {found.kept} pass every limit, {len(found.front)} worth a look.")
        for name, count in sorted(found.excluded.items(), key=lambda pair: -pair[1]):
            click.echo(f"  {count} excluded: {LIMITS[name]}")
        if found.unseen:
            click.echo(f"  Not looked at: {', '.join(found.unseen)}.")
        best = sorted(found.front, key=lambda row: row.get("price", 0))[:20]
        rows = [
            [*(str(row[s]) for s in parts), *(f"{row[o]:.3g}" if o in row else "—" for o in OBJECTIVES)] for row in best
        ]
        click.echo(_table([*parts, *OBJECTIVES], rows))
    sys.exit(0 if found.kept else 1)


@click.command()
@FILE
@JSON
@CSV
@click.option("--run", type=click.IntRange(1), help="Which run of a file that holds several, from 1.")
@click.option("--trust", type=click.Choice(["torque", "power"]), help="What counts where the two disagree.")
@click.option("--gearing", default="", help="Road speed per 1000 rpm, for a file of tractive force.")
def curve(file: Path, as_json: bool, as_csv: bool, run: int | None, trust: str | None, gearing: str) -> None:
    """Read a dynamometer FILE: mapping, questions, refusal, curve. Exit code 2 where it is refused or something is
    asked."""
    from liftbite.api.brief.present import proposal_out, read_out
    from liftbite.api.jobs.entries import mapping_of
    from liftbite.core.job.dyno_file import read_curve, write_csv
    from liftbite.core.job.dyno_table import decode

    told: dict[str, Any] = {"mapping": None, "runs": [], "questions": [], "refusal": "", "asks": [], "curve": None}
    found, refusal = None, ""
    try:
        proposal = proposal_out(file.name, decode(file.read_bytes()))
        told |= proposal.model_dump(exclude={"text", "name", "units", "preview"})
        if run is not None and not 1 <= run <= max(len(proposal.runs), 1):
            raise UnreadableFile(f"run {run} is not there; the file holds {max(len(proposal.runs), 1)}")
        mapping = proposal.runs[run - 1].mapping if run is not None and proposal.runs else proposal.mapping
        mapping = mapping.model_copy(update={"trust": trust or "", "gearing": gearing})
        found = read_curve(proposal.text, mapping_of(mapping))
        told |= read_out(found).model_dump() | {"mapping": mapping.model_dump()}
    except OSError as error:
        bad_input(f"{file}: {error.strerror}")
    except UnreadableFile as error:
        refusal = told["refusal"] = str(error)
    if as_json:
        click.echo(json.dumps(told, ensure_ascii=False, indent=1))
    elif as_csv and found is not None:
        click.echo(write_csv(found.curve), nl=False)
    else:
        for sentence in (*told["questions"], *told["asks"]):
            click.echo(f"? {sentence}")
        for line in told.get("notes", ()):
            click.echo(line)
        if found is not None:
            peak, at = found.curve.peak_torque, found.curve.peak_torque_speed
            click.echo(f"{found.curve.speed.size} points, peak {both(peak, 'N·m')} at {both(at, 'rad/s')}.")
    if refusal:
        click.echo(f"{file.name}: {refusal}.", err=True)
    sys.exit(EXIT_BAD_INPUT if refusal or told["asks"] else EXIT_HOLDS)


#: Name of before of a command, still understood.
BEFORE = {"sweep": find}
COMMANDS = (explain, stroke, life, launch, stint, next_question, beside, compare, find, curve)
