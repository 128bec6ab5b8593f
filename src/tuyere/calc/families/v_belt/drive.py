"""`v-belt-drive`: one whole drive, from duty to shaft load."""

from tuyere.calc.families.beside import beside
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, VBeltDriveOut, drive_out, given_of
from tuyere.calc.families.v_belt.motor_sheave import check_motor_sheave
from tuyere.calc.families.v_belt.parts import efficiency_kind
from tuyere.calc.families.v_belt.sheet import v_belt_sheet
from tuyere.calc.frame import Frame
from tuyere.calc.registry import calculation
from tuyere.calc.wanted import hold_speed
from tuyere.core.duty.losses import efficiency_band
from tuyere.core.notices import notice
from tuyere.core.v_belt.rate import emergency, rate, seated

GROUP = "V-belts"
JOINED = " joined"


# A belt in use is a per cent or so longer than new, and a tape held from shaft to shaft is no better.
TAPE_SHARE = 0.02


def _hold_centres(tape_mm: float, belt_mm: float) -> None:
    """Say so where the tape and the belt on its sheaves do not agree. Source: geometry; the share is common practice."""
    if abs(tape_mm - belt_mm) <= TAPE_SHARE * belt_mm:
        return
    notice(
        "caution",
        "centres-differ",
        "By the tape the shafts stand {tape} apart, this belt on these sheaves stands at {belt}.",
        "input.centre_by_tape",
        "One of them is misread: the print, a sheave (rim or datum), or the tape. A stretched belt stands a little further.",
        tape=(tape_mm, "length"),
        belt=(belt_mm, "length"),
    )


@calculation(
    "v-belt-drive",
    "V-belt drive",
    summary="A whole drive: speeds, centre distance, rating, belts, tension to set, shaft loads, room to fit.",
    source="ANSI/RMA IP-20 and IP-22; geometry and statics exact",
    example={
        "units": "us",
        "basis": "ip20-1988",
        "input": {
            "power": "15hp",
            "service_factor": {"assume": 1.3},
            "driver": {"speed": "1750 rpm", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
            "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
            "belt": {"designation": "B90", "count": None},
        },
    },
    first=("belts", "deflection_force_new", "centre_distance"),
)
def v_belt_drive(given: VBeltDriveIn, frame: Frame) -> VBeltDriveOut:
    """Work the drive."""
    core = given_of(given, frame)
    why = "A belts in B grooves: for a while only, until the right belt is there." if emergency(core) else ""
    core = seated(core)
    worked = rate(core)
    frame.elevation = worked.elevation
    check_motor_sheave(given.service_factor, core)
    out = drive_out(worked, core, frame)
    if given.centre_by_tape is not None:
        _hold_centres(given.centre_by_tape.value, worked.centre_mm)
    if given.belt.odd:
        notice(
            "caution",
            "odd-belt",
            f"One belt of the set is not like the others: {given.belt.odd}. It carries more or less than its share.",
            "input.belt.odd",
            "Renew the whole set, of one make and one date; never a single belt among worn ones.",
        )
    if given.belt.joined:
        out = out.model_copy(update={"designation": f"{out.designation}{JOINED}"})
        notice(
            "info",
            "joined",
            f"A joined belt counts as {worked.belts} single belts of its section (common practice); its band keeps them from turning over.",
            "input.belt.designation",
        )
    side = beside(
        frame,
        efficiency=efficiency_band(efficiency_kind(core.belt.section)),
        power_kw=core.power_kw,
        service=given.service_factor,
        centre_mm=worked.centre_mm,
        width_mm=worked.face_mm,
        weight=worked.weight,
        parts=worked.belts + 2,
    )
    frame.sheet = hold_speed(
        v_belt_sheet(given, out, frame, side, why),
        given.wanted,
        service=given.service_factor,
        driven_rpm=worked.driven_rpm,
        power_kw=core.power_kw,
        frame=frame,
    )
    return out
