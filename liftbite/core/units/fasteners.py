"""How a workshop writes threads, classes of bolts and tightening: `M10 x 1.25`, `7/16-20`, `10.9`, `19.8 lb-ft + 120°`.

- `Thread`, `read_thread`     a thread's diameter and pitch
- `read_class`                proof strength of a property class or an inch grade
- `Tightening`, `read_tightening`   a torque and the angle after it, each as typed

Coarse pitches and proof strengths stand in `fasteners.toml`, each with its standard.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from fractions import Fraction

from liftbite.core.tables import rows
from liftbite.core.units.read import si

_MM, _INCH = 1e-3, 0.0254
_TABLE = rows("liftbite.core.units", "fasteners.toml")
#: Thread -> its coarse pitch [m].
_COARSE = {thread: si(row["pitch"]) for thread, row in _TABLE["coarse"].items()}
#: Proof strength by class and grade [Pa].
_PROOF = {grade: si(row["strength"]) for grade, row in _TABLE["proof"].items()}
#: Class -> size above which it is stronger [m], and its proof strength there [Pa].
_ABOVE = {grade: (si(row["above"]), si(row["strength"])) for grade, row in _TABLE["above"].items()}
_METRIC = re.compile(r"M ?(\d{1,2}(?:[.,]\d)?)(?: ?[x×*] ?(\d(?:[.,]\d{1,2})?))?", re.IGNORECASE)
_UNIFIED = re.compile(r"(\d{1,2}/\d{1,2})(?: ?in)? ?- ?(\d{1,2})")
_ANGLE = re.compile(r"([^+]{1,60})\+ ?(\d{1,3}(?:[.,]\d)?) ?(?:°|deg|degrees)?")
_LONGEST = 100


@dataclass(frozen=True, slots=True)
class Thread:
    """A thread: nominal diameter and pitch [m]."""

    diameter: float
    pitch: float


def read_thread(typed: str) -> Thread | None:
    """The thread that was typed; None for what is no thread.

    >>> read_thread("M10 x 1.25"), read_thread("M8")
    (Thread(diameter=0.01, pitch=0.00125), Thread(diameter=0.008, pitch=0.00125))
    >>> round(read_thread("7/16-20").diameter * 1e3, 4), round(read_thread("7/16-20").pitch * 1e3, 2)
    (11.1125, 1.27)
    """
    text = typed.strip()
    if len(text) > _LONGEST:
        return None
    if found := _METRIC.fullmatch(text):
        diameter = float(found[1].replace(",", ".")) * _MM
        pitch = float(found[2].replace(",", ".")) * _MM if found[2] else _COARSE.get(f"M{diameter / _MM:g}")
        return Thread(diameter, pitch) if pitch and 0 < pitch < diameter else None
    if (found := _UNIFIED.fullmatch(text)) and int(found[2]) and not found[1].endswith("/0"):
        return Thread(float(Fraction(found[1])) * _INCH, _INCH / int(found[2]))
    return None


def read_class(typed: str, diameter: float = 0.0) -> float | None:
    """Proof strength of the class or grade that was typed [Pa]; None for what is none.

    Parameters
    ----------
    typed : as typed
    diameter : nominal, for classes that are stronger above a size; 0 where nobody said [m]

    >>> read_class("10.9"), read_class("class 8.8"), read_class("8.8", 0.018), read_class("850 MPa")
    (830000000.0, 580000000.0, 600000000.0, None)
    """
    text = typed.strip().lower().removeprefix("class").strip().replace(",", ".")
    if len(text) >= _LONGEST:
        return None
    if text in _ABOVE and diameter > _ABOVE[text][0] + 1e-9:
        return _ABOVE[text][1]
    return _PROOF.get(text)


@dataclass(frozen=True, slots=True)
class Tightening:
    """A torque and the angle after it, as typed."""

    torque: str
    angle: str


def read_tightening(typed: str) -> Tightening | None:
    """The torque and angle that were typed as one; None for a torque alone.

    >>> read_tightening("19.8 lb-ft + 120°")
    Tightening(torque='19.8 lb-ft', angle='120°')
    """
    found = _ANGLE.fullmatch(typed.strip()) if len(typed) <= _LONGEST else None
    return Tightening(found[1].strip(), f"{found[2].replace(',', '.')}°") if found else None
