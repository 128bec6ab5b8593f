"""What a drive is told apart by when it stands beside others: the same figures on its page, its card and in the table."""

from __future__ import annotations

from tuyere.calc.entry import value_of
from tuyere.calc.frame import Frame
from tuyere.calc.parts import ServiceFactorIn
from tuyere.calc.sheet import Beside
from tuyere.core.duty.losses import loss_band
from tuyere.core.steps import quiet
from tuyere.core.wheels.mass import Weight

HOURS, DAYS = 10.0, 250.0


def beside(
    frame: Frame,
    *,
    efficiency: tuple[float, float],
    power_kw: float,
    service: ServiceFactorIn | None,
    centre_mm: float,
    width_mm: float,
    weight: Weight,
    parts: int,
    days: float = DAYS,
) -> Beside:
    """The figures of a drive for the comparison; ``efficiency`` is the band of its kind, percent.

    Ten hours and 250 days are taken where nothing is said; that is said where the losses are asked for.
    """
    f = frame.figure
    with quiet():
        lost = loss_band(power_kw, efficiency, value_of(service.hours_a_day if service else None, HOURS), days)
    return Beside(
        width=f(width_mm, "length", "size"),
        weight=frame.band(float(weight.low_kg), float(weight.high_kg), "mass", "about"),
        parts=f(parts, "count"),
        centre_distance=f(centre_mm, "length", "tape"),
        efficiency=frame.band(*efficiency, kind="percent"),
        yearly_loss=frame.band(*lost, kind="energy", style="about"),
    )
