"""`drive-stages`: a ratio that one drive does not do, split over two or three with real sizes of every family."""

from dataclasses import dataclass
from typing import Annotated

from pydantic import Field

from tuyere.calc.answer import Answer, Band, Figure
from tuyere.calc.entries.drive_compare import CompareIn, family_question
from tuyere.calc.entry import Entered
from tuyere.calc.families.protocol import FAMILIES, families
from tuyere.calc.families.select import options_of
from tuyere.calc.families.select_model import LimitsIn, OptionOut
from tuyere.calc.frame import Frame
from tuyere.calc.parts import Whole, tolerance_of
from tuyere.calc.registry import calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.stages import StageDrawn, stages_scene
from tuyere.core.errors import NoSolution
from tuyere.core.notices import collected_notices, notice
from tuyere.core.speeds.formulas import ratio_of_speeds
from tuyere.core.speeds.stages import SHARES, Leg, check_stages, order, passed_on, ratio_of_stages, shaft_between
from tuyere.core.steps import quiet

GROUP = "Speeds"
# A shaft between may turn as it comes: standard sizes land where they land.
LOOSE = Entered(6.0, None, "percent")
# So many first stages are followed up, so many ways are shown.
FOLLOWED, SHOWN = 4, 4
OF_THE_MOTOR = ("motor", "driver_outside", "driver_shaft")
OF_THE_MACHINE = ("driven_outside", "driven_shaft")


class StagesIn(CompareIn):
    """A duty as for one drive, and how many stages."""

    stages: Annotated[Whole, Field(ge=2, le=3)] = Field(default=2, description="how many drives one after the other")


class StageOut(Answer):
    """One stage: the drive, the shafts it joins, and what it takes."""

    says: str
    from_speed: Figure
    to_speed: Figure
    takes: Figure
    option: OptionOut


class ChainOut(Answer):
    """One chain of drives."""

    says: str
    driven_speed: Figure
    speed_error: Figure
    efficiency: Band
    lost: Figure
    parts: int
    stages: list[StageOut]
    picture: SceneOut


class StagesOut(Answer):
    """Chains of drives, the one that costs least first."""

    says: str
    ratio: Figure
    even_split: Figure
    passed_on: Figure
    ways: list[ChainOut]
    picture: SceneOut


@dataclass(frozen=True, slots=True)
class _Chain:
    options: tuple[OptionOut, ...]
    takes_kw: tuple[float, ...]


def _middle(b: Band) -> float:
    return (b.low.value + b.high.value) / 2


def _largest(o: OptionOut) -> float:
    return max(2 * w.outside_radius for w in o.elevation.wheels)


def _named(o: OptionOut) -> str:
    """An option with its kind: among several families its own name alone says too little."""
    return f"{FAMILIES[o.family].title} {o.name}"


def _leg(o: OptionOut) -> Leg:
    return Leg(parts=o.parts.value, largest_mm=_largest(o), weight_kg=_middle(o.weight))


def _room(limits: LimitsIn, *, first: bool, last: bool) -> LimitsIn:
    """What of the limits holds for a stage: the motor's for the first one, the machine's for the last one."""
    drop = ([] if first else list(OF_THE_MOTOR)) + ([] if last else list(OF_THE_MACHINE))
    if limits.bearing is not None and not (first if limits.bearing.shaft == "driver" else last):
        drop.append("bearing")
    return limits.model_copy(update=dict.fromkeys(drop))


def _options(
    given: StagesIn, from_rpm: float, to_rpm: float, *, kw: float, first: bool, last: bool, frame: Frame
) -> list[OptionOut]:
    """The first of every family for one stage; a family that does not do it is left out. Raises InputError for a wrong limit."""
    update: dict[str, object] = {
        "power": Entered(kw, None, "power"),
        "driver_speed": Entered(from_rpm, None, "speed"),
        "driven_speed": Entered(to_rpm, None, "speed"),
        "keep": 1,
        "limits": _room(given.limits, first=first, last=last),
    }
    if not last:
        update["tolerance"] = LOOSE
    asked = given.model_copy(update=update)
    out: list[OptionOut] = []
    for family in families():
        if any(k == row[0] and row[2] == "no" for row in family.manners.rows for k in given.asked):
            continue
        try:
            with quiet(), collected_notices():
                _, options, _, _ = options_of(family, family_question(family, asked), frame, each=1)
        except NoSolution:
            continue
        out += options[:1]
    return out


def _chains(given: StagesIn, from_rpm: float, *, kw: float, left: int, frame: Frame) -> list[_Chain]:
    to_rpm = given.driven_speed.value
    if left == 1:
        ends = _options(given, from_rpm, to_rpm, kw=kw, first=False, last=True, frame=frame)
        return [_Chain((o,), (kw,)) for o in ends]
    firsts: list[OptionOut] = []
    for share in SHARES if given.stages == 2 else (1 / left,):
        with quiet():
            between = float(shaft_between(from_rpm, to_rpm, share))
        at_motor = left == given.stages
        firsts += _options(given, from_rpm, between, kw=kw, first=at_motor, last=False, frame=frame)
    best = order([[_leg(o)] for o in firsts])[:FOLLOWED]
    out = []
    for k in best:
        o = firsts[k]
        passed = kw * _middle(o.efficiency) / 100
        for rest in _chains(given, o.driven_speed.value, kw=passed, left=left - 1, frame=frame):
            out.append(_Chain((o, *rest.options), (kw, *rest.takes_kw)))
    return out


