"""`shaft-load`, `bearing-life` and `bushing`."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Force, Size, Speed, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Text
from tuyere.calc.registry import Input, calculation
from tuyere.calc.shown import together
from tuyere.core.shafts.bearings import bearing_life, overhung
from tuyere.core.shafts.bushings import bushing
from tuyere.core.units import MM_PER_IN

GROUP = "Motors and shafts"
Bearing = Literal["ball", "roller"]


class ShaftLoadIn(Input):
    """A pull that hangs outside two bearings."""

    pull: Force = Field(description="pull of the drive on the shaft, all belts together")
    overhang: Size = Field(description="middle of the sheave to the near bearing")
    spacing: Size = Field(description="bearings apart, middle to middle")
    speed: Speed | None = Field(default=None, description="speed of the shaft, for the lives")
    near_rating: Force | None = Field(default=None, description="basic dynamic rating C of the near bearing")
    far_rating: Force | None = Field(default=None, description="basic dynamic rating C of the far bearing")
    bearing: Bearing = Field(default="ball", description="ball or roller bearings")


class ShaftLoadOut(CardAnswer):
    """What each bearing carries; lives where their ratings are given."""

    near_bearing: Figure
    far_bearing: Figure
    near_life: Figure | None
    far_life: Figure | None


@calculation(
    "shaft-load",
    "Pull on a shaft's bearings",
    summary="What an overhung sheave puts on each of two bearings, and how long they last.",
    source="statics; ISO 281",
    example={
        "units": "us",
        "input": {"pull": "250 lbf", "overhang": "3 in", "spacing": "9 in", "speed": "1750", "near_rating": "5000 lbf"},
    },
    card=Card(
        asks="What does the pull do to the bearings?",
        topic="What it carries and costs",
        sentence="A pull of {pull} hangs {overhang} outside the near bearing; the bearings are {spacing} apart.|"
        "At {speed}, with {bearing} bearings rated {near_rating} near and {far_rating} far.",
        figures=("near_bearing", "far_bearing", "near_life"),
        picture="bearings",
        fresh={"bearing": "ball"},
        on_picture=("pull", "overhang", "spacing"),
    ),
)
def shaft_load(given: ShaftLoadIn, frame: Frame) -> ShaftLoadOut:
    """Work the loads."""
    r = overhung(
        given.pull.value,
        given.overhang.value,
        spacing_mm=given.spacing.value,
        rpm=maybe(given.speed),
        near_n=maybe(given.near_rating),
        far_n=maybe(given.far_rating),
        kind=given.bearing,
    )
    f = frame.figure
    near = f(r.near_n, "force")
    more = f(100 * r.near_n / given.pull.value, "percent")
    hours = None if r.near_life_h is None else f(r.near_life_h, "hours", "about")
    life = "" if hours is None else f" Nine in ten such bearings last {hours.shown}."
    return ShaftLoadOut(
        says=f"The near bearing carries {near.shown}, {more.shown} of the pull itself.{life}",
        near_bearing=near,
        far_bearing=f(r.far_n, "force"),
        near_life=hours,
        far_life=None if r.far_life_h is None else f(r.far_life_h, "hours", "about"),
    )


class BearingLifeIn(Input):
    """A rolling bearing under a radial load."""

    load: Force = Field(description="equivalent load of the bearing")
    rating: Force = Field(description="basic dynamic rating C")
    speed: Speed = Field(description="speed")
    bearing: Bearing = Field(default="ball", description="ball or roller bearing")


class BearingLifeOut(CardAnswer):
    """Hours that nine in ten reach."""

    life: Figure


@calculation(
    "bearing-life",
    "Life of a rolling bearing",
    summary="Basic rating life from load, rating and speed.",
    source="ISO 281",
    example={"units": "us", "input": {"load": "333 lbf", "rating": "5000 lbf", "speed": "1750"}},
    card=Card(
        asks="How long does a bearing last?",
        topic="What it carries and costs",
        sentence="A {bearing} bearing rated {rating} carries {load} at {speed}.",
        figures=("life",),
        picture="bearing",
        fresh={"bearing": "ball"},
        on_picture=("load", "speed"),
        then=("bearing-heat", "Is it too warm?"),
    ),
)
def bearing_life_entry(given: BearingLifeIn, frame: Frame) -> BearingLifeOut:
    """Work the life."""
    hours = bearing_life(given.load.value, given.rating.value, given.speed.value, given.bearing)
    life = frame.figure(hours, "hours", "about")
    return BearingLifeOut(
        says=f"Nine in ten such bearings reach {life.shown}; clean grease and a true line given.", life=life
    )


class BushingIn(Input):
    """A taper bushing."""

    size: Annotated[Text, Field(max_length=10, description="size, such as SK or 2012")]
    shaft: Size | None = Field(default=None, description="shaft diameter")


class BushingOut(CardAnswer):
    """Its bore, screws and torque, the key, and how it goes in and out."""

    name: str
    largest_bore: Figure
    screws: str
    torque: Figure
    key: Figure | None
    card: list[str]
    cautions: list[str]


def _square(side: Figure) -> Figure:
    """A square key as it is written: both sides."""
    number = f"{side.number} × {side.number}"
    return side.model_copy(update={"number": number, "shown": together(number, side.unit_shown)})


@calculation(
    "bushing",
    "Taper bushing",
    summary="Largest bore, screws and torque of a flanged or flush taper bushing; pull it in, jack it out.",
    source="generic bushing data; ASME B17.1",
    example={"units": "us", "input": {"size": "SK", "shaft": "1 7/8"}},
    card=Card(
        asks="How does the bushing go in and out?",
        topic="Cut, join and set",
        sentence="A taper bushing {size} sits on a shaft of {shaft}.",
        figures=("torque", "screws", "key"),
        picture="bushing",
        on_picture=("shaft",),
        then=("run-out", "Does it run true?"),
    ),
)
def bushing_entry(given: BushingIn, frame: Frame) -> BushingOut:
    """Look it up."""
    r = bushing(given.size, maybe(given.shaft))
    f = frame.figure
    torque, bore = f(r.torque_nm, "torque"), f(r.bore_mm, "length", "tape" if r.bore_mm / MM_PER_IN > 0.5 else "size")
    screws = f"{r.count} × {r.screws.replace(' x ', ' × ')}"
    return BushingOut(
        says=f"Tighten its {screws} to {torque.shown}, turn about, a little at a time; it takes a shaft up to {bore.shown}.",
        name=f"{r.style} taper bushing {r.size}",
        largest_bore=bore,
        screws=screws,
        torque=torque,
        key=None if r.key_mm is None else _square(f(r.key_mm, "length", "tape" if frame.units == "us" else "size")),
        card=["In: " + r.steps_in[0], *r.steps_in[1:], "Out: " + r.steps_out[0], *r.steps_out[1:]],
        cautions=[
            "Machine isolated and proved dead; the sheave propped before the bushing lets go.",
            "Tighten by torque wrench: a hub bursts when its taper is drawn up oily or too hard.",
        ],
    )
