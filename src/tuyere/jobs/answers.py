"""What the readings of a step say: each is worked by the calculation of its kind, and nothing is worked here."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from pydantic import ValidationError

from tuyere.calc.answer import NoticeOut, WorkingStep
from tuyere.calc.refusals import problems_of
from tuyere.calc.registry import find, work
from tuyere.core.drawing.scene import Scene
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.steps import quiet
from tuyere.core.tension.reading_formulas import tension_per_turn
from tuyere.core.wear.groove import DISH_LIMIT_MM, judge_gap
from tuyere.jobs.facts import DriveKnown
from tuyere.jobs.job import Read, StepState
from tuyere.jobs.pictures import line_scenes
from tuyere.jobs.situation import JobStep

TOOLS = {"straightedge": "feeler", "string": "string", "laser": "groove laser", "dial": "dial", "": "feeler"}


@dataclass(frozen=True, slots=True, kw_only=True)
class Said:
    """What a step's readings say: one sentence, a verdict, what to do next, and the whole answer of the calculation that worked it."""

    says: str
    verdict: str
    do: str = ""
    besides: str = ""
    calc: str = ""
    result: Mapping[str, Any] | None = None
    working: tuple[WorkingStep, ...] = ()
    notices: tuple[NoticeOut, ...] = ()
    next_turns: float | None = None
    pictures: tuple[Scene, ...] = ()
    before: Mapping[str, Any] | None = None


def _worked(calc: str, given: dict[str, Any], known: DriveKnown, names: Mapping[str, str]) -> Any:
    """Ask a calculation in the person's units. ``names`` are from its fields to the targets that were read: a refusal is raised
    as an InputError beside the target.
    """
    c = find(calc)
    body = {"units": known.units, "options": known.options, "input": given}
    try:
        return work(c, c.request_model.model_validate(body))
    except ValidationError as e:
        first = problems_of(e)[0]
        raise InputError(_target(str(first["path"]), names), None, str(first["reason"]), str(first["allowed"])) from e
    except InputError as e:
        raise InputError(_target(e.field, names), e.value, e.why, e.allowed) from e
    except NoSolution as e:
        raise InputError(_target(e.field, names), None, e.why, e.allowed) from e


def _target(path: str, names: Mapping[str, str]) -> str:
    bare = path.removeprefix("input.")
    return next((target for field, target in names.items() if bare == field or bare.startswith(field + ".")), bare)


def _number(readings: Mapping[str, Read], target: str) -> float | None:
    read = readings.get(target)
    return read.value if read is not None and isinstance(read.value, float) else None


def _drive(known: DriveKnown) -> dict[str, Any]:
    return {"calc": known.calc, "input": known.input} | ({"span": known.span} if known.span else {})


def _maker(known: DriveKnown) -> dict[str, Any]:
    """The machine maker's number, where one is kept: it goes first."""
    return {"maker": known.ends["maker"]} if known.ends.get("maker") else {}


def _tension_lines(readings: Mapping[str, Read], belts: int) -> tuple[list[dict[str, Any]], dict[str, str]]:
    """Readings of belts as `tension-reading` takes them, and which field of it is which target."""
    lines: list[dict[str, Any]] = []
    names: dict[str, str] = {}
    for no in range(1, belts + 1):
        read = readings.get(f"belt {no}")
        if read is None or not isinstance(read.value, float):
            continue
        line: dict[str, Any] = {"belt": no}
        if read.quantity == "frequency":
            line |= {"method": "frequency", "frequency": read.value}
        else:
            line |= {"method": str(read.data.get("method", "plunger")), "force": read.value}
            deflection = read.data.get("deflection")
            if isinstance(deflection, int | float):
                line["deflection"] = float(deflection)
        names[f"readings.{len(lines)}"] = f"belt {no}"
        lines.append(line)
    return lines, names


