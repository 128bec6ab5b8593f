"""`pulley-for-speed`: the wheel for a wanted speed from measured ones, round by round."""

from collections.abc import Callable
from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Percent, Size, Speed, value_of
from tuyere.calc.frame import Frame
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.trail import Mark, trail_scene
from tuyere.core.errors import InputError
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.formulas import open_length
from tuyere.core.notices import notice
from tuyere.core.speeds.formulas import belt_speed
from tuyere.core.speeds.tach import shown
from tuyere.core.speeds.trim import Cuts, Point, Trim, Which, cuts, trim, wheel_for
from tuyere.core.speeds.ways import Size as Wheel
from tuyere.core.speeds.ways import Way, cheaper_first, gives, nearest_sizes, to_size
from tuyere.core.steps import quiet
from tuyere.core.tables import table
from tuyere.core.v_belt.sheaves import GROOVES, rim_pitch_mm, sheave, standard_diameters
from tuyere.core.wheels.rules import RIM_SPEED_LIMIT_M_S, rim_thickness

GROUP = "Speeds"
Readings = Annotated[list[Speed], Field(max_length=12)]
Groove = Literal[GROOVES]  # type: ignore[valid-type]
# Rim of a cast wheel for single belts by the textbook's rule: an eighth of an inch and a two-hundredth of the diameter.
RIM_OF_SINGLE = 25.4 / 8
HOW = {
    "turned down": "turn down the {wheel} that is on, to {size}",
    "standard": "a standard {wheel} of {size}",
    "made": "a {wheel} made to {size}",
}


class RoundIn(Input):
    """One round: the wheel that was on, and both shafts under load."""

    diameter: Size = Field(description="diameter of the wheel that is changed, over the rim")
    driver: Readings = Field(description="driver, reading by reading")
    driven: Readings = Field(description="driven shaft, reading by reading")


class PulleyForSpeedIn(Input):
    """The wanted speed, and what was measured with the wheel that is on."""

    target: Speed = Field(description="wanted speed of the driven shaft")
    within: Percent | None = Field(
        title="Near enough, within", default=None, description="how near is near enough; 2 % where left open"
    )
    wheel: Literal["driver", "driven"] = Field(default="driver", description="which wheel is changed")
    groove: Groove | None = Field(default=None, description="groove of the wheels; left open for flat pulleys")
    rounds: Annotated[list[RoundIn], Field(min_length=1, max_length=6)] = Field(
        description="what was measured, the wheel that is on now last"
    )
    other: Size | None = Field(
        title="Other wheel, diameter", default=None, description="diameter of the other wheel, over the rim"
    )
    centres: Length | None = Field(default=None, description="centre distance now")
    cut: Size | None = Field(
        title="Depth of one pass", default=None, description="depth of one pass on the radius; 1 mm where left open"
    )
    metal: Size | None = Field(default=None, description="metal under the groove, or of a flat rim")
    least: Size | None = Field(default=None, description="least wheel that belt or motor bears, over the rim")


class CutsOut(Answer):
    """How it is turned down."""

    off_diameter: Figure
    off_radius: Figure
    passes: int
    last: Figure
    left: Figure | None = Field(title="Metal left")


class WheelWayOut(Answer):
    """One way to the speed."""

    says: str
    wheel: str
    how: str
    diameter: Figure
    speed: Figure
    off: Figure
    near_enough: bool
    on_shelf: bool


class PulleyForSpeedOut(Answer):
    """The wheel, how it is made, the other ways, and what the rounds say of the wheels before."""

    says: str
    diameter: Figure
    give_or_take: Figure
    ratio: Figure
    speed_now: Figure
    runs_on: Figure
    under: Figure
    first_was: Figure | None
    cuts: CutsOut | None
    cheapest: str
    ways: list[WheelWayOut]
    rim_speed: Figure
    new_centres: Figure | None
    picture: SceneOut


def _under(groove: str | None, outside_mm: float, field: str) -> float | None:
    """How far the pitch diameter lies under the rim; None for a flat pulley, whose belt says it itself."""
    if groove is None:
        return None
    try:
        with quiet():
            return outside_mm - rim_pitch_mm(sheave(outside_mm, "outside", groove))
    except InputError as e:
        raise e.at(field) from e


def _standard(groove: str | None) -> list[Wheel]:
    if groove is None:
        return [Wheel(float(r[0]), float(r[0]), False) for r in table("flat_pulleys").rows]
    with quiet():
        made = [(sheave(mm, kind, groove), often) for mm, kind, often in standard_diameters(groove)]
        return [Wheel(s.outside_mm, rim_pitch_mm(s), often) for s, often in made]


def _points(given: PulleyForSpeedIn) -> list[Point]:
    return [
        Point(
            diameter_mm=r.diameter.value,
            driver=shown([x.value for x in r.driver], f"rounds.{k}.driver"),
            driven=shown([x.value for x in r.driven], f"rounds.{k}.driven"),
        )
        for k, r in enumerate(given.rounds)
    ]


