"""What the page of a roller chain drive shows beside its elevation."""

from __future__ import annotations

from tuyere.calc.families.roller_chain.drive_model import ChainDriveIn, ChainDriveOut
from tuyere.calc.families.stages import choose_answers, duty_answers, found_answers
from tuyere.calc.frame import Frame, banded, main_answer
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER, AT_SLACK, AT_TIGHT
from tuyere.calc.sheet import Beside, Setting, SheetOut


def chain_sheet(given: ChainDriveIn, r: ChainDriveOut, frame: Frame, side: Beside) -> SheetOut:
    """Call-outs, main answers and the slack of a worked drive."""
    f, c = frame.figure, frame.call_out
    # A hand's movement is a rule of thumb: a range, and no closer than an eighth of an inch.
    hand = banded(frame.roughly(r.hand_movement_band.low), frame.roughly(r.hand_movement_band.high))
    sag = frame.roughly(r.sag)
    mounted = f"{r.length.mounted_low.number} – {r.length.mounted_high.shown}"
    return SheetOut(
        family="roller-chain",
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
                clears=("pitches",),
            ),
            c("sag", AT_SLACK, label="slack strand, sag", figure=sag),
            c("tight", AT_TIGHT, label="tight, pull at duty", figure=r.working_pull),
        ],
        answers=[
            *found_answers(
                r.designation,
                f"{r.length.chain_length.shown} long",
                [main_answer("centres", "Centre distance", r.centre_distance, f"mount at {mounted}")],
                step=r.length.exact_pitches.step,
            ),
            *duty_answers(frame, given.power.value, r.service_factor, r.design_power),
            *choose_answers(
                r.power,
                r.design_power,
                word="Carries",
                how=f"{r.governing} govern",
                load=r.shaft_load,
                case=r.shaft_load_case,
            ),
            main_answer(
                "hand", "Slack strand moves by hand", hand, "push at mid-span both ways, the other strand tight"
            ),
            main_answer("sag", "That is a sag of about", sag, "under a straightedge"),
        ],
        spare=r.spare,
        driven_speed=r.driven_speed,
        shaft_load=r.shaft_load,
        shaft_load_case=r.shaft_load_case,
        beside=side,
        set_line=f"moves {hand.shown} by hand",
        setting=Setting(
            by="slack",
            title="Set the slack",
            steps=[
                "Turn the drive by hand until one strand is tight; the other holds all the slack.",
                f"Push the slack strand at mid-span to both sides: *{hand.shown}* in all. The sag under a straightedge is then "
                f"about *{sag.shown}*: two different numbers.",
                f"Mounted centres *{mounted}*, a little under the computed greatest.",
                "The slack leaves on the slack side, so a take-up or idler sits there, outside, with three teeth or more in mesh.",
                f"Lubrication: *{r.lubrication_wanted}*. Oil: *{r.oil}*.",
                "A spring clip's closed end leads in the direction of travel. Slack again after the first days: a new chain beds in.",
            ],
            room="A take-up that travels two pitches or more lets two pitches be taken out when the chain has worn.",
            remark="4 to 6 % of the span by hand is common practice up to 45 degrees; steeper drives take half of it, and so do reversing and "
            "shock drives.",
        ),
    )