def _tension(state: StepState, known: DriveKnown, belt_state: str) -> Said | None:
    lines, names = _tension_lines(state.readings, known.belts)
    if not lines:
        return None
    answer = _worked(
        "tension-reading",
        {"drive": _drive(known), **_maker(known), "state": belt_state, "readings": lines},
        known,
        names,
    )
    result = answer.result
    says, verdict, do, turns = result.says, result.verdict, "", None
    hold = known.hold
    if hold is not None and len(lines) == known.belts:
        done = []
        for k, (readings, turned) in enumerate(zip(state.rounds, state.turns, strict=True)):
            earlier, _ = _tension_lines(readings, known.belts)
            if not earlier:
                continue
            mean = (
                result.mean
                if k == len(state.rounds) - 1
                else _worked(
                    "tension-reading",
                    {"drive": _drive(known), **_maker(known), "state": belt_state, "readings": earlier},
                    known,
                    {},
                ).result.mean
            )
            done.append({"turns": turned, "tension": mean.tension.value})
        given: dict[str, Any] = {"drive": _drive(known), **_maker(known), "state": belt_state, "done": done}
        move = _worked("tension-adjust", given, known, {}).result
        turns = move.turns.value
        if not (move.turns.value == 0 and not move.trouble):
            do = move.says
    return Said(
        says=says,
        verdict=verdict,
        do=do,
        calc="tension-reading",
        result=result.model_dump(mode="json"),
        working=tuple(answer.working),
        notices=tuple(answer.notices),
        next_turns=turns,
    )


def _line_of(readings: Mapping[str, Read], rims: Mapping[str, Read], known: DriveKnown, tool: str) -> Any:
    """The alignment worked from one round of gaps; None where they are too few."""
    moving = {at: v for at in ("near", "far", "top", "bottom") if (v := _number(readings, at)) is not None}
    staying = {at: v for at in ("near", "far") if (v := _number(readings, f"{at} stays")) is not None}
    levels = {"staying": _number(readings, "level stays"), "moving": _number(readings, "level moves")}
    if not moving or len(moving) + len(staying) < (4 if tool == "string" else 2):
        return None
    given: dict[str, Any] = {
        "kind": known.loop,
        "centre": float(known.worked.centre_mm),
        "tool": TOOLS.get(tool, "feeler"),
        "moving": {"diameter": known.moving_mm, **moving},
    }
    if staying:
        driven = float(known.worked.case.route.driven.outside_mm)
        given["staying"] = {"diameter": driven, **staying}
    if None not in levels.values():
        given["levels"] = levels
    feet = {n: _number(readings, n) for n in ("inboard", "spacing", "height")}
    if None not in feet.values():
        given["feet"] = {**feet, "jack_pitch": _number(readings, "jack")}
    for field, target in (("rim_staying", "stays"), ("rim_moving", "moves")):
        if (v := _number(rims, target)) is not None:
            given[field] = v
    names = {f"moving.{at}": at for at in moving} | {f"staying.{at}": f"{at} stays" for at in staying}
    names |= {f"feet.{n}": n for n in feet}
    return _worked("alignment", given, known, names)


def _tension_after(result: Any, known: DriveKnown) -> str:
    """What the moves do to the tension of each belt, where that can be worked: stretch alone, so it is the most it can be."""
    hold = known.hold
    change = sum(m.centre.value for m in result.moves if m.centre is not None)
    if hold is None or hold.stiffness_n is None or not change:
        return ""
    with quiet():
        more = float(tension_per_turn(hold.stiffness_n, change, hold.length_mm))
    size = known.frame.figure(abs(more), "force", "about").shown
    return f"Moved so, each belt pulls up to {size} {'more' if more > 0 else 'less'}: slack it first, read the tension after."


def _gaps(state: StepState, rims: Mapping[str, Read], known: DriveKnown, tool: str) -> Said | None:
    answer = _line_of(state.readings, rims, known, tool)
    if answer is None:
        return None
    result = answer.result
    sent = result.model_dump(mode="json")
    first = _line_of(state.rounds[0], rims, known, tool) if len(state.rounds) > 1 else None
    before = None if first is None else first.result.model_dump(mode="json")
    return Said(
        says=result.says,
        besides=_tension_after(result, known),
        verdict="fine" if result.within else "act",
        do=result.moves[0].says if result.moves else "",
        calc="alignment",
        result=sent,
        pictures=line_scenes(sent, before, 96.0, 60.0),
        before=before,
        working=tuple(answer.working),
        notices=tuple(answer.notices),
    )


def _soft_foot(readings: Mapping[str, Read], known: DriveKnown) -> Said | None:
    lifts = {
        at.replace(" ", "_"): v
        for at in ("inboard near", "inboard far", "outboard near", "outboard far")
        if (v := _number(readings, at)) is not None
    }
    if not lifts:
        return None
    answer = _worked("soft-foot", lifts, known, {n: n.replace("_", " ") for n in lifts})
    return Said(
        says=answer.result.says,
        verdict="act" if answer.result.feet else "fine",
        calc="soft-foot",
        result=answer.result.model_dump(mode="json"),
        working=tuple(answer.working),
        notices=tuple(answer.notices),
    )


