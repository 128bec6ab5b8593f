"""Engines and generators: what a governor holds, where the torque is greatest, and what a frequency asks of the speed."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.motors.formulas import generator_speed, governor_droop
from tuyere.core.notices import notice

# Governors of small engines let the speed fall by so much at most before they are out of order; common practice, no source.
MOST_DROOP = 12.0
# A generator's frequency is held so near where clocks and motors hang on it; common practice.
HOLD_PERCENT = 2.5


@dataclass(frozen=True, slots=True)
class EngineSpeed:
    """Speed at full load and without, the governor's droop in percent, the speed of greatest torque; rpm, None where not said."""

    full_rpm: float
    idle_rpm: float
    droop_percent: float
    torque_rpm: float | None


def engine_speed(full_rpm: float, idle_rpm: float, torque_rpm: float | None) -> EngineSpeed:
    """A governed engine by its two speeds. Raises InputError for speeds that contradict each other. Source: definition of droop."""
    if idle_rpm < full_rpm:
        raise InputError(
            "no_load_speed",
            idle_rpm,
            "without load a governed engine turns faster, not slower",
            "the speed under load, or more",
        )
    droop = governor_droop(idle_rpm, full_rpm)
    if droop > 40:
        raise InputError(
            "no_load_speed",
            idle_rpm,
            "no governor lets it fall so far: read both again",
            "up to 1.4 times the speed under load",
        )
    if droop > MOST_DROOP:
        notice(
            "caution",
            "governor-slack",
            "It falls by more than a governor in order lets it: look at linkage, spring, fuel and air first.",
            "input.engine.no_load_speed",
        )
    if torque_rpm is not None:
        if not 0.3 * full_rpm <= torque_rpm <= full_rpm:
            raise InputError(
                "torque_speed",
                torque_rpm,
                "the greatest torque lies under the governed speed",
                "a third of it to all of it",
            )
        notice(
            "info",
            "below-torque",
            "Pulled under the speed of greatest torque the engine stalls: the drive is sized so that the machine never asks for that.",
            "input.engine.torque_speed",
        )
    return EngineSpeed(full_rpm, idle_rpm, droop, torque_rpm)


@dataclass(frozen=True, slots=True)
class GeneratorSpeed:
    """The speed that a frequency asks for, and how far it may wander; rpm."""

    rpm: float
    low_rpm: float
    high_rpm: float


def generator(hertz: float, poles: int) -> GeneratorSpeed:
    """What a generator's shaft must turn at. Raises InputError for odd poles. Source: kinematics; band: common practice."""
    if poles % 2:
        raise InputError("poles", poles, "poles come in pairs", "2, 4, 6, 8 and so on")
    rpm = generator_speed(hertz, float(poles))
    notice(
        "caution",
        "no-slip-here",
        "A V-belt slips by the load and the frequency with it: toothed or direct drives hold it; read the frequency under load.",
        "input.generator",
    )
    return GeneratorSpeed(rpm, float(rpm) * (1 - HOLD_PERCENT / 100), float(rpm) * (1 + HOLD_PERCENT / 100))
