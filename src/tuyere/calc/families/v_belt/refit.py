"""A typed centre distance on a V-belt drive: belts come in standard lengths, so it means the belt nearest to it."""

from __future__ import annotations

from tuyere.calc.entry import reading_in
from tuyere.calc.families.protocol import Refit
from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn, case_of
from tuyere.calc.frame import Frame
from tuyere.calc.shop import UnreadableNumber, read
from tuyere.core.errors import InputError, NoSolution
from tuyere.core.geometry.centre import centre_of_length
from tuyere.core.geometry.formulas import open_length
from tuyere.core.notices import collected_notices
from tuyere.core.steps import quiet, solved
from tuyere.core.v_belt.belts import belt_of, length_mm_of, standard_numbers

GIVE = 0.03  # how far a slide gives either way where nothing is said


def nearest_belt(given: VBeltDriveIn, typed: str, frame: Frame) -> Refit[VBeltDriveIn]:
    """The drive with the standard belt that stands nearest to the typed centres.

    Raises InputError where nothing standard comes within 3 % of it, or a flat pulley leaves no choice.
    """
    if given.driven.sheave.groove == "flat":
        raise InputError(
            "centre_distance", typed, "on a flat pulley the belt decides the centre distance", "type another belt"
        )
    try:
        with reading_in(frame.units):
            wanted = read(typed, "length", frame.units)
    except UnreadableNumber as e:
        raise InputError("centre_distance", typed, e.why, e.allowed) from e
    with quiet(), collected_notices():
        case = case_of(given, frame)
        now, two = case.loop.belt, case.route.plain
        assert two is not None
        reach: list[tuple[float, float, str]] = []
        for number in standard_numbers(now.section):
            one = belt_of(now.section, number)
            try:
                centre = centre_of_length(length_mm_of(one), two.small.path_mm, two.large.path_mm)
            except (InputError, NoSolution):
                continue
            if centre > (two.small.outside_mm + two.large.outside_mm) / 2:
                reach.append((abs(centre - wanted), centre, one.designation))
    name = now.section.shown
    if not reach:
        raise InputError("centre_distance", typed, f"no standard {name} belt goes round these sheaves", "other sheaves")
    off, centre, designation = min(reach)
    at = frame.figure(centre, "length", "tape").shown
    if off > GIVE * wanted:
        raise InputError(
            "centre_distance",
            typed,
            f"no standard {name} belt comes within 3 % of that",
            f"nearest: {designation}, which stands at {at}",
        )
    centre = solved("a", centre, open_length, a=centre, d=two.small.path_mm, D=two.large.path_mm)
    made = given.model_copy(update={"belt": given.belt.model_copy(update={"designation": designation})})
    says = f"Belts come in standard lengths: {now.designation} became {designation}, which stands at {at}."
    return Refit(given=made, says="" if designation == now.designation else says, centre_mm=centre)
