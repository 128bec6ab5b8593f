"""Joined belts: how many ribs in how many belts make a count, which sheaves take them, and what may stand in for a day."""

from __future__ import annotations

from math import ceil

from tuyere.core.v_belt.sections import Section

# As many ribs as one joined belt commonly has: common practice, no source.
LEAST_RIBS, MOST_RIBS = 2, 5
# Sections that are not made joined: light-duty belts and the smallest; common practice, no source.
NOT_JOINED_FAMILY = "light"
NOT_JOINED = ("Z",)


def made_joined(of: Section) -> bool:
    """Whether belts of a section are commonly made joined."""
    return of.family != NOT_JOINED_FAMILY and of.name not in NOT_JOINED


def ribs_of(count: int) -> tuple[int, ...]:
    """The fewest joined belts that make so many ribs, as alike as can be; nothing where one rib is all.

    >>> ribs_of(3), ribs_of(7), ribs_of(11)
    ((3,), (4, 3), (4, 4, 3))
    """
    if count < LEAST_RIBS:
        return ()
    belts = ceil(count / MOST_RIBS)
    least, more = divmod(count, belts)
    return tuple([least + 1] * more + [least] * (belts - more))


def fits_joined(groove: str) -> bool:
    """Whether a groove's spacing takes joined belts: deep and combination grooves are wider apart. Source: groove tables."""
    return "deep" not in groove and " in " not in groove