def _run_out(readings: Mapping[str, Read], known: DriveKnown) -> Said | None:
    least, greatest = _number(readings, "least"), _number(readings, "greatest")
    if least is None or greatest is None:
        return None
    toothed = known.loop in ("sync", "chain", "chain-dogged")
    given = {
        "what": "toothed rim" if toothed else "grooved rim",
        "diameter": known.moving_mm,
        "lowest": least,
        "highest": greatest,
    }
    answer = _worked("run-out", given, known, {"lowest": "least", "highest": "greatest"})
    return Said(
        says=answer.result.says,
        verdict="fine" if answer.result.within else "act",
        calc="run-out",
        result=answer.result.model_dump(mode="json"),
        working=tuple(answer.working),
        notices=tuple(answer.notices),
    )


def _arm(readings: Mapping[str, Read], known: DriveKnown, belt_state: str) -> Said | None:
    values = {n: _number(readings, n) for n in ("pull at", "idler at", "turn", "let in", "let out")}
    off, lever = 0.0, known.lever
    if lever is not None:
        drawn = {"pull at": lever.pull_at_mm, "idler at": lever.idler_at_mm, "turn": lever.turn_deg}
        values |= {n: v for n, v in drawn.items() if values[n] is None}
        off = lever.off_square_deg
    if any(v is None for v in values.values()):
        return None
    pull = ((values["let in"] or 0.0) + (values["let out"] or 0.0)) / 2
    given = {
        "drive": _drive(known),
        "state": belt_state,
        "arm": {
            "pull_at": values["pull at"],
            "idler_at": values["idler at"],
            "turn": values["turn"],
            "off_square": off,
        },
        "readings": [{"belt": 1, "method": "pull", "pull": pull}],
    }
    names = {"arm.pull_at": "pull at", "arm.idler_at": "idler at", "arm.turn": "turn", "readings.0": "let in"}
    answer = _worked("tension-reading", given, known, names)
    return Said(
        says=answer.result.says,
        verdict=answer.result.verdict,
        calc="tension-reading",
        result=answer.result.model_dump(mode="json"),
        working=tuple(answer.working),
        notices=tuple(answer.notices),
    )


VERDICTS = {"fine": "fine", "soon": "watch", "replace": "act"}


def _stretch(readings: Mapping[str, Read], known: DriveKnown) -> Said | None:
    pitches, length = _number(readings, "pitches"), _number(readings, "length")
    if pitches is None or length is None:
        return None
    asked = known.family.wear_of(known.given, round(pitches), length)
    if asked is None:
        return None
    answer = _worked(asked[0], dict(asked[1]), known, {"pitches": "pitches", "measured": "length"})
    r = answer.result
    verdict = VERDICTS[r.verdict]
    does = {"fine": "It may stay.", "watch": "Get the next one.", "act": "Change it, and look at the teeth."}[verdict]
    return Said(
        says=f"Stretched {r.elongation.shown}; {r.limit.shown} is the limit, {r.limit_because}. {does}",
        verdict=verdict,
        calc=asked[0],
        result=r.model_dump(mode="json"),
        working=tuple(answer.working),
        notices=tuple(answer.notices),
    )


# Common practice, no source: dogs that are further off their pitch than this no longer meet all round.
PAIR_APART_PERCENT = 1.0
MOST_SHEAVE_TURNS = 12.0


def _pair(readings: Mapping[str, Read], known: DriveKnown) -> Said | None:
    """A drive chain and the dogged chain it drives, measured over the same pitches: they go together."""
    pitches = _number(readings, "pitches")
    worked, calc = {}, ""
    for target in ("length", "dogged"):
        length = _number(readings, target)
        asked = None if pitches is None or length is None else known.family.wear_of(known.given, round(pitches), length)
        if asked is None:
            return None
        calc = asked[0]
        worked[target] = _worked(calc, dict(asked[1]), known, {"pitches": "pitches", "measured": target})
    one, other = (worked[t].result for t in ("length", "dogged"))
    apart = abs(one.elongation.value - other.elongation.value)
    shown = known.frame.figure(apart, "percent").shown
    worst = max((VERDICTS[r.verdict] for r in (one, other)), key=("fine", "watch", "act").index)
    differ = apart > PAIR_APART_PERCENT
    says = (
        f"Drive chain {one.elongation.shown}, dogged chain {other.elongation.shown}; {one.limit.shown} is the limit. "
    )
    if worst == "act" or differ:
        says += f"They differ by {shown}: change both together." if differ else "Change both together."
    else:
        says += "They may stay together." if worst == "fine" else "Get the next pair."
    return Said(
        says=says,
        verdict="act" if differ else worst,
        calc=calc,
        result=one.model_dump(mode="json"),
        working=tuple(worked["length"].working),
        notices=tuple(worked["length"].notices),
    )


