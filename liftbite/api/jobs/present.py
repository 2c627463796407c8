"""Answers of the core, as they go over the wire and as the command line prints them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import lru_cache
from math import isfinite, isnan
from typing import Any

import numpy as np

from liftbite.api.jobs import models as m
from liftbite.core.drawing.glyph import glyph
from liftbite.core.job.build import FieldMark, label_of, unit_of
from liftbite.core.job.builds import apart, called, entries_of, names_of
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.input import Assumed
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.ledger import (
    FOUND,
    PLAN,
    Entry,
    Layers,
    Revision,
    Unusual,
    layers_of,
    present,
    redoable,
    undoable,
)
from liftbite.core.job.refusal import refusal_words
from liftbite.core.parts.mismatch import misfit_sentence
from liftbite.core.parts.shelf import fields_of, misfits
from liftbite.core.quantities.torque_curve import TorqueCurve
from liftbite.core.units.constants import RPM
from liftbite.core.units.preference import wanted
from liftbite.core.units.read import from_si
from liftbite.core.units.show import show, show_fine, show_together, typeset
from liftbite.core.verdicts.answers import Answers, Chart, answer
from liftbite.core.verdicts.results import RESULTS_OF
from liftbite.core.verdicts.verdict import Band, Link, Verdict
from liftbite.core.verdicts.words import (
    link_label,
    link_sentence,
    link_whose,
    unseen_labels,
    verdict_sentence,
)

_QUESTION_OF = {name: question for question, names in RESULTS_OF.items() for name in names}


@lru_cache(maxsize=8192)
def figure_out(value: float, unit: str) -> m.FigureOut:
    """A value [SI] in both systems."""
    metric, inch = show(value, unit, "metric"), show(value, unit, "inch")
    return m.FigureOut(
        si=value if isfinite(value) else None,
        metric=m.ShownOut(figure=metric.figure, unit=metric.unit),
        inch=m.ShownOut(figure=inch.figure, unit=inch.unit),
    )


def figure_text(figure: m.FigureOut) -> str:
    """A figure as a sentence has it, in the units preferred.

    >>> figure_text(figure_out(0.2413, "m"))
    '241.3 mm (9.5 in)'
    """
    shown = [getattr(figure, system) for system in wanted()]
    first, *rest = dict.fromkeys(f"{one.figure} {one.unit}".strip() for one in shown)
    return f"{first} ({rest[0]})" if rest else first


@lru_cache(maxsize=8192)
def fine_out(value: float, unit: str) -> m.FigureOut:
    """A value that was measured [SI], in both systems, to no more decimals than a bench reads."""
    metric, inch = show_fine(value, unit, "metric"), show_fine(value, unit, "inch")
    return m.FigureOut(
        si=value if isfinite(value) else None,
        metric=m.ShownOut(figure=metric.figure, unit=metric.unit),
        inch=m.ShownOut(figure=inch.figure, unit=inch.unit),
    )


def band_out(band: Any, unit: str) -> m.BandOut | None:
    """A band, or None for what has no value yet."""
    if not isinstance(band, Band):
        return None
    if band.single:
        one = figure_out(band.nominal, unit)
        return m.BandOut(low=one, nominal=one, high=one, single=True)
    values = (band.low, band.nominal, band.high)
    metric, inch = show_together(values, unit, "metric"), show_together(values, unit, "inch")
    low, nominal, high = (
        m.FigureOut(
            si=value if isfinite(value) else None,
            metric=m.ShownOut(figure=a.figure, unit=a.unit),
            inch=m.ShownOut(figure=b.figure, unit=b.unit),
        )
        for value, a, b in zip(values, metric, inch, strict=True)
    )
    return m.BandOut(low=low, nominal=nominal, high=high, single=False)


#: Points of a curve that are sent; all of them are in its CSV.
_MOST_POINTS = 2_000


def curve_out(curve: TorqueCurve) -> m.CurveOut:
    """A curve in rpm and N·m; one of more points than a screen has is thinned evenly, its peak and ends stay."""
    count = curve.speed.size
    at = np.arange(count)
    if count > _MOST_POINTS:
        even = np.linspace(0, count - 1, _MOST_POINTS).round().astype(int)
        at = np.union1d(even, int(curve.torque.argmax()))
    return m.CurveOut(rpm=(curve.speed[at] / RPM).round(2).tolist(), torque=curve.torque[at].round(3).tolist())


def curve_words(curve: TorqueCurve) -> str:
    """A curve in words: its points and its peak."""
    peak, speed = show(curve.peak_torque, "N·m", "metric"), show(curve.peak_torque_speed, "rad/s", "metric")
    return f"{curve.speed.size} points, peak {peak} at {speed}"


def _name(name: str) -> m.NameOut:
    return m.NameOut(name=name, label=label_of(name))


def _apart(link: Link) -> tuple[m.FigureOut | None, m.FigureOut | None]:
    """The figure of a link and its limit; with more digits where a figure that falls short would round to its limit."""
    if isnan(link.figure) or isnan(link.limit):
        return None, None
    figure, limit = fine_out(link.figure, link.unit), fine_out(link.limit, link.unit)
    for digits in range(4, 9):
        if figure.metric.figure != limit.metric.figure or link.grade in {"good", "note"}:
            break
        metric, inch = (show(link.figure, link.unit, system, digits) for system in ("metric", "inch"))
        figure = m.FigureOut(
            si=figure.si,
            metric=m.ShownOut(figure=metric.figure, unit=metric.unit),
            inch=m.ShownOut(figure=inch.figure, unit=inch.unit),
        )
    return figure, limit


def link_out(link: Link) -> m.LinkOut:
    """Something that can give way."""
    figure, limit = _apart(link)
    basis = m.BasisOut(
        entered=[_name(n) for n in link.basis.entered],
        measured=[_name(n) for n in link.basis.measured],
        assumed=[_name(n) for n in link.basis.assumed],
    )
    return m.LinkOut(
        key=link.key,
        name=link.name,
        label=link_label(link),
        grade=link.grade,
        reserve=figure_out(link.reserve, "-"),
        sentence=link_sentence(link),
        figure=figure,
        limit=limit,
        most=link.most,
        whose=link_whose(link),
        stands_on=basis,
        working=link.working,
        friction=link.friction,
    )


def verdict_out(verdict: Verdict) -> m.VerdictOut:
    """A verdict of the core."""
    return m.VerdictOut(
        question=verdict.question,
        state=verdict.state,
        sentence=verdict_sentence(verdict),
        margin=band_out(verdict.margin, "-"),
        margin_now=band_out(verdict.margin_now, "-"),
        target=figure_out(verdict.target, "-") if verdict.target is not None else None,
        links=[link_out(link) for link in verdict.links],
        deciding=link_out(verdict.deciding) if verdict.deciding else None,
        unseen=unseen_labels(verdict.unseen),
        needs=[_name(n) for n in verdict.needs],
        glyph=[m.StrokeOut(path=g.path, width=g.width, dashes=list(g.dashes), fill=g.fill) for g in glyph(verdict)],
    )


def _chart_out(chart: Chart, answers: Answers) -> m.ChartOut:
    peak, holds = answers.results["peak_engine_torque"], chart.holds
    return m.ChartOut(
        now=curve_out(chart.now),
        planned=curve_out(chart.planned) if chart.planned else None,
        holds_low=holds.low if holds else None,
        holds_nominal=holds.nominal if holds else None,
        holds_high=holds.high if holds else None,
        keeps=chart.keeps,
        slips=[m.StretchOut(start=from_si(a, "rpm"), end=from_si(b, "rpm")) for a, b in chart.slips],
        inch_per_metric=from_si(1.0, "lb-ft"),
        peak=figure_out(peak.nominal, "N·m") if isinstance(peak, Band) else None,
        holds=figure_out(holds.nominal, "N·m") if holds else None,
    )


def _field_out(
    name: str,
    answers: Answers,
    problems: Mapping[str, tuple[str | None, str]],
    plan: Mapping[str, Entry],
    asked: Mapping[str, Unusual],
) -> m.FieldOut:
    build = answers.build
    entry, assumed = build.entries.get(name), build.chosen.assumed.get(name)
    unit = INPUTS[name].unit
    value = None if unit in {"text", "curve"} or INPUTS[name].many else build.known.get(name)
    refused = answers.refusals.get(name)
    why = refusal_words(refused) if refused else None
    typed, problem = problems.get(name, (entry.typed if entry else None, why))
    asks = None if name in problems else asked.get(name) or answers.questions.get(name)
    field = _plain_field(name, typed, None if value is None else float(value), build.mark(name), assumed, asks, problem)
    if entry is not None and entry.build != PLAN:
        there = plan.get(name)
        says = f"the plan says {entry_text(name, there)}" if there else "the plan says nothing of it"
        field = field.model_copy(update={"why": f"{called(entry.build)}; {says}"})
    if entry is None or (entry.curve is None and not entry.file):
        return field
    curve = entry.curve
    more = {"curve": curve_out(curve), "points": curve.speed.size} if curve else {}
    return field.model_copy(update={**more, "notes": list((entry.file or {}).get("notes", []))})


@lru_cache(maxsize=4096)
def _plain_field(
    name: str,
    typed: str | None,
    value: float | None,
    mark: FieldMark,
    assumed: Assumed | None,
    asks: Unusual | None,
    problem: str | None,
) -> m.FieldOut:
    """A field without a curve. The same field comes back again and again while another one is typed in."""
    unit = INPUTS[name].unit
    return m.FieldOut(
        name=name,
        typed=typed,
        typeset=typeset(typed) if typed and unit not in {"text", "curve"} else typed,
        value=figure_out(value, unit) if value is not None else None,
        mark=mark,
        why=assumed.why if assumed else None,
        source=assumed.mark if assumed else None,
        question=m.QuestionOut(sentence=asks.sentence, instead=list(asks.instead)) if asks else None,
        problem=problem,
        curve=None,
        points=None,
        notes=[],
    )


def job_out(
    job_id: int,
    revisions: Sequence[Revision],
    *,
    archived: bool = False,
    change: int = 0,
    layers: Layers | None = None,
    problems: Mapping[str, tuple[str | None, str]] | None = None,
    build: str = PLAN,
    asked: Mapping[str, Unusual] | None = None,
) -> m.JobOut:
    """A build of a job, worked out.

    Parameters
    ----------
    job_id, revisions, archived, change : the job as it is kept
    layers : what is in force, where a change is being tried that is not kept yet
    problems : quantity -> what was typed and why it cannot be taken
    build : which build of it
    asked : what the shop asks about a field, besides what is unusual of its figure
    """
    layers = layers_of(revisions) if layers is None else layers
    problems = problems or {}
    entries = entries_of(layers, build)
    answers = answer(entries)
    worked = answers.build
    texts = [n for n, i in INPUTS.items() if i.unit == "text"]
    return m.JobOut(
        id=job_id,
        revision=revisions[-1].number,
        change=change,
        name=_text(entries, "job_name"),
        vehicle=_text(entries, "vehicle"),
        layout=worked.chosen.layout,
        archived=archived,
        has_plan=worked.has_plan,
        fields=[_field_out(name, answers, problems, layers[PLAN], asked or {}) for name in (*texts, *answers.asked)],
        choices=[
            m.PickedOut(name=n, option=worked.chosen.options.get(n), begun=n in worked.chosen.begun)
            for n in worked.chosen.offered
        ],
        results=[
            m.ResultOut(
                name=name,
                label=label_of(name),
                question=_QUESTION_OF[name],
                planned=band_out(band, unit_of(name, worked.graph)),
                now=band_out(answers.results_now.get(name), unit_of(name, worked.graph)),
            )
            for name, band in answers.results.items()
        ],
        verdicts=[
            verdict_out(answers.verdict),
            *map(verdict_out, answers.others),
        ],
        chart=_chart_out(answers.chart, answers) if answers.chart else None,
        assumptions=[
            m.AssumptionOut(
                name=a.name,
                label=label_of(a.name),
                mark=a.mark,
                why=a.why,
                option=a.option,
                value=figure_out(a.value, INPUTS[a.name].unit) if a.value is not None else None,
            )
            for a in answers.assumptions
        ],
        problems=[m.ProblemFieldOut(field=q, message=why) for q, (_, why) in problems.items()]
        + [m.ProblemFieldOut(field=q, message=refusal_words(refused)) for q, refused in answers.refusals.items()],
        misfits=[
            m.MisfitOut(fields=[_name(f) for f in fields_of(x)], sentence=misfit_sentence(x)) for x in misfits(worked)
        ],
        undo=_step_words(revisions, undoable(revisions)),
        redo=_step_words(revisions, redoable(revisions)),
        build=build,
        apart=list(apart(layers[PLAN])),
        builds=[m.BuildOut(name=n, label=called(n)) for n in dict.fromkeys((PLAN, FOUND, *names_of(layers), build))],
    )


def _text(entries: Mapping[str, Entry], name: str) -> str:
    entry = entries.get(name)
    return (entry.typed or "") if entry else ""


def line_out(job_id: int, revisions: Sequence[Revision], change: int = 0) -> m.JobLineOut:
    """A job as a line of the list."""
    entries = present(revisions)
    answers = answer(entries)
    return _line_out(
        job_id,
        change,
        _text(entries, "job_name"),
        _text(entries, "vehicle"),
        answers.build.chosen.layout,
        revisions[-1].at,
        verdict_out(answers.verdict),
        answers.others,
    )


def line_of(job: m.JobOut, changed_at: str) -> m.JobLineOut:
    """The line of a job that is worked out already."""
    return _line_out(
        job.id, job.change, job.name, job.vehicle, job.layout, changed_at, job.verdicts[0], job.verdicts[1:]
    )


def _line_out(
    job_id: int,
    change: int,
    name: str,
    vehicle: str,
    layout: str,
    changed_at: str,
    verdict: m.VerdictOut,
    others: Sequence[Verdict | m.VerdictOut],
) -> m.JobLineOut:
    option = CHOICES["layout"].option(layout)
    short = [m.ShortAnswerOut(question=v.question, state=v.state) for v in others]
    return m.JobLineOut(
        id=job_id,
        change=change,
        name=name,
        vehicle=vehicle,
        layout=layout,
        layout_label=option.label if option else "",
        changed_at=changed_at,
        verdict=verdict,
        others=short,
    )


def unreadable_line(job_id: int, change: int, reason: str) -> m.JobLineOut:
    """The line of a job whose rows cannot be read."""
    nothing = verdict_out(Verdict("bite", "open", "unread"))
    return m.JobLineOut(
        id=job_id,
        change=change,
        name=f"Job {job_id}",
        vehicle="",
        layout="",
        layout_label="",
        changed_at="",
        verdict=nothing,
        unreadable=reason,
    )


def waiting_line(job_id: int, change: int) -> m.JobLineOut:
    """The line of a job that is still to be worked out."""
    nothing = verdict_out(Verdict("bite", "open", "awaited"))
    return m.JobLineOut(
        id=job_id,
        change=change,
        name=f"Job {job_id}",
        vehicle="",
        layout="",
        layout_label="",
        changed_at="",
        verdict=nothing,
        waits=True,
    )


def entry_text(quantity: str, entry: Entry | None) -> str | None:
    """An entry in the words of the screen, None where there is none."""
    if entry is None or entry.typed is None:
        return None
    if quantity in CHOICES:
        option = CHOICES[quantity].option(entry.typed)
        return option.label if option else entry.typed
    if entry.curve is not None:
        return f"{entry.typed}: {curve_words(entry.curve)}"
    asked = INPUTS[quantity]
    if asked.unit == "text":
        return entry.typed
    bare = entry.typed[-1:] in set("0123456789.")
    return f"{typeset(entry.typed)} {asked.field_unit if bare else ''}".rstrip()


def _step_words(revisions: Sequence[Revision], number: int | None) -> m.StepOut | None:
    if number is None:
        return None
    revision = next(r for r in revisions if r.number == number)
    labels = list(dict.fromkeys(_label(e) for e in revision.entries))
    words = ", ".join(labels[:3]) + (f" and {len(labels) - 3} more" if len(labels) > 3 else "")
    return m.StepOut(number=number, words=words)


def _label(entry: Entry) -> str:
    label = label_of(entry.quantity)
    return label if entry.build == PLAN else f"{called(entry.build)}: {label}"


def history_out(revisions: Sequence[Revision]) -> m.HistoryOut:
    """The ledger in words, newest first."""
    state: dict[tuple[str, str], Entry] = {}
    lines = []
    for revision in revisions:
        changes = []
        for entry in revision.entries:
            before = entry_text(entry.quantity, state.get((entry.build, entry.quantity)))
            state[entry.build, entry.quantity] = entry
            after = entry_text(entry.quantity, entry)
            changes.append(m.ChangeOut(name=entry.quantity, label=_label(entry), before=before, after=after))
        lines.append(
            m.RevisionOut(
                number=revision.number,
                kind=revision.kind,
                at=revision.at,
                of=revision.of,
                who=revision.who,
                changes=changes,
            )
        )
    return m.HistoryOut(revisions=lines[::-1])
