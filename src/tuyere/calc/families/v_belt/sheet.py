"""What the page of a V-belt drive shows beside its elevation."""

from __future__ import annotations

from tuyere.calc.families.stages import choose_answers, duty_answers, found_answers
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, VBeltDriveOut
from tuyere.calc.frame import Frame, banded, main_answer
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER, AT_SLACK, AT_TIGHT
from tuyere.calc.sheet import Beside, Setting, SheetOut

EVERY = (
    "Every belt of the set: one that reads well under the others is odd, worn or stretched; then a new set. "
    "Set by the average. Check alignment again while tightening."
)


LAY_IN = "Slacken the take-up fully; lay the belts in, never pry or roll them on."
LAY_ONE_IN = "Slacken the take-up fully; lay the belt in, never pry or roll it on."
# Common practice, no source: a link belt is made up on the machine and taken up by links.
LINK_ON = (
    "Take-up at its least. Tabs trail, the belt is pulled and not pushed. Pull it hand-tight round both, count the links, remove one "
    "in 24 (the link belt card counts them for the section), join it."
)
LINK_AGAIN = "A link belt stretches in its first day: take out links in pairs until it reads in the band again."


def _by_tape(given: VBeltDriveIn, frame: Frame) -> str:
    """The centres as the tape reads them, beside what belt and sheaves give."""
    if given.centre_by_tape is None:
        return "from belt and sheaves"
    return f"from belt and sheaves; the tape reads {frame.figure(given.centre_by_tape.value, 'length', 'tape').shown}"


def two_theories(r: VBeltDriveOut) -> str:
    """One sentence where the published form and plain statics disagree on the full design power; empty where they do not."""
    if r.slip_design.value <= r.tension_run_in.low.value:
        return ""
    return (
        f"Two theories: the association's form sets a run-in belt from {r.tension_run_in.low.shown}, plain statics would have "
        f"{r.slip_design.shown} for the full design power; stay in the upper part of the band where loads are hard. "
    )


def v_belt_sheet(given: VBeltDriveIn, r: VBeltDriveOut, frame: Frame, side: Beside, emergency: str = "") -> SheetOut:
    """Call-outs, main answers and the setting of a worked drive."""
    f, c = frame.figure, frame.call_out
    driver, driven = given.driver.sheave, given.driven.sheave
    at = f"at {r.deflection.shown}"
    press = f"press {r.deflection.shown} at mid-span of {r.span.shown}"
    each = "each" if r.belts.value > 1 and not given.belt.joined else "the"
    link = given.belt.construction == "link"
    what = f"{r.belts.number}/{r.designation}" if given.belt.joined else f"{r.belts.number} × {r.designation}"
    new, run = r.deflection_force_new, r.deflection_force_run_in
    room = ""
    if r.installation is not None and r.take_up is not None:
        room = f"Room: centres *{r.installation.shown}* closer to fit, *{r.take_up.shown}* further to take up."
    return SheetOut(
        family="v-belt",
        designation=what,
        call_outs=[
            c("n1", AT_DRIVER, label="driver", figure=f(given.driver.speed.value, "speed"), path="driver.speed"),
            c(
                "d1",
                AT_DRIVER,
                label=f"{driver.kind or 'outside'} dia",
                figure=f(driver.diameter.value, "length", "size"),
                path="driver.sheave.diameter",
            ),
            c("n2", AT_DRIVEN, label="driven", figure=r.driven_speed),
            c(
                "d2",
                AT_DRIVEN,
                label=f"{driven.kind or 'outside'} dia",
                figure=f(driven.diameter.value, "length", "size"),
                path="driven.sheave.diameter",
            ),
            c("a", AT_CENTRES, label="centre distance", figure=r.centre_distance, path="centre_distance"),
            c("slack", AT_SLACK, label="slack, per belt", figure=r.slack),
            c("tight", AT_TIGHT, label="tight, per belt", figure=r.tight),
        ],
        answers=[
            *found_answers(
                what,
                f"the duty takes {r.belts_exact.number} of them" if r.belts_exact else "not rated",
                [
                    main_answer("driver", "Driver, outside diameter", r.driver_outside),
                    main_answer("driven", "Driven, outside diameter", r.driven_outside),
                    main_answer("loop", "Belt length", r.belt_length),
                    main_answer("centres", "Centre distance", r.centre_distance, _by_tape(given, frame)),
                ],
                step=r.belts_exact.step if r.belts_exact else None,
            ),
            *duty_answers(frame, given.power.value, r.service_factor, r.design_power),
            *choose_answers(
                r.carried_power,
                r.design_power,
                word="Carries",
                how=f"the duty takes {r.belts_exact.number} of {r.belts.number}" if r.belts_exact else "",
                load=r.shaft_load,
                case=r.shaft_load_case,
            ),
            main_answer("new", f"Set {each} new belt", new, press),
            main_answer("run", f"Set {each} run-in belt", run, press),
            main_answer("ear", "New belt, by ear", r.frequency_new, f"pluck the {r.span.shown} span"),
        ],
        spare=r.spare,
        driven_speed=r.driven_speed,
        driven_band=banded(r.driven_speed_low, r.driven_speed_high),
        shaft_load=r.shaft_load,
        shaft_load_case=r.shaft_load_case,
        beside=side,
        emergency=emergency,
        set_line=f"{new.shown} {at}",
        setting=Setting(
            by="press",
            title="Set the tension",
            steps=[
                LINK_ON if link else LAY_IN if r.belts.value > 1 else LAY_ONE_IN,
                f"Free span *{r.span.shown}*: press one belt at mid-span, square to it, by *{r.deflection.shown}*.",
                f"Read the force. New belt *{new.shown}*, run-in belt *{run.shown}*, per belt.",
                EVERY if r.belts.value > 1 and not given.belt.joined else "Check alignment again while tightening.",
                LINK_AGAIN if link else "New belts relax: check again after 24 hours of running.",
            ],
            room=room,
            remark=two_theories(r)
            + "The deflection stiffness of the belt behind the forces is recalled with low confidence. A number from the machine's "
            "maker comes first: write it on the machine.",
        ),
    )
