"""A worked loop of many wheels as it is shown."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from math import inf
from typing import NamedTuple

from tuyere.calc.answer import ElevationOut
from tuyere.calc.around.model import AroundIn, TakeUpIn
from tuyere.calc.around.out import (
    AroundOut,
    GuideOut,
    LoadedWheelOut,
    LoopFitOut,
    OffOut,
    PullOut,
    ReleasedOut,
    RouteStrandOut,
    RouteWheelOut,
    SpanSettingOut,
    TravelOut,
)
from tuyere.calc.around.route import guides_of, lever_arms
from tuyere.calc.frame import Frame, main_answer
from tuyere.calc.sheet import SheetOut
from tuyere.core.drive.any_route import heading_deg, pull_at_hand
from tuyere.core.drive.case import L, R, S, WorkedDrive
from tuyere.core.drive.elevation import elevation_of, with_surroundings
from tuyere.core.drive.guides import clearance
from tuyere.core.drive.loads import Turning
from tuyere.core.drive.look_around import LookedAround, look_around, slips_under_n
from tuyere.core.drive.method import Method
from tuyere.core.drive.path import Path, solve_route
from tuyere.core.drive.pulled import pull_for_newton
from tuyere.core.drive.route import Route
from tuyere.core.drive.strand_steps import StrandSteps, strand_steps
from tuyere.core.drive.strands import ShaftVector, SlipAt, Strand
from tuyere.core.drive.travel import Released, Travel, released, touching, travel_of
from tuyere.core.errors import CoreError, NoSolution
from tuyere.core.notices import notice
from tuyere.core.steps import quiet
from tuyere.core.tension.hold import Hold
from tuyere.core.tension.spans import span_settings


class StandardLoop(NamedTuple):
    """A loop that can be had: its name, length in mm, the input field that takes it and what it then says, whether it is on."""

    name: str
    length_mm: float
    path: str
    typed: str
    there: bool


Loops = Sequence[StandardLoop]
RESTS_ON = (
    "Lengths and arcs: exact path. Strands: statics of a loop at one speed, set tension shared over the free lengths or held by "
    "the pull. Grip: belt equation. What a wheel carries: the drive's own book at that wheel, without the ratio's share."
)


def wheel_rows(
    turning: Sequence[Turning],
    path: Path,
    *,
    slips: Sequence[SlipAt],
    vectors: Sequence[ShaftVector],
    frame: Frame,
    steps: StrandSteps | None = None,
) -> list[RouteWheelOut]:
    """Wheel by wheel in the order of travel; with ``steps`` a pull opens its working."""
    f = frame.figure
    pulls, margins = {v.wheel: v for v in vectors}, {s.wheel: s.margin for s in slips}
    rows = []
    for t, wrap in zip(turning, path.wraps, strict=True):
        v, left = pulls.get(t.wheel), margins.get(t.wheel)
        rows.append(
            RouteWheelOut(
                wheel=t.wheel,
                speed=f(t.rpm, "speed"),
                turns="clockwise" if t.clockwise else "counter-clockwise",
                arc=f(wrap.arc_deg, "angle"),
                pull=None if v is None else f(v.newtons if steps is None else steps.pulls[t.wheel], "force"),
                pulls_towards=None if v is None else f(heading_deg(v), "angle"),
                grip_left="" if left is None else f"{left:.2f} times what it needs" if left >= 1 else "it slips",
            )
        )
    return rows


def strand_rows(
    path: Path, strands: Sequence[Strand], frame: Frame, steps: StrandSteps | None = None
) -> list[RouteStrandOut]:
    """Strand by strand in the order of travel; with ``steps`` a tension opens its working."""
    f, tensions = frame.figure, {s.id: s for s in strands}
    return [
        RouteStrandOut(
            id=s.id,
            strand=f"{s.after} to {s.before}",
            length=f(s.length_mm, "length", "tape"),
            tension=f(tensions[s.id].tension_n if steps is None else steps.tensions[s.id], "force")
            if s.id in tensions
            else None,
            side=tensions[s.id].side if s.id in tensions else "",
        )
        for s in path.spans
    ]


def travel_out(t: Travel | None, frame: Frame) -> TravelOut | None:
    """The take-up from stop to stop."""
    if t is None:
        return None
    f = frame.figure
    return TravelOut(
        shortest_loop=f(t.least_mm, "length", "tape"),
        longest_loop=f(t.most_mm, "length", "tape"),
        left_to_tighten=None if t.left_to_tighten_mm is None else f(t.left_to_tighten_mm, "gap"),
        left_to_slacken=None if t.left_to_slacken_mm is None else f(t.left_to_slacken_mm, "gap"),
    )


# What a belt a little short or long does to a clutch is shown for half an inch: common practice, no source.
OFF_MM = 12.7


def _with_belt(route: Route, length_mm: float, frame: Frame) -> list[OffOut]:
    """The same clutch with a belt a little short and a little long."""
    f, out = frame.figure, []
    with quiet():
        reach = travel_of(route, route, None)
        for by in (-OFF_MM, OFF_MM):
            found = released(route, length_mm + by)
            engages = reach is not None and reach.least_mm <= length_mm + by <= reach.most_mm
            out.append(OffOut(by=f(by, "place"), slack=f(found.slack_mm, "gap"), drags=found.drags, engages=engages))
    return out


def released_out(found: Released, route: Route, length_mm: float, *, frame: Frame, field: str) -> ReleasedOut:
    """A clutch let go; says where it drags."""
    if found.drags:
        notice(
            "danger",
            "drags",
            "Let go, the loop stays on its wheels and drags: the machine creeps. It is too short, or the lever does not go back far enough.",
            f"input.{field}",
        )
    f = frame.figure
    return ReleasedOut(
        slack=f(found.slack_mm, "gap"),
        hangs=found.strand,
        deep=f(found.hang_mm, "gap"),
        drags=found.drags,
        with_belt=_with_belt(route, length_mm, frame),
    )


def _guides(
    given: AroundIn, path: Path, loose: Path | None, *, faces_mm: tuple[float, float], frame: Frame
) -> list[GuideOut]:
    out = []
    for k, g in enumerate(guides_of(given)):
        now = clearance(path, g, faces_mm)
        then = None if loose is None else clearance(loose, g, faces_mm)
        words = {
            "rubs": f"The belt rubs on {g.id}.",
            "too far": f"{g.id} is too far from the belt: let go or jerked, it jumps off.",
            "wrong side": f"The belt runs on the wrong side of {g.id}.",
        }
        if now.verdict in words:
            usual = "" if now.verdict == "wrong side" else " {least} to {most} from the running belt is right."
            notice(
                "danger" if now.verdict == "wrong side" else "caution",
                f"guide-{now.verdict.replace(' ', '-')}",
                words[now.verdict] + usual,
                f"input.around.guides.{k}",
                "The machine maker's figure goes first.",
                least=(g.least_mm, "gap"),
                most=(g.most_mm, "gap"),
            )
        out.append(
            GuideOut(
                guide=g.id,
                beside=now.beside,
                gap=frame.figure(now.gap_mm, "gap"),
                gap_released=None if then is None else frame.figure(then.gap_mm, "gap"),
                wanted=frame.band(g.least_mm, g.most_mm, "gap"),
                verdict=now.verdict,
            )
        )
    return out


def _spans(hold: Hold | None, path: Path, frame: Frame) -> list[SpanSettingOut]:
    if hold is None:
        return []
    f = frame.figure
    return [
        SpanSettingOut(
            strand=s.strand,
            span=f(s.span_mm, "length", "tape"),
            deflection=f(s.deflection_mm, "length", "tape"),
            force=frame.band(s.force_low_n, s.force_high_n, "force", per="belt"),
            frequency=None
            if s.hertz_low is None or s.hertz_high is None
            else frame.band(s.hertz_low, s.hertz_high, "frequency"),
        )
        for s in span_settings(hold, path)
    ]


def hand_share(t: TakeUpIn | None, route: Route) -> float | None:
    """Pull at the lever's end for one newton at the wheel, as the take-up was placed; None where it has no lever."""
    if t is None or route.take_up is None:
        return None
    arms = lever_arms(t, route.take_up.pivot, route.wheel(t.wheel))
    if arms is None:
        return None
    with quiet():
        share: float = pull_at_hand(1.0, arms[1], arms[0])
    return share


