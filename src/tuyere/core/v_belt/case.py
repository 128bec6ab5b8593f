"""What a V-belt drive adds to a drive: its belts, the book that rates them, and how they sit in their grooves."""

from __future__ import annotations

from dataclasses import dataclass, replace

from tuyere.core.drive.case import Case
from tuyere.core.drive.route import Route
from tuyere.core.drive.wheel import DRIVEN, DRIVER, Role, Wheel
from tuyere.core.v_belt.bases.pick import DEFAULT
from tuyere.core.v_belt.bases.protocol import Basis
from tuyere.core.v_belt.belts import Belt
from tuyere.core.v_belt.groove_fit import EMERGENCY, belt_profile, standard_groove, work_fit
from tuyere.core.v_belt.sheaves import Sheave


@dataclass(frozen=True, slots=True, kw_only=True)
class VBeltLoop:
    """The belts: ``count`` None sizes their number; ``tape_mark_mm`` is the division of the tape in use.

    ``link`` is a link belt in place of the plain one, ``v_flat`` a flat driven pulley.
    """

    belt: Belt
    count: int | None = None
    slip_percent: float = 0.0
    basis: Basis = DEFAULT
    tape_mark_mm: float | None = None
    link: bool = False
    v_flat: bool = False


VBeltCase = Case[VBeltLoop]


def wheel_of(sheave: Sheave, ident: str, role: Role, count: int = 1) -> Wheel:
    """A sheave as a wheel of the route: the belt's length line is its path."""
    return Wheel(
        id=ident,
        role=role,
        path_mm=sheave.line_mm,
        pitch_mm=sheave.pitch_mm,
        outside_mm=sheave.outside_mm,
        count=count,
        profile=sheave.groove,
    )


def sheave_at(wheel: Wheel) -> Sheave:
    """The sheave that a wheel is; the inverse of the above."""
    return Sheave(wheel.profile, wheel.path_mm, wheel.pitch_mm, wheel.outside_mm)


def v_belt_case(
    driver: Sheave,
    driven: Sheave,
    *,
    power_kw: float,
    service_factor: float,
    driver_rpm: float,
    belt: Belt,
    count: int | None = None,
    slip_percent: float = 0.0,
    basis: Basis = DEFAULT,
    angle_deg: float = 0.0,
    clockwise: bool = True,
    tape_mark_mm: float | None = None,
    link: bool = False,
    v_flat: bool = False,
) -> VBeltCase:
    """A plain V-belt drive: two sheaves and one length of belt, which puts the driven shaft."""
    return Case(
        power_kw=power_kw,
        service_factor=service_factor,
        driver_rpm=driver_rpm,
        route=Route.two(
            wheel_of(driver, DRIVER, "driver", count or 1),
            wheel_of(driven, DRIVEN, "driven", count or 1),
            centre_mm=None,
            angle_deg=angle_deg,
            clockwise=clockwise,
        ),
        loop=VBeltLoop(
            belt=belt,
            count=count,
            slip_percent=slip_percent,
            basis=basis,
            tape_mark_mm=tape_mark_mm,
            link=link,
            v_flat=v_flat,
        ),
    )


def emergency(case: VBeltCase) -> bool:
    """A narrower belt stands in a wider groove, as it may for a day only."""
    return any((case.loop.belt.section.name, w.profile) in EMERGENCY for w in case.route.wheels)


def seated(case: VBeltCase) -> VBeltCase:
    """The drive with the diameters the belt really runs on: an A belt in B grooves rides low. Others are left alone.

    Source: plane geometry; that it may stand for a while only: common practice.
    """
    if not emergency(case):
        return case
    section = case.loop.belt.section
    belt_made = belt_profile(section.name)
    wheels = []
    for wheel in case.route.wheels:
        if (section.name, wheel.profile) not in EMERGENCY:
            wheels.append(wheel)
            continue
        fit = work_fit(
            belt_made,
            standard_groove(wheel.profile, wheel.outside_mm),
            outside_mm=wheel.outside_mm,
            belt_worn_mm=0.0,
            groove_dish_mm=0.0,
            opened_mm=0.0,
        )
        assert fit.pitch_mm is not None
        wheels.append(replace(wheel, path_mm=fit.pitch_mm, pitch_mm=fit.pitch_mm, profile=section.groove))
    return replace(case, route=case.route.with_wheels(wheels))
