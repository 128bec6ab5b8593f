"""`drive-compare`: one duty answered by every family side by side."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.calc.families.protocol import AnyFamily, families
from tuyere.calc.families.select import check_any_ratio, options_of, rejected_out
from tuyere.calc.families.select_model import OptionOut, RejectedOut, SelectIn
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import calculation
from tuyere.core.drive.ranking import LEAST_SPARE, MOST_LARGER, MOST_SPARE
from tuyere.core.notices import Notice, collected_notices, notice

Question = Literal["step", "slips", "clean", "oil", "wet", "heat", "dust", "static", "reversing", "stops"]
ASKED: dict[str, str] = {
    "step": "must not slip",
    "slips": "must slip when jammed",
    "clean": "no oil allowed",
    "oil": "oil about",
    "wet": "washdown or wet",
    "heat": "hot",
    "dust": "dust and grit",
    "static": "static or explosive dust",
    "reversing": "reverses",
    "stops": "stops and starts under load",
}


ORDER = (
    "First in each family: the one of fewest parts (wheels, belts, strands), the smallest (large wheel times width) and the lightest, "
    f"which is the cheapest by weight, of those with {LEAST_SPARE:.0f} to {MOST_SPARE:.0f} % to spare; fewest parts with no wheel over "
    f"{MOST_LARGER:g} times the smallest drive's. After them by parts, size, width, weight, shaft load, speed error, spare and how common "
    "the wheels are, each against the best found, all counting alike. Losses overlap and order nothing."
)


class CompareIn(SelectIn):
    """A duty and what is asked of whatever drives it."""

    asked: list[Question] = Field(
        default=[], max_length=10, description="questions in shop words that a family must not answer with no"
    )
    series: Literal["all", "inch", "metric"] = Field(
        default="inch", description="V-belts of inch or metric sections, or all"
    )
    keep: Annotated[Whole, Field(ge=1, le=9)] = Field(default=3, description="options wanted of each family")


class MannerOut(Answer):
    """How a family behaves in one respect."""

    key: str
    question: str
    verdict: Literal["good", "limited", "no"]
    words: str
    asked: bool


class FamilyOut(Answer):
    """A family's answer. ``reason`` is one line where it is unsuitable; ``care`` what asks for care."""

    key: str
    title: str
    verdict: Literal["good", "limited", "no"]
    reason: str
    care: list[str]
    missing: str
    considered: int
    accepted: int
    options: list[OptionOut]
    rejected: list[RejectedOut]
    manners: list[MannerOut]


class CompareOut(Answer):
    """Every family, those that fit first in their own order."""

    considered: int
    families: list[FamilyOut]
    order: str


def _manners(family: AnyFamily, asked: list[str]) -> list[MannerOut]:
    return [MannerOut(key=k, question=q, verdict=v, words=w, asked=k in asked) for k, q, v, w in family.manners.rows]


def _why_nothing(considered: int, rejected: list[RejectedOut]) -> str:
    limit = rejected[-1]
    return f"Nothing standard does this: of {considered:,} combinations the last {limit.count:,} fell at {limit.limit}."


def family_question(family: AnyFamily, given: CompareIn) -> SelectIn:
    """The same duty as the family's own search takes it; what it has under the same name goes along."""
    of = family.select_model
    same = {n for n in of.model_fields if n in CompareIn.model_fields and _alike(of, n)}
    return of.model_construct(_fields_set=None, **{n: getattr(given, n) for n in same})


def _alike(of: type[SelectIn], name: str) -> bool:
    """One name may mean two things: a series of belts is not a series of chains."""
    return of.model_fields[name].annotation == CompareIn.model_fields[name].annotation or name in SelectIn.model_fields


def _say_once(heard: list[tuple[str, Notice]]) -> None:
    """What the families said, each thing once: factors that were assumed stand in one sentence, by family."""
    factors: dict[str, tuple[float, str]] = {}
    words = []
    for title, n in heard:
        if n.code == "assumed" and "factor" in n.quantities:
            name = f"f{len(factors)}"
            factors[name] = n.quantities["factor"]
            words.append(f"{title} {{{name}}}")
            why = n
        else:
            notice(n.level, n.code, n.text, n.path, n.action, **n.quantities)
    if not words:
        return
    if len({v for v, _ in factors.values()}) == 1:
        notice(why.level, why.code, why.text, why.path, why.action, **why.quantities)
        return
    after = why.text.partition(":")[2]
    notice(
        "caution",
        "assumed",
        "Service factors are assumed, each family by its own table: "
        + ", ".join(words)
        + (f";{after}" if after else "."),
        why.path,
        why.action,
        **factors,
    )


@calculation(
    "drive-compare",
    "Which kind of drive?",
    summary="One duty answered by V-belts, roller chain, synchronous and flat belts side by side, each sized by its own method.",
    source="the method of each family; manners: common practice",
    example={
        "units": "us",
        "input": {
            "power": "5hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "conveyor-pan", "hours_a_day": 16},
            "driver_speed": "1160",
            "driven_speed": "400",
            "tolerance": 3,
            "centre": {"about": "30 in"},
        },
    },
    search=True,
)
def drive_compare(given: CompareIn, frame: Frame) -> CompareOut:
    """Ask every family."""
    check_any_ratio(given)
    out = []
    heard: list[tuple[str, Notice]] = []
    for family in families():
        manners = _manners(family, list(given.asked))
        refused = [m for m in manners if m.asked and m.verdict == "no"]
        own = family_question(family, given)
        with collected_notices() as said:
            found, options, _, _ = options_of(family, own, frame, each=family.each_in_comparison)
            rejected = rejected_out(family, found, frame)
            care = [m.words for m in manners if m.asked and m.verdict == "limited"]
            care += family.care(found.best, own, frame)
        heard += [(family.title, n) for n in said]
        reason = (
            f"You asked: {ASKED[refused[0].key]}. {refused[0].words}"
            if refused
            else ""
            if options
            else _why_nothing(found.considered, rejected)
        )
        out.append(
            FamilyOut(
                key=family.key,
                title=family.title,
                verdict="no" if reason else "limited" if care else "good",
                reason=reason,
                care=care,
                missing=family.missing(own),
                considered=found.considered,
                accepted=found.accepted,
                options=[] if refused else options,
                rejected=rejected,
                manners=manners,
            )
        )
    _say_once(heard)
    out.sort(key=lambda f: f.verdict == "no")
    return CompareOut(
        considered=sum(f.considered for f in out),
        families=out,
        order=ORDER,
    )
