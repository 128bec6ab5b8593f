"""What a flat belt drive adds to a drive: the belt's material and width."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drive.case import Case
from tuyere.core.drive.route import Route
from tuyere.core.drive.wheel import DRIVEN, DRIVER, plain_wheel
from tuyere.core.flat.tables import Material


@dataclass(frozen=True, slots=True, kw_only=True)
class FlatLoop:
    """The belt: ``length_mm`` None follows from the centres."""

    material: Material
    width_mm: float
    length_mm: float | None = None


FlatCase = Case[FlatLoop]


def flat_case(
    driver_mm: float,
    driven_mm: float,
    *,
    power_kw: float,
    service_factor: float,
    driver_rpm: float,
    centre_mm: float | None,
    length_mm: float | None,
    material: Material,
    width_mm: float,
    crossed: bool = False,
    angle_deg: float = 0.0,
    clockwise: bool = True,
) -> FlatCase:
    """A plain flat belt drive: two pulleys, and a centre distance or a belt length."""
    return Case(
        power_kw=power_kw,
        service_factor=service_factor,
        driver_rpm=driver_rpm,
        centre_mm=centre_mm,
        route=Route.two(
            plain_wheel(DRIVER, "driver", driver_mm),
            plain_wheel(DRIVEN, "driven", driven_mm),
            centre_mm=centre_mm,
            angle_deg=angle_deg,
            clockwise=clockwise,
            crossed=crossed,
        ),
        loop=FlatLoop(material=material, width_mm=width_mm, length_mm=length_mm),
    )
