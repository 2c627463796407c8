"""What an input of a job is: its unit, its ranges, where it stands, and what stands in for it.

- `Assumed`   a value taken where nobody entered one, with its source mark and its ends
- `Input`     one input
"""

from __future__ import annotations

from dataclasses import dataclass
from math import inf, isnan, nan


@dataclass(frozen=True, slots=True)
class Assumed:
    """A value taken where nobody entered one.

    Attributes
    ----------
    value : the value [SI]
    mark : "standard", "handbook", "memory" or "practice"
    why : where it comes from, in words
    low, high : the ends it may lie between [SI]; the value itself where nothing is left to doubt: a rule of judging,
        or a state that was told, such as new discs
    several : what is taken instead where there are several discs [SI]; None where that makes no difference
    share_of : input it is a share of where that one is entered, and the share
    typical : True where it is no more than typical of a class of vehicle
    """

    value: float
    mark: str
    why: str
    low: float = nan
    high: float = nan
    several: float | None = None
    share_of: tuple[str, float] | None = None
    typical: bool = False

    def __post_init__(self) -> None:
        for end in ("low", "high"):
            if isnan(getattr(self, end)):
                object.__setattr__(self, end, self.value)

    def of(self, discs: float | None) -> float:
        """The value with so many discs.

        >>> Assumed(0.0007, "memory", "cushion", several=0.00025).of(2)
        0.00025
        """
        return self.several if self.several is not None and discs is not None and discs > 1 else self.value


@dataclass(frozen=True, slots=True)
class Input:
    """One input of a job: an entry here is all it takes.

    Attributes
    ----------
    name : name in the graph
    label : what the screen calls it
    unit : SI unit, a key of `units.KINDS`; "text" and "curve" for what is no figure
    field_unit : unit a bare number is read in, by layout where the trade differs
    least, most : hard range [SI]
    usual : range outside which the figure is questioned [SI]
    meaning : one sentence for the builder
    above : True where `least` itself is not allowed
    many : True where several figures are entered, separated by semicolons
    group : the group it stands in on screen, from `groups.GROUPS`
    parts : kinds of parts that bring it, from `slots.SLOTS`
    fits : slot and property it states of what has to fit, from `mismatch.RULES`
    assumed : what stands in for it, whatever is chosen
    searched : True where the finder offers to leave it free
    """

    name: str
    label: str
    unit: str
    field_unit: str = ""
    least: float = -inf
    most: float = inf
    usual: tuple[float, float] = (-inf, inf)
    meaning: str = ""
    above: bool = False
    many: bool = False
    group: str = ""
    parts: tuple[str, ...] = ()
    fits: tuple[str, str] | None = None
    assumed: Assumed | None = None
    searched: bool = False