def _trimmed(given: PulleyForSpeedIn, points: list[Point]) -> Trim:
    last = len(points) - 1
    under = _under(given.groove, points[-1].diameter_mm, f"rounds.{last}.diameter")
    try:
        return trim(points, given.target.value, which=given.wheel, under_mm=under)
    except InputError as e:
        at = {"trail": f"rounds.{last}.driven", "diameter": f"rounds.{last}.diameter"}.get(e.field, e.field)
        raise e.at(at) from e


def _metal(given: PulleyForSpeedIn, found: Trim, now_mm: float) -> tuple[bool, float | None]:
    """(is there the metal to turn it down, what is left under it)."""
    if given.metal is None:
        return True, None
    off = (now_mm - found.want_mm) / 2
    with quiet():
        least = float(rim_thickness(found.want_mm, RIM_OF_SINGLE))
    left = given.metal.value - off
    if found.want_mm < now_mm and left < least:
        notice(
            "danger",
            "rim-too-thin",
            "Turned down so far the rim is thinner than {least}: it may burst. Have a wheel made.",
            "input.metal",
            least=(least, "length"),
        )
        return False, left
    return True, left


def _cuts(given: PulleyForSpeedIn, found: Trim, *, now_mm: float, left: float | None, frame: Frame) -> CutsOut | None:
    if found.want_mm >= now_mm:
        return None
    try:
        c: Cuts = cuts(now_mm, found.want_mm, value_of(given.cut, 1.0))
    except InputError as e:
        raise e.at("cut") from e
    f = frame.figure
    return CutsOut(
        off_diameter=f(now_mm - found.want_mm, "gap"),
        off_radius=f(c.radius_mm, "gap"),
        passes=c.passes,
        last=f(c.last_mm, "gap"),
        left=None if left is None else f(left, "gap"),
    )


def _ways(given: PulleyForSpeedIn, found: Trim, *, now: Point, metal: bool) -> list[Way]:
    """Both wheels: to size, and the next standard ones."""
    target, rpm = given.target.value, now.driven.mean
    which: Which = given.wheel
    sizes = _standard(given.groove)
    ways = [to_size(which, diameter_mm=found.want_mm, now_mm=now.diameter_mm, target_rpm=target, metal=metal)]
    ways += nearest_sizes(sizes, which, rpm=rpm, runs_mm=found.runs_mm, target_rpm=target)
    if given.other is not None:
        other: Which = "driven" if which == "driver" else "driver"
        runs = _other_runs(given, found)
        with quiet():
            want = float(wheel_for(other, runs, rpm, target)) + given.other.value - runs
        ways.append(to_size(other, diameter_mm=want, now_mm=given.other.value, target_rpm=target, metal=True))
        ways += nearest_sizes(sizes, other, rpm=rpm, runs_mm=runs, target_rpm=target)
    return ways


def _other_runs(given: PulleyForSpeedIn, found: Trim) -> float:
    """Diameter that runs of the other wheel, mm: by its groove, else as deep under the rim as on the first one."""
    assert given.other is not None
    under = _under(given.groove, given.other.value, "other")
    return given.other.value - (found.under_mm if under is None else under)


def _new_centres(given: PulleyForSpeedIn, found: Trim) -> float | None:
    if given.centres is None or given.other is None:
        return None
    other = _other_runs(given, found)
    pair = sorted((found.runs_mm, other))
    if 2 * given.centres.value <= sum(pair):
        raise InputError("centres", given.centres.value, "the wheels would touch", "more than half of both diameters")
    with quiet():
        length = float(open_length(given.centres.value, pair[0], pair[1]))
        after = sorted((float(found.want_runs_mm), other))
        return centre_of_length(length, after[0], after[1], field="centres")


def _limits(given: PulleyForSpeedIn, found: Trim, rim_m_s: float) -> None:
    if rim_m_s > RIM_SPEED_LIMIT_M_S:
        raise InputError(
            "target",
            given.target.value,
            "the rim of a cast wheel would run at {rim}: it may burst",
            "up to {most} at the rim",
            rim=(rim_m_s, "belt_speed"),
            most=(RIM_SPEED_LIMIT_M_S, "belt_speed"),
        )
    if given.least is not None and found.want_mm < given.least.value:
        notice(
            "danger",
            "under-least",
            "That is smaller than the least wheel: belt and bearings pay for it. Change the other wheel.",
            "input.least",
        )
    if given.groove is not None:
        notice(
            "info",
            "groove-goes-deeper",
            "Turning the rim alone changes no speed: the groove is cut deeper by the same radius, at the angle of its new size.",
            "input.groove",
        )


def _trail_notices(found: Trim) -> None:
    if found.in_noise:
        notice(
            "caution",
            "inside-noise",
            "The target is inside what the readings may be off: read more often before metal is cut.",
            "input.target",
        )
    if found.was_mm is None:
        notice(
            "info",
            "measure-again",
            "Measure both shafts again with the new wheel, and trim it from that.",
            "input.rounds",
        )
    notice(
        "danger",
        "guard-and-lock",
        "Speeds are read from outside the guard. Wheels are changed on a machine that stands, isolated.",
        "input",
    )


