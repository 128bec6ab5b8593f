"""What the page of a synchronous drive shows beside its elevation."""

from __future__ import annotations

from tuyere.calc.families.stages import choose_answers, duty_answers, found_answers
from tuyere.calc.families.synchronous.drive_model import SyncDriveIn, SyncDriveOut
from tuyere.calc.frame import Frame, main_answer
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER, AT_SLACK, AT_TIGHT
from tuyere.calc.sheet import Beside, Setting, SheetOut


def sync_sheet(given: SyncDriveIn, r: SyncDriveOut, frame: Frame, side: Beside) -> SheetOut:
    """Call-outs, main answers and the setting of a worked drive."""
    f, c = frame.figure, frame.call_out
    at = f"at {r.deflection.shown}"
    ear = [] if r.frequency is None else [main_answer("ear", "By ear", r.frequency, f"pluck the {r.span.shown} span")]
    by_ear = "" if r.frequency is None else f" By ear *{r.frequency.shown}*."
    room = ""
    if r.closer_to_fit is not None and r.apart_to_tension is not None:
        room = f"Room with one pulley flanged: centres *{r.closer_to_fit.shown}* closer to fit, *{r.apart_to_tension.shown}* apart to tension."
    return SheetOut(
        family="synchronous",
        designation=r.designation,
        call_outs=[
            c("n1", AT_DRIVER, label="driver", figure=f(given.speed.value, "speed"), path="speed"),
            c("z1", AT_DRIVER, label="teeth", figure=f(given.driver_teeth, "count"), path="driver_teeth"),
            c("n2", AT_DRIVEN, label="driven", figure=r.driven_speed),
            c("z2", AT_DRIVEN, label="teeth", figure=f(given.driven_teeth, "count"), path="driven_teeth"),
            c(
                "a",
                AT_CENTRES,
                label="centre distance",
                figure=r.centre_distance,
                path="centre_distance",
                clears=("belt_teeth",),
            ),
            c("slack", AT_SLACK, label="slack at duty", figure=r.slack),
            c("tight", AT_TIGHT, label="tight at duty", figure=r.tight),
        ],
        answers=[
            *found_answers(
                r.designation,
                f"{r.teeth_in_mesh.number} teeth in mesh",
                [
                    main_answer("loop", "Belt length", r.belt_length),
                    main_answer("centres", "Centre distance", r.centre_distance),
                ],
                step=r.teeth_in_mesh.step,
            ),
            *duty_answers(frame, given.power.value, None, r.design_power),
            *choose_answers(
                r.power, r.design_power, word="Carries", how=str(r.basis), load=r.shaft_load, case=r.shaft_load_case
            ),
            main_answer("jump", "May jump a tooth at", r.jump_margin, "times the duty's pull", stage="choose"),
            main_answer(
                "force",
                "Press the whole belt with",
                r.deflection_force,
                f"to {r.deflection.shown} at mid-span of {r.span.shown}",
            ),
            *ear,
        ],
        spare=r.spare,
        driven_speed=r.driven_speed,
        shaft_load=r.shaft_load,
        shaft_load_case=r.shaft_load_case,
        beside=side,
        set_line=f"{r.deflection_force.shown} {at}",
        setting=Setting(
            by="press-width",
            title="Set the tension",
            steps=[
                "Slacken the take-up; lay the belt in with the teeth in their gaps, never pry it over a flange or crimp it.",
                f"Free span *{r.span.shown}*: press the belt over its whole width at mid-span by *{r.deflection.shown}*.",
                f"Read *{r.deflection_force.shown}* for the whole belt.{by_ear}",
                "Turn the drive by hand a few full turns and read again; the belt must run in the middle of the face.",
                "Check once after the first day; after that it keeps its tension.",
            ],
            room=room,
            remark="The set tension keeps the strands at 8 : 1 at design power, association practice recalled with medium confidence; the "
            "belt's own stiffness is left out of the force. The maker's own figure for this belt comes first.",
        ),
    )
