"""`bearing-heat`: a warm bearing: whether it may stay so, which of two is the odd one, what heat and pull cost."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Factor, Temperature, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.notices import notice
from tuyere.core.sources import PRACTICE
from tuyere.core.steps import looked_up
from tuyere.core.wear.heat import APART_K, MOST_C, RISE_MOST_K, USUAL_C, bearing_heat

GROUP = "Upkeep"


class BearingHeatIn(Input):
    """Temperatures read on the housings after an hour's run under load, from outside the guard."""

    bearing: Temperature = Field(description="the bearing's housing, beside the wheel")
    around: Temperature = Field(title="Air around it", description="the air around it")
    other: Temperature | None = Field(
        title="The other bearing", default=None, description="the other bearing of the shaft"
    )
    pull: Factor | None = Field(default=None, description="tension as read over the tension that it should have")
    kind: Literal["ball", "roller"] = Field(default="ball", description="kind of bearing")
    since: Literal["unchanged", "just greased", "just tightened"] = Field(
        default="unchanged", description="what was done before"
    )


class BearingHeatOut(CardAnswer):
    """What the temperatures say, and what to do."""

    verdict: Literal["fine", "watch", "act"]
    rise: Figure
    usual: Figure
    most: Figure
    most_rise: Figure
    apart: Figure | None
    life_by_heat: Figure | None
    life_by_pull: Figure | None


@calculation(
    "bearing-heat",
    "Warm bearing",
    summary="Temperature of a bearing against its surroundings and its neighbour; what heat and too much pull cost of its life.",
    source="common practice; the rule of ten degrees; ISO 281",
    example={
        "units": "us",
        "input": {"bearing": "172", "around": "84", "other": "131", "pull": "1.6", "since": "just tightened"},
    },
    first=("says", "rise"),
    card=Card(
        asks="Is the bearing too warm?",
        topic="Is it worn",
        sentence="A {kind} bearing is {bearing} on its housing, the air round it {around}, the other bearing {other}.|"
        "Before that: {since}; the belts pull {pull} times what they should.",
        figures=("rise", "most_rise", "apart"),
        picture="housing",
        fresh={"kind": "ball", "since": "unchanged"},
        on_picture=("bearing", "around"),
        names={
            "kind": {"ball": "ball", "roller": "roller"},
            "since": {
                "unchanged": "nothing was changed",
                "just greased": "it was greased",
                "just tightened": "the belts were tightened",
            },
        },
    ),
)
def bearing_heat_entry(given: BearingHeatIn, frame: Frame) -> BearingHeatOut:
    """Judge the bearing. Raises InputError for temperatures that cannot be."""
    found = bearing_heat(
        given.bearing.value,
        around_c=given.around.value,
        other_c=maybe(given.other),
        pull_share=maybe(given.pull),
        kind=given.kind,
    )
    f = frame.figure
    rise = f(found.rise_k, "temperature_rise")
    odd = found.apart_k is not None and found.apart_k >= APART_K
    why = "it may stay so"
    if found.verdict != "fine":
        why = {
            "just greased": "fresh grease warms a bearing for a day: read it again tomorrow",
            "just tightened": "read the tension again: too much pull warms the bearing beside the wheel first",
            "unchanged": "look for too much pull, a dry bearing, too much grease, wheels out of line",
        }[given.since]
    if odd:
        why += "; it is warmer than its neighbour, so its reason is at this end"
    if found.verdict == "act":
        notice(
            "danger",
            "hot-part",
            f"Over {f(60.0, 'temperature').shown} a housing burns a hand: read it with an instrument, and let it cool before work.",
            "input.bearing",
        )
    word = {"fine": "usual", "watch": "warm", "act": "too hot"}[found.verdict]
    return BearingHeatOut(
        says=f"{rise.shown} over its surroundings: {word}; {why}.",
        # Where the air is as warm as a housing may be there is no scale.
        bar=None
        if found.warm_k <= 0
        else wear_bar(
            rise,
            f(found.warm_k, "temperature_rise"),
            f(found.hot_k, "temperature_rise"),
            words=("warm", "too hot"),
        ),
        verdict=found.verdict,
        rise=rise,
        usual=f(looked_up("theta_u", USUAL_C, "", PRACTICE), "temperature"),
        most=f(looked_up("theta_m", MOST_C, "", PRACTICE), "temperature"),
        most_rise=f(looked_up("dtheta_m", RISE_MOST_K, "", PRACTICE), "temperature_rise"),
        apart=None if found.apart_k is None else f(found.apart_k, "temperature_rise"),
        life_by_heat=None if found.life_by_heat is None else f(found.life_by_heat, "percent"),
        life_by_pull=None if found.life_by_pull is None else f(found.life_by_pull, "percent"),
    )
