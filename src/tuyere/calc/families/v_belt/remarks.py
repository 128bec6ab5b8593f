"""What is remarked on a V-belt drive that stands: the tape against the belt, an odd belt, a joined one."""

from __future__ import annotations

from tuyere.calc.families.v_belt.drive_model import VBeltDriveIn
from tuyere.core.notices import notice

JOINED = " joined"
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
    if given.belt.joined:
        notice(
            "info",
            "joined",
            f"A joined belt counts as {count} single belts of its section (common practice); its band keeps them from turning over.",
            "input.belt.designation",
        )
