"""A link belt in place of a V-belt."""

from __future__ import annotations

from dataclasses import dataclass

import tuyere.core.flat.tables  # noqa: F401
from tuyere.core.errors import InputError
from tuyere.core.flat.formulas import links_off
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN


@dataclass(frozen=True, slots=True)
class LinkBelt:
    """Links hand-tight, to take off and to run; least pulley in mm."""

    hand_tight: float
    take_off: float
    run: float
    least_pulley_mm: float


def work_link_belt(section: str, links: int | None, path_mm: float | None) -> LinkBelt:
    """Links of a link belt from a hand-tight count, or from the path when nothing could be counted.

    Raises InputError when both or neither are given. Source: common practice.
    """
    t = table("link_belts")
    try:
        row = t.row(section=section)
    except KeyError as e:
        raise InputError("section", section, "no practice on hand for this section", "Z A B C") from e
    if (links is None) == (path_mm is None):
        raise InputError(
            "links", links, "give the links counted hand-tight, or the path length", "exactly one of the two"
        )
    if links is None:
        assert path_mm is not None
        links = round(path_mm / MM_PER_IN / row["pitch"])
        notice(
            "caution",
            "pitch-assumed",
            f"A link pitch of {row['pitch']:g} in is assumed: types differ, count 12 in of yours.",
            "input.path",
        )
    if not 12 <= links <= 5000:
        raise InputError("links", links, "not a belt", "12 to 5000 links")
    off: float = links_off(float(links), looked_up("one_in", float(row["one_in"]), t.id, t.source_of()))
    notice(
        "info",
        "direction",
        "Tabs trail and the belt is pulled, not pushed. Tension again after 24 hours of running.",
        "input.links",
    )
    notice(
        "caution",
        "link-rating",
        "Count it at 0.9 of the plain V-belt at the most; never among endless belts.",
        "input.section",
    )
    return LinkBelt(links, off, links - off, row["pulley"] * MM_PER_IN)
