"""What the page of a V-belt drive shows beside its elevation."""

from __future__ import annotations

from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, VBeltDriveOut
from tuyere.calc.frame import Frame, banded, main_answer, shaft_answer
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER, AT_SLACK, AT_TIGHT
from tuyere.calc.sheet import Beside, MainAnswer, Setting, SheetOut

EVERY = (
    "Every belt of the set: one that reads well under the others is odd, worn or stretched; then a new set. "
    "Set by the average. Check alignment again while tightening."
)


def _kind(kind: str | None) -> str:
    return "OD" if kind in (None, "outside") else str(kind)


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
                label=f"sheave {_kind(driver.kind)}",
                figure=f(driver.diameter.value, "length", "size"),
                path="driver.sheave.diameter",
            ),
            c("n2", AT_DRIVEN, label="driven", figure=r.driven_speed),
            c(
                "d2",
                AT_DRIVEN,
                label=f"sheave {_kind(driven.kind)}",
                figure=f(driven.diameter.value, "length", "size"),
                path="driven.sheave.diameter",
            ),
            c("a", AT_CENTRES, label="centres", figure=r.centre_distance, path="centre_distance"),
            c("slack", AT_SLACK, label="slack, per belt", figure=r.slack),
            c("tight", AT_TIGHT, label="tight, per belt", figure=r.tight),
        ],
        answers=[
            MainAnswer(
                key="what",
                label="",
                main=what,
                unit=f"the duty takes {r.belts_exact.number} of them" if r.belts_exact else "not rated",
                step=r.belts_exact.step if r.belts_exact else None,
            ),
            main_answer("new", "Set each new belt", new, f"{new.low.unit_shown} {at}"),
            main_answer("run", "Set each run-in belt", run, f"{run.low.unit_shown} {at}"),
            main_answer("ear", "New belt, by ear", r.frequency_new, f"Hz on {r.span.shown}"),
            shaft_answer(r.shaft_load, r.shaft_load_case),
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
            title="Set the tension",
            steps=[
                "Slacken the take-up fully; lay the belts in, never pry or roll them on.",
                f"Free span *{r.span.shown}*: press one belt at mid-span, square to it, by *{r.deflection.shown}*.",
                f"Read the force. New belt *{new.shown}*, run-in belt *{run.shown}*, per belt.",
                EVERY if r.belts.value > 1 and not given.belt.joined else "Check alignment again while tightening.",
                "New belts relax: check again after 24 hours of running.",
            ],
            room=room,
            remark=two_theories(r)
            + "The deflection stiffness of the belt behind the forces is recalled with low confidence. A number from the machine's "
            "maker comes first: write it on the machine.",
        ),
    )
