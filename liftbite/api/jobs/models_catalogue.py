"""What there is to enter and to pick: fields, choices, groups, kinds of parts."""

from __future__ import annotations

from pydantic import BaseModel, Field


class InputInfoOut(BaseModel):
    """What a field is for."""

    name: str
    label: str
    kind: str
    field_unit: str
    units: list[str]
    meaning: str
    usual: str | None
    searched: bool = Field(description="True where the finder offers to leave it free.")


class OptionInfoOut(BaseModel):
    """One alternative of a choice."""

    value: str
    label: str
    meaning: str
    layouts: list[str]


class ChoiceInfoOut(BaseModel):
    """A choice and its alternatives."""

    name: str
    label: str
    small: bool = Field(description="Few builders pick it: it begins folded.")
    options: list[OptionInfoOut]


class GroupInfoOut(BaseModel):
    """Fields and choices that stand together, in the order of work, and the kinds of parts that bring them."""

    name: str
    title: str
    rows: list[str]
    slots: list[str]


class DrawnInfoOut(BaseModel):
    """A part of the drawing: its groups, and the results that come from it."""

    part: str
    groups: list[str]
    results: list[str]


class SlotInfoOut(BaseModel):
    """A kind of part: the layouts that have one, those in which it is searched, and whether a search begins with it."""

    name: str
    label: str
    layouts: list[str]
    searched: list[str]
    first: bool


class CatalogueOut(BaseModel):
    """Every field and choice there is, and how they stand together."""

    inputs: list[InputInfoOut]
    choices: list[ChoiceInfoOut]
    groups: list[GroupInfoOut]
    views: dict[str, list[str]] = Field(description="View to the groups beside it.")
    drawn: list[DrawnInfoOut]
    slots: list[SlotInfoOut]
    answers: dict[str, list[str]] = Field(description="Question to the words it may be answered with, the best first.")
    clutch_figures: list[str] = Field(description="Inputs that tell a clutch at the beginning of a job.")
    verdicts: dict[str, str] = Field(description="Verdict of the bench to its words.")
    setup_verdicts: dict[str, str] = Field(description="Verdict of a set-up calculation to its words.")
