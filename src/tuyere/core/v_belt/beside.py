"""Idlers and further shafts of a V-belt: what the belt's inside and its back run on."""

from __future__ import annotations

from dataclasses import replace

from tuyere.core.drive.method import WheelSaid
from tuyere.core.drive.path import Path
from tuyere.core.drive.wheel import Wheel
from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import quiet
from tuyere.core.tension.formulas import tension_ratio_limit
from tuyere.core.v_belt.case import VBeltCase, wheel_of
from tuyere.core.v_belt.sections import Section
from tuyere.core.v_belt.sheaves import sheave

# A belt's back on a plain rim has no groove to wedge in: rubber and fabric on steel, textbooks, recalled.
BACK_FRICTION = 0.30


def back_grip(arc_deg: float) -> float:
    """The ratio of strand tensions that a V-belt's back holds on a plain rim. Source: belt equation; friction recalled."""
    ratio: float = tension_ratio_limit(BACK_FRICTION, arc_deg)
    return ratio


def back_over_line_mm(section: Section) -> float:
    """How far a belt's back lies over the line of its length, flush with the rim of its groove. Source: groove tables."""
    with quiet():
        groove = sheave(10 * section.depth_mm + 100, "outside", section.groove, "diameter")
    return (groove.outside_mm - groove.line_mm) / 2


def wheel_beside(section: Section, said: WheelSaid, field: str) -> Wheel:
    """A grooved wheel inside the belt, a plain one at its back. Raises InputError naming ``field``."""
    if said.outside_mm is None:
        raise InputError(f"{field}.diameter", None, "how large is it?", "outside diameter by tape or caliper")
    with quiet():
        grooved = sheave(said.outside_mm, "outside", section.groove, f"{field}.diameter")
        if said.side == "inside":
            return wheel_of(grooved, said.ident, said.role)
        # At a plain wheel the line of the belt's length runs as far out as its back lies over it in a groove.
        plain = wheel_of(grooved, said.ident, said.role)
        path = said.outside_mm + 2 * back_over_line_mm(section)
        return replace(plain, path_mm=path, pitch_mm=path, outside_mm=said.outside_mm, profile="flat")


# So little does a roller bend a belt that is only pressed against it; judgement, no source.
PRESSED_DEG = 15.0


def remark_bends(case: VBeltCase, path: Path) -> None:
    """A belt bent backwards: what stands it, and what does not. Source: handbooks; common practice."""
    back = [s for s in case.route.stops if s.side == "outside"]
    if not back:
        return
    section = case.loop.belt.section
    sharp = [s for s in back if path.wrap(s.wheel.id).arc_deg > PRESSED_DEG]
    if not sharp:
        notice(
            "info",
            "pressed-from-behind",
            f"{len(back)} wheels are only pressed against the belt's back, which hardly bends it.",
            "input.around",
        )
        return
    names = ", ".join(s.wheel.id for s in sharp)
    if case.loop.link:
        notice(
            "danger",
            "link-bent-back",
            f"A link belt bent backwards over {names} opens at its tabs.",
            "input.around",
            "An endless belt made for it, or a grooved idler inside the loop.",
        )
        return
    shy = section.cogged or section.family in ("narrow", "wedge")
    notice(
        "caution",
        "bends-back",
        f"{names} bends the belt backwards: ask for a construction made for it"
        + (", for cogged and narrow belts dislike it" if shy else "")
        + ". No figure of how much life that costs is on hand.",
        "input.around",
        "A clutching or double-sided construction, the idler a third larger than the small sheave.",
    )
    if any(s.wheel.role == "driven" for s in sharp):
        notice(
            "caution",
            "driven-by-the-back",
            "A shaft that the belt's back drives has no wedge to drive it: its grip is that of a flat belt.",
            "input.around",
            "A double-sided belt and grooves on that wheel.",
        )
