"""`tension-target`: what to set, where it slips, what it overloads, where it flaps."""

from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure
from tuyere.calc.ends import EndsIn, cliffs_asked
from tuyere.calc.frame import Frame
from tuyere.calc.held import DriveAskedIn, HeldDrive, OnScale, Scale, held_drive
from tuyere.calc.maker import maker_band
from tuyere.calc.registry import calculation
from tuyere.calc.rulers import AxisOut, axis_of
from tuyere.core.drive.wheel import Wheel
from tuyere.core.notices import notice
from tuyere.core.steps import quiet
from tuyere.core.tension.cliffs import shaft_load_at
from tuyere.core.tension.flap import RunningStrand, flaps_of, shakes_of
from tuyere.core.tension.readings import gauge_for

GROUP = "Alignment and tension"
State = Literal["new", "run in"]


class TensionTargetIn(EndsIn):
    """A drive, and what is known of its start, shafts and maker's number."""

    drive: DriveAskedIn
    state: State = Field(default="new", description="new belts, or belts that have run in")


class CliffOut(Answer):
    """One end of the scale: below it slips, above something is overloaded; what is missing where it is not known."""

    key: str
    side: Literal["below", "above"]
    label: str
    at: OnScale | None
    missing: str
    why: str


class FlapOut(Answer):
    """A strand whose own note is near what shakes it."""

    strand: str
    shaken_by: str
    strand_frequency: Figure
    shake_frequency: Figure
    says: str


class BandOut(Answer):
    """A band on the scale."""

    state: str
    low: OnScale
    high: OnScale


class TensionTargetOut(Answer):
    """What to set, and both ends of it."""

    says: str
    aim: BandOut
    by: str
    deflection: Figure
    span: Figure
    bands: list[BandOut]
    cliffs: list[CliffOut]
    flaps: list[FlapOut]
    shaft_load: Figure
    gauge: str
    belts: int
    axis: AxisOut


def _turns(wheel: Wheel, driver: Wheel, rpm: float) -> float:
    return rpm * driver.pitch_mm / wheel.pitch_mm


def flaps_asked(held: HeldDrive, frame: Frame) -> list[FlapOut]:
    """Strands near something that shakes them, with what shifts it."""
    hold, worked = held.hold, held.worked
    if hold.mass_kg_m is None:
        return []
    driver = worked.case.route.driver
    wheels = {w.id: _turns(w, driver, worked.case.driver_rpm) for w in worked.case.route.wheels if w.pitch_mm > 0}
    pitch = held.family.method.pitch_mm(worked.case)
    mesh = ("the teeth in mesh", 1000 * hold.speed_m_s / pitch) if pitch else None
    shakes = shakes_of(shafts_rpm=wheels, loop_m_s=hold.speed_m_s, length_mm=hold.length_mm, mesh=mesh)
    spans = {s.id: s.length_mm for s in worked.shape.path.spans}
    strands = [RunningStrand(id=s.id, span_mm=spans[s.id], tension_n=s.tension_n / hold.belts) for s in worked.strands]
    sides = {s.id: s.side for s in worked.strands}
    f = frame.figure
    out = []
    for flap in flaps_of(strands, shakes, mass_kg_m=hold.mass_kg_m, speed_m_s=hold.speed_m_s):
        now = next(s.tension_n for s in strands if s.id == flap.strand)
        up, down = flap.high_n - now, now - flap.low_n
        out.append(
            FlapOut(
                strand=flap.strand,
                shaken_by=flap.shake.name,
                strand_frequency=f(flap.strand_hz, "frequency"),
                shake_frequency=f(flap.shake.hertz, "frequency"),
                says=f"The {sides[flap.strand]} strand may flap with {flap.shake.name}: "
                f"{f(up, 'force').shown} more tension or {f(down, 'force').shown} less moves it away, "
                "or an idler near mid-span, or another span.",
            )
        )
    return out


