"""`any-route`: a loop round any number of wheels, drawn from tape measures: its length, its take-up, what every strand pulls."""

from math import cos, inf, radians, sin
from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Angle, Force, Length, Place, Power, Size, Speed, maybe, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real, Text
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.drive import drive_scene
from tuyere.core.drive.any_route import (
    Around,
    by_two_tapes,
    heading_deg,
    pull_at_hand,
    pull_at_wheel,
    released,
    work_around,
)
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.drive.route import Route, Stop, TakeUp
from tuyere.core.drive.wheel import Role, Wheel
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice

GROUP = "Any drive"
# Friction with the wedge of a usual groove in it, and of leather or rubber on a smooth rim; textbooks, recalled.
FRICTION = {"V-belt": 0.512, "flat belt": 0.3, "toothed belt": inf, "chain": inf}
THICK = {"V-belt": 11.0, "flat belt": 6.0, "toothed belt": 6.0, "chain": 12.0}
SHEET = (190.0, 130.0)
Name = Annotated[Text, Field(min_length=1, max_length=30)]


class RouteWheelIn(Input):
    """One wheel, in the order in which the loop meets it: where its shaft is, how large it is, which face of the loop touches it."""

    name: Name = Field(description="what it is called")
    role: Literal["driver", "driven", "idler", "guide"] = Field(description="what it is; the driver comes first")
    x: Place | None = Field(default=None, description="shaft, to the right of the driver's")
    y: Place | None = Field(default=None, description="shaft, over the driver's")
    from_first: Length | None = Field(default=None, description="or by tape: from the driver's shaft")
    from_second: Length | None = Field(default=None, description="and from the first other wheel that has x and y")
    above: bool = Field(default=True, description="of the two places where the tapes meet, the upper one")
    diameter: Size = Field(description="diameter on the loop's line, pitch")
    side: Literal["inside", "outside"] = Field(default="inside", description="face of the loop that touches it")
    power: Power | None = Field(default=None, description="power that is taken from it")
    teeth: bool = Field(default=True, description="has teeth, where the loop has")


class TakeUpIn(Input):
    """The one part that moves: a wheel that slides, or swings on an arm; a spring, a weight or a pull at a lever."""

    wheel: Name = Field(description="which wheel moves")
    direction: Angle | None = Field(default=None, description="slides in this direction, degrees over level")
    pin_x: Place | None = Field(default=None, description="or swings about a pin: to the right of the driver's shaft")
    pin_y: Place | None = Field(default=None, description="and over it")
    low: Place = Field(description="travel to one stop, from where it stands")
    high: Place = Field(description="travel to the other stop")
    pull: Force | None = Field(default=None, description="spring or weight: pull at the wheel, towards the second stop")
    hand: Force | None = Field(default=None, description="or pull at the lever's end")
    hand_arm: Length | None = Field(default=None, description="lever, from its pin to where it is pulled")
    wheel_arm: Length | None = Field(default=None, description="lever, from its pin to the wheel")


class AnyRouteIn(Input):
    """The loop, its wheels in the order of travel, how it is tightened."""

    loop: Literal["V-belt", "flat belt", "toothed belt", "chain"] = Field(description="what runs on them")
    driver_speed: Speed = Field(description="speed of the driver")
    wheels: Annotated[list[RouteWheelIn], Field(min_length=2, max_length=60)] = Field(
        description="wheels in the order in which the loop meets them"
    )
    clockwise: bool = Field(default=True, description="the driver turns clockwise as drawn")
    loop_length: Length | None = Field(default=None, description="length of the loop; then it puts the take-up")
    take_up: TakeUpIn | None = Field(default=None, description="what takes up")
    static_tension: Force | None = Field(default=None, description="tension it was set to, whole loop")
    friction: Annotated[Real, Field(gt=0.02, le=2)] | None = Field(
        default=None, description="friction with the groove's wedge in it; usual where left open"
    )
    engages: bool = Field(default=False, description="the loop is the clutch: let go, it must not drag")


class RouteWheelOut(Answer):
    """One wheel."""

    wheel: str
    speed: Figure
    turns: Literal["clockwise", "counter-clockwise"]
    arc: Figure
    pull: Figure | None
    pulls_towards: Figure | None
    grip_left: str


class RouteStrandOut(Answer):
    """One strand."""

    strand: str
    length: Figure
    tension: Figure | None
    side: str


class TravelOut(Answer):
    """The take-up from stop to stop."""

    shortest_loop: Figure
    longest_loop: Figure
    left_to_tighten: Figure | None
    left_to_slacken: Figure | None


class ReleasedOut(Answer):
    """The loop let go."""

    slack: Figure
    hangs: str
    deep: Figure
    drags: bool


