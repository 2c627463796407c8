"""What a state or a sentence of the account rests on.

- `Claim`   one statement, tick, reading or order: of what, by whom, when
- `claim_of`   a line of the record as one
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from liftbite.core.job.record import Line

#: From where something is known: a step, a check of the bench, a card or a fluid of Prove, the list, an order.
Source = Literal["step", "reading", "prove", "list", "order"]


@dataclass(frozen=True, slots=True)
class Claim:
    """What something rests on.

    Attributes
    ----------
    source, key : from where it is known, and of what there: a step, a check, a line of the list
    says : what was said or read; empty of a bare tick
    who, at : by whom, and when [ISO 8601, UTC]; empty where nobody gave a name
    """

    source: Source
    key: str
    says: str = ""
    who: str = ""
    at: str = ""


def claim_of(source: Source, line: Line, says: str = "") -> Claim:
    """A line of the record as what something rests on."""
    return Claim(source, line.key, says or line.reason, line.who, line.at)
