"""Simulated instruments: what each shows of a simulated drive, to its resolution, with its error, held rightly or not."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from math import cos, degrees, radians

import numpy as np

from tuyere.calc.kinds import KINDS, in_system
from tuyere.calc.registry import Units
from tuyere.core.alignment.pose import across
from tuyere.core.errors import InputError
from tuyere.core.steps import quiet
from tuyere.core.tension.formulas import span_frequency
from tuyere.core.tension.reading_formulas import force_for_tension, idler_of_tension, pull_of_idler
from tuyere.core.units import MM_PER_IN, N_PER_LBF
from tuyere.instruments.interface import Kind, Shown, kind_of, mishandlings_of
from tuyere.instruments.twin import FEET, Twin, movement_of_slack
from tuyere.jobs.facts import DriveKnown

Luck = np.random.Generator
RUNNING_ONLY = ("tachometer", "clamp", "thermometer")
JACK_MM, PULL_AT_MM, IDLER_AT_MM, TURN_DEG, RUB = 2.0, 400.0, 150.0, 60.0, 0.08
# A flat belt is cut this much short of its path; a link belt's own link, where nobody counted.
DOGGED_AHEAD = 0.4
CUT_SHORT, LINK_MM = 0.01, 0.5 * MM_PER_IN
ADJUSTABLE = ("turns-now", "turned")
OTHER_WHEEL_LEAN_DEG, BEARING_K, HEARD_FRAME_HZ = 0.1, 18.0, 50.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Ask:
    """One reading to take: with what, of what, how it is held. ``reads`` is what the step of the job reads, ``step`` its key, ``beside`` what was
    read at it already (core units), ``running`` whether the machine runs.
    """

    instrument: str
    target: str
    reads: str = ""
    step: str = ""
    held: tuple[str, ...] = ()
    running: bool = False
    units: Units = "us"
    beside: Mapping[str, float] = field(default_factory=dict)


def instrument_for(reads: str, target: str, quantity: str, tool: str) -> str:
    """What a target of a step is read with here; empty where a person has to look or read words.

    >>> instrument_for("gaps", "near", "gap", "laser"), instrument_for("turns", "one", "turns", "")
    ('groove-laser', 'turn-marks')
    """
    if (reads, quantity) == ("gaps", "gap"):
        return {"string": "string", "laser": "groove-laser", "dial": "dial"}.get(tool, "feeler")
    if (reads, target) == ("chain-stretch", "length"):
        return "tape"
    fixed = {
        ("tension", "force"): "plunger",
        ("tension", "frequency"): "frequency-meter",
        ("gaps", "angle"): "level",
        ("gaps", "length"): "tape",
        ("soft-foot", "gap"): "feeler",
        ("rims", "gap"): "rule",
        ("run-out", "gap"): "dial",
        ("speed", "speed"): "tachometer",
        ("amps", "current"): "clamp",
        ("arm-pull", "length"): "tape",
        ("arm-pull", "angle"): "level",
        ("arm-pull", "force"): "spring-scale",
        ("chain-hand", "length"): "tape",
        ("chain-stretch", "count"): "tally",
        ("groove-gap", "gap"): "feeler",
        ("chain-pair", "count"): "tally",
        ("chain-pair", "length"): "tape",
        ("length", "length"): "tape",
        ("count", "count"): "tally",
        ("turns", "turns"): "turn-marks",
        ("sheave-turns", "turns"): "turn-marks",
        ("torque", "torque"): "torque-wrench",
    }
    return fixed.get((reads, quantity), "")


def _no(target: str, why: str, allowed: str) -> InputError:
    return InputError("target", target, why, allowed)


def _belt(twin: Twin, target: str) -> int:
    number = target.removeprefix("belt ").strip()
    if not number.isdigit() or not 1 <= int(number) <= len(twin.belts):
        raise _no(target, "this drive has no such belt", f"belt 1 to belt {len(twin.belts)}")
    return int(number) - 1


def _plunger(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    hold, scale = known.hold, known.scale
    if hold is None or scale is None:
        raise _no(ask.target, "this loop is not set by tension", "a belt")
    q = scale.deflection_mm
    if "wrong-ring" in ask.held:
        return 16 * q / MM_PER_IN * N_PER_LBF
    with quiet():
        force = float(
            force_for_tension(
                twin.tensions_n[_belt(twin, ask.target)], q, hold.span_mm, hold.stiffness_n or 0.0, hold.share_mm
            )
        )
    if "not-mid-span" in ask.held:
        force *= 4 / 3
    if "not-square" in ask.held:
        force *= 1.15
    return force


def _clip(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    if known.hold is None:
        raise _no(ask.target, "this loop is not set by tension", "a belt")
    return twin.tensions_n[_belt(twin, ask.target)] * (1.2 if "not-mid-span" in ask.held else 1.0)


def _frequency(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    hold = known.hold
    if hold is None or hold.mass_kg_m is None:
        raise _no(ask.target, "no note is known of this loop", "a belt whose mass is known")
    if "beam-on-the-rim" in ask.held:
        return HEARD_FRAME_HZ
    span = hold.span_mm * (1.12 if "wrong-span" in ask.held else 1.0)
    with quiet():
        return float(span_frequency(span, max(twin.tensions_n[_belt(twin, ask.target)], 0.5), hold.mass_kg_m))


def _behind(twin: Twin, known: DriveKnown, at: str) -> float:
    x, y = across(known.moving_mm, at)
    return twin.body.behind(x, y)


def _faces(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    """A line laid on the face of the wheel that stays sees rims, not grooves."""
    if ask.reads == "groove-gap":
        return _of({"driver": twin.grooves_mm[0], "driven": twin.grooves_mm[1]}, ask.target)
    if ask.reads == "soft-foot":
        if ask.target not in FEET:
            raise _no(ask.target, "the machine has no such foot", ", ".join(FEET))
        return twin.feet.get(ask.target, 0.0)
    return _behind(twin, known, _point(ask)) - (twin.rims[1] - twin.rims[0])


def _point(ask: Ask) -> str:
    if ask.target not in ("near", "far", "top", "bottom"):
        raise _no(ask.target, "not a point of the wheel", "near, far, top, bottom")
    return ask.target


def _laser(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    rims = twin.rims[1] - twin.rims[0] if "beam-on-the-rim" in ask.held else 0.0
    return _behind(twin, known, _point(ask)) - rims


def _dial(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    if ask.reads == "run-out":
        if ask.target not in ("least", "greatest"):
            raise _no(ask.target, "not a reading of a turn", "least, greatest")
        true = twin.run_out_mm / 2 * (1 if ask.target == "greatest" else -1)
    else:
        # Its zero is where the first point is.
        true = _behind(twin, known, _point(ask)) - _behind(twin, known, "near")
    return true / cos(radians(20)) if "not-square" in ask.held else true


def _string(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    """Gaps to a string that touches nothing; it lies the same for every reading of a round."""
    lies, runs = 40.0, 0.004
    stays = ask.target.endswith(" stays")
    at = ask.target.removesuffix(" stays")
    if at not in ("near", "far"):
        raise _no(ask.target, "a string is read at the near and the far edge", "near, far")
    rims = twin.rims[1] - twin.rims[0]
    if stays:
        x, _ = across(float(known.worked.case.route.driven.outside_mm), at)
        return lies + runs * -x
    x, _ = across(known.moving_mm, at)
    return lies + runs * (float(known.worked.centre_mm) + x) + twin.body.behind(x, 0.0) - rims


def _level(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    places = {
        "level stays": OTHER_WHEEL_LEAN_DEG,
        "level moves": OTHER_WHEEL_LEAN_DEG + degrees(twin.body.twist),
        "turn": TURN_DEG,
    }
    return _of(places, ask.target)


def _of(places: Mapping[str, float], target: str) -> float:
    if target not in places:
        raise _no(target, "that is not read with this here", ", ".join(places))
    return places[target]


def _tape(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    if ask.reads == "chain-hand":
        return movement_of_slack(float(known.worked.shape.span_mm), twin.slack_now_mm)
    if ask.reads in ("chain-stretch", "chain-pair"):
        pitches = ask.beside.get("pitches")
        if not pitches:
            raise _no(ask.target, "over how many pitches?", "count the pitches first")
        # The chain that is driven by dogs wears ahead of the one that drives it.
        worn = twin.worn_percent + (DOGGED_AHEAD if ask.target == "dogged" else 0.0)
        return pitches * float(known.worked.elevation.pitch) * (1 + worn / 100)
    if ask.reads == "length":
        return _plain_length(twin, known, ask.step)
    places = {
        "inboard": twin.body.inboard,
        "spacing": twin.body.spacing,
        "height": twin.body.height,
        "jack": JACK_MM,
        "pull at": PULL_AT_MM,
        "idler at": IDLER_AT_MM,
        "travel": twin.travel_mm,
        "centres": twin.body.centres,
    }
    return _of(places, ask.target)


def _path_mm(known: DriveKnown) -> float:
    """Once round the loop."""
    return float(known.worked.shape.path.length_mm)


def _plain_length(twin: Twin, known: DriveKnown, step: str) -> float:
    """What a tape shows at a step that asks for one length."""
    if step in twin.gaps_mm:
        return twin.gaps_mm[step]
    loop = _path_mm(known)
    places = {"path-taped": loop, "cut-length": (1 - CUT_SHORT) * loop}
    return places.get(step, twin.travel_mm)


def _tally(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    if ask.reads in ("chain-stretch", "chain-pair"):
        # As many pitches as lie straight on the free strand, an even number.
        pitch = float(known.worked.elevation.pitch)
        if not pitch:
            raise _no(ask.target, "this loop has no pitches to count", "a chain")
        return 2.0 * max(int(float(known.worked.shape.span_mm) / pitch / 2), 1)
    return float(round(_path_mm(known) / LINK_MM))


def _turns(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    if ask.step in ADJUSTABLE:
        return twin.opened
    return _of({"one": twin.screws[0], "other": twin.screws[1]}, ask.target)


def _wrench(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    """What the wrench clicks at: what this machine's bolts hold."""
    return twin.fastened_nm