def _grooves(readings: Mapping[str, Read], known: DriveKnown) -> Said | None:
    """What gauge gaps say of the wheels; the worse of the two speaks."""
    gaps = {w: v for w in ("driver", "driven") if (v := _number(readings, w)) is not None}
    if not gaps:
        return None
    judged = {}
    for wheel, gap in gaps.items():
        try:
            judged[wheel] = judge_gap(gap)
        except InputError as e:
            raise InputError(wheel, e.value, e.why, e.allowed, **e.quantities) from e
    worse = max(judged, key=lambda w: judged[w][0])
    share, verdict = judged[worse]
    limit, percent = known.frame.figure(DISH_LIMIT_MM, "gap").shown, round(100 * share)
    does = {
        "fine": "They may stay.",
        "watch": "Gauge them again, and have the next wheels.",
        "act": "Worn out: change both wheels with the next belts.",
    }[verdict]
    return Said(says=f"The {worse} has used {percent} % of the {limit} allowed. {does}", verdict=verdict)


def _turns(readings: Mapping[str, Read]) -> Said | None:
    one, other = _number(readings, "one"), _number(readings, "other")
    if one is None or other is None:
        return None
    even = abs(one - other) <= 1 / 8
    return Said(
        says="Both screws alike." if even else "The screws are not even: bring both to the same turns.",
        verdict="fine" if even else "act",
    )


def _sheave_turns(readings: Mapping[str, Read]) -> Said | None:
    """The set screw of an adjustable sheave finds a flat every half-turn, and only there. Source: common practice."""
    turns = _number(readings, "it")
    if turns is None:
        return None
    if turns < 0 or turns > MOST_SHEAVE_TURNS:
        raise InputError(
            "it", turns, "no adjustable sheave is opened so far", f"0 to {MOST_SHEAVE_TURNS:g} turns from closed"
        )
    off = abs(2 * turns - round(2 * turns)) / 2
    if off > 1 / 16:
        return Said(
            says="Not at a half-turn: the set screw would stand on the thread. Turn it to the next flat.", verdict="act"
        )
    return Said(says="At a half-turn: the set screw finds its flat.", verdict="fine")


def _speed(readings: Mapping[str, Read], known: DriveKnown) -> Said | None:
    rpm = _number(readings, "it")
    if rpm is None:
        return None
    low, high = float(known.worked.speeds.low_rpm), float(known.worked.speeds.high_rpm)
    f = known.frame.figure
    if rpm > high * 1.02:
        return Said(
            says=f"Faster than {f(high, 'speed').shown}: another wheel or another motor speed.", verdict="watch"
        )
    slip = 100 * (1 - rpm / high)
    if rpm < low * 0.98:
        return Said(
            says=f"{f(slip, 'percent').shown} under {f(high, 'speed').shown}: it slips, or a wheel is not the one on record.",
            verdict="act",
        )
    return Said(says=f"As it should be: {f(high, 'speed').shown} less slip.", verdict="fine")


def answer_for(
    step: JobStep, state: StepState, *, known: DriveKnown, belt_state: str, tool: str, rims: Mapping[str, Read]
) -> Said | None:
    """What a step's readings say; None while they are not enough. Raises InputError whose field is the target that cannot be."""
    reads, readings = step.of.reads, state.readings
    if reads == "tension":
        return _tension(state, known, belt_state)
    if reads == "gaps":
        return _gaps(state, rims, known, tool)
    if reads == "soft-foot":
        return _soft_foot(readings, known)
    if reads == "run-out":
        return _run_out(readings, known)
    if reads == "arm-pull":
        return _arm(readings, known, belt_state)
    if reads == "chain-stretch":
        return _stretch(readings, known)
    if reads == "chain-pair":
        return _pair(readings, known)
    if reads == "groove-gap":
        return _grooves(readings, known)
    if reads == "sheave-turns":
        return _sheave_turns(readings)
    if reads == "turns":
        return _turns(readings)
    if reads == "speed":
        return _speed(readings, known)
    return None