def _way_out(w: Way, within: float, frame: Frame) -> WheelWayOut:
    f = frame.figure
    size = f(w.diameter_mm, "length", "size")
    speed, off = f(w.rpm, "speed"), f(w.off_percent, "percent")
    said = HOW[w.how].format(wheel=w.which if w.which == "driver" else "driven wheel", size=size.shown)
    return WheelWayOut(
        says=said[:1].upper() + said[1:],
        wheel=w.which,
        how=w.how,
        diameter=size,
        speed=speed,
        off=off,
        near_enough=abs(w.off_percent) <= within,
        on_shelf=w.stocked,
    )


def _law(given: PulleyForSpeedIn, found: Trim, rpm: float) -> Callable[[float], float]:
    def speed(diameter_mm: float) -> float:
        runs = max(diameter_mm - found.under_mm, 1e-3)
        return gives(given.wheel, rpm=rpm, runs_mm=float(found.runs_mm), new_mm=runs)

    return speed


@calculation(
    "pulley-for-speed",
    "Pulley for a wanted speed",
    summary="From measured speeds and the wheel that is on: the wheel for the target, how much to turn off, what standard sizes give, and the second round.",
    source="kinematics of measured speeds; grooves of ANSI/RMA IP-20, IP-22, ISO 4183; ISO 22; limits of common practice",
    example={
        "units": "us",
        "input": {
            "target": "540",
            "wheel": "driver",
            "groove": "B",
            "rounds": [
                {"diameter": "3.75 in", "driver": ["1748", "1749"], "driven": ["281", "282"]},
                {"diameter": "7.3 in", "driver": ["1741", "1742"], "driven": ["569", "570"]},
            ],
            "other": "21.35 in",
            "centres": "34 in",
            "cut": "0.020 in",
            "metal": "0.75 in",
        },
    },
    first=("says", "diameter"),
)
def pulley_for_speed(given: PulleyForSpeedIn, frame: Frame) -> PulleyForSpeedOut:
    """Work the wheel from the last round. Raises InputError for readings that contradict each other, and beyond the rim's speed."""
    points = _points(given)
    found = _trimmed(given, points)
    now = points[-1]
    within = value_of(given.within, 2.0)
    turning = now.driver.mean if given.wheel == "driver" else given.target.value
    rim = belt_speed(found.want_mm, turning)
    _limits(given, found, float(rim))
    _trail_notices(found)
    enough, left = _metal(given, found, now.diameter_mm)
    ways = _ways(given, found, now=now, metal=enough)
    order = cheaper_first(ways, within)
    centres = _new_centres(given, found)
    f = frame.figure
    diameter = f(found.want_mm, "length", "exact")
    cut = _cuts(given, found, now_mm=now.diameter_mm, left=left, frame=frame)
    name = "driver" if given.wheel == "driver" else "driven wheel"
    target = f(given.target.value, "speed")
    does = (
        f" Turn off {cut.off_radius.shown} on the radius, in {cut.passes} passes."
        if cut is not None and enough
        else " It is larger than what is on: another wheel."
        if cut is None
        else " There is not the metal for it: another wheel."
    )
    marks = [
        Mark(
            diameter_mm=p.diameter_mm,
            rpm=p.driven.mean,
            error=2 * p.driven.error,
            size=f(p.diameter_mm, "length", "size").shown,
            speed=f(p.driven.mean, "speed").number,
        )
        for p in points
    ]
    picture = trail_scene(
        marks,
        target=Mark(
            diameter_mm=float(found.want_mm),
            rpm=given.target.value,
            error=0.0,
            size=diameter.shown,
            speed=target.number,
        ),
        law=_law(given, found, now.driven.mean),
        tolerance_percent=within,
        wheel=f"{name}, over the rim",
    )
    best = [_way_out(w, within, frame) for w in order]
    others = [_way_out(w, within, frame) for w in ways if w not in order]
    return PulleyForSpeedOut(
        says=f"A {name} of {diameter.shown} over the rim turns the machine at {target.shown}.{does}",
        diameter=diameter,
        give_or_take=f(2 * found.error_mm, "gap"),
        ratio=f(found.ratio, "factor", "exact"),
        speed_now=f(now.driven.mean, "speed"),
        runs_on=f(found.runs_mm, "length", "exact"),
        under=f(found.under_mm, "gap"),
        first_was=None if found.was_mm is None else f(found.was_mm, "length", "exact"),
        cuts=cut,
        cheapest=best[0].says if best else "none is near enough: make the wheel",
        ways=best + others,
        rim_speed=f(rim, "belt_speed"),
        new_centres=None if centres is None else f(centres, "length", "tape"),
        picture=scene_out(picture),
    )