def _way(given: StagesIn, c: _Chain, frame: Frame) -> ChainOut:
    f = frame.figure
    speeds = [given.driver_speed.value, *(o.driven_speed.value for o in c.options)]
    stages = [
        StageOut(
            says=f"Stage {k + 1}: {_named(o)}, {f(speeds[k], 'speed').number} to {f(speeds[k + 1], 'speed').shown}",
            from_speed=f(speeds[k], "speed"),
            to_speed=f(speeds[k + 1], "speed"),
            takes=f(c.takes_kw[k], "power"),
            option=o,
        )
        for k, o in enumerate(c.options)
    ]
    low = high = 100.0
    for o in c.options:
        low, high = low * o.efficiency.low.value / 100, high * o.efficiency.high.value / 100
    off = 100 * (speeds[-1] / given.driven_speed.value - 1)
    drawn = [
        StageDrawn(
            driver_mm=2 * o.elevation.wheels[0].outside_radius,
            driven_mm=2 * o.elevation.wheels[-1].outside_radius,
            centre_mm=o.centre_distance.value,
            name=_named(o),
            sizes=(
                f(2 * o.elevation.wheels[0].outside_radius, "length", "size").shown,
                f(2 * o.elevation.wheels[-1].outside_radius, "length", "size").shown,
            ),
        )
        for o in c.options
    ]
    words = [f(v, "speed").shown for v in speeds]
    title = "; ".join(s.says for s in stages)
    return ChainOut(
        says=" then ".join(_named(o) for o in c.options),
        driven_speed=f(speeds[-1], "speed"),
        speed_error=f(off, "percent"),
        efficiency=frame.band(low, high, "percent"),
        lost=f(c.takes_kw[0] * (1 - (low + high) / 200), "power"),
        parts=int(sum(o.parts.value for o in c.options)),
        stages=stages,
        picture=scene_out(stages_scene(drawn, words, title)),
    )


@calculation(
    "drive-stages",
    "Two or three stages",
    summary="A ratio split over two or three drives with jackshafts between: real sizes of every family searched together, speeds, losses.",
    source="kinematics; the method of each family; order: our own judgement",
    example={
        "units": "us",
        "input": {
            "power": "5hp",
            "service_factor": {"assume": "1.4"},
            "driver_speed": "1750",
            "driven_speed": "70",
            "tolerance": 3,
            "centre": {"about": "24 in"},
            "stages": 2,
        },
    },
    search=True,
    first=("says", "ratio"),
)
def drive_stages(given: StagesIn, frame: Frame) -> StagesOut:
    """Search the chains. Raises InputError for a ratio beyond the stages, NoSolution where no standard sizes meet."""
    n1, n2 = given.driver_speed.value, given.driven_speed.value
    check_stages(n1, n2, given.stages)
    tolerance_of(given.tolerance)
    chains = _chains(given, n1, kw=given.power.value, left=given.stages, frame=frame)
    if not chains:
        raise NoSolution(
            "no chain of standard sizes does this",
            "input.driven_speed",
            "more stages, other centres, or a wider tolerance of the speed",
        )
    ranked = [chains[k] for k in order([[_leg(o) for o in c.options] for c in chains])]
    shown: list[_Chain] = []
    names: set[tuple[str, ...]] = set()
    for c in ranked:
        kinds = tuple(o.family for o in c.options)
        if kinds not in names:
            names.add(kinds)
            shown.append(c)
    ways = [_way(given, c, frame) for c in shown[:SHOWN]]
    f = frame.figure
    best = shown[0]
    ratio: float = ratio_of_speeds(n1, best.options[0].driven_speed.value)
    passed: float = _middle(best.options[0].efficiency)
    for k, o in enumerate(best.options[1:]):
        before = best.options[k].driven_speed.value
        ratio = ratio_of_stages(ratio, ratio_of_speeds(before, o.driven_speed.value))
        passed = passed_on(passed, _middle(o.efficiency))
    notice(
        "info",
        "jackshaft",
        "The jackshaft carries the pull of both its wheels: keep them close to its bearings, and size shaft and bearings for the sum.",
        "input.stages",
    )
    notice(
        "info",
        "each-a-drive",
        "Each stage is a drive of its own: its own guard, its own take-up, its own place in the record.",
        "input.stages",
    )
    return StagesOut(
        says=f"{ways[0].says}: {ways[0].driven_speed.shown}, {ways[0].efficiency.shown} passed on.",
        ratio=f(ratio, "factor", "exact"),
        even_split=f(shaft_between(n1, n2, 1 / given.stages), "speed"),
        passed_on=f(passed, "percent"),
        ways=ways,
        picture=ways[0].picture,
    )
