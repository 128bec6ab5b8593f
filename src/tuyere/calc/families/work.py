"""One whole drive of any family: worked, shown, and held against what is wanted."""

from __future__ import annotations

from typing import TypeVar

from tuyere.calc.answer import Answer
from tuyere.calc.around.model import around_said
from tuyere.calc.around.shown import around_out, sheet_around
from tuyere.calc.families.beside import DAYS, beside
from tuyere.calc.families.protocol import Family, In, Sel
from tuyere.calc.frame import Frame
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.sheet import Beside
from tuyere.calc.wanted import hold_speed
from tuyere.core.drive.case import L, R, S, WorkedDrive
from tuyere.core.duty.losses import efficiency_band

C = TypeVar("C")
Out = TypeVar("Out", bound=Answer)


def told_apart(
    family: Family[In, Sel, L, R, S, C],
    worked: WorkedDrive[L, R, S],
    frame: Frame,
    *,
    service: ServiceFactorIn | None,
    days: float = DAYS,
) -> Beside:
    """What the drive is told apart by beside others: the same figures on its page, its card and in the table."""
    return beside(
        frame,
        efficiency=efficiency_band(family.efficiency_kind(worked)),
        power_kw=worked.case.power_kw,
        service=service,
        centre_mm=worked.centre_mm,
        width_mm=worked.width_mm,
        weight=worked.weight,
        parts=family.bought(worked),
        days=days,
    )


def work_drive(family: Family[In, Sel, L, R, S, C], given: In, frame: Frame, out: type[Out]) -> Out:
    """Work an input of a family: figures, drawing and sheet. Raises InputError and NoSolution."""
    around = around_said(given)
    worked = family.worked(given, frame)
    frame.elevation = worked.elevation
    duty = family.duty_of(given, worked)
    side = told_apart(family, worked, frame, service=duty.service)
    figures, sheet = family.page(given, worked, frame, side)
    assert isinstance(figures, out)
    if around is not None:
        shown = around_out(around, worked, family.method, frame=frame, loops_between=family.loops_between(worked))
        sheet = sheet_around(sheet, shown)
    frame.sheet = hold_speed(
        sheet,
        duty.wanted,
        service=duty.service,
        driven_rpm=worked.driven_rpm,
        power_kw=worked.case.power_kw,
        frame=frame,
    )
    return figures
