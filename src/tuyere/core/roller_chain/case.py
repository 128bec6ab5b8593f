"""What a chain drive adds to a drive: its chain, and how it is oiled."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi

from tuyere.core.drive.case import Case
from tuyere.core.drive.route import Route
from tuyere.core.drive.wheel import DRIVEN, DRIVER, Role, Wheel
from tuyere.core.errors import InputError
from tuyere.core.roller_chain.sprockets import outside_mm
from tuyere.core.roller_chain.tables import Chain
from tuyere.core.steps import quiet

USUAL_LIFE_H = 15_000


@dataclass(frozen=True, slots=True, kw_only=True)
class ChainLoop:
    """The chain: ``pitches`` None takes the next even number for the centres. h, Celsius; ``method`` asme, iso10823 or own."""

    chain: Chain
    strands: int = 1
    pitches: int | None = None
    life_h: float = USUAL_LIFE_H
    lubrication: str = "best"
    celsius: float = 20.0
    method: str = "own"


ChainCase = Case[ChainLoop]


def sprocket_wheel(of: Chain, teeth: int, ident: str, role: Role) -> Wheel:
    """A sprocket as a wheel of the route: its path is as long as its teeth."""
    with quiet():
        path = teeth * of.pitch_mm / pi
        return Wheel(
            id=ident,
            role=role,
            path_mm=path,
            pitch_mm=path,
            outside_mm=float(outside_mm(of, teeth)),
            count=teeth,
            profile="chain",
        )


def one_of_two(centre_mm: float | None, counted: int | None, what: str) -> None:
    """Raises InputError unless exactly one of centre distance and length is given."""
    if (centre_mm is None) == (counted is None):
        raise InputError(
            "centre_distance", centre_mm, f"give the centre distance or the {what}", "exactly one of the two"
        )


def chain_case(
    chain: Chain,
    strands: int = 1,
    *,
    power_kw: float = 0.0,
    service_factor: float = 1.0,
    driver_rpm: float = 0.0,
    z_1: int,
    z_2: int,
    centre_mm: float | None,
    pitches: int | None,
    life_h: float = USUAL_LIFE_H,
    lubrication: str = "best",
    celsius: float = 20.0,
    angle_deg: float = 0.0,
    clockwise: bool = True,
    method: str = "own",
) -> ChainCase:
    """A plain chain drive: two sprockets, and a centre distance or a number of pitches.

    Raises InputError when both or neither are given.
    """
    one_of_two(centre_mm, pitches, "pitches")
    return Case(
        power_kw=power_kw,
        service_factor=service_factor,
        driver_rpm=driver_rpm,
        centre_mm=centre_mm,
        route=Route.two(
            sprocket_wheel(chain, z_1, DRIVER, "driver"),
            sprocket_wheel(chain, z_2, DRIVEN, "driven"),
            centre_mm=centre_mm,
            angle_deg=angle_deg,
            clockwise=clockwise,
        ),
        loop=ChainLoop(
            chain=chain,
            strands=strands,
            pitches=pitches,
            life_h=life_h,
            lubrication=lubrication,
            celsius=celsius,
            method=method,
        ),
    )
