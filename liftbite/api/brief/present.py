"""Dynamometer files as they go over the wire.

- `proposal_out`   how a file seems to be built, with the runs it holds
- `read_out`       a file read as mapped
"""

from __future__ import annotations

from dataclasses import asdict
from math import isnan

from liftbite.api.jobs import models as m
from liftbite.api.jobs.present import curve_out, figure_out
from liftbite.api.waiting import by_size
from liftbite.core.job.dyno_file import CurveFile
from liftbite.core.job.dyno_mapping import ROLES, ColumnMapping, Run, spoken_of, units_of
from liftbite.core.job.dyno_runs import propose_file

UNITS = {role: list(units_of(role)) for role in ROLES}


def _mapping_out(mapping: ColumnMapping) -> m.ColumnMappingIO:
    return m.ColumnMappingIO(**{**asdict(mapping), "leave_out": list(mapping.leave_out)})


def _run_out(run: Run) -> m.RunOut:
    peak = None if isnan(run.peak) else figure_out(run.peak, "N·m")
    return m.RunOut(
        label=run.label,
        mapping=_mapping_out(run.mapping),
        peak_torque=peak,
        peak_torque_speed=None if peak is None else figure_out(run.peak_speed, "rad/s"),
    )


def proposal_out(name: str, text: str) -> m.ProposalOut:
    """A mapping for a file, to be confirmed.

    Raises
    ------
    UnreadableFile : no line has two figures
    """
    found = by_size(len(text), propose_file, text)
    return m.ProposalOut(
        name=name,
        text=text,
        mapping=_mapping_out(found.mapping),
        columns=[m.ColumnOut(index=c.index, heading=c.heading) for c in found.columns],
        preview=[list(row) for row in found.preview],
        reference=found.reference,
        questions=list(found.questions),
        units=UNITS,
        corrected=found.corrected,
        runs=[_run_out(run) for run in found.runs],
        spoken={name: list(options) for name, options in spoken_of(found.reference, found.corrected).items()},
    )


def read_out(read: CurveFile) -> m.CurveReadOut:
    """A file read: its curve, its peaks, what was done to get there, and what is asked."""
    curve = read.curve
    return m.CurveReadOut(
        curve=curve_out(curve),
        notes=list(read.notes),
        asks=list(read.asks),
        points=curve.speed.size,
        peak_torque=figure_out(curve.peak_torque, "N·m"),
        peak_torque_speed=figure_out(curve.peak_torque_speed, "rad/s"),
        peak_power=figure_out(curve.peak_power, "W"),
        peak_power_speed=figure_out(curve.peak_power_speed, "rad/s"),
    )
