"""`v-belt-select`: every standard drive for a duty, ranked, and why the others fell out."""

from collections.abc import Callable

from tuyere.calc.families.v_belt.choose_model import OptionOut, RejectedOut, VBeltSelectIn, VBeltSelectOut
from tuyere.calc.families.v_belt.drive_model import drive_out
from tuyere.calc.families.v_belt.limit_words import limit_says
from tuyere.calc.families.v_belt.parts import basis_of
from tuyere.calc.families.v_belt.search_input import fixed_of, wanted_of
from tuyere.calc.frame import Frame, elevation_out
from tuyere.calc.registry import calculation
from tuyere.core.notices import collected_notices
from tuyere.core.ranking import USUAL_SPARE
from tuyere.core.steps import quiet
from tuyere.core.v_belt.catalogue import build_catalogue
from tuyere.core.v_belt.choose import Candidate, search
from tuyere.core.v_belt.rate import Given, rate

GROUP = "V-belts"


def _reasons(c: Candidate, all_of: list[Candidate], spare: float) -> list[str]:
    reasons = list(c.kinds)
    figures: list[tuple[str, Callable[[Candidate], float]]] = [
        ("least shaft load", lambda x: x.shaft_load_n),
        ("narrowest", lambda x: x.width_mm),
        ("closest speed", lambda x: abs(x.speed_error_percent)),
    ]
    for words, key in figures:
        if key(c) <= min(key(x) for x in all_of) * (1 + 1e-9) + 1e-9:
            reasons.append(words)
    if c.on_shelf == 3:
        reasons.append("all of it on your shelf")
    elif c.on_shelf:
        reasons.append(f"{c.on_shelf} of 3 parts on your shelf")
    elif c.stocked:
        reasons.append("both sheaves often on the shelf")
    if 0 <= spare <= USUAL_SPARE:
        reasons.append(f"{spare:.0f} % to spare")
    elif spare > USUAL_SPARE:
        reasons.append(f"heavy for the duty: {spare:.0f} % to spare")
    return reasons


@calculation(
    "v-belt-select",
    "Choose a V-belt drive",
    summary="Every combination of standard sheaves and belts for a duty, ranked, with the reasons why others fell out.",
    source="ANSI/RMA IP-20 and IP-22",
    example={
        "units": "us",
        "input": {
            "power": "15hp",
            "service_factor": {"driver": "motor-nema-b", "machine": "fan-over-10-hp", "hours_a_day": 16},
            "driver_speed": "1750",
            "driven_speed": "640",
            "tolerance": 3,
            "centre": {"about": "28 in"},
        },
    },
    search=True,
)
def v_belt_select(given: VBeltSelectIn, frame: Frame) -> VBeltSelectOut:
    """Sweep, rank, and work the best few in the open."""
    wanted, factor = wanted_of(given)
    basis = basis_of(frame.basis, given.own_ratings)
    found = search(build_catalogue(fixed_of(given.fixed, basis), basis, given.series), wanted, given.keep)
    options = []
    for c in found.best:
        core = Given(
            power_kw=given.power.value,
            service_factor=factor,
            driver_rpm=given.driver_speed.value,
            driver=c.driver,
            driven=c.driven,
            belt=c.belt,
            count=None,
            slip_percent=wanted.slip_percent,
            basis=basis,
            angle_deg=given.layout.angle,
            clockwise=given.layout.clockwise,
            tape_mark_mm=frame.tape_mark_mm,
        )
        with quiet(), collected_notices():
            worked = rate(core)
        assert worked.spare_percent is not None  # the search offers rated drives only
        f = frame.figure
        options.append(
            OptionOut(
                name=f"{c.belts} × {c.belt.designation}",
                section=c.belt.section.shown,
                groove=c.belt.section.groove,
                driver_diameter=f(c.driver.line_mm, "length", "size"),
                driven_diameter=f(c.driven.line_mm, "length", "size"),
                diameter_kind="effective" if c.belt.section.line_kind == "effective" else "datum",
                belts=f(c.belts, "count"),
                speed_error=f(c.speed_error_percent, "percent"),
                shaft_load=f(c.shaft_load_n, "force", per="hub"),
                width=f(c.width_mm, "length", "size"),
                cost=round(c.cost, 2),
                cost_parts=c.parts,
                stocked=c.stocked,
                on_shelf=c.on_shelf,
                kinds=list(c.kinds),
                weight=frame.band(
                    float(worked.weight.low_kg),
                    float(worked.weight.high_kg),
                    kind="mass",
                    steps=("", ""),
                    style="about",
                ),
                reasons=_reasons(c, list(found.best), worked.spare_percent),
                drive=drive_out(worked, core, frame),
                elevation=elevation_out(worked.elevation),
            )
        )
    return VBeltSelectOut(
        considered=found.considered,
        accepted=found.accepted,
        design_power=frame.figure(wanted.design_kw, "power", step="design_power"),
        centre_low=frame.figure(wanted.centre_low_mm, "length", "tape"),
        centre_high=frame.figure(wanted.centre_high_mm, "length", "tape"),
        options=options,
        rejected=[
            RejectedOut(
                limit=r.limit,
                count=r.count,
                nearest=r.nearest,
                says=limit_says(r.limit, r.value, r.bound, bool(r.nearest) and r.miss_percent != float("inf"), frame),
            )
            for r in found.rejected
        ],
    )