class AnyRouteOut(Answer):
    """The loop on its wheels."""

    says: str
    loop_length: Figure
    loop_speed: Figure
    first_to_slip: str
    times_todays_load: float | None
    pull_at_wheel: Figure | None
    pull_at_hand: Figure | None
    travel: TravelOut | None
    released: ReleasedOut | None
    wheels: list[RouteWheelOut]
    strands: list[RouteStrandOut]
    picture: SceneOut


def _tapes(k: int, w: RouteWheelIn, known: list[tuple[float, float]]) -> tuple[float, float]:
    """A shaft by two tapes from the first two wheels that have x and y. Raises InputError where they do not meet."""
    if len(known) < 2 or w.from_first is None or w.from_second is None:
        raise InputError(
            f"wheels.{k}.from_first", None, "two tapes are wanted, from two wheels that have x and y", "both tapes"
        )
    try:
        return by_two_tapes(known[0], known[1], w.from_first.value, w.from_second.value, above=w.above)
    except InputError as e:
        raise e.at(f"wheels.{k}.from_first") from e


def _places(given: AnyRouteIn) -> list[tuple[float, float]]:
    """Where the shafts are: by x and y, or by two tapes."""
    taped = [w.from_first is not None or w.from_second is not None for w in given.wheels]
    for k, w in enumerate(given.wheels):
        if k and not taped[k] and (w.x is None or w.y is None):
            raise InputError(f"wheels.{k}.x", None, "where is its shaft?", "x and y, or two tapes")
    known = [(value_of(w.x), value_of(w.y)) for w, by in zip(given.wheels, taped, strict=True) if not by]
    return [
        _tapes(k, w, known) if by else (value_of(w.x), value_of(w.y))
        for k, (w, by) in enumerate(zip(given.wheels, taped, strict=True))
    ]


def _wheels(given: AnyRouteIn) -> list[Wheel]:
    made: list[Wheel] = []
    if given.wheels[0].role != "driver" or sum(w.role == "driver" for w in given.wheels) != 1:
        raise InputError("wheels.0.role", given.wheels[0].role, "one driver, and it comes first", "driver")
    if not any(w.role == "driven" for w in given.wheels):
        raise InputError("wheels.1.role", given.wheels[1].role, "nothing is driven", "one driven wheel at least")
    toothed = given.loop in ("toothed belt", "chain")
    places = _places(given)
    for k, w in enumerate(given.wheels):
        if w.name in [x.id for x in made]:
            raise InputError(f"wheels.{k}.name", w.name, "two wheels have one name", "a name for each")
        if toothed and not w.teeth and (w.role in ("driver", "driven") or given.loop == "chain"):
            raise InputError(f"wheels.{k}.teeth", w.teeth, "the loop has teeth or rollers: so must this wheel", "teeth")
        x, y = places[k]
        d = w.diameter.value
        role: Role = w.role
        made.append(Wheel(id=w.name, role=role, x_mm=x, y_mm=y, path_mm=d, pitch_mm=d, outside_mm=d, profile=""))
    return made


def _hand_pull(t: TakeUpIn) -> float | None:
    """Pull at the wheel, N: said, or by the lever. Raises InputError for half a lever."""
    if t.hand is None:
        return maybe(t.pull)
    if t.pull is not None:
        raise InputError("take_up.pull", t.pull.value, "pulled at the wheel and at the lever", "one of the two")
    if t.hand_arm is None or t.wheel_arm is None:
        raise InputError("take_up.hand_arm", None, "a lever has two arms", "from its pin to the hand, and to the wheel")
    made: float = pull_at_wheel(t.hand.value, t.hand_arm.value, t.wheel_arm.value)
    return made


def _at_hand(t: TakeUpIn | None, frame: Frame) -> Figure | None:
    """What is pulled at the lever's end, where the pull at the wheel and both arms are said."""
    if t is None or t.pull is None or t.hand_arm is None or t.wheel_arm is None:
        return None
    return frame.figure(pull_at_hand(t.pull.value, t.wheel_arm.value, t.hand_arm.value), "force")


def _pulled(a: Around) -> float:
    """Pull at the take-up's wheel, N."""
    t = a.path.route.take_up
    return 0.0 if t is None or t.force_n is None else t.force_n


