"""What is remarked on a V-belt drive that stands: the tape against the belt, an odd belt, a joined one."""

from __future__ import annotations

from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.v_belt.joined import fits_joined, ribs_of

JOINED = " joined"
SINGLES = "single belts stand in the place of a joined one: a matched set, written down, to be put right"
# A belt in use is a per cent or so longer than new, and a tape held from shaft to shaft is no better.
TAPE_SHARE = 0.02


def remark_centres(given: VBeltDriveIn, belt_mm: float) -> None:
    """Say so where the tape and the belt on its sheaves do not agree. Source: geometry; the share is common practice."""
    if given.centre_by_tape is None or abs(given.centre_by_tape.value - belt_mm) <= TAPE_SHARE * belt_mm:
        return
    notice(
        "caution",
        "centres-differ",
        "By the tape the shafts stand {tape} apart, this belt on these sheaves stands at {belt}.",
        "input.centre_by_tape",
        "One of them is misread: the print, a sheave (rim or datum), or the tape. A stretched belt stands a little further.",
        tape=(given.centre_by_tape.value, "length"),
        belt=(belt_mm, "length"),
    )


def remark_belts(given: VBeltDriveIn, count: int) -> None:
    """Odd and joined belts."""
    if given.belt.odd:
        notice(
            "caution",
            "odd-belt",
            f"One belt of the set is not like the others: {given.belt.odd}. It carries more or less than its share.",
            "input.belt.odd",
            "Renew the whole set, of one make and one date; never a single belt among worn ones.",
        )
    if given.belt.joined and given.belt.in_place_of_joined:
        raise InputError(
            "belt.in_place_of_joined", True, "a joined belt does not stand in for a joined one", "single belts"
        )
    if given.belt.joined:
        made = ribs_of(count)
        if len(made) > 1:
            notice(
                "info",
                "ribs",
                f"{count} ribs are {len(made)} joined belts of {' and '.join(str(n) for n in made)} ribs, of one make and date.",
                "input.belt.count",
            )
        elif not made:
            notice(
                "caution",
                "one-rib",
                "One rib is no joined belt: take a single one, or two ribs.",
                "input.belt.count",
            )
        for name, wheel in (("driver", given.driver.sheave), ("driven", given.driven.sheave)):
            if wheel.groove is not None and not fits_joined(wheel.groove):
                notice(
                    "danger",
                    "joined-in-deep",
                    f"The grooves of the {name} stand further apart than the ribs of a joined belt: it rides up and tears.",
                    f"input.{name}.sheave.groove",
                    "Single belts, or a sheave of the standard spacing.",
                )
        notice(
            "info",
            "joined",
            f"A joined belt counts as {count} single belts of its section (common practice); its band keeps them from turning over.",
            "input.belt.designation",
        )
