"""The account as it is shown.

- `account_out`   all of it
- `parts_out`, `read_out`   its parts, and what was read
- `complaint_out`   a complaint, and what became of it
- `figures_out`   figures nobody has said the part of
- `undoes_out`    what planning parts now would undo
"""

from __future__ import annotations

from collections.abc import Iterator

from liftbite.api.account import models as ma
from liftbite.api.jobs.models import NameOut
from liftbite.api.jobs.present import verdict_out
from liftbite.api.statements import said_out
from liftbite.core.account.answers import AnswerNow
from liftbite.core.account.claims import Claim
from liftbite.core.account.complaints import Complaint
from liftbite.core.account.parts import PartLine
from liftbite.core.account.read import ReadPart
from liftbite.core.account.words import DONE, STATUS, WHOSE, part_words, point_words
from liftbite.core.fit.library import title_of
from liftbite.core.job.build import label_of
from liftbite.core.job.builds import shared_figures
from liftbite.core.job.choices import CHOICES
from liftbite.core.job.figures_of import FIGURES_OF, figures_of
from liftbite.core.job.ledger import PLAN
from liftbite.core.job.parts import called
from liftbite.core.measure.statements import ORDERS, Overruling
from liftbite.core.measure.words import WORDS, finding_sentence
from liftbite.core.prove.causes import CAUSES
from liftbite.core.units.show import typeset
from liftbite.whole.account import Account, Undoes

_NOT_ASKED = "nobody said how strong the engine is; what is typical of the class says nothing of this one"


def account_out(account: Account) -> ma.AccountOut:
    """The account of a job."""
    bedding = account.bedding
    return ma.AccountOut(
        job=account.bench.job_id,
        change=account.bench.change,
        status=account.status,
        status_words=STATUS[account.status],
        answers=[_answer(each) for each in account.answers],
        beside=[_answer(each) for each in account.answers_beside],
        complaints=[complaint_out(each, account) for each in account.complaints],
        parts=parts_out(account),
        read=read_out(account),
        unread=list(account.unread),
        figures=figures_out(account),
        past=list(_past(account)),
        bedding=ma.BeddingOut(
            faces=[NameOut(name=part, label=called(part)) for part in bedding.faces],
            asked=bedding.asked.words if bedding.faces else "",
            share=bedding.share,
            done=bedding.done,
            sentence=bedding.sentence,
        ),
        points=[
            ma.OpenPointOut(
                code=p.code, station=p.station, at=p.at, count=p.count, named=list(p.named), words=point_words(p)
            )
            for p in account.points
        ],
    )


def figures_out(account: Account) -> list[ma.FiguresOut]:
    """Figures typed before a part was said to be renewed."""
    layers = account.bench.layers
    return [
        ma.FiguresOut(
            part=part,
            label=called(part),
            choice=figures_of(part),
            figures=[f"{label_of(q)}: {_shown(q, layers[PLAN][q].typed)}" for q in quantities],
            options=[NameOut(name=name, label=label) for name, (label, _) in FIGURES_OF.items()],
        )
        for part, quantities in shared_figures(layers).items()
    ]


def _shown(quantity: str, typed: str | None) -> str:
    option = CHOICES[quantity].option(typed or "") if quantity in CHOICES else None
    return option.label.lower() if option else typeset(typed or "")


def undoes_out(found: Undoes) -> ma.UndoesOut:
    """What planning parts now would undo."""
    again = len(found.again)
    steps = "1 step that is done is" if again == 1 else f"{again} steps that are done are"
    first = found.again[0].planned.step.title if found.again else ""
    says = f"{steps} to be done again, from “{first}” on; {len(found.more)} more come to the plan." if again else ""
    return ma.UndoesOut(
        more=[NameOut(name=s.planned.key, label=s.planned.step.title) for s in found.more],
        again=[NameOut(name=s.planned.key, label=s.planned.step.title) for s in found.again],
        sentence=says,
    )