def _take_up(given: AnyRouteIn) -> TakeUp | None:
    t = given.take_up
    if t is None:
        return None
    pin = None if t.pin_x is None or t.pin_y is None else (t.pin_x.value, t.pin_y.value)
    if (pin is None) == (t.direction is None):
        raise InputError("take_up.direction", None, "does it slide or swing?", "a direction, or the pin of its arm")
    if t.low.value >= t.high.value:
        raise InputError("take_up.high", t.high.value, "a take-up without travel", "more than the first stop")
    slide = None
    if t.direction is not None:
        slide = (cos(radians(t.direction.value)), sin(radians(t.direction.value)))
    pull = _hand_pull(t)
    if pull is not None and given.static_tension is not None:
        raise InputError(
            "static_tension", given.static_tension.value, "a loop that is pulled is not set as well", "one of the two"
        )
    return TakeUp(
        wheel=t.wheel,
        slide=slide,
        pivot=pin,
        kind="fixed" if pull is None else "spring",
        force_n=pull,
        low_mm=t.low.value,
        high_mm=t.high.value,
    )


def _advise(given: AnyRouteIn) -> None:
    if any(w.side == "outside" for w in given.wheels):
        notice(
            "caution",
            "bends-back",
            "A wheel outside bends the loop backwards: ask for a construction that stands it, and take no smaller wheel than inside. "
            "No figure of how much life that costs is on hand.",
            "input.wheels",
        )
    if given.loop == "V-belt" and any(w.side == "outside" and w.role == "driven" for w in given.wheels):
        notice(
            "caution",
            "driven-by-the-back",
            "A V-belt's back has no wedge: it drives there as a flat belt does, and is counted so.",
            "input.wheels",
        )
    if given.loop == "toothed belt" and any(w.side == "outside" and w.role == "driven" for w in given.wheels):
        notice(
            "caution",
            "teeth-on-both-sides",
            "A wheel that is driven by the back of a toothed belt wants a belt with teeth on both sides.",
            "input.wheels",
        )
    if given.take_up is None:
        notice("info", "no-take-up", "Nothing takes up: the loop must be just this long.", "input.take_up")
    notice(
        "info",
        "method",
        "Statics of a loop at one speed, without its own mass; capacity and life are the drive's own method.",
        "input.loop",
    )


def _friction(given: AnyRouteIn) -> dict[str, float]:
    usual = FRICTION[given.loop]
    mu = given.friction if given.friction is not None and usual < inf else usual
    back = FRICTION["flat belt"] if given.loop == "V-belt" else mu
    return {w.name: back if w.side == "outside" else mu for w in given.wheels}


def _wheel_rows(a: Around, frame: Frame) -> list[RouteWheelOut]:
    f = frame.figure
    pulls = {v.wheel: v for v in a.vectors}
    margins = {s.wheel: s.margin for s in a.slips}
    rows = []
    for t, wrap in zip(a.turning, a.path.wraps, strict=True):
        v = pulls.get(t.wheel)
        left = margins.get(t.wheel)
        rows.append(
            RouteWheelOut(
                wheel=t.wheel,
                speed=f(t.rpm, "speed"),
                turns="clockwise" if t.clockwise else "counter-clockwise",
                arc=f(wrap.arc_deg, "angle"),
                pull=None if v is None else f(v.newtons, "force"),
                pulls_towards=None if v is None else f(heading_deg(v), "angle"),
                grip_left="" if left is None else f"{left:.2f} times what it needs" if left >= 1 else "it slips",
            )
        )
    return rows


def _released_out(given: AnyRouteIn, route: Route, a: Around, frame: Frame) -> ReleasedOut | None:
    if not given.engages:
        return None
    length = maybe(given.loop_length)
    found = released(route, a.path.length_mm if length is None else length)
    if found.drags:
        notice(
            "danger",
            "drags",
            "Let go, the loop stays on its wheels and drags: the machine creeps. It is too short, or the lever does not go back far enough.",
            "input.loop_length",
        )
    f = frame.figure
    return ReleasedOut(
        slack=f(found.slack_mm, "gap"), hangs=found.strand, deep=f(found.hang_mm, "gap"), drags=found.drags
    )


def _at_wheels(e: InputError) -> InputError:
    """A refusal of the core at the person's own field."""
    return e.at({"pulleys": "wheels", "centre_distance": "wheels", "power": "wheels.1.power"}.get(e.field, e.field))


