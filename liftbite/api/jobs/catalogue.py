"""What there is to enter and to pick, as it goes over the wire: `catalogue_out`."""

from __future__ import annotations

from math import isfinite

from liftbite.api.jobs import models_catalogue as mc
from liftbite.core.job.begin import CLUTCH_FIGURES
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.groups import DRAWN, GROUPS, VIEWS, rows_of
from liftbite.core.job.inputs import INPUTS
from liftbite.core.job.slots import SLOTS
from liftbite.core.measure.setup import WORDS as SETUP_WORDS
from liftbite.core.measure.words import WORDS
from liftbite.core.units.kinds import KINDS
from liftbite.core.units.show import show
from liftbite.core.verdicts.rolled import STATES_OF


def catalogue_out() -> mc.CatalogueOut:
    """Every field and choice."""
    return mc.CatalogueOut(
        inputs=[
            mc.InputInfoOut(
                name=i.name,
                label=i.label,
                meaning=i.meaning,
                field_unit=i.field_unit,
                kind=KINDS[i.unit].name if i.unit in KINDS else i.unit,
                units=[u for u in KINDS[i.unit].units if u] if i.unit in KINDS else [],
                usual=f"{show(i.usual[0], i.unit, 'metric')} to {show(i.usual[1], i.unit, 'metric')}"
                if i.unit in KINDS and isfinite(i.usual[0])
                else None,
                searched=i.searched,
            )
            for i in INPUTS.values()
        ],
        choices=[
            mc.ChoiceInfoOut(
                name=c.name,
                label=c.label,
                small=c.small,
                options=[
                    mc.OptionInfoOut(value=o.value, label=o.label, meaning=o.meaning, layouts=list(o.layouts))
                    for o in c.options
                ],
            )
            for c in CHOICES.values()
        ],
        groups=[
            mc.GroupInfoOut(name=g.name, title=g.title, rows=list(rows_of(g.name)), slots=list(g.slots))
            for g in GROUPS.values()
        ],
        views={view: list(groups) for view, groups in VIEWS.items()},
        drawn=[mc.DrawnInfoOut(part=p, groups=list(g), results=list(r)) for p, (g, r) in DRAWN.items()],
        slots=[
            mc.SlotInfoOut(
                name=s.name, label=s.label, layouts=list(s.layouts), searched=list(s.searched), first=s.first
            )
            for s in SLOTS.values()
        ],
        answers={question: [*states, "does not fit", "open"] for question, states in STATES_OF.items()},
        clutch_figures=list(CLUTCH_FIGURES),
        setup_verdicts=dict(SETUP_WORDS),
        verdicts={str(verdict): words for verdict, words in WORDS.items()},
    )
