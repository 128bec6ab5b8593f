"""What the page of a roller chain drive shows beside its elevation."""

from __future__ import annotations

from tuyere.calc.families.roller_chain.drive_model import ChainDriveIn, ChainDriveOut
from tuyere.calc.frame import Frame, main_answer, shaft_answer
from tuyere.calc.places import AT_CENTRES, AT_DRIVEN, AT_DRIVER, AT_SLACK, AT_TIGHT
from tuyere.calc.sheet import Beside, MainAnswer, Setting, SheetOut


def chain_sheet(given: ChainDriveIn, r: ChainDriveOut, frame: Frame, side: Beside) -> SheetOut:
    """Call-outs, main answers and the slack of a worked drive."""
    f, c = frame.figure, frame.call_out
    mounted = f"{r.length.mounted_low.number} – {r.length.mounted_high.shown}"
    return SheetOut(
        family="roller-chain",
        designation=r.designation,
        call_outs=[
            c("n1", AT_DRIVER, label="driver", figure=f(given.speed.value, "speed"), path="speed"),
            c("z1", AT_DRIVER, label="teeth", figure=f(given.driver_teeth, "count"), path="driver_teeth"),
            c("n2", AT_DRIVEN, label="driven", figure=r.driven_speed),
            c("z2", AT_DRIVEN, label="teeth", figure=f(given.driven_teeth, "count"), path="driven_teeth"),
            c("a", AT_CENTRES, label="centres", figure=r.centre_distance, path="centre_distance", clears=("pitches",)),
            c("sag", AT_SLACK, label="slack strand, sag", figure=r.sag),
            c("tight", AT_TIGHT, label="tight, pull at duty", figure=r.working_pull),
        ],
        answers=[
            MainAnswer(
                key="what",
                label="",
                main=r.designation,
                unit=f"{r.length.chain_length.shown} long",
                step=r.length.exact_pitches.step,
            ),
            main_answer(
                "hand",
                "Slack strand moves by hand",
                r.hand_movement,
                f"{r.hand_movement.unit_shown}, both ways together",
            ),
            main_answer("sag", "That is a sag of", r.sag, f"{r.sag.unit_shown} under a straightedge"),
            main_answer("carries", "The chain carries", r.power, f"{r.power.unit_shown}, {r.governing} govern"),
            shaft_answer(r.shaft_load, r.shaft_load_case),
        ],
        spare=r.spare,
        driven_speed=r.driven_speed,
        shaft_load=r.shaft_load,
        shaft_load_case=r.shaft_load_case,
        beside=side,
        set_line=f"hand movement {r.hand_movement.shown}",
        setting=Setting(
            title="Set the slack",
            steps=[
                "Turn the drive by hand until one strand is tight; the other holds all the slack.",
                f"Push the slack strand at mid-span to both sides: *{r.hand_movement.shown}* in all. The sag under a straightedge is "
                f"*{r.sag.shown}*: two different numbers.",
                f"Mounted centres *{mounted}*, a little under the computed greatest.",
                "The slack leaves on the slack side, so a take-up or idler sits there, outside, with three teeth or more in mesh.",
                f"Lubrication: *{r.lubrication_wanted}*. Oil: *{r.oil}*.",
                "A spring clip's closed end leads in the direction of travel. Slack again after the first days: a new chain beds in.",
            ],
            room="A take-up that travels two pitches or more lets two pitches be taken out when the chain has worn.",
            remark="Sag of 2 % of the span is common practice for level drives; upright, reversing and shock drives take half of it.",
        ),
    )