@calculation(
    "tension-target",
    "Tension to set",
    summary="The band to set, on three rulers; where it slips at duty, design power and start; what gives above; where it flaps.",
    source="ANSI/RMA IP-20 and IP-22; statics; ISO 281; Shigley; equation of the travelling string",
    example={
        "units": "us",
        "input": {
            "drive": {
                "calc": "v-belt-drive",
                "input": {
                    "power": "15hp",
                    "service_factor": {"assume": 1.3},
                    "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
                    "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
                    "belt": {"designation": "B90"},
                },
            },
            "state": "new",
            "start": "across-the-line",
            "driver_shaft": {
                "overhang": "3",
                "spacing": "9",
                "diameter": "1 5/8",
                "rating": "11800 lbf",
            },
        },
    },
    bench=False,
    first=("says", "aim", "cliffs"),
)
def tension_target(given: TensionTargetIn, frame: Frame) -> TensionTargetOut:
    """Work both ends and the band between."""
    held = held_drive(given.drive, frame, span=given.span)
    hold = held.hold
    scale = Scale(hold=hold, frame=frame, pull_per_n=held.pull_per_n)
    cliffs = cliffs_asked(given, held)
    own = hold.band(given.state)
    by = "worked from the drive's design power"
    aim = own
    if given.maker is not None:
        aim = maker_band(given.maker, hold, given.state)
        by = "the machine maker's number"
        if aim.high_n < own.low_n or aim.low_n > own.high_n:
            notice(
                "caution",
                "maker-apart",
                "The maker's {theirs} and the worked {ours} are apart: the maker's is taken.",
                "input.maker",
                "See that its span, belt and method are this drive's.",
                theirs=(float(aim.low_n), "force"),
                ours=(float(own.low_n), "force"),
            )
    if cliffs.slips_under_n is not None and aim.low_n < cliffs.slips_under_n:
        notice("danger", "slips", "The least of the band slips at the duty's own power.", "input.maker")
    says_end = ""
    if cliffs.most_n is not None:
        on_gauge = frame.figure(scale.force_n(float(cliffs.most_n)), "force").shown
        says_end = f" Never over {on_gauge}: {cliffs.most_label} gives first."
        if aim.low_n > cliffs.most_n:
            notice(
                "danger",
                "no-room",
                "There is no room on this drive: what it needs is over what is allowed by {label}.".replace(
                    "{label}", cliffs.most_label
                ),
                "input.drive",
                "More or wider belts at less tension, larger wheels, or an outboard bearing.",
            )
    q = frame.figure(scale.deflection_mm, "length", "tape")
    low, high = scale.at(aim.low_n), scale.at(aim.high_n)
    force = (
        ""
        if low.deflection_force is None or high.deflection_force is None
        else f"{low.deflection_force.number} to {high.deflection_force.shown} at {q.shown}"
    )
    gauge = gauge_for(scale.force_n(float(aim.high_n)), hold.width_mm)
    with quiet():
        load = shaft_load_at(hold, float(aim.high_n))
    return TensionTargetOut(
        says=f"Set each {'new ' if given.state == 'new' else ''}belt to {force}.{says_end}",
        aim=BandOut(state=given.state, low=low, high=high),
        by=by,
        deflection=q,
        span=frame.figure(float(hold.span_mm), "length", "tape"),
        bands=[BandOut(state=b.state, low=scale.at(b.low_n), high=scale.at(b.high_n)) for b in hold.bands],
        cliffs=[
            CliffOut(
                key=c.key,
                side=c.side,
                label=c.label,
                at=None if c.tension_n is None else scale.at(c.tension_n),
                missing=c.missing,
                why=c.why,
            )
            for c in cliffs.every
        ],
        flaps=flaps_asked(held, frame),
        shaft_load=frame.figure(load, "force", per="shaft"),
        gauge="no hand gauge is made for it: use the note"
        if gauge is None
        else f"{gauge.name} plunger gauge. {gauge.how}",
        belts=hold.belts,
        axis=axis_of(
            scale,
            [float(c.tension_n) for c in cliffs.every if c.tension_n is not None],
            [(float(b.low_n), float(b.high_n)) for b in (*hold.bands, aim)],
        ),
    )
