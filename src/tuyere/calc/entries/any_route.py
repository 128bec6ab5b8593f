"""`any-route`: a loop round any number of wheels, drawn from tape measures: its length, its take-up, what every strand pulls."""

from math import inf
from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.around.model import Name, TakeUpIn
from tuyere.calc.around.out import ReleasedOut, RouteStrandOut, RouteWheelOut, TravelOut
from tuyere.calc.around.route import lever_arms, take_up_of
from tuyere.calc.around.shown import released_out, remark_slack, remark_tight, strand_rows, travel_out, wheel_rows
from tuyere.calc.entry import Force, Length, Place, Power, Size, Speed, maybe, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Real
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.drive import ON_SCREEN, drive_scene
from tuyere.core.drive.any_route import (
    Around,
    pull_at_hand,
    work_around,
)
from tuyere.core.drive.bends import on_tight_strand
from tuyere.core.drive.elevation import elevation_of
from tuyere.core.drive.placing import by_two_tapes
from tuyere.core.drive.route import Route, Stop, TakeUp
from tuyere.core.drive.travel import released
from tuyere.core.drive.wheel import Role, Wheel
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.notices import notice

GROUP = "Any drive"
# Friction with the wedge of a usual groove in it, and of leather or rubber on a smooth rim; textbooks, recalled.
FRICTION = {"V-belt": 0.512, "flat belt": 0.3, "toothed belt": inf, "chain": inf}
THICK = {"V-belt": 11.0, "flat belt": 6.0, "toothed belt": 6.0, "chain": 12.0}
SHEET = (190.0, 130.0)


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


def _at_hand(t: TakeUpIn | None, route: Route, frame: Frame) -> Figure | None:
    """What is pulled at the lever's end, where the pull at the wheel and both arms are said."""
    if t is None or t.pull is None or route.take_up is None:
        return None
    arms = lever_arms(t, route.take_up.pivot, route.wheel(t.wheel))
    return None if arms is None else frame.figure(pull_at_hand(t.pull.value, arms[1], arms[0]), "force")


def _pulled(a: Around) -> float:
    """Pull at the take-up's wheel, N."""
    t = a.path.route.take_up
    return 0.0 if t is None or t.force_n is None else t.force_n


def _take_up(given: AnyRouteIn, wheels: list[Wheel]) -> TakeUp | None:
    if given.take_up is None:
        return None
    taped = [w.from_first is not None or w.from_second is not None for w in given.wheels]
    known = [(w.x_mm, w.y_mm) for w, by in zip(wheels, taped, strict=True) if not by]
    second = known[1] if len(known) > 1 else known[0]
    made = take_up_of(given.take_up, "take_up", wheels=wheels, tapes=(known[0], second))
    if made.force_n is not None and given.static_tension is not None:
        raise InputError(
            "static_tension", given.static_tension.value, "a loop that is pulled is not set as well", "one of the two"
        )
    return made


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


def _released_out(given: AnyRouteIn, route: Route, a: Around, frame: Frame) -> ReleasedOut | None:
    if not given.engages:
        return None
    length = maybe(given.loop_length)
    long = a.path.length_mm if length is None else length
    return released_out(released(route, long), route, long, frame=frame, field="loop_length")


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
            take_up=_take_up(given, wheels),
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
        words=ON_SCREEN,
    )
    first = a.first_to_slip
    remark_tight(on_tight_strand(a.path, a.strands), "wheels")
    remark_slack(a.strands, "static_tension")
    length = f(a.path.length_mm, "length", "tape")
    slips_first = "" if first is None else first.wheel
    says = f"A loop of {length.shown}."
    if first is not None:
        says += f" {first.wheel[:1].upper()}{first.wheel[1:]} slips first" + (
            f", at {a.times:.1f} times this load." if a.times < inf and a.times >= 1 else ": it slips now."
        )
    return AnyRouteOut(
        says=says,
        loop_length=length,
        loop_speed=f(a.speed_m_s, "belt_speed"),
        first_to_slip=slips_first,
        times_todays_load=None if a.times == inf else round(a.times, 2),
        pull_at_wheel=None if given.take_up is None or given.take_up.hand is None else f(_pulled(a), "force"),
        pull_at_hand=_at_hand(given.take_up, route, frame),
        travel=travel_out(a.travel, frame),
        released=_released_out(given, route, a, frame),
        wheels=wheel_rows(a.turning, a.path, slips=a.slips, vectors=a.vectors, frame=frame),
        strands=strand_rows(a.path, a.strands, frame),
        picture=scene_out(scene),
    )
