"""`roller-conveyor`: a link or round belt under the rollers of a conveyor: length to order, how tight, what it takes."""

from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Figure
from tuyere.calc.card import Card, CardAnswer
from tuyere.calc.entry import Force, Length, Size, Speed
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real, Whole
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.drive import ON_SCREEN, drive_scene
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.errors import InputError
from tuyere.core.flat.link_belt import work_link_belt
from tuyere.core.flat.roller_conveyor import LINK_THICK_MM, Conveyor, work_conveyor
from tuyere.core.notices import notice
from tuyere.core.speeds.formulas import belt_speed

GROUP = "Flat, round and link belts"


class RollerConveyorIn(Input):
    """A row of rollers over one belt."""

    belt: Literal["link Z", "link A", "link B", "link C", "round"] = Field(description="what runs under the rollers")
    round_diameter: Size | None = Field(default=None, description="diameter of a round belt")
    rollers: Annotated[Whole, Field(ge=2, le=29)] = Field(description="rollers over the belt")
    pitch: Length = Field(description="roller to roller")
    roller_diameter: Size = Field(description="diameter of a roller")
    snub_diameter: Size = Field(description="diameter of the wheels that press the belt up")
    pressed: Length = Field(description="how far they lift it over the rollers' undersides")
    driver_diameter: Size = Field(description="driver, where the belt's inside runs")
    driver_speed: Speed = Field(description="speed of the driver")
    tail_diameter: Size = Field(description="wheel at the tail, where the belt's inside runs")
    load: Force = Field(description="weight on one roller, its own included")
    rolling: Annotated[Real, Field(gt=0, le=0.5)] | None = Field(
        default=None, description="share of that weight that turning a roller takes; 0.05 is usual"
    )
    friction: Annotated[Real, Field(gt=0.02, le=1)] | None = Field(
        default=None, description="friction of belt on roller; 0.3 is usual"
    )


class RollerConveyorOut(CardAnswer):
    """The belt to order and how it must lie."""

    order: Figure = Field(description="length to order, along the belt's outside, hand tight")
    links: Figure | None
    take_off: Figure | None
    run: Figure | None
    arc: Figure
    roller_pull: Figure
    belt_speed: Figure
    tail_tension: Figure
    head_tension: Figure
    power: Figure
    pulled_side: str
    picture: SceneOut


def _thickness(given: RollerConveyorIn) -> float:
    if given.belt == "round":
        if given.round_diameter is None:
            raise InputError("round_diameter", None, "how thick is the round belt?", "its diameter")
        return given.round_diameter.value
    return LINK_THICK_MM[given.belt.removeprefix("link ")]


@calculation(
    "roller-conveyor",
    "Rollers on a link or round belt",
    summary="A belt pressed up against many rollers: its way, the length to order, links to remove, how tight it must be.",
    source="exact path; statics of a loop; belt equation; rolling friction is common practice",
    example={
        "units": "us",
        "input": {
            "belt": "link A",
            "rollers": 8,
            "pitch": "6 in",
            "roller_diameter": "1.9 in",
            "snub_diameter": "2 in",
            "pressed": "1/4 in",
            "driver_diameter": "4 in",
            "driver_speed": "115",
            "tail_diameter": "4 in",
            "load": "25 lbf",
        },
    },
    first=("says", "order"),
    card=Card(
        asks="Which belt do the rollers want?",
        topic="Cut, join and set",
        sentence="{rollers} rollers {roller_diameter} across, {pitch} from one to the next, lie on a belt: {belt}, {round_diameter} thick if round.|"
        "Wheels of {snub_diameter} press it {pressed} up between them. It runs from a driver of {driver_diameter} at "
        "{driver_speed} to a tail of {tail_diameter}.|On every roller lie {load}.",
        figures=("order", "run", "power"),
        picture="rollers",
        fresh={"belt": "link A"},
        names={"belt": {k: k for k in ("link Z", "link A", "link B", "link C", "round")}},
    ),
)
def roller_conveyor(given: RollerConveyorIn, frame: Frame) -> RollerConveyorOut:
    """Work the belt. Raises InputError beside the field."""
    thick = _thickness(given)
    worked = work_conveyor(
        Conveyor(
            rollers=given.rollers,
            pitch_mm=given.pitch.value,
            roller_mm=given.roller_diameter.value,
            snub_mm=given.snub_diameter.value,
            pressed_mm=given.pressed.value,
            driver_mm=given.driver_diameter.value,
            tail_mm=given.tail_diameter.value,
            thickness_mm=thick,
        ),
        load_n=given.load.value,
        speed_m_s=(speed := belt_speed(given.driver_diameter.value, given.driver_speed.value)),
        rolling=given.rolling,
        friction=given.friction,
    )
    f = frame.figure
    links = None
    if given.belt != "round":
        section = given.belt.removeprefix("link ")
        links = work_link_belt(section, None, worked.outside_mm)
        least = links.least_pulley_mm
        small = min(given.driver_diameter.value, given.tail_diameter.value)
        if small < least * (1 - 1e-9):
            notice(
                "caution",
                "small-pulley",
                "The ends are small for this section: {least} or more.",
                "input.driver_diameter",
                least=(least, "length"),
            )
    notice(
        "info",
        "pulled",
        "A roller turns the other way on top: the goods run against the belt under them. So the driver stands at the end "
        "that the goods come from, where the side under the rollers is pulled and the return is slack.",
        "input.driver_speed",
    )
    order = f(worked.outside_mm, "length", "tape")
    says = f"Order {order.shown} of {given.belt} belt."
    if links is not None:
        says += f" Hand tight {links.hand_tight:.0f} links, remove {links.take_off:.0f}, run {links.run:.0f}."
    drawn = elevation_of(worked.path, "", thickness_mm=thick)
    scene, _ = drive_scene(
        drawn, width=190.0, height=70.0, dimensions={}, names={}, title="The belt under the rollers", words=ON_SCREEN
    )
    return RollerConveyorOut(
        says=says,
        order=order,
        links=None if links is None else f(links.hand_tight, "count"),
        take_off=None if links is None else f(links.take_off, "count"),
        run=None if links is None else f(links.run, "count"),
        arc=f(worked.roller_arc_deg, "angle"),
        roller_pull=f(worked.roller_pull_n, "force"),
        belt_speed=f(speed, "belt_speed"),
        tail_tension=f(worked.tail_n, "force"),
        head_tension=f(worked.head_n, "force"),
        power=f(worked.power_kw, "power"),
        pulled_side="under the rollers, against the goods",
        picture=scene_out(scene),
    )
