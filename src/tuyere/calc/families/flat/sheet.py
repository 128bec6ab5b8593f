"""What the page of a flat belt drive shows beside its elevation."""

from __future__ import annotations

from tuyere.calc.families.flat.drive_model import FlatDriveIn, FlatDriveOut
from tuyere.calc.families.stages import choose_answers, duty_answers, found_answers
from tuyere.calc.frame import Frame, banded, main_answer
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER, AT_SLACK, AT_TIGHT
from tuyere.calc.sheet import Beside, Setting, SheetOut


def flat_sheet(given: FlatDriveIn, r: FlatDriveOut, frame: Frame, side: Beside) -> SheetOut:
    """Call-outs, main answers and the setting of a worked drive."""
    f, c = frame.figure, frame.call_out
    # A loop of leather and its dip are not read closer than an eighth of an inch.
    loop = frame.roughly(r.belt_length)
    dip = frame.roughly(r.dip)
    return SheetOut(
        family="flat",
        designation=r.designation,
        call_outs=[
            c("n1", AT_DRIVER, label="driver", figure=f(given.driver_speed.value, "speed"), path="driver_speed"),
            c(
                "d1",
                AT_DRIVER,
                label="diameter",
                figure=f(given.driver_diameter.value, "length", "size"),
                path="driver_diameter",
            ),
            c("n2", AT_DRIVEN, label="driven", figure=r.driven_speed),
            c(
                "d2",
                AT_DRIVEN,
                label="diameter",
                figure=f(given.driven_diameter.value, "length", "size"),
                path="driven_diameter",
            ),
            c(
                "a",
                AT_CENTRES,
                label="centre distance",
                figure=r.centre_distance,
                path="centre_distance",
                clears=("belt_length",),
            ),
            c("slack", AT_SLACK, label="slack", figure=r.slack),
            c("tight", AT_TIGHT, label="tight", figure=r.tight),
        ],
        answers=[
            *found_answers(
                r.designation,
                "",
                [
                    main_answer("loop", "Loop along the pulleys", loop, "it is cut shorter: see the cut length"),
                    main_answer("centres", "Centre distance", r.centre_distance),
                ],
                step=r.capacity.step,
            ),
            *duty_answers(frame, given.power.value, r.service_factor, r.design_power),
            *choose_answers(
                r.capacity,
                r.design_power,
                word="Slips at",
                how=f"{r.width_that_does.shown} wide would do",
                load=r.shaft_load,
                case=r.shaft_load_case,
            ),
            main_answer(
                "friction", "Grip used", r.friction_used, f"of {r.friction_there.number} there is", stage="choose"
            ),
            main_answer("dip", "Strands dip by", dip, f"under a straightedge, level strands, {r.span.shown} free span"),
            main_answer("initial", "That is a pull of", r.initial_tension, "in the whole belt, standing"),
        ],
        spare=r.spare,
        driven_speed=r.driven_speed,
        driven_band=banded(r.driven_speed_low, r.driven_speed),
        shaft_load=r.shaft_load,
        shaft_load_case=r.shaft_load_case,
        beside=side,
        set_line=f"dip {dip.shown}",
        setting=Setting(
            by="dip",
            title="Cut, join and tension it",
            steps=[
                f"Loop along the pulleys *{loop.shown}*. Work the cut length for its material and joint on the bench: it is cut shorter.",
                "Pulleys parallel and in line, the crowned one true; the belt runs to the high side of a pulley.",
                f"Take up until level strands dip by *{dip.shown}* of their own weight, read under a straightedge at mid-span: that is a pull of "
                f"*{r.initial_tension.shown}* in the whole belt.",
                "The lap's inner point trails; run it in by hand, then look for walking and flap from outside the guard.",
                "Take up after the first day and the first week; leather goes on stretching.",
            ],
            room="Three quarters of the take-up's travel are left for stretch when the belt goes on.",
            remark="The method uses the tight strand fully. A drive that carries less runs with less tension: loosen until it just does not slip "
            "under its worst load, then a little more.",
        ),
    )
