"""What to set, how to read it back, where it slips, and what it does to the shafts."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.steps import quiet
from tuyere.core.tension.formulas import (
    arc_factor_closed,
    belt_mass,
    centrifugal_newtons,
    centrifugal_tension,
    deflection,
    deflection_at_mark,
    deflection_force,
    deflection_inches,
    deflection_newtons,
    design_horsepower,
    net_pull,
    shaft_load_running,
    shaft_load_standing,
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
    shaft_load_standing_n: float
    shaft_load_standing_new_n: float
    shaft_load_running_n: float
    centrifugal_n: float


def plan_tension(
    K_c: float,
    Y: float,
    *,
    power_kw: float,
    design_kw: float,
    belts: float,
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

    statics = static_tension_newtons(static_tension_by_statics(g, hp, belts, feet, t_c))

    t_c_n = centrifugal_newtons(t_c)
    mass = belt_mass(K_c)
    pull = net_pull(power_kw, speed_m_s, belts)
    ratio = tension_ratio_limit(FRICTION, arc_deg)
    slip_duty = slip_limit(pull, ratio, t_c_n)
    with quiet():
        design_pull = net_pull(design_kw, speed_m_s, belts)
    slip_design = slip_limit(design_pull, ratio, t_c_n)
    # The published form sits 9 % under plain statics: with hardly any service factor it would slip at the duty itself.
    static_n = tension_that_grips(published, slip_duty)
    t_st = static_tension_pounds(static_n)

    depth = deflection(span_mm)
    t_in = span_inches(span_mm)
    set_mm = deflection_at_mark(depth, tape_mark_mm) if tape_mark_mm else depth
    q_in = deflection_inches(set_mm)
    # One belt alone can pull stretch from its whole length, for a sheave is free to turn.
    shares = length_mm / MM_PER_IN if belts == 1 else t_in

    def setting(multiple: float) -> Setting:
        t_set = tension_to_set(multiple, t_st)
        tension = static_tension_newtons(t_set)
        force = deflection_newtons(deflection_force(t_set, q_in, t_in, Y, shares))
        hertz = span_frequency(span_mm, tension, mass)
        return Setting(multiple, tension, force, hertz)

    run_in = (setting(RUN_IN[0]), setting(RUN_IN[1]))
    new = (setting(NEW[0]), setting(NEW[1]))

    tight = tight_strand(static_n, pull)
    slack = slack_strand(static_n, pull)
    standing = shaft_load_standing(belts, static_n, arc_deg)
    standing_new = shaft_load_standing(belts, new[1].tension_n, arc_deg)
    running = shaft_load_running(belts, tight, slack, t_c_n, arc_deg)
    return TensionPlan(
        static_n=static_n,
        statics_n=statics,
        mass_kg_m=mass,
        deflection_mm=depth,
        deflection_set_mm=set_mm,
        run_in=run_in,
        new=new,
        tight_n=tight,
        slack_n=slack,
        slip_duty_n=slip_duty,
        slip_design_n=slip_design,
        shaft_load_standing_n=standing,
        shaft_load_standing_new_n=standing_new,
        shaft_load_running_n=running,
        centrifugal_n=t_c_n,
    )
