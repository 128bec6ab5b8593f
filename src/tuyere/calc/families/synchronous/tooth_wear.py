"""`tooth-wear`: worn teeth of a synchronous belt and its pulley."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer, wear_bar
from tuyere.calc.entry import Size, maybe
from tuyere.calc.families.synchronous.parts import ProfileName, Teeth
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.synchronous.tables import profile
from tuyere.core.synchronous.tooth_wear import tooth_wear

GROUP = "Synchronous belts"
Sign = Literal[
    "tooth-missing", "tooth-cracked", "cord-shows", "back-cracked", "lands-polished", "teeth-rounded", "edge-frayed"
]
WORDS = {
    "tooth-missing": "a tooth is missing",
    "tooth-cracked": "a tooth is cracked at its root",
    "cord-shows": "cord shows between the teeth",
    "back-cracked": "its back is cracked",
    "lands-polished": "the lands between its teeth are polished",
    "teeth-rounded": "its teeth are rounded on one side",
    "edge-frayed": "its edge is frayed",
}


class ToothWearIn(Input):
    """A pulley by its outside diameter, the belt by what shows on it."""

    profile: ProfileName = Field(description="tooth profile")
    teeth: Teeth = Field(description="teeth of the pulley")
    outside: Size | None = Field(default=None, description="outside diameter over the teeth, where it is worn most")
    signs: Annotated[list[Sign], Field(max_length=7)] = Field(
        default_factory=list, description="what shows on the belt"
    )


class ToothWearOut(CardAnswer):
    """What is worn, and what to do with belt and pulley."""

    verdict: Literal["fine", "watch", "act"]
    belt: Literal["fine", "watch", "act"]
    pulley: Literal["fine", "watch", "act"] | None
    new: Figure | None
    lost: Figure | None
    tolerance: Figure | None
    pitch_short: Figure | None


@calculation(
    "tooth-wear",
    "Worn teeth",
    summary="Wear of a toothed pulley by its outside diameter, of the belt by what shows; what must go with what.",
    source="geometry; ISO 5294, recalled; common practice",
    example={
        "units": "us",
        "input": {"profile": "H8M", "teeth": 36, "outside": "3.545", "signs": ["lands-polished"]},
    },
    first=("says", "lost"),
    card=Card(
        asks="Are belt teeth and pulley worn?",
        topic="Is it worn",
        sentence="A pulley of {teeth} teeth, profile {profile}, measures {outside} over its teeth.|On the belt: {signs}",
        figures=("lost", "new", "tolerance"),
        picture="toothed",
        on_picture=("outside",),
        names={"signs": WORDS},
    ),
)
def tooth_wear_entry(given: ToothWearIn, frame: Frame) -> ToothWearOut:
    """Judge belt and pulley. Raises InputError where nothing was measured or seen, or for a diameter that cannot be."""
    if given.outside is None and not given.signs:
        raise InputError(
            "outside", None, "nothing was measured and nothing seen", "the outside diameter, or what shows"
        )
    found = tooth_wear(profile(given.profile), given.teeth, outside_mm=maybe(given.outside), signs=given.signs)
    f = frame.figure
    order = ("fine", "watch", "act")
    worst = order[max(order.index(found.belt), order.index(found.pulley or "fine"))]
    said = []
    if found.pulley is not None and found.lost_mm is not None:
        does = {"fine": "may stay", "watch": "is to be gauged again soon", "act": "must go, and the belt with it"}
        said.append(f"the pulley has lost {f(found.lost_mm, 'gap').shown} and {does[found.pulley]}")
    if given.signs:
        does = {"fine": "", "watch": "watch the belt", "act": "the belt must go"}
        said.append(f"{', '.join(WORDS[s] for s in given.signs)}: {does[found.belt]}")
    elif found.pulley is not None:
        said.append("nothing shows on the belt")
    if found.pulley == "act":
        notice(
            "caution",
            "worn-pulley",
            "A new belt on a worn pulley climbs and shears its teeth: change both wheels and the belt together.",
            "input.outside",
        )
    text = "; ".join(said)
    return ToothWearOut(
        says=f"{text[:1].upper()}{text[1:]}.",
        bar=None
        if found.lost_mm is None or found.watch_mm is None or found.tolerance_mm is None
        else wear_bar(
            f(found.lost_mm, "gap"),
            f(found.watch_mm, "gap"),
            f(found.tolerance_mm, "gap"),
            words=("watch", "change it"),
        ),
        verdict=worst,
        belt=found.belt,
        pulley=found.pulley,
        new=None if found.new_mm is None else f(found.new_mm, "length", "size"),
        lost=None if found.lost_mm is None else f(found.lost_mm, "gap"),
        tolerance=None if found.tolerance_mm is None else f(found.tolerance_mm, "gap"),
        pitch_short=None if found.short_percent is None else f(found.short_percent, "percent"),
    )
