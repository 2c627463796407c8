"""The words of the bench: verdicts, findings and what was held against a limit, made from what was found.

- `WORDS`             verdict -> its words on screen and paper
- `finding_sentence`  a finding in words: what is, then why, then what to do
- `held_sentence`     one reading against one limit
- `sense_word`        a limit's name in a sentence

Words are made here and nowhere read: what decides anything decides by verdict, code and figure.
"""

from __future__ import annotations

from collections.abc import Mapping

from liftbite.core.measure.check import Verdict
from liftbite.core.measure.judgement import Finding, Held, Swept
from liftbite.core.measure.runout import CLOSURE_LIMIT, pointing
from liftbite.core.units.sentence import both_fine

#: Verdict -> its words on screen and paper.
WORDS: Mapping[Verdict, str] = {
    "stop": "Stop",
    "renew as set": "Renew as a set",
    "renew": "Renew",
    "dress or resurface": "Dress or machine",
    "put right": "Put right",
    "too close to call": "Too close to call",
    "reuse and watch": "Reuse, and watch",
    "reuse": "Reuse",
    "open": "To do",
    "noted": "Noted",
}


def sense_word(name: str) -> str:
    """A limit's name in a sentence: "at least", "at most"."""
    return {"least": "at least", "most": "at most", "spread": "at most", "new": "new"}[name]


def held_sentence(held: Held) -> str:
    """One reading against one limit."""
    limit = held.limit.value or 0.0
    against = f"{sense_word(held.limit.name)} {both_fine(limit, held.unit)}"
    if held.swept is not None:
        return f"{_out(held.swept, held.unit)} Against {against}."
    over = ("over", "under") if held.limit.name == "least" else ("under", "over")
    by = both_fine(abs(held.value - limit), held.unit)
    where = {
        "pass": f"{over[0]} by {by}",
        "fail": f"{over[1]} by {by}",
        "close": f"within the guard band of {both_fine(held.guard, held.unit)}",
    }[held.zone]
    what = "spread" if held.limit.name == "spread" else held.place
    return f"{what}: {both_fine(held.value, held.unit)} against {against}, {where}."


def finding_sentence(found: Finding) -> str:
    """What the readings of one check amount to, in words."""
    says = _says(found)
    if found.overruled is None:
        return says
    by = found.overruled
    return f"{by.who} says so: {by.reason}. By the readings: {by.by_readings}. {says}"


def _says(found: Finding) -> str:
    match found.code:
        case "nothing read":
            return "Nothing read yet."
        case "not looked at":
            return "Not looked at yet."
        case "skipped":
            return f"Skipped: {found.skipped}."
        case "graded":
            return _graded(found)
        case "no limit":
            return f"No limit yet: type the manual's.{_to_go(found)}"
        case "for the sums":
            return f"Kept for the sums.{_to_go(found)}"
        case "held":
            return _held(found)
        case "too few angles":
            return "A circle needs three angles or more."
        case "does not close":
            return _open_circle(found)
        case "swept":
            return _swept(found)


def _to_go(found: Finding) -> str:
    return f" {found.to_go} {'place' if found.to_go == 1 else 'places'} to go." if found.to_go else ""


def _graded(found: Finding) -> str:
    grade, at = found.graded, "" if found.place == "Once" else f"{found.place}: "
    if grade is None:
        return ""
    return f"{at}{grade.word.lower() if at else grade.word}. {grade.says}"


def _held(found: Finding) -> str:
    if found.decides is None:
        return ""
    says = held_sentence(found.decides)
    says = says[0].upper() + says[1:]
    if found.decides.zone == "close":
        better = found.better.lower()
        says += f" A {better} would settle it." if better else " Measure again, or treat it as failed."
    if found.to_go or found.decides.zone != "pass" or found.used is None:
        return says + _to_go(found)
    return f"{says} {round((1 - found.used[1]) * 100)} % of its life is left."


def _out(swept: Swept, unit: str) -> str:
    """How far out of true, and which way."""
    tir = both_fine(swept.tir, unit)
    if swept.off is None:
        return f"TIR {tir}, read without angles."
    towards = pointing(swept.towards)
    way = f"highest towards {towards}" if swept.of_face else f"{both_fine(swept.off, unit)} off towards {towards}"
    if swept.read is not None:
        return f"TIR {tir} at {swept.at}, {both_fine(swept.read, unit)} at the radius swept; {way}."
    says = f"TIR {tir}, {way}."
    if swept.places is not None:
        says += f" Read at the places {both_fine(swept.places, unit)}; the circle through them goes further."
    return says


def _open_circle(found: Finding) -> str:
    by = both_fine(abs(found.swept.closes or 0.0), found.unit) if found.swept else ""
    return (
        f"It does not close: the first angle reads {by} otherwise at the end, over "
        f"{both_fine(CLOSURE_LIMIT, found.unit)}. Look at the stand and take the sweep again."
    )


def _swept(found: Finding) -> str:
    swept = found.swept
    if swept is None:
        return ""
    if found.decides is None:
        return _out(swept, found.unit)
    says, zone, alone = held_sentence(found.decides), found.decides.zone, swept.off is None
    if not alone and swept.closes is None:
        return f"{says} Read the first angle again to close it."
    if zone == "pass":
        return says
    if alone:
        needs = "A dowel needs the angles." if swept.bore else "Which way it leans needs the angles."
        return f"{says} Within the guard band. {needs}" if zone == "close" else f"{says} {needs}"
    if zone == "close":
        return f"{says} Within the guard band; sweep it again, or treat it as failed."
    return says + _mend(swept)


def _mend(swept: Swept) -> str:
    best = swept.mended
    if best is None:
        return ""
    if best.offset == 0:
        return " No stocked dowel betters it; a special one would."
    offset, left, towards = both_fine(best.offset, "m"), both_fine(best.residual, "m"), pointing(best.clock)
    what = f" A {offset} dowel, high side towards {towards}, leaves {left}."
    return what if best.meets else f"{what} That is still over; ask for a turned-down or special dowel."
