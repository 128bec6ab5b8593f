"""What speed a motor runs at, and how small a sheave it may carry."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.motors.formulas import motor_slip, speed_at_frequency, synchronous_motor_speed
from tuyere.core.notices import notice
from tuyere.core.sources import Source
from tuyere.core.steps import looked_up
from tuyere.core.tables import declare, table
from tuyere.core.units import KW_PER_HP, MM_PER_IN

declare(
    "tuyere.core.motors",
    (
        "motor_speeds",
        "min_sheaves",
    ),
)
NAMEPLATE = Source(title="the motor's nameplate", origin="as given", confidence="high")
CLASSES = (3500, 1750, 1160, 870)


@dataclass(frozen=True, slots=True, kw_only=True)
class MotorSpeed:
    """Synchronous speed, full-load speed (or its usual range) and slip; rpm and percent. Range over a variable frequency."""

    synchronous_rpm: float
    low_rpm: float
    high_rpm: float
    slip_percent: float
    at_low_rpm: float | None
    at_high_rpm: float | None


def motor_speed(
    poles: int, hertz: float, nameplate_rpm: float | None, low_hertz: float | None, high_hertz: float | None
) -> MotorSpeed:
    """Speeds of an induction motor. Raises InputError for odd poles, a nameplate speed that is no slip, a crossed range.

    Source: kinematics; usual full-load speeds: NEMA MG 1 and IEC practice.
    """
    if poles % 2:
        raise InputError("poles", poles, "poles come in pairs", "2, 4, 6, 8 and so on")
    sync = synchronous_motor_speed(hertz, float(poles))
    if nameplate_rpm is not None:
        if not 0.8 * sync <= nameplate_rpm < sync:
            raise InputError(
                "nameplate_speed",
                nameplate_rpm,
                f"not a full-load speed of a motor with {poles} poles at {hertz:g} Hz",
                f"{0.8 * sync:.0f} to under {sync:.0f} rpm",
            )
        low = high = looked_up("n_full", nameplate_rpm, "", NAMEPLATE)
    else:
        rows = [r for r in table("motor_speeds").rows if r[0] == hertz and r[1] == poles]
        t = table("motor_speeds")
        if rows:
            low, high = looked_up("n_full", rows[0][3], t.id, t.source_of()), float(rows[0][4])
            notice(
                "caution",
                "nameplate-assumed",
                "The full-load speed is the usual range: the nameplate says what this motor does.",
                "input.nameplate_speed",
            )
        else:
            raise InputError(
                "nameplate_speed",
                None,
                "no usual full-load speed is on hand for these poles and this frequency",
                "the speed on the nameplate",
            )
    slip = motor_slip(sync, low)
    ends: list[float | None] = []
    if low_hertz is not None and high_hertz is not None and high_hertz < low_hertz:
        raise InputError("high_frequency", high_hertz, "under the lowest frequency", f"{low_hertz:g} Hz or more")
    for f in (low_hertz, high_hertz):
        ends.append(None if f is None else speed_at_frequency(synchronous_motor_speed(f, float(poles)), sync - low))
    if high_hertz is not None and high_hertz > hertz:
        notice(
            "caution",
            "over-speed",
            "Above its rated frequency the motor gives no more power and its torque falls: rate the drive over the whole range.",
            "input.high_frequency",
        )
    return MotorSpeed(
        synchronous_rpm=sync, low_rpm=low, high_rpm=high, slip_percent=slip, at_low_rpm=ends[0], at_high_rpm=ends[1]
    )


ROUNDED = 0.02  # nameplates round: 11 kW and 15 hp are one motor


@dataclass(frozen=True, slots=True)
class LeastSheave:
    """Least sheave and widest face, mm, and the frame they go with."""

    frame: str
    speed_class: int
    least_mm: float
    widest_mm: float


def least_motor_sheave(power_kw: float, rpm: float, narrow: bool, frame: str | None) -> LeastSheave:
    """Least sheave of a NEMA T-frame motor. Raises InputError outside the table.

    Source: NEMA MG 1-14.42. Without a frame, the least favourable one of that power and speed is taken.
    """
    at = next((c for c in CLASSES if abs(rpm / c - 1) <= 0.06), None)
    if at is None:
        raise InputError(
            "speed",
            rpm,
            "the table knows full-load speeds near 3500, 1750, 1160 and 870 rpm",
            "within 6 % of one of them",
        )
    power = power_kw / KW_PER_HP
    t = table("min_sheaves")
    column = t.index("narrow" if narrow else "conventional")
    rows = [
        r
        for r in t.rows
        if r[1] == at and r[2] * (1 - ROUNDED) <= power <= r[3] * (1 + ROUNDED) and (frame is None or r[0] == frame)
    ]
    if not rows:
        sizes = sorted({r[3] for r in t.rows if r[1] == at and (frame is None or r[0] == frame)})
        if frame is not None and not sizes:
            raise InputError(
                "frame",
                frame,
                "no such T-frame in the table at this speed",
                ", ".join(sorted({r[0] for r in t.rows if r[1] == at})),
            )
        raise InputError(
            "power", power_kw, "not a listed power at this speed", "hp: " + ", ".join(f"{s:g}" for s in sizes)
        )
    row = max(rows, key=lambda r: r[column])
    if row[column] == 0:
        raise InputError(
            "power",
            power_kw,
            "the table allows no such sheave on this motor",
            "narrow belts" if not narrow else "a direct coupling",
        )
    least = looked_up("d_min", row[column] * MM_PER_IN, t.id, t.source_of())
    if frame is None:
        notice(
            "info",
            "frame-assumed",
            f"Frame {row[0]} is taken, the one that asks for the largest sheave.",
            "input.frame",
            "Read the frame off the nameplate.",
        )
    return LeastSheave(str(row[0]), at, least, float(row[column + 1]) * MM_PER_IN)