@calculation(
    "any-route",
    "A loop round any wheels",
    summary="Wheels, idlers and levers by tape or by x and y: length, take-up from stop to stop, every strand's pull, which wheel slips first.",
    source="exact path; statics of a loop; belt equation; friction of textbooks, recalled",
    example={
        "units": "us",
        "input": {
            "loop": "V-belt",
            "driver_speed": "1750",
            "wheels": [
                {"name": "motor", "role": "driver", "x": "0 in", "y": "0 in", "diameter": "5 in"},
                {
                    "name": "idler",
                    "role": "idler",
                    "x": "14 in",
                    "y": "-2.5 in",
                    "diameter": "4 in",
                    "side": "outside",
                },
                {"name": "fan", "role": "driven", "x": "30 in", "y": "4 in", "diameter": "10 in", "power": "3 hp"},
                {"name": "pump", "role": "driven", "x": "18 in", "y": "22 in", "diameter": "8 in", "power": "2 hp"},
            ],
            "clockwise": False,
            "take_up": {"wheel": "idler", "direction": "90", "low": "-1 in", "high": "3 in", "pull": "60 lbf"},
        },
    },
    first=("says", "loop_length"),
)
def any_route(given: AnyRouteIn, frame: Frame) -> AnyRouteOut:
    """Work the loop. Raises InputError beside the wheel that cannot be so."""
    wheels = _wheels(given)
    loads = {w.name: w.power.value for w in given.wheels if w.power is not None}
    try:
        route = Route(
            stops=tuple(Stop(wheel=w, side=g.side) for w, g in zip(wheels, given.wheels, strict=True)),
            clockwise=given.clockwise,
            take_up=_take_up(given),
        )
        a = work_around(
            route,
            driver_rpm=given.driver_speed.value,
            power_kw=sum(loads.values()),
            loads=loads,
            length_mm=maybe(given.loop_length),
            static_n=maybe(given.static_tension),
            friction=_friction(given),
        )
    except InputError as e:
        raise _at_wheels(e) from e
    except NoSolution as e:
        if e.field != "take_up" or given.take_up is None:
            raise
        name = given.take_up.wheel
        raise InputError(
            "take_up.wheel",
            name,
            f"{name} is pulled the way its strands pull: it cannot tighten the loop so",
            "the other side of the loop, or the other way",
        ) from e
    _advise(given)
    f = frame.figure
    frame.elevation = elevation_of(a.path, "", thickness_mm=THICK[given.loop], strands=a.strands)
    scene, _ = drive_scene(
        frame.elevation,
        width=SHEET[0],
        height=SHEET[1],
        dimensions={},
        names={w.id: w.id for w in wheels},
        title="The loop",
    )
    tensions = {s.id: s for s in a.strands}
    strands = [
        RouteStrandOut(
            strand=f"{s.after} to {s.before}",
            length=f(s.length_mm, "length", "tape"),
            tension=f(tensions[s.id].tension_n, "force") if s.id in tensions else None,
            side=tensions[s.id].side if s.id in tensions else "",
        )
        for s in a.path.spans
    ]
    first = a.first_to_slip
    if given.take_up is not None and a.strands:
        beside = [s for s in a.strands if given.take_up.wheel in (s.after, s.before)]
        if any(s.side == "tight" for s in beside) and wheels[0].id != given.take_up.wheel:
            notice(
                "caution",
                "on-the-tight-strand",
                f"{given.take_up.wheel} presses on the tight strand: it belongs on the slack one, right after the driver in the way.",
                "input.take_up.wheel",
            )
    slack = [s for s in a.strands if s.tension_n <= 0]
    if slack:
        notice(
            "danger",
            "goes-slack",
            f"The strand from {slack[0].after} to {slack[0].before} goes slack under this load: the loop jumps off or slips.",
            "input.static_tension",
        )
    length = f(a.path.length_mm, "length", "tape")
    slips_first = "" if first is None else first.wheel
    says = f"A loop of {length.shown}."
    if first is not None:
        says += f" {first.wheel[:1].upper()}{first.wheel[1:]} slips first" + (
            f", at {a.times:.1f} times this load." if a.times < inf and a.times >= 1 else ": it slips now."
        )
    t = a.travel
    return AnyRouteOut(
        says=says,
        loop_length=length,
        loop_speed=f(a.speed_m_s, "belt_speed"),
        first_to_slip=slips_first,
        times_todays_load=None if a.times == inf else round(a.times, 2),
        pull_at_wheel=None if given.take_up is None or given.take_up.hand is None else f(_pulled(a), "force"),
        pull_at_hand=_at_hand(given.take_up, frame),
        travel=None
        if t is None
        else TravelOut(
            shortest_loop=f(t.least_mm, "length", "tape"),
            longest_loop=f(t.most_mm, "length", "tape"),
            left_to_tighten=None if t.left_to_tighten_mm is None else f(t.left_to_tighten_mm, "gap"),
            left_to_slacken=None if t.left_to_slacken_mm is None else f(t.left_to_slacken_mm, "gap"),
        ),
        released=_released_out(given, route, a, frame),
        wheels=_wheel_rows(a, frame),
        strands=strands,
        picture=scene_out(scene),
    )
