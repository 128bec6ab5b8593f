"""What to set, how to read it back, where it slips, and what it does to the shafts."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.rounding import to_mark
from tuyere.core.steps import mark, quiet
from tuyere.core.tension.formulas import (
    arc_factor_closed,
    belt_mass,
    centrifugal_newtons,
    centrifugal_tension,
    deflection,
    deflection_force,
    deflection_inches,
    deflection_newtons,
    design_horsepower,
    hub_load_running,
    hub_load_standing,
    net_pull,
    slack_strand,
    slip_limit,
    span_frequency,
    span_inches,
    speed_in_feet,
    static_tension,
    static_tension_by_statics,
    static_tension_newtons,
    static_tension_pounds,
    tension_ratio_limit,
    tension_that_grips,
    tension_to_set,
    tight_strand,
)
from tuyere.core.tension.shaft_load import ShaftLoad, shaft_load
from tuyere.core.units import MM_PER_IN

RUN_IN = (1.0, 1.3)
NEW = (1.3, 1.5)
FRICTION = 0.5123  # effective friction of a V-belt in its groove, textbook


@dataclass(frozen=True, slots=True)
class Setting:
    """One end of a band: multiple of the static tension; tension and force per belt in N; Hz."""

    multiple: float
    tension_n: float
    force_n: float
    frequency_hz: float


@dataclass(frozen=True, slots=True, kw_only=True)
class TensionPlan:
    """Per belt unless it says hub. N, mm, Hz, kg/m."""

    static_n: float
    statics_n: float
    mass_kg_m: float
    deflection_mm: float
    deflection_set_mm: float
    run_in: tuple[Setting, Setting]
    new: tuple[Setting, Setting]
    tight_n: float
    slack_n: float
    slip_duty_n: float
    slip_design_n: float
    hub_standing_n: float
    hub_standing_new_n: float
    hub_running_n: float
    shaft_load: ShaftLoad


def plan_tension(
    K_c: float,
    Y: float,
    *,
    power_kw: float,
    design_kw: float,
    belts: int,
    speed_m_s: float,
    arc_deg: float,
    span_mm: float,
    length_mm: float,
    tape_mark_mm: float | None = None,
) -> TensionPlan:
    """Tension of a V-belt drive on fixed centres.

    ``K_c`` lbf at 1000 ft/min, ``Y`` lbf; powers in kW, m/s, degrees, mm. ``tape_mark_mm`` is the
    division of the tape: the deflection is rounded to it and the force worked for the rounded one.
    Source: ANSI/RMA IP-20 and IP-22 (set tension from design power), statics for running loads.
    """
    hp, feet = design_horsepower(design_kw), speed_in_feet(speed_m_s)
    g = arc_factor_closed(arc_deg)
    t_c = centrifugal_tension(K_c, feet)
    published = static_tension_newtons(static_tension(g, hp, belts, feet, t_c))
    mark("static_tension_published", published)
    statics = static_tension_newtons(static_tension_by_statics(g, hp, belts, feet, t_c))
    mark("static_tension_statics", statics)
    t_c_n = centrifugal_newtons(t_c)
    mass = mark("belt_mass", belt_mass(K_c))
    pull = mark("net_pull", net_pull(power_kw, speed_m_s, belts))
    ratio = tension_ratio_limit(FRICTION, arc_deg)
    slip_duty = mark("slip_duty", slip_limit(pull, ratio, t_c_n))
    with quiet():
        design_pull = net_pull(design_kw, speed_m_s, belts)
    slip_design = mark("slip_design", slip_limit(design_pull, ratio, t_c_n))
    # The published form sits 9 % under plain statics: with hardly any service factor it would slip at the duty itself.
    static_n = mark("static_tension", tension_that_grips(published, slip_duty))
    t_st = static_tension_pounds(static_n)

    depth = mark("deflection", deflection(span_mm))
    t_in = span_inches(span_mm)
    set_mm = to_mark(float(depth), tape_mark_mm) if tape_mark_mm else float(depth)
    q_in = deflection_inches(set_mm)
    # One belt alone can pull stretch from its whole length, for a sheave is free to turn.
    shares = length_mm / MM_PER_IN if belts == 1 else float(t_in)

    def setting(multiple: float, name: str) -> Setting:
        t_set = tension_to_set(multiple, t_st)
        tension = mark(f"tension_{name}", static_tension_newtons(t_set))
        force = mark(f"force_{name}", deflection_newtons(deflection_force(t_set, q_in, t_in, Y, shares)))
        hertz = mark(f"frequency_{name}", span_frequency(span_mm, tension, mass))
        return Setting(multiple, float(tension), float(force), float(hertz))

    run_in = (setting(RUN_IN[0], "run_in_low"), setting(RUN_IN[1], "run_in_high"))
    new = (setting(NEW[0], "new_low"), setting(NEW[1], "new_high"))

    tight = mark("tight", tight_strand(static_n, pull))
    slack = mark("slack", slack_strand(static_n, pull))
    standing = mark("hub_standing", hub_load_standing(belts, static_n, arc_deg))
    standing_new = mark("hub_standing_new", hub_load_standing(belts, new[1].tension_n, arc_deg))
    running = mark("hub_running", hub_load_running(belts, tight, slack, t_c_n, arc_deg))
    return TensionPlan(
        static_n=float(static_n),
        statics_n=float(statics),
        mass_kg_m=float(mass),
        deflection_mm=float(depth),
        deflection_set_mm=set_mm,
        run_in=run_in,
        new=new,
        tight_n=float(tight),
        slack_n=float(slack),
        slip_duty_n=float(slip_duty),
        slip_design_n=float(slip_design),
        hub_standing_n=float(standing),
        hub_standing_new_n=float(standing_new),
        hub_running_n=float(running),
        shaft_load=shaft_load(standing_new_n=float(standing_new), running_n=float(running)),
    )