def _answer(each: AnswerNow) -> ma.AnswerNowOut:
    shown = verdict_out(each.verdict)
    return ma.AnswerNowOut(
        question=each.verdict.question,
        state=each.verdict.state if each.asked else "not asked",
        sentence=shown.sentence if each.asked else f"Not asked: {_NOT_ASKED}.",
        speaks_of=each.speaks_of,
        assumed=[NameOut(name=name, label=label_of(name)) for name in each.assumed],
        verdict=shown,
    )


def _claim(claim: Claim) -> ma.ClaimOut:
    return ma.ClaimOut(source=claim.source, key=claim.key, says=claim.says, who=claim.who, at=claim.at)


def parts_out(account: Account) -> list[ma.PartLineOut]:
    """The parts of the account, each with its state."""
    titles = {s.planned.key: s.planned.step.title for s in account.standing.standings}
    return [
        ma.PartLineOut(
            part=line.part,
            label=line.label,
            work=line.work,
            state=line.state,
            words=part_words(line),
            key=line.key,
            reasons=list(line.reasons),
            because=sorted(line.because),
            fate=line.fate,
            order=_order(line),
            rests_on=[_claim(claim) for claim in line.rests_on],
            left=[NameOut(name=key, label=titles.get(key) or title_of(key)) for key in line.left],
        )
        for line in account.parts
    ]


def _order(line: PartLine) -> str:
    if line.order is None:
        return ""
    order = line.order.statement
    price = f"{order.price} {order.currency}".strip()
    return ", ".join(filter(None, (order.number, order.source, price, ORDERS[order.state] if order.state else "")))


def read_out(account: Account) -> list[ma.ReadPartOut]:
    """What was read, or closed unread."""
    return [_read(each) for each in account.read]


def _read(each: ReadPart) -> ma.ReadPartOut:
    found = each.finding
    return ma.ReadPartOut(
        check=each.check.name,
        title=each.check.title,
        part=each.check.part,
        of=each.of,
        of_words=WHOSE[each.of],
        verdict=found.verdict,
        verdict_words=WORDS[found.verdict] if found.taken else "Not read",
        sentence=finding_sentence(found) if found.taken else "",
        done=each.done,
        done_words=DONE[each.done],
        before=finding_sentence(each.before) if each.before else "",
        overruled=found.overruled is not None,
        claim=_claim(each.claim) if each.claim else None,
        closed=said_out(each.closed),
    )


def complaint_out(each: Complaint, account: Account) -> ma.ComplaintNowOut:
    """A complaint, and what became of it."""
    checks = [account.bench.known[check].title for check in each.checks]
    return ma.ComplaintNowOut(
        name=each.name,
        label=each.label,
        state=each.state,
        explained_by=[*checks, *(CAUSES[cause].words for cause in each.causes)],
        closed=said_out(each.closed),
    )


def _past(account: Account) -> Iterator[ma.PastOut]:
    """What a named person went past: lines and hold points as they stood, verdicts of the readings."""
    for s in account.standing.standings:
        title = s.planned.step.title
        if s.state == "overridden" and s.said is not None:
            yield ma.PastOut(
                kind="hold point", label=title, stood="", reason=s.said.reason, who=s.said.who, at=s.said.at
            )
        for each in s.lines:
            if line := each.overridden:
                yield ma.PastOut(
                    kind="line",
                    label=f"{title}: {each.look.label.lower()}",
                    stood=each.look.says,
                    reason=line.reason,
                    who=line.who,
                    at=line.at,
                )
    yield from _overruled(account)


def _overruled(account: Account) -> Iterator[ma.PastOut]:
    said = account.bench.said_of(Overruling)
    for each in account.read:
        over, line = each.finding.overruled, said.get(each.check.name)
        if over is not None and line is not None:
            yield ma.PastOut(
                kind="verdict",
                label=each.check.title,
                stood=f"by the readings: {WORDS[over.by_readings].lower()}",
                reason=f"{WORDS[each.finding.verdict].lower()}: {line.statement.reason}",
                who=line.who,
                at=line.at,
            )
