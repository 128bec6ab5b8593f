"""Where a figure hangs on the elevation: a wheel, a strand or the distance of two shafts, by their ids in the drive."""

from __future__ import annotations

from tuyere.core.drive.wheel import DRIVEN, DRIVER


def at_wheel(ident: str) -> str:
    """At a wheel."""
    return f"wheel:{ident}"


def at_strand(after: str, before: str) -> str:
    """At the strand that runs from one wheel to another."""
    return f"strand:{after}-{before}"


def at_centres(a: str, b: str) -> str:
    """At the dimension line between two shafts."""
    return f"centres:{a}-{b}"


# The plain drive's five places: what arrives at the driver is tight, what leaves it slack.
AT_DRIVER, AT_DRIVEN = at_wheel(DRIVER), at_wheel(DRIVEN)
AT_TIGHT, AT_SLACK = at_strand(DRIVEN, DRIVER), at_strand(DRIVER, DRIVEN)
AT_CENTRES = at_centres(DRIVER, DRIVEN)
