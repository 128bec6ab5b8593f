"""`drive-compare`: one duty answered by every family side by side."""

from typing import Any, Literal

from pydantic import Field

from tuyere.calc.answer import Answer
from tuyere.calc.families.offers import (
    AnyDutyIn,
    FamilyOption,
    FellOut,
    days_of,
    fell_out,
    option_out,
    wanted_of,
)
from tuyere.calc.families.protocol import Family, Offer, families
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation
from tuyere.core.notices import Notice, collected_notices, notice
from tuyere.core.ranking import LEAST_SPARE, MOST_LARGER, MOST_SPARE

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
    f"{MOST_LARGER:g} times the smallest drive's. After them by parts, size, width, weight, shaft pull, speed error, spare and how common "
    "the wheels are, each against the best found, all counting alike. Losses overlap and order nothing."
)


class CompareIn(AnyDutyIn):
    """A duty and what is asked of whatever drives it."""

    asked: list[Question] = Field(
        default=[], max_length=10, description="questions in shop words that a family must not answer with no"
    )
    series: Literal["all", "inch", "metric"] = Field(
        default="inch", description="V-belts of inch or metric sections, or all"
    )


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
    options: list[FamilyOption]
    rejected: list[FellOut]
    manners: list[MannerOut]


class CompareOut(Answer):
    """Every family, those that fit first in their own order."""

    considered: int
    families: list[FamilyOut]
    order: str


def _manners(family: Family[Any], asked: list[str]) -> list[MannerOut]:
    return [MannerOut(key=k, question=q, verdict=v, words=w, asked=k in asked) for k, q, v, w in family.manners.rows]


def _why_nothing(offer: Offer) -> str:
    limit, count = offer.rejected[-1]
    return f"Nothing standard does this: of {offer.considered:,} combinations the last {count:,} fell at {limit}."


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
    wanted = wanted_of(given, frame.basis, {"series": given.series})
    days = days_of(given)
    out = []
    heard: list[tuple[str, Notice]] = []
    for family in families():
        manners = _manners(family, list(given.asked))
        refused = [m for m in manners if m.asked and m.verdict == "no"]
        with collected_notices() as said:
            offer = family.offer(wanted, frame, given.keep)
        heard += [(family.title, n) for n in said]
        reason = (
            f"You asked: {ASKED[refused[0].key]}. {refused[0].words}"
            if refused
            else ""
            if offer.options
            else _why_nothing(offer)
        )
        care = [m.words for m in manners if m.asked and m.verdict == "limited"] + list(offer.care)
        out.append(
            FamilyOut(
                key=family.key,
                title=family.title,
                verdict="no" if reason else "limited" if care else "good",
                reason=reason,
                care=care,
                missing=offer.missing,
                considered=offer.considered,
                accepted=offer.accepted,
                options=[] if refused else [option_out(o, family, given, days, frame) for o in offer.options],
                rejected=fell_out(offer),
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
