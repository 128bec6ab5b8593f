"""`chain-wear` and `chain-slack`: a worn chain by tape or caliper, and how slack a strand is."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Band, Figure
from tuyere.calc.card import BarOut, Card, CardAnswer, MarkOut, ZoneOut, mark
from tuyere.calc.entry import Length, Size, maybe
from tuyere.calc.families.roller_chain.parts import Number, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole
from tuyere.calc.registry import Input, calculation
from tuyere.core.roller_chain.tables import chain
from tuyere.core.roller_chain.wear import ORDER_AT, judge_slack, judge_wear

GROUP = "Roller chain"


class ChainWearIn(Input):
    """A length over a number of pitches, chain pulled straight."""

    chain: Number = Field(description="chain number")
    pitches: Annotated[Whole, Field(ge=1, le=400)] = Field(description="pitches measured; 12 in or more of chain")
    measured: Size = Field(title="The length read", description="the length read")
    over: Literal["rollers", "pins"] = Field(
        default="rollers", description="outside to outside of the end rollers, or pin centre to pin centre"
    )
    large_teeth: Teeth | None = Field(default=None, description="teeth of the larger sprocket")
    fixed_centres: bool = Field(default=False, description="no take-up")
    timing: bool = Field(default=False, description="it keeps two shafts in time")


class ChainWearOut(CardAnswer):
    """How worn it is and what that means."""

    elongation: Figure
    limit: Figure
    limit_because: str
    verdict: Literal["fine", "soon", "replace"]
    length_new: Figure
    length_at_limit: Figure
    rides_out: Figure | None


@calculation(
    "chain-wear",
    "Worn chain",
    summary="Elongation from a measured length, the limit that applies, and what it does on the sprocket. "
    "Other pitches than roller chain: Drive chain against the chain it drives.",
    source="ASME and handbook practice; geometry",
    example={"units": "us", "input": {"chain": "60", "pitches": 20, "measured": "15.85 in", "large_teeth": 60}},
    card=Card(
        asks="Is the chain worn?",
        topic="Is it worn",
        sentence="Chain {chain}: {pitches} pitches measure {measured}, {over}.|The larger sprocket has {large_teeth} teeth; "
        "it {fixed_centres?has a take-up:has none} and {timing?only pulls:keeps two shafts in time}.",
        figures=("elongation", "length_new", "length_at_limit"),
        picture="chain-tape",
        fresh={"chain": "60", "pitches": "20", "over": "pins"},
        on_picture=("measured",),
        names={"over": {"pins": "pin centre to pin centre", "rollers": "outside to outside of the rollers"}},
        then=("sprocket-wear", "Hooked teeth?"),
    ),
)
def chain_wear(given: ChainWearIn, frame: Frame) -> ChainWearOut:
    """Judge the wear."""
    r = judge_wear(
        chain(given.chain),
        given.pitches,
        measured_mm=given.measured.value,
        over_rollers=given.over == "rollers",
        large_teeth=given.large_teeth,
        fixed_centres=given.fixed_centres,
        timing=given.timing,
    )
    f = frame.figure
    percent, limit = f(r.elongation, "percent"), f(r.limit, "percent")
    left = f(max(r.length_limit_mm - given.measured.value, 0.0), "length", "tape").shown
    end = max(1.4 * r.limit, 1.05 * r.elongation)
    grown = f"{percent.shown} longer than new" if r.elongation > 0 else "No longer than new"
    return ChainWearOut(
        says={
            "fine": f"{grown}. Good for now: the limit is {limit.shown}.",
            "soon": f"{grown}. Order a chain now: {left} more over these {given.pitches} pitches and it is worn out.",
            "replace": f"{grown}: worn out. Change the chain before it eats the sprockets.",
        }[r.verdict],
        bar=BarOut(
            reading=max(r.elongation, 0.0),
            shown=percent.shown,
            low=0.0,
            high=end,
            unit="%",
            marks=[
                MarkOut(at=0.0, number="0"),
                *(MarkOut(at=float(k), number=f"{k}") for k in range(1, int(end) + 1) if k != r.limit),
                mark(limit),
            ],
            zones=[
                ZoneOut(low=ORDER_AT * r.limit, high=r.limit, state="watch", word="order"),
                ZoneOut(low=r.limit, high=end, state="act", word="replace"),
            ],
        ),
        elongation=percent,
        limit=limit,
        limit_because=r.limit_why,
        verdict=r.verdict,
        length_new=f(r.length_new_mm, "length", "size"),
        length_at_limit=f(r.length_limit_mm, "length", "size"),
        rides_out=None if r.ride_out_mm is None else f(r.ride_out_mm, "length", "size"),
    )


class ChainSlackIn(Input):
    """A strand and how far it moves or hangs at mid-span: two different numbers, give one."""

    span: Length = Field(description="free strand between the sprockets")
    hand_movement: Length | None = Field(default=None, description="moved by hand at mid-span, both ways together")
    sag: Length | None = Field(default=None, description="hanging by itself, straight line to chain")
    steep_or_shock: bool = Field(
        default=False, description="over 45 degrees, upright, reversing, shocks or fixed centres"
    )


class ChainSlackOut(CardAnswer):
    """Both numbers, the excess length and the verdict."""

    hand_movement: Figure
    sag: Figure
    hand_percent: Figure
    sag_percent: Figure
    excess_length: Figure
    wanted: Band
    verdict: Literal["fine", "too tight", "too slack"]


@calculation(
    "chain-slack",
    "Slack of a chain",
    summary="Hand movement and sag told apart, and whether the strand is slack as it should be.",
    source="geometry; bands: handbook and trade practice",
    example={"units": "us", "input": {"span": "30 in", "hand_movement": "1 1/2"}},
    card=Card(
        asks="Is the chain slack enough?",
        topic="Cut, join and set",
        sentence="A free strand of {span} moves {hand_movement} by hand at mid-span, both ways together; "
        "the drive is {steep_or_shock?level or slanting, with a take-up:over 45 degrees, reversing, with shocks or on fixed centres}.",
        figures=("wanted", "hand_movement", "sag"),
        picture="slack",
        on_picture=("hand_movement",),
    ),
)
def chain_slack(given: ChainSlackIn, frame: Frame) -> ChainSlackOut:
    """Judge the slack."""
    r = judge_slack(given.span.value, maybe(given.hand_movement), maybe(given.sag), given.steep_or_shock)
    f = frame.figure
    wanted = frame.band(*r.wanted_mm, "length", "tape")
    low, high = wanted.low, wanted.high
    end = max(1.6 * high.value, 1.1 * r.hand_mm)
    moved = f(r.hand_mm, "length", "tape")
    word = {"fine": "As slack as it should be", "too tight": "Too tight", "too slack": "Too slack"}[r.verdict]
    return ChainSlackOut(
        says=f"{word}: it moves {moved.shown}, {wanted.shown} is wanted, both ways together.",
        bar=BarOut(
            reading=r.hand_mm,
            shown=moved.shown,
            low=0.0,
            high=end,
            unit=low.unit_shown,
            marks=[mark(low), mark(high)],
            zones=[
                ZoneOut(low=0.0, high=low.value, state="watch", word="too tight"),
                ZoneOut(low=low.value, high=high.value, state="fine", word="right"),
                ZoneOut(low=high.value, high=end, state="watch", word="too slack"),
            ],
        ),
        hand_movement=moved,
        sag=f(r.sag_mm, "length", "tape"),
        hand_percent=f(r.hand_percent, "percent"),
        sag_percent=f(r.sag_percent, "percent"),
        excess_length=f(r.excess_mm, "length", "size"),
        wanted=wanted,
        verdict=r.verdict,
    )
