"""`adjustable-sheave`: turns, pitch diameter and speed of one or two adjustable sheaves, and where the motor says stop."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.entry import Length, Size, Speed, Turns, maybe, value_of
from tuyere.calc.flow_chart_out import FAN_SHUT_OFF, flow_chart_out
from tuyere.calc.frame import Frame
from tuyere.calc.motor_now import AmpsOut, MotorNowIn, told_amps, worked_amps
from tuyere.calc.registry import Input, calculation
from tuyere.calc.scene_out import SceneOut, scene_out
from tuyere.core.drawing.ride import Ride, ride_scene
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.speeds.formulas import driven_speed
from tuyere.core.steps import quiet
from tuyere.core.v_belt.adjustable import (
    Adjustable,
    Setting,
    Wheel,
    adjustable,
    best,
    groove_shift,
    settings,
    speed_at,
    turns_for,
)
from tuyere.core.v_belt.groove_fit import belt_profile, pitch_under_top

GROUP = "Speeds"
EXPONENT = {"fan": 3.0, "centrifugal pump": 3.0, "steady torque": 1.0}
RULES = (
    "Key out to turn the flange, key back in before the set screw goes down.",
    "The set screw goes down on a flat, never on the thread: half-turn steps only.",
    "All grooves of a sheave are opened alike.",
    "It sets speed. It is no belt tightener: after a change set the tension anew and line up the grooves.",
    "Count the turns from closed and write them down before it is moved.",
    "Once the speed is settled a fixed sheave of the same pitch diameter lasts longer.",
)


class AdjustableIn(Input):
    """An adjustable sheave as its plate or a tape says it."""

    closed: Size = Field(description="pitch diameter, closed")
    open: Size | None = Field(default=None, description="pitch diameter, open as far as it goes")
    turns_now: Turns | None = Field(default=None, description="turns open now, counted from closed")
    most_turns: Turns | None = Field(default=None, description="turns it may be opened; usual for the section")
    thread: Size | None = Field(default=None, description="thread pitch of the moving flange")


class SheavePairIn(Input):
    """Two sheaves of which one or both can be set."""

    section: Literal["3L", "4L", "A", "AX", "5L", "B", "BX"] = Field(description="belt section")
    driver_speed: Speed = Field(description="speed of the driver")
    driver: AdjustableIn | None = Field(default=None, description="adjustable driver")
    driver_fixed: Size | None = Field(default=None, description="or its fixed pitch diameter")
    driven: AdjustableIn | None = Field(default=None, description="adjustable driven sheave")
    driven_fixed: Size | None = Field(default=None, description="or its fixed pitch diameter")
    speed_now: Speed | None = Field(default=None, description="driven speed now, measured; worked where left open")
    target: Speed | None = Field(default=None, description="wanted driven speed")
    centres: Length | None = Field(default=None, description="centre distance now")
    machine: Literal["fan", "centrifugal pump", "steady torque"] = Field(default="fan", description="what is driven")
    motor: MotorNowIn | None = Field(default=None, description="what the motor draws now")


class SettingOut(Answer):
    """One pair of half-turns."""

    driver_turns: Figure | None
    driven_turns: Figure | None
    driver: Figure
    driven: Figure
    speed: Figure
    of_target: Figure | None
    move_centres: Figure | None
    amps: str
    over_plate: bool
    here: bool


class AdjustableOut(Answer):
    """The setting, what it does, and the table of half-turns."""

    says: str
    turns: str
    pitch_diameter: Figure
    speed: Figure
    turns_exact: Figure | None
    groove_moves: Figure
    move_centres: Figure | None
    amps: AmpsOut | None
    stopped_by_amps: bool
    settings: list[SettingOut]
    rules: list[str]
    picture: SceneOut
    chart: SceneOut | None


def _wheel(name: str, given: SheavePairIn) -> Wheel:
    made: AdjustableIn | None = getattr(given, name)
    fixed = getattr(given, f"{name}_fixed")
    if (made is None) == (fixed is None):
        raise InputError(name, None, "is it adjustable or fixed?", "the adjustable sheave, or a fixed pitch diameter")
    if fixed is not None:
        return float(fixed.value)
    assert made is not None
    try:
        return adjustable(
            given.section,
            closed_mm=made.closed.value,
            open_mm=maybe(made.open),
            most_turns=maybe(made.most_turns),
            thread_mm=maybe(made.thread),
            now=value_of(made.turns_now),
        )
    except InputError as e:
        raise e.at(e.field if e.field == "section" else f"{name}.{e.field}") from e


def _pair(given: SheavePairIn) -> tuple[Wheel, Wheel]:
    pair = _wheel("driver", given), _wheel("driven", given)
    if not any(isinstance(w, Adjustable) for w in pair):
        raise InputError("driver", None, "neither sheave can be set", "one adjustable sheave at least")
    return pair


def _half(turns: float | None) -> str:
    """Turns as they are counted at the hub: 0, 1/2, 1, 1 1/2."""
    if turns is None:
        return ""
    whole, part = int(turns), turns % 1
    return f"{whole} 1/2" if whole and part else "1/2" if part else str(whole)


def _in_range(found: tuple[Setting, ...], target: float, frame: Frame) -> None:
    low, high = min(s.rpm for s in found), max(s.rpm for s in found)
    if not low * 0.995 <= target <= high * 1.005:
        f = frame.figure
        raise InputError(
            "target",
            target,
            "beyond what these sheaves can be set to",
            f"{f(low, 'speed').number} to {f(high, 'speed').shown}; else another fixed sheave",
        )


def _under_plate(given: SheavePairIn, found: tuple[Setting, ...], now: float) -> tuple[Setting, ...]:
    """Those at which the motor stays under its plate by the upper end of the band."""
    if given.motor is None:
        return found
    motor, exponent = given.motor, EXPONENT[given.machine]
    return tuple(s for s in found if worked_amps(motor, (s.rpm / now) ** exponent).new[1] <= motor.full_load_amps)


def _chosen(
    given: SheavePairIn, found: tuple[Setting, ...], pair: tuple[Wheel, Wheel], *, now: float, frame: Frame
) -> tuple[Setting, bool]:
    """(the setting, was it stopped by the motor's plate)."""
    total = sum(w.at(w.now) if isinstance(w, Adjustable) else w for w in pair)
    if given.target is None:
        return min(
            found,
            key=lambda s: sum(
                abs((t or 0.0) - w.now)
                for t, w in zip((s.driver_turns, s.driven_turns), pair, strict=True)
                if isinstance(w, Adjustable)
            ),
        ), False
    _in_range(found, given.target.value, frame)
    centres = maybe(given.centres)
    free = best(found, centres_mm=centres, now_sum_mm=total)
    allowed = _under_plate(given, found, now)
    if free in allowed:
        return free, False
    if not allowed:
        raise InputError(
            "motor.amps",
            given.motor.amps if given.motor else None,
            "the motor is at its plate at every setting",
            "a larger motor, or less flow",
        )
    return best(allowed, centres_mm=centres, now_sum_mm=total), True


def _picture(given: SheavePairIn, wheel: Adjustable, turns: float, frame: Frame) -> SceneOut:
    of = belt_profile(given.section, "section")
    under = pitch_under_top(of, wheel.closed_mm)
    with quiet():
        ride = Ride(
            belt_width=of.width_mm,
            belt_depth=of.depth_mm,
            pitch_under_top=max(under or 0.25 * of.depth_mm, 0.15 * of.depth_mm),
            angle_deg=wheel.angle_deg,
            closed=wheel.closed_mm,
            at=wheel.at(turns),
            opened=wheel.at(wheel.most_turns),
            gap_mm=wheel.thread_mm * turns,
        )
    pitch = frame.figure(ride.at, "length", "size").shown
    words = f"{_half(turns)} turns open" if turns not in (0.5, 1.0) else f"{_half(turns)} turn open"
    return scene_out(
        ride_scene(ride, turns=words, pitch=pitch, title=f"Adjustable sheave, {words}: pitch diameter {pitch}")
    )


def _chart(given: SheavePairIn, *, now: float, then: float, amps: AmpsOut | None, frame: Frame) -> SceneOut | None:
    """A fan's curve before and after; for other machines its shape is not known."""
    if given.machine != "fan":
        return None
    f = frame.figure
    return flow_chart_out(
        "fan",
        speeds=(now, then),
        heads=(FAN_SHUT_OFF, 0.0),
        motor=given.motor,
        amps=amps,
        says=f"Fan from {f(now, 'speed').shown} to {f(then, 'speed').shown}",
        frame=frame,
    )


def _row(s: Setting, given: SheavePairIn, *, now: float, here: bool, frame: Frame) -> SettingOut:
    f = frame.figure
    amps, over = "", False
    if given.motor is not None:
        found = worked_amps(given.motor, (s.rpm / now) ** EXPONENT[given.machine])
        amps = frame.band(found.new[0], found.new[1], kind="current").shown
        over = found.new[1] > given.motor.full_load_amps
    return SettingOut(
        driver_turns=None if s.driver_turns is None else f(s.driver_turns, "turns"),
        driven_turns=None if s.driven_turns is None else f(s.driven_turns, "turns"),
        driver=f(s.driver_mm, "length", "size"),
        driven=f(s.driven_mm, "length", "size"),
        speed=f(s.rpm, "speed"),
        of_target=None if given.target is None else f(s.off_percent, "percent"),
        move_centres=None
        if s.centres_mm is None or given.centres is None
        else f(s.centres_mm - given.centres.value, "gap"),
        amps=amps,
        over_plate=over,
        here=here,
    )


def _listed(found: tuple[Setting, ...], chosen: Setting) -> list[Setting]:
    """All of one sheave's half-turns; of two, the dozen nearest in speed."""
    if len(found) <= 26:
        return list(found)
    near = sorted(found, key=lambda s: abs(s.rpm - chosen.rpm))[:12]
    return sorted(near, key=lambda s: s.rpm)


def _say(given: SheavePairIn, chosen: Setting, stopped: bool, frame: Frame) -> str:
    parts = [
        f"{name} {_half(turns)} turns open"
        for name, turns in (("driver", chosen.driver_turns), ("driven sheave", chosen.driven_turns))
        if turns is not None
    ]
    speed = frame.figure(chosen.rpm, "speed").shown
    words = f"{' and '.join(parts)}: {speed}".capitalize()
    if stopped and given.target is not None:
        target = frame.figure(given.target.value, "speed").shown
        return f"{words}. {target} would take the motor over its plate: it stops here."
    if given.target is not None:
        off = frame.figure(abs(chosen.off_percent), "percent").shown
        return f"{words}, {off} {'over' if chosen.off_percent > 0 else 'under'} what is wanted."
    return f"{words}."


@calculation(
    "adjustable-sheave",
    "Adjustable sheave",
    summary="Turns open, pitch diameter and speed of one or two adjustable sheaves in half-turns; what it does to belt and motor.",
    source="geometry of a belt between two flanges; turns and thread of common practice; fan laws",
    example={
        "units": "us",
        "input": {
            "section": "B",
            "driver_speed": "1750",
            "driver": {"closed": "5.8 in", "open": "4.6 in", "turns_now": "3.5"},
            "driven_fixed": "13.6 in",
            "speed_now": "650",
            "target": "689",
            "centres": "31 in",
            "motor": {"amps": 17.4, "full_load_amps": 20.0, "no_load_amps": 7.5},
        },
    },
    first=("says", "turns", "pitch_diameter"),
)
def adjustable_sheave(given: SheavePairIn, frame: Frame) -> AdjustableOut:
    """Find the setting. Raises InputError for turns and speeds beyond the sheaves' range."""
    pair = _pair(given)
    now_mm = [w.at(w.now) if isinstance(w, Adjustable) else w for w in pair]
    now = (
        given.speed_now.value
        if given.speed_now is not None
        else float(driven_speed(given.driver_speed.value, now_mm[0], now_mm[1], 0.0))
    )
    found = settings(pair[0], pair[1], rpm_now=now, target_rpm=maybe(given.target), centres_mm=maybe(given.centres))
    chosen, stopped = _chosen(given, found, pair, now=now, frame=frame)
    f = frame.figure
    which = 0 if isinstance(pair[0], Adjustable) else 1
    wheel = pair[which]
    assert isinstance(wheel, Adjustable)
    turns = (chosen.driver_turns, chosen.driven_turns)[which] or 0.0
    set_mm = wheel.at(turns)
    diameters = [chosen.driver_mm, chosen.driven_mm]
    diameters[which] = set_mm
    speed = speed_at(now, diameters[0], now_mm[0], now_mm[1], diameters[1])
    exact = None
    if given.target is not None and not all(isinstance(w, Adjustable) for w in pair):
        want = now_mm[which] * (given.target.value / now if which == 0 else now / given.target.value)
        exact = turns_for(wheel, want)
    notice("danger", "stopped-locked", "The sheave is set on a machine that stands, isolated, belts slack.", "input")
    amps = None
    if given.motor is not None:
        exponent = EXPONENT[given.machine]
        amps = told_amps(
            given.motor,
            (chosen.rpm / now) ** exponent,
            now,
            frame,
            speed_ratio=lambda taken: taken ** (1 / exponent),
            field="target",
        )
    if stopped:
        notice(
            "danger",
            "stopped-by-plate",
            "The motor's plate stops it before the wanted speed: no further, whatever the fan is asked for.",
            "input.target",
        )
    both = [t for t in (chosen.driver_turns, chosen.driven_turns) if t is not None]
    return AdjustableOut(
        says=_say(given, chosen, stopped, frame),
        turns=" and ".join(_half(t) for t in both),
        pitch_diameter=f(set_mm, "length", "size"),
        speed=f(speed, "speed"),
        turns_exact=None if exact is None else f(exact, "turns"),
        groove_moves=f(groove_shift(wheel.thread_mm, turns - wheel.now), "gap"),
        move_centres=None
        if chosen.centres_mm is None or given.centres is None
        else f(chosen.centres_mm - given.centres.value, "gap"),
        amps=amps,
        stopped_by_amps=stopped,
        settings=[_row(s, given, now=now, here=s is chosen, frame=frame) for s in _listed(found, chosen)],
        rules=list(RULES),
        picture=_picture(given, wheel, turns, frame),
        chart=_chart(given, now=now, then=chosen.rpm, amps=amps, frame=frame),
    )
