"""Schedules, alternatives side by side and both builds of a job, as screen and command line show them.

`stint_out`, `against_out`, `beside_out`.
"""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from liftbite.api.choose import models as w
from liftbite.api.choose.drawing import name_out
from liftbite.api.jobs import models as m
from liftbite.api.jobs.present import figure_out
from liftbite.core.analysis.against import against
from liftbite.core.analysis.stint import Stint, stint_said, stint_working
from liftbite.core.graph.graph import Needs, Refused
from liftbite.core.job.build import Build, refusal
from liftbite.core.job.builds import found_of
from liftbite.core.job.ledger import Entry
from liftbite.core.parts.beside import Beside, Cell
from liftbite.core.units.constants import FREEZING
from liftbite.core.verdicts.answers import answer


def stint_out(found: Stint | Needs | Refused | None) -> w.StintOut | None:
    """A schedule of starts as it is shown."""
    if not isinstance(found, Stint):
        return None
    celsius = found.temperatures - FREEZING
    return w.StintOut(
        time=np.round(found.time / 60, 4).tolist(),
        masses=[w.MassOut(name=name, rubbed=i < found.network.rubbed,
                          temperature=np.round(celsius[:, i], 2).tolist())
                for i, name in enumerate(found.network.names)],
        begins=[round(t / 60, 4) for t in found.begins],
        surfaces=np.round(np.array(found.surfaces) - FREEZING, 1).tolist(),
        sustained=round(found.sustained - FREEZING, 1),
        brief=round(found.brief - FREEZING, 1), sentences=list(stint_said(found)), working=list(stint_working(found)),
    )  # fmt: skip


def against_out(entries: Mapping[str, Entry]) -> w.AgainstOut:
    """As found against as planned, with all four answers of both."""
    found = against(entries)
    before, after = (
        {v.question: v for v in (a.verdict, *a.others)} for a in (answer(found_of(entries)), answer(entries))
    )
    return w.AgainstOut(
        renewed=list(found.renewed), dressed=list(found.dressed), notes=list(found.notes), says=list(found.says),
        answers=[w.AgainstAnswerOut(question=q, found=before[q].state, planned=v.state, sentence=v.sentence)
                 for q, v in after.items()],
        changes=[
            w.AgainstChangeOut(
                name=c.name, label=c.label, same=c.same,
                found=None if c.found is None else figure_out(c.found, c.unit),
                planned=None if c.planned is None else figure_out(c.planned, c.unit),
            )
            for c in found.changes
        ],
    )  # fmt: skip


def beside_out(build: Build, found: Beside | Needs | Refused | None) -> w.BesideOut:
    """Alternatives as they are shown, or what they wait for."""
    if not isinstance(found, Beside):
        needs = build.chosen.to_ask(found.names) if isinstance(found, Needs) else ()
        trouble = refusal(found.error, build) if isinstance(found, Refused) else None
        return w.BesideOut(title="", columns=[], rows=[], says=[], needs=[name_out(n) for n in needs], trouble=trouble)
    return w.BesideOut(
        title=found.title, columns=list(found.columns), says=list(found.says), needs=[], trouble=None,
        rows=[
            w.BesideRowOut(cells=[_cell_out(c) for c in row.cells], good=row.good, present=row.present,
                           puts=[m.EntryIn(quantity=q, typed=typed) for q, typed in row.puts])
            for row in found.rows
        ],
    )  # fmt: skip


def _cell_out(cell: Cell) -> w.BesideCellOut:
    if cell is None or isinstance(cell, str):
        return w.BesideCellOut(words=cell or "", figure=None)
    return w.BesideCellOut(words="", figure=figure_out(*cell))