def _pull(
    given: AroundIn, worked: WorkedDrive[L, R, S], method: Method[L, R, S], hold: Hold | None, frame: Frame
) -> PullOut | None:
    t, path = given.take_up, worked.shape.path
    own = path.route.take_up
    if t is None or own is None or own.force_n is None or hold is None:
        return None
    try:
        with quiet():
            per_newton = pull_for_newton(path, own)
    except NoSolution:
        return None
    share = hand_share(t, worked.case.route)
    scale = 1.0 if share is None else share

    under = slips_under_n(method, worked)
    least = None if under is None else under * per_newton
    new, run_in = hold.band("new"), hold.band("run in")
    to_set = hold.belts * per_newton * scale
    load = max(worked.shaft_vectors, key=lambda v: v.newtons)
    f = frame.figure
    if least is not None and own.force_n < least * (1 - 1e-9):
        notice(
            "danger",
            "pulled-too-little",
            "The loop slips at this pull: it takes {least} or more.",
            "input.around.take_up",
            least=(least * scale, "force"),
        )
    return PullOut(
        held_by=t.held_by if share is None else "lever",
        at="wheel" if share is None else "hand",
        now=f(own.force_n * scale, "force"),
        slips_under=None if least is None else f(least * scale, "force"),
        set_new=frame.band(new.low_n * to_set, new.high_n * to_set, "force"),
        set_run_in=frame.band(run_in.low_n * to_set, run_in.high_n * to_set, "force"),
        shaft_load=f(load.newtons, "force"),
    )