def _rule(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    return _of({"stays": twin.rims[0], "moves": twin.rims[1]}, ask.target)


def _scale(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    """The pull at the arm that holds the tension; its pivot rubs."""
    lever = known.lever
    drawn = (PULL_AT_MM, IDLER_AT_MM) if lever is None else (lever.pull_at_mm, lever.idler_at_mm)
    turn = ask.beside.get("turn", TURN_DEG if lever is None else lever.turn_deg)
    off = 0.0 if lever is None else lever.off_square_deg
    arm, idler = ask.beside.get("pull at", drawn[0]), ask.beside.get("idler at", drawn[1])
    count = float(len(twin.belts))
    with quiet():
        pull = float(pull_of_idler(idler_of_tension(sum(twin.tensions_n) / count, turn, count), arm, idler, off))
    return pull * _of({"let in": 1 + RUB, "let out": 1 - RUB}, ask.target)


def _tach(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    rpm = 0.0
    if ask.running:
        rpm = known.worked.case.driver_rpm if ask.target == "driver" else twin.running(known).driven_rpm
    return float(rpm) * (2 if "mark-left-on-twice" in ask.held else 1)


def _clamp(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    if not ask.running:
        return 0.0
    share = 1 - twin.running(known).slip_percent / 100
    return twin.amps(share * (0.7 if "doors-open" in ask.held else 1.0)) * (0.05 if "both-wires" in ask.held else 1.0)


def _thermometer(twin: Twin, known: DriveKnown, ask: Ask, luck: Luck) -> float:
    warmer = 0.0
    if ask.running:
        warmer = BEARING_K if ask.target == "bearing" else twin.running(known).warmer_k
    return twin.room_c + warmer * (0.4 if "bright-metal" in ask.held else 1.0)


SEES: dict[str, Callable[[Twin, DriveKnown, Ask, Luck], float]] = {
    "tachometer": _tach,
    "plunger": _plunger,
    "clip-on": _clip,
    "frequency-meter": _frequency,
    "groove-laser": _laser,
    "dial": _dial,
    "clamp": _clamp,
    "thermometer": _thermometer,
    "feeler": _faces,
    "string": _string,
    "level": _level,
    "tape": _tape,
    "rule": _rule,
    "tally": _tally,
    "turn-marks": _turns,
    "torque-wrench": _wrench,
    "spring-scale": _scale,
}


def _in_unit(value: float, kind: Kind, units: Units) -> tuple[float, str, float]:
    """(value, sign, step) as the instrument shows it."""
    step = kind.us_step if units == "us" else kind.si_step
    if kind.quantity == "temperature":
        return (value * 9 / 5 + 32, "°F", step) if units == "us" else (value, "°C", step)
    of = KINDS[kind.quantity]
    return in_system(value, kind.quantity, units), of.us_shown if units == "us" else of.si_shown, step


def take(twin: Twin, known: DriveKnown, ask: Ask, *, luck: Luck, serial: str, at: datetime) -> Shown:
    """What a simulated instrument shows. Raises InputError for an instrument, a target or a way of holding that is none, and where
    a hand would go into a running drive.
    """
    kind = kind_of(ask.instrument)
    known_ways = {m.key for m in mishandlings_of(ask.instrument)}
    for way in ask.held:
        if way not in known_ways:
            raise InputError(
                "held", way, "not a way to hold this instrument", ", ".join(sorted(known_ways)) or "rightly"
            )
    if ask.running and ask.instrument not in RUNNING_ONLY:
        raise InputError("running", True, "no hand goes to a drive that runs", "stop it and make it safe first")
    true = SEES[ask.instrument](twin, known, ask, luck)
    read = true * (1 + luck.normal(0, kind.percent / 100)) + luck.normal(0, kind.amount)
    if true == 0 and kind.quantity in ("speed", "current"):
        read = 0.0
    warnings: tuple[str, ...] = ()
    if abs(read) > kind.most:
        read, warnings = float(np.sign(read)) * kind.most, ("over its range",)
    if kind.quantity in ("force", "length", "speed", "current", "frequency", "torque", "turns"):
        read = max(read, 0.0)
    value, sign, step = _in_unit(read, kind, ask.units)
    return Shown(
        instrument=kind.key,
        serial=serial,
        quantity=kind.quantity,
        value=round(round(value / step) * step, 6),
        unit=sign,
        resolution=step,
        at=at,
        simulated=True,
        warnings=warnings,
    )
