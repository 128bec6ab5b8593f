"""A wheel made to size: what every family asks and tells of it."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.card import CardAnswer
from tuyere.calc.entry import Size, Speed, maybe
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.made import Words, made_scene
from tuyere.core.notices import notice
from tuyere.core.shafts.keyways import keyway
from tuyere.core.wheels.made import Rim, made_wheel

GROUP = "Speeds"


# The second line of every card that has a wheel made.
BORE = "It is {shaft.material} on a shaft of {shaft.bore}, keyway {shaft.key}, its hub {shaft.hub_length} long, and turns at {shaft.speed}."
FRESH_BORE = {"shaft.material": "cast iron", "shaft.key": "inch"}


class BoreIn(Input):
    """What the wheel sits on, and how fast it will turn."""

    bore: Size = Field(description="bore: the shaft it sits on")
    key: Literal["inch", "metric", "none"] = Field(default="inch", description="keyway, by which standard")
    hub_length: Size | None = Field(default=None, description="length of the hub; worked where left open")
    material: Literal["cast iron", "ductile iron", "steel"] = Field(
        default="cast iron", description="what it is made of"
    )
    speed: Speed | None = Field(default=None, description="how fast it will turn")


class KeptOut(Answer):
    """One thing that has to be kept."""

    what: str
    amount: Figure
    source: str


class MadeOut(CardAnswer):
    """The wheel: its measures, what has to be kept, how fast it may run, and its drawing."""

    outside: Figure
    face: Figure
    hub: Figure
    hub_length: Figure
    keyway_width: Figure | None
    over_keyway: Figure | None
    most_speed: Figure
    cut: list[str]
    kept: list[KeptOut]
    picture: SceneOut


def made_out(rim: Rim, shaft: BoreIn, frame: Frame, *, name: str, cut: list[str]) -> MadeOut:
    """Rim and shaft as a wheel with its drawing. Raises InputError beside bore, key, hub or speed."""
    seat = None if shaft.key == "none" else keyway(shaft.bore.value, shaft.key)
    wheel = made_wheel(
        rim,
        bore_mm=shaft.bore.value,
        keyway=seat,
        material=shaft.material,
        rpm=maybe(shaft.speed),
        hub_length_mm=maybe(shaft.hub_length),
    )
    f = frame.figure
    kept = [
        KeptOut(what=t.what, amount=f(t.amount, "gap" if t.kind == "gap" else "angle"), source=t.source)
        for t in rim.tolerances
    ]
    outside, face = f(rim.outside_mm, "gap"), f(rim.face_mm, "gap")
    hub, long = f(wheel.hub_mm, "length", "size"), f(wheel.hub_length_mm, "length", "size")
    width = None if seat is None else f(seat.width_mm, "gap")
    over = None if seat is None else f(seat.over_mm, "gap")
    most = f(wheel.most_rpm, "speed")
    bore = f(shaft.bore.value, "gap").shown
    keyed = (
        ""
        if width is None or over is None or seat is None
        else f"keyway {width.shown}, {over.shown} over it ({seat.standard})"
    )
    notes = [
        *cut,
        *(f"{k.what}: {k.amount.shown} ({k.source})" for k in kept),
        f"{shaft.material}, at most {most.shown} by its rim; "
        + ("balanced in two planes (ISO 254)" if wheel.two_planes else "balanced in one plane (ISO 254)"),
    ]
    if wheel.rim.side == () and not wheel.solid and shaft.material == "cast iron":
        notice("info", "web", "Rim, web and hub are by textbook rules: a maker's pattern may be other.", "input.shaft")
    notice(
        "danger",
        "rim-bursts",
        "A rim that is cracked, welded or runs faster than its material bears can burst: never over the speed on the drawing.",
        "input.shaft.speed",
    )
    title = f"{name}: {outside.shown} outside, bore {bore}"
    scene = made_scene(
        wheel,
        Words(
            outside=outside.shown,
            face=face.shown,
            bore=bore,
            hub=hub.shown,
            hub_length=long.shown,
            keyway=keyed,
            notes=notes,
            title=title,
        ),
    )
    return MadeOut(
        says=f"{name}, {outside.shown} outside, {face.shown} wide; at most {most.shown}.",
        outside=outside,
        face=face,
        hub=hub,
        hub_length=long,
        keyway_width=width,
        over_keyway=over,
        most_speed=most,
        cut=cut,
        kept=kept,
        picture=scene_out(scene),
    )
