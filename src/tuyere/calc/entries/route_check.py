"""`route-check`: the way a loop lies on the machine against the way it should go."""

from dataclasses import replace
from typing import Annotated, Literal

from pydantic import Field

from tuyere.calc.answer import Answer, ElevationOut
from tuyere.calc.around.model import Name, around_said
from tuyere.calc.around.route import guides_of
from tuyere.calc.frame import Frame
from tuyere.calc.held import DriveAskedIn, drive_worked
from tuyere.calc.registry import Input, calculation
from tuyere.core.drive.elevation import elevation_of, with_surroundings
from tuyere.core.drive.guides import Guide, inside_of
from tuyere.core.drive.path import Path, path_of
from tuyere.core.drive.route import Route, Stop
from tuyere.core.drive.route_check import compare
from tuyere.core.errors import InputError
from tuyere.core.steps import quiet

GROUP = "Any drive"
Side = Literal["inside", "outside"]


class LiesIn(Input):
    """One wheel as the loop meets it on the machine."""

    wheel: Name = Field(description="its name on the drive")
    side: Side = Field(description="face of the loop that touches it")


class PassesIn(Input):
    """A guide, and which side of it the loop runs as it lies: the guide is round the loop or within it."""

    guide: Name = Field(description="its name on the drive")
    side: Side = Field(description="where the guide is, seen from the loop")


class RouteCheckIn(Input):
    """The drive as it should be, and the loop as it lies, from the driver in the sense of travel."""

    drive: DriveAskedIn
    lies: Annotated[list[LiesIn], Field(min_length=2, max_length=60)] = Field(
        description="wheels as the loop meets them"
    )
    passes: Annotated[list[PassesIn], Field(max_length=20)] = Field(
        default=[], description="guides as the loop passes them"
    )


class MisroutedOut(Answer):
    """One wheel or guide that the loop passes wrongly, and what to do."""

    part: str
    fault: str
    says: str


class RouteCheckOut(Answer):
    """What is wrong with the way, and both ways drawn; ``there`` is null where no loop can lie so."""

    says: str
    right: bool
    faults: list[MisroutedOut]
    should: ElevationOut
    there: ElevationOut | None


def _drawn(path: Path, family: str, thick: float, guides: tuple[Guide, ...]) -> ElevationOut:
    made = elevation_of(path, family, thickness_mm=thick)
    return ElevationOut.model_validate(with_surroundings(made, path.route, None, guides), from_attributes=True)


def _lying(given: RouteCheckIn, right: Route) -> tuple[Stop, ...]:
    """The stops as they lie. Raises InputError for a wheel that the drive does not have, or one that is met twice."""
    by_id = {w.id: w for w in right.wheels}
    out: list[Stop] = []
    for k, one in enumerate(given.lies):
        if one.wheel not in by_id:
            raise InputError(f"lies.{k}.wheel", one.wheel, "this drive has no such wheel", ", ".join(by_id))
        if any(s.wheel.id == one.wheel for s in out):
            raise InputError(f"lies.{k}.wheel", one.wheel, "the loop meets it twice", "once each")
        out.append(Stop(wheel=by_id[one.wheel], side=one.side))
    if out[0].wheel.id != right.driver.id:
        raise InputError("lies.0.wheel", out[0].wheel.id, "the way is told from the driver on", right.driver.id)
    return tuple(out)


@calculation(
    "route-check",
    "Is the loop on right?",
    summary="The loop as it lies against the way it should go: wheels on the wrong side, left out or out of order, guides missed.",
    source="comparison of two ways round the same wheels",
    example={
        "units": "us",
        "input": {
            "drive": {
                "calc": "v-belt-drive",
                "input": {
                    "power": "5 hp",
                    "service_factor": {"assume": "1.4"},
                    "driver": {"speed": "2800 rpm", "sheave": {"diameter": "5.4 in", "kind": "outside"}},
                    "driven": {"sheave": {"diameter": "8.4 in", "kind": "outside"}},
                    "belt": {"designation": "BX68", "count": 1},
                    "around": {
                        "driven_x": "24 in",
                        "driven_y": "0 in",
                        "wheels": [
                            {
                                "name": "lever idler",
                                "between": "driver-driven",
                                "side": "outside",
                                "x": "9.5 in",
                                "y": "5.2 in",
                                "diameter": "7.4 in",
                            }
                        ],
                    },
                },
            },
            "lies": [
                {"wheel": "driver", "side": "inside"},
                {"wheel": "lever idler", "side": "inside"},
                {"wheel": "driven", "side": "inside"},
            ],
        },
    },
    bench=False,
    first=("says",),
)
def route_check(given: RouteCheckIn, frame: Frame) -> RouteCheckOut:
    """Hold one way against the other. Raises InputError beside what is no part of the drive."""
    asked = drive_worked(given.drive, frame)
    around, worked = around_said(asked.given), asked.worked
    guides = () if around is None else guides_of(around)
    route, thick = worked.shape.path.route, asked.family.method.thickness_mm(worked.case)
    lying = _lying(given, route)
    faults = [MisroutedOut(part=m.wheel, fault=m.fault, says=m.says) for m in compare(route.stops, lying)]
    pins = {g.id: g for g in guides}
    for k, one in enumerate(given.passes):
        if one.guide not in pins:
            raise InputError(f"passes.{k}.guide", one.guide, "this drive has no such guide", ", ".join(pins) or "none")
        if pins[one.guide].side != one.side:
            where = "round" if pins[one.guide].side == "outside" else "within"
            faults.append(
                MisroutedOut(
                    part=one.guide,
                    fault="guide missed",
                    says=f"{one.guide} stands {where} the belt: lead the belt past it so",
                )
            )
    there: ElevationOut | None = None
    with quiet():
        try:
            path = path_of(replace(route, stops=lying, take_up=None))
        except InputError:
            path = None
        if path is not None:
            there = _drawn(path, worked.elevation.family, thick, guides)
            # A guide that nobody spoke of may be missed by the way itself.
            said = {p.guide for p in given.passes}
            for g in pins.values():
                if g.id not in said and inside_of(path, g.x_mm, g.y_mm) != (g.side == "inside"):
                    faults.append(
                        MisroutedOut(
                            part=g.id, fault="guide missed", says=f"so the belt passes {g.id} on its wrong side"
                        )
                    )
    names = ", ".join(dict.fromkeys(f.part for f in faults))
    return RouteCheckOut(
        says="The loop is on right."
        if not faults
        else f"Not right at {names}. {faults[0].says[:1].upper()}{faults[0].says[1:]}.",
        right=not faults,
        faults=faults,
        should=_drawn(worked.shape.path, worked.elevation.family, thick, guides),
        there=there,
    )
