"""`failure-finder`: from what is seen on a failed drive to its likely causes, and what to look at next."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.calc.shown import inside
from tuyere.core.diagnosis.finder import Answer as SignAnswer
from tuyere.core.diagnosis.finder import contradictions, next_check, settled, weighed
from tuyere.core.diagnosis.model import OTHER, Model, Sign, cause_words, kind_of_loop, likelihoods, model_of
from tuyere.core.notices import notice

GROUP = "Upkeep"
LoopKind = Literal["v", "v-light", "v-joined", "v-link", "sync", "flat-belt", "round", "chain", "chain-dogged"]
SignKey = Annotated[str, Field(max_length=40, pattern="^[a-z0-9-]+$")]
TOLD = 6
WORTH = 0.02


class FailureIn(Input):
    """A failed drive: its kind of loop, what was looked at and what was found. A sign that is not named was not looked at."""

    kind: LoopKind = Field(default="v", description="kind of loop")
    answers: dict[SignKey, SignAnswer] = Field(
        default={}, max_length=200, description="sign by its key: yes, no (looked: not so), not looked"
    )
    isolated: bool = Field(default=False, description="the machine is isolated and its guard may be off")


class SignOut(Answer):
    """A sign: where it is looked for, how, with the guard on or off, and a drawing of it; what was answered."""

    key: str
    where: Literal["loop", "wheel", "machine", "operation", "history"]
    words: str
    how: str
    guard: Literal["on", "off"]
    minutes: float
    picture: str
    answer: Literal["yes", "no", "not looked", ""]


class ForOut(Answer):
    """A sign that speaks for or against a cause, and why."""

    words: str
    why: str


class CauseOut(Answer):
    """A cause with its share of a hundred, what speaks for and against it, what to do about it."""

    key: str
    words: str
    share: int = Field(description="of 100, rounded to five: judgement stands behind it, not statistics")
    speaks_for: list[ForOut]
    speaks_against: list[ForOut]
    do: str
    before_new: str = Field(description="what to check on the machine before a new loop goes on")
    job: str = Field(description="the job that does it")
    source: str


class CheckOut(Answer):
    """What to look at next: the sign, the minutes with making safe, and what it settles."""

    sign: str
    minutes: int
    needs_isolation: bool
    settles: str


class FailureOut(Answer):
    """The likely causes, the check that tells most for its minutes, and every sign that can be looked for."""

    says: str
    causes: list[CauseOut]
    other_share: int
    check: CheckOut | None
    settled: bool
    signs: list[SignOut]


def _rounded(share: float) -> int:
    """A share of 100 in steps of five; one that is there at all is not nothing."""
    return max(round(20 * share) * 5, 1 if share > 0.005 else 0)


def _why(model: Model, cause: str, keys: tuple[str, ...], answers: dict[str, SignAnswer]) -> list[ForOut]:
    listed = likelihoods()
    out = []
    for key in keys:
        sign = model.signs[model.sign(key)]
        pair = listed.get((key, cause))
        seen = sign.words if answers[key] == "yes" else f"not so: {inside(sign.words)}"
        usual = "as many drives show that failed for other reasons" if answers[key] == "no" else ""
        out.append(ForOut(words=seen, why=pair.why if pair is not None else usual))
    return out


def _check(model: Model, given: FailureIn, likeliest: tuple[str, str]) -> CheckOut | None:
    found = next_check(model, given.answers, isolated=given.isolated)
    if found is None:
        return None
    k = model.sign(found.sign)
    keys = model.cause_keys()
    one, other = (float(model.seen[keys.index(c), k]) for c in likeliest)
    names = cause_words()
    if abs(one - other) > 0.15:
        first, second = likeliest if one > other else likeliest[::-1]
        settles = f"Yes speaks for “{names[first]}”, no for “{names[second]}”."
    else:
        best = max(range(len(keys) - 1), key=lambda c: model.seen[c, k])
        settles = f"Yes speaks for “{names[keys[best]]}”."
    return CheckOut(
        sign=found.sign,
        minutes=round(found.minutes),
        needs_isolation=found.needs_isolation,
        settles=settles,
    )


@calculation(
    "failure-finder",
    "Why did it fail?",
    summary="Likely causes from what is seen on loop, wheels, machine, running and record; what to look at next; what to check before a new one.",
    source="Bayes' rule on signs and causes of the trade; sizes are judgement, not statistics",
    example={
        "units": "us",
        "input": {
            "kind": "v",
            "answers": {"v-one-side": "yes", "third-loop": "yes", "v-groove-dished": "no"},
        },
    },
    bench=False,
    first=("says", "causes", "check"),
)
def failure_finder(given: FailureIn, frame: Frame) -> FailureOut:
    """Weigh the causes. Raises InputError for a sign that such a drive does not have."""
    model = model_of(kind_of_loop(given.kind))
    found = weighed(model, given.answers)
    words = {s.key: s.words for s in model.signs}
    for one, two in contradictions(model, given.answers):
        notice(
            "caution",
            "contradiction",
            f"“{words[one]}” and “{words[two]}” cannot both be so.",
            f"input.answers.{two}",
            "Look again, and take one of them back.",
        )
    causes = {c.key: c for c in model.causes}
    known = [w for w in found if w.key != OTHER]
    shown = [w for k, w in enumerate(known) if k < TOLD and (k < 2 or w.share >= WORTH)]
    told = [a for a in given.answers.values() if a != "not looked"]
    first, second = known[0], known[1]
    other = next(w for w in found if w.key == OTHER)
    done = settled(found) and bool(told)
    if not told:
        says = "Nothing was looked at yet: say first what you see."
    elif other.share > first.share:
        says = "Something that is not in the list is as likely: have it looked at by somebody who knows this machine."
    elif done:
        says = f"{causes[first.key].words}. Confirm that it is why: {inside(causes[first.key].before_new)}."
    else:
        says = f"{causes[first.key].words}, or {inside(causes[second.key].words)}."
    return FailureOut(
        says=says,
        causes=[
            CauseOut(
                key=w.key,
                words=causes[w.key].words,
                share=_rounded(w.share),
                speaks_for=_why(model, w.key, w.speaks_for[:4], given.answers),
                speaks_against=_why(model, w.key, w.speaks_against[:4], given.answers),
                do=causes[w.key].do,
                before_new=causes[w.key].before_new,
                job=causes[w.key].job,
                source=causes[w.key].source,
            )
            for w in shown
        ],
        other_share=_rounded(other.share),
        check=_check(model, given, (first.key, second.key)),
        settled=done,
        signs=[_sign(s, given.answers.get(s.key, "")) for s in model.signs],
    )


def _sign(s: Sign, answer: str) -> SignOut:
    return SignOut(
        key=s.key,
        where=s.where,
        words=s.words,
        how=s.how,
        guard=s.guard,
        minutes=s.minutes,
        picture=s.picture,
        answer=answer,
    )
