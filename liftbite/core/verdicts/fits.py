"""Does it fit: parts that do not go together, as links of the answer they reach.

- `misfit_links`   question -> what does not fit
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import cast

from liftbite.core.job.build import Build, unit_of
from liftbite.core.parts.shelf import fields_of, misfits
from liftbite.core.verdicts.rows import basis_of
from liftbite.core.verdicts.verdict import Link, Question


def misfit_links(build: Build) -> Mapping[Question, tuple[Link, ...]]:
    """Question -> what does not fit: splines and disc size reach Bite, depths and the step Lift, the rest True."""
    found: dict[Question, tuple[Link, ...]] = {}
    for clash in misfits(build):
        fields = fields_of(clash)
        first, second = clash.figures
        link = Link(
            "misfit",
            fields[0],
            0.0,
            "bad",
            first,
            second,
            unit_of(fields[0], build.graph),
            False,
            "own",
            {"first": first, "second": second},
            {"rule": clash.rule.key},
            basis_of(build, fields),
        )
        question = cast(Question, clash.rule.question)
        found[question] = (*found.get(question, ()), link)
    return found