def _least_static(worked: WorkedDrive[L, R, S], method: Method[L, R, S]) -> float | None:
    """Mean of the strands under which a wheel slips on held centres, N; None where a pull sets it or teeth hold."""
    own = worked.shape.path.route.take_up
    return None if own is not None and own.force_n is not None else slips_under_n(method, worked)


def _fits(
    worked: WorkedDrive[L, R, S], looked: LookedAround, loops_between: Callable[[float, float], Loops], frame: Frame
) -> list[LoopFitOut]:
    """Standard lengths within the take-up's travel, and how far from its slack stop each puts it."""
    t, route = looked.travel, worked.case.route
    if t is None or route.take_up is None:
        return []
    out = []
    with quiet():
        narrowed = touching(route)
        for loop in loops_between(t.least_mm, t.most_mm):
            try:
                path = solve_route(narrowed, loop.length_mm)
            except CoreError:
                continue
            there = travel_of(route, path.route, loop.length_mm)
            if there is None or there.left_to_slacken_mm is None:
                continue
            out.append(
                LoopFitOut(
                    designation=loop.name,
                    length=frame.figure(loop.length_mm, "length", "tape"),
                    at=frame.figure(there.left_to_slacken_mm, "gap"),
                    path=loop.path,
                    typed=loop.typed,
                    on_the_drive=loop.there,
                )
            )
    return out


def _says(looked: LookedAround, worked: WorkedDrive[L, R, S]) -> str:
    first = worked.first_to_slip
    if first is None:
        return "Teeth hold: no wheel slips."
    name = f"{first.wheel[:1].upper()}{first.wheel[1:]}"
    if first.margin < 1:
        return f"{name} slips now."
    if looked.times == inf:
        return f"{name} has the least grip to spare."
    return f"{name} slips first, at {looked.times:.1f} times this load."


def remark_slack(strands: Sequence[Strand], field: str) -> None:
    """Say so where a strand goes slack under the load."""
    slack = next((s for s in strands if s.tension_n <= 0), None)
    if slack is not None:
        notice(
            "danger",
            "goes-slack",
            f"The strand from {slack.after} to {slack.before} goes slack under this load: the loop jumps off or slips.",
            f"input.{field}",
        )


def remark_tight(idlers: Sequence[str], field: str) -> None:
    """Say so of idlers that press on the tight strand."""
    for name in idlers:
        notice(
            "caution",
            "on-the-tight-strand",
            f"{name} presses on the tight strand: it belongs on the slack one, right after the driver in the way.",
            f"input.{field}",
        )


def _remark(looked: LookedAround) -> None:
    for s in looked.small:
        notice(
            "caution",
            "small-idler",
            f"{s.wheel} is small for an idler on the {'back' if s.side == 'outside' else 'inside'}: "
            + "{least} or more.",
            "input.around.wheels",
            "A larger idler; handbooks give no figure for the life it costs.",
            least=(s.least_mm, "length"),
        )
    remark_tight(looked.on_tight, "around.wheels")


