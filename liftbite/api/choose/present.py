"""Schedules, alternatives side by side and both builds of a job, as screen and command line show them.

`stint_out`, `against_out`, `beside_out`.
"""

from __future__ import annotations

from collections.abc import Mapping
from types import MappingProxyType

import numpy as np

from liftbite.api.choose import models as w
from liftbite.api.choose.drawing import name_out
from liftbite.api.jobs import models as m
from liftbite.api.jobs.present import figure_out
from liftbite.core.analysis.against import against
from liftbite.core.analysis.stint import Stint, stint_sentence, stint_working
from liftbite.core.find.alternatives import Beside, Cell
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build
from liftbite.core.job.builds import called
from liftbite.core.job.ledger import Entry, Layers
from liftbite.core.job.parts import FATES
from liftbite.core.job.parts import called as part_called
from liftbite.core.job.refusal import refusal
from liftbite.core.measure.checks import checks_for
from liftbite.core.units.constants import FREEZING
from liftbite.core.verdicts.answers import Answers, answer
from liftbite.core.verdicts.next_question import ranking
from liftbite.core.verdicts.words import verdict_sentence


def stint_out(found: Stint | Needs | Refused | None) -> w.StintOut | None:
    """A schedule of starts as it is shown."""
    if not isinstance(found, Stint):
        return None
    celsius = found.temperatures - FREEZING
    return w.StintOut(
        time=np.round(found.time / 60, 4).tolist(),
        masses=[
            w.MassOut(name=name, rubbed=i < found.network.rubbed, temperature=np.round(celsius[:, i], 2).tolist())
            for i, name in enumerate(found.network.names)
        ],
        begins=[round(t / 60, 4) for t in found.begins],
        surfaces=np.round(np.array(found.surfaces) - FREEZING, 1).tolist(),
        sustained=round(found.sustained - FREEZING, 1),
        brief=round(found.brief - FREEZING, 1),
        sentences=list(stint_sentence(found)),
        working=list(stint_working(found)),
    )


def next_out(answers: Answers) -> w.NextOut:
    """What would settle most of what a job leaves open, first."""
    read_by = {name: check.name for check in reversed(checks_for(answers.build)) for name in check.entered}
    return w.NextOut(
        ranking=[
            w.AskedNextOut(
                name=a.name,
                label=a.label,
                missing=a.missing,
                settles=list(a.settles),
                moves=round(a.moves, 4),
                why=a.why,
                check=read_by.get(a.name, ""),
            )
            for a in ranking(answers, read_by)
        ]
    )


def against_out(layers: Layers, others: Mapping[str, Mapping[str, Entry]] = MappingProxyType({})) -> w.AgainstOut:
    """The builds of a job against what was found, with all four answers of each; and the plans of other jobs."""
    found = against(layers, others)
    names = [c.name or "planned" for c in found.columns]
    answers = {}
    for name, column in zip(names, found.columns, strict=True):
        told = answer(column.build.entries)
        answers[name] = {v.question: v for v in (told.verdict, *told.others)}
    return w.AgainstOut(
        builds=[
            w.AgainstBuildOut(
                name=name,
                label=c.name if c.name in others else called(c.name),
                other=c.name in others,
                says=list(c.says),
                parts=[m.NameOut(name=part_called(part), label=FATES[fate][0]) for part, fate in c.parts.items()],
            )
            for name, c in zip(names, found.columns, strict=True)
        ],
        answers=[
            w.AgainstAnswerOut(
                question=q,
                states={name: a[q].state for name, a in answers.items()},
                sentences={name: verdict_sentence(a[q]) for name, a in answers.items()},
            )
            for q in answers["planned"]
        ],
        changes=[
            w.AgainstChangeOut(
                name=c.name,
                label=c.label,
                same=c.same,
                values={
                    name: None if value is None else figure_out(value, c.unit)
                    for name, value in zip(names, c.values, strict=True)
                },
            )
            for c in found.changes
        ],
    )


def beside_out(build: Build, found: Beside | Needs | Refused | None) -> w.BesideOut:
    """Alternatives as they are shown, or what they wait for."""
    if not isinstance(found, Beside):
        needs = build.chosen.to_ask(found.names) if isinstance(found, Needs) else ()
        trouble = refusal(found.error, build) if isinstance(found, Refused) else None
        return w.BesideOut(title="", columns=[], rows=[], says=[], needs=[name_out(n) for n in needs], trouble=trouble)
    return w.BesideOut(
        title=found.title,
        columns=list(found.columns),
        says=list(found.says),
        needs=[],
        trouble=None,
        rows=[
            w.BesideRowOut(
                cells=[_cell_out(c) for c in row.cells],
                good=row.good,
                present=row.present,
                puts=[m.EntryIn(quantity=q, typed=typed) for q, typed in row.puts],
            )
            for row in found.rows
        ],
    )


def _cell_out(cell: Cell) -> w.BesideCellOut:
    if cell is None or isinstance(cell, str):
        return w.BesideCellOut(words=cell or "", figure=None)
    return w.BesideCellOut(words="", figure=figure_out(*cell))
