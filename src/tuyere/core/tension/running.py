"""The running state of a drive whose tensions are known: slip, speed, heat. What instruments on it would agree about."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from math import isinf, pi
from statistics import fmean

from tuyere.core.steps import quiet
from tuyere.core.tension.formulas import net_pull
from tuyere.core.tension.hold import Hold
from tuyere.core.tension.running_formulas import (
    grip_used,
    power_of_slip,
    slip_running,
    speed_with_slip,
    warmer_than_air,
)

# Common practice, no source: creep at full grip, slip past it, heat to moving air.
CREEP_PERCENT, SLIP_PERCENT, MOST_SLIP, AIR_W_M2K = 1.2, 60.0, 60.0, 100.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Running:
    """Share of its grip that the loop uses (0 where teeth carry), slip in percent, speed of the driven shaft in rpm, and how many
    kelvin the wheel that slips is warmer than the air.
    """

    grip_used: float
    slip_percent: float
    driven_rpm: float
    warmer_k: float


def running_of(hold: Hold, tensions_n: Sequence[float], *, load: float, free_rpm: float, wheel_mm: float) -> Running:
    """How a drive runs at a share of its duty's power, with each belt at its own tension at rest, N.

    ``free_rpm`` is the driven speed without slip, ``wheel_mm`` the wheel that slips first. A set slips by what its belts hold
    together. Source: statics and cooling; creep and slip by common practice.
    """
    with quiet():
        if isinf(hold.grip_ratio) or load <= 0:
            return Running(grip_used=0.0, slip_percent=0.0, driven_rpm=free_rpm, warmer_k=0.0)
        power = hold.power_kw * load
        pull = float(net_pull(power, hold.speed_m_s, float(hold.belts)))
        used = float(grip_used(pull, hold.grip_ratio, fmean(tensions_n), hold.centrifugal_n))
        slip = min(float(slip_running(CREEP_PERCENT, SLIP_PERCENT, used)), MOST_SLIP)
        face = 2 * pi * (wheel_mm / 2000) ** 2 + pi * wheel_mm / 1000 * hold.width_mm / 1000
        lost = float(power_of_slip(power, slip))
        return Running(
            grip_used=used,
            slip_percent=slip,
            driven_rpm=float(speed_with_slip(free_rpm, slip)),
            warmer_k=float(warmer_than_air(lost, AIR_W_M2K, face)),
        )