def around_out(
    given: AroundIn,
    worked: WorkedDrive[L, R, S],
    method: Method[L, R, S],
    *,
    frame: Frame,
    loops_between: Callable[[float, float], Loops],
) -> AroundOut:
    """A worked drive round all of its wheels; draws guides, arms and the travel into the frame's elevation."""
    path, thick = worked.shape.path, method.thickness_mm(worked.case)
    looked = look_around(method, worked)
    with quiet():
        hold = method.hold(worked)
        loose = released(worked.case.route, worked.shape.length_mm) if given.engages else None
    # In the open: every strand and every pull on a shaft can be asked how come.
    steps = strand_steps(worked, method.strand_level_n(worked.level))
    _remark(looked)
    if hold is not None:
        remark_slack(worked.strands, "around")
    f = frame.figure
    least_static = _least_static(worked, method)
    if least_static is not None and worked.first_to_slip is not None and worked.first_to_slip.margin < 1:
        notice(
            "danger",
            "slips-there",
            f"{worked.first_to_slip.wheel} slips as it is set: the loop takes {{least}} at rest or more.",
            "input.around",
            "More arc on that wheel, less power from it, or a tighter loop.",
            least=(least_static, "force"),
        )
    elif least_static is not None and hold is not None and worked.first_to_slip is not None:
        at_design = slips_under_n(method, worked, worked.design_kw / worked.case.power_kw)
        if at_design is not None and at_design > worked.level.static_n:
            notice(
                "caution",
                "slips-at-design",
                f"Set so, {worked.first_to_slip.wheel} slips at design power: {{each}} in each belt at rest would hold it.",
                "input.around",
                "The upper end of the band, more arc on that wheel, or a spring that keeps the slack strand.",
                each=(at_design / hold.belts, "force"),
            )
    frame.elevation = with_surroundings(worked.elevation, path.route, worked.case.route, guides_of(given))
    loose_drawn = None
    if loose is not None:
        drawn = elevation_of(
            loose.path,
            worked.elevation.family,
            thickness_mm=thick,
            pitch_mm=worked.elevation.pitch,
            character=worked.elevation.character,
        )
        drawn = with_surroundings(drawn, loose.path.route, None, guides_of(given))
        loose_drawn = ElevationOut.model_validate(drawn, from_attributes=True)
    least = looked.least_capacity
    return AroundOut(
        says=_says(looked, worked),
        rests_on=RESTS_ON,
        members=worked.rated.count,
        wheels=wheel_rows(
            [Turning(wheel=w.wrap.wheel.id, rpm=w.rpm, clockwise=w.clockwise) for w in looked.wheels],
            path,
            slips=worked.slips,
            vectors=worked.shaft_vectors,
            frame=frame,
            steps=steps,
        ),
        strands=strand_rows(path, worked.strands, frame, steps),
        loaded=[
            LoadedWheelOut(
                wheel=w.wrap.wheel.id,
                power=f(abs(w.power_kw), "power"),
                carries=None if w.carries_kw is None else f(w.carries_kw, "power"),
                spare=None if w.spare_percent is None else f(w.spare_percent, "percent"),
                teeth_engaged=None if w.teeth_engaged is None else f(float(w.teeth_engaged), "count"),
            )
            for w in looked.wheels
            if w.power_kw
        ],
        first_to_slip="" if worked.first_to_slip is None else worked.first_to_slip.wheel,
        times_todays_load=None if looked.times == inf else round(looked.times, 2),
        least_to_spare="" if least is None else least.wrap.wheel.id,
        bends_in_a_turn=looked.bends.in_a_turn,
        bends_backwards=looked.bends.backwards,
        bends_an_hour=f(looked.bends.an_hour, "count"),
        travel=travel_out(looked.travel, frame),
        released=None
        if loose is None
        else released_out(loose, worked.case.route, worked.shape.length_mm, frame=frame, field="around.engages"),
        released_elevation=loose_drawn,
        guides=_guides(
            given, path, None if loose is None else loose.path, faces_mm=method.faces_mm(worked.case), frame=frame
        ),
        spans=_spans(hold, path, frame),
        pull=_pull(given, worked, method, hold, frame),
        slips_under=None if least_static is None else f(least_static, "force"),
        fits=_fits(worked, looked, loops_between, frame),
    )


def sheet_around(sheet: SheetOut, around: AroundOut) -> SheetOut:
    """The sheet of a loop of many wheels: its shaft load is the greatest of the wheels as they run, and a pull comes first.

    What the family says of a shaft is for two wheels and half the load each.
    """
    wheel = max(around.wheels, key=lambda w: 0.0 if w.pull is None else w.pull.value)
    answers = list(sheet.answers)
    # The shafts have their places: how far apart two of them stand is changed with the drive, not by a figure.
    call_outs = [c.model_copy(update={"path": None}) if c.at.startswith("centres:") else c for c in sheet.call_outs]
    update: dict[str, object] = {"around": around, "call_outs": call_outs}
    if wheel.pull is not None:
        case = f"running, on {wheel.wheel}"
        answers = [
            main_answer("hub", "Shaft load, greatest", wheel.pull, case, stage="choose") if a.key == "hub" else a
            for a in answers
        ]
        update |= {"shaft_load": wheel.pull, "shaft_load_case": case}
    if around.pull is not None:
        where = "at the lever" if around.pull.at == "hand" else f"of the {around.pull.held_by}"
        first = main_answer("pull", f"Pull {where}, new belt", around.pull.set_new)
        at = next(k for k, a in enumerate(answers) if a.stage == "tension")
        answers = [*answers[:at], first, *answers[at:]]
    return sheet.model_copy(update=update | {"answers": answers})
