"""What a reading step asks for: the targets in order, each with the kind of quantity and in words."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.jobs.facts import DriveKnown
from tuyere.jobs.situation import JobStep


@dataclass(frozen=True, slots=True, kw_only=True)
class Asked:
    """One thing to read. ``kinds`` are the quantities it may be given in, the usual one first; ``needed`` is asked before the step
    is worked, others may stay away; ``remembered`` holds for the drive and is taken over from an earlier job.
    """

    target: str
    label: str
    kinds: tuple[str, ...]
    needed: bool = True
    remembered: bool = False


def _one(label: str, kind: str) -> tuple[Asked, ...]:
    return (Asked(target="it", label=label, kinds=(kind,)),)


FEET = (
    Asked(target="inboard", label="wheel to the inboard feet", kinds=("length",), needed=False, remembered=True),
    Asked(target="spacing", label="inboard to outboard feet", kinds=("length",), needed=False, remembered=True),
    Asked(target="height", label="shaft above the soles", kinds=("length",), needed=False, remembered=True),
    Asked(target="jack", label="one turn of a jack bolt", kinds=("length",), needed=False, remembered=True),
)
GAPS = tuple(Asked(target=at, label=at, kinds=("gap",)) for at in ("near", "far", "top", "bottom"))
STRING = (
    Asked(target="far stays", label="far, wheel that stays", kinds=("gap",)),
    Asked(target="near stays", label="near, wheel that stays", kinds=("gap",)),
    Asked(target="near", label="near, wheel that moves", kinds=("gap",)),
    Asked(target="far", label="far, wheel that moves", kinds=("gap",)),
    Asked(target="level stays", label="lean of the wheel that stays", kinds=("angle",), needed=False),
    Asked(target="level moves", label="lean of the wheel that moves", kinds=("angle",), needed=False),
)
FOOT = tuple(
    Asked(target=at, label=f"{at} foot", kinds=("gap",), needed=False)
    for at in ("inboard near", "inboard far", "outboard near", "outboard far")
)
ARM = (
    Asked(target="pull at", label="pivot to the pull", kinds=("length",), remembered=True),
    Asked(target="idler at", label="pivot to the idler", kinds=("length",), remembered=True),
    Asked(target="turn", label="turn of the belt on the idler", kinds=("angle",), remembered=True),
    Asked(target="let in", label="pull, let in slowly", kinds=("force",)),
    Asked(target="let out", label="pull, let out slowly", kinds=("force",)),
)


def asked_at(step: JobStep, known: DriveKnown, tool: str) -> tuple[Asked, ...]:
    """What a reading step asks of this drive; ``tool`` is what the line is read with."""
    reads = step.of.reads
    if reads == "tension":
        return tuple(
            Asked(target=f"belt {no}", label=f"belt {no}", kinds=("force", "frequency"))
            for no in range(1, known.belts + 1)
        )
    if reads == "gaps":
        return (*(STRING if tool == "string" else GAPS), *FEET)
    if reads == "soft-foot":
        return FOOT
    if reads == "rims":
        return (
            Asked(target="stays", label="wheel that stays", kinds=("gap",), remembered=True),
            Asked(target="moves", label="wheel that moves", kinds=("gap",), remembered=True),
        )
    if reads == "run-out":
        return (
            Asked(target="least", label="least reading", kinds=("gap",)),
            Asked(target="greatest", label="greatest reading", kinds=("gap",)),
        )
    if reads == "arm-pull":
        # Where the arm is drawn its lengths and the belt's turn are known: only the pull is read.
        return ARM if known.lever is None else ARM[3:]
    if reads == "chain-stretch":
        return (
            Asked(target="pitches", label="pitches measured", kinds=("count",)),
            Asked(target="length", label="length over them", kinds=("length",)),
        )
    if reads == "chain-pair":
        return (
            Asked(target="pitches", label="pitches measured", kinds=("count",)),
            Asked(target="length", label="drive chain over them", kinds=("length",)),
            Asked(target="dogged", label="dogged chain over them", kinds=("length",)),
        )
    if reads == "groove-gap":
        return (
            Asked(target="driver", label="worst groove of the driver", kinds=("gap",), needed=False),
            Asked(target="driven", label="worst groove of the driven wheel", kinds=("gap",), needed=False),
        )
    if reads == "chain-hand":
        return _one("movement by hand", "length")
    if reads == "turns":
        return (
            Asked(target="one", label="first screw", kinds=("turns",)),
            Asked(target="other", label="other screw", kinds=("turns",), needed=False),
        )
    if reads == "sheave-turns":
        return _one("turns open, from closed", "turns")
    plain = {
        "text": ("what is printed", "text"),
        "length": ("measured", "length"),
        "count": ("counted", "count"),
        "torque": ("torque", "torque"),
        "speed": ("driven shaft", "speed"),
        "amps": ("amps", "current"),
    }
    label, kind = plain[reads]
    return _one(label, kind)
