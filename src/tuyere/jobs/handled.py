"""What a step is about on this drive: the wheels, strands and loop that its drawing marks."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drive.elevation import Elevation


@dataclass(frozen=True, slots=True, kw_only=True)
class Handled:
    """Parts of an elevation by their ids, and in words; ``around`` is what stands round the drive, its guard first."""

    words: str
    wheels: tuple[str, ...] = ()
    strands: tuple[str, ...] = ()
    loop: bool = False
    around: bool = False


def handled_at(elevation: Elevation, part: str) -> Handled:
    """The parts of a drive that a template's word for them means. Where the drive has no such part it is the loop, or nothing.

    The word "wheels" is written {wheel}s, as each person calls them.
    """
    roles = {w.id: w.role for w in elevation.wheels}
    all_of = tuple(roles)
    idlers = tuple(i for i, role in roles.items() if role == "idler")
    slack = tuple(s.id for s in elevation.strands if s.side == "slack") or tuple(s.id for s in elevation.strands)[:1]
    driver = tuple(i for i, role in roles.items() if role == "driver")
    driven = tuple(i for i, role in roles.items() if role == "driven")
    found = {
        "loop": Handled(words="the loop", loop=True, strands=tuple(s.id for s in elevation.strands)),
        "strand": Handled(words="this strand", strands=slack),
        "wheels": Handled(words="the {wheel}s", wheels=all_of),
        "driver": Handled(words="the driver", wheels=driver),
        "driven": Handled(words="the driven shaft", wheels=driven),
        "line": Handled(words="both faces, in one line", wheels=(*driver, *driven)),
        "mover": Handled(words="the side that moves", wheels=driver),
        "idler": Handled(words="the idler", wheels=idlers)
        if idlers
        else Handled(words="the loop", loop=True, strands=slack),
        "guard": Handled(words="the guard", around=True),
        "around": Handled(words="all round it", around=True),
    }
    return found.get(part, Handled(words=""))
