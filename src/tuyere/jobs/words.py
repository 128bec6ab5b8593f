"""The words that templates are written in; a template with another word is refused when it is read."""

from __future__ import annotations

from typing import Literal, get_args

StepKind = Literal["isolate", "prove", "do", "read", "decide", "sign", "restore"]
JobKind = Literal[
    "fit", "retension", "align", "run-in", "speed", "inspect", "replace", "find-cause", "lubricate", "free"
]
# A machine's own sources of energy, as the store keeps them.
Energy = Literal[
    "electric",
    "engine",
    "battery",
    "pto",
    "fuel",
    "hydraulic",
    "pneumatic",
    "spring",
    "gravity",
    "heat",
    "backdrive",
    "edges",
    "other",
]
TakeUp = Literal[
    "slide-base",
    "jack-bolts",
    "pivot-base",
    "sprung-idler",
    "lever-idler",
    "weighted-idler",
    "screw-idler",
    "fixed-centres",
    "eccentric-block",
    "conveyor-screws",
]
Mounting = Literal["taper-flush", "taper-flanged", "key-setscrew", "interference", "nut-end", "bolted-hub"]
# Kinds of loop as a mechanic tells them apart; a family says which of them a drive of its own is.
Loop = Literal["v", "v-light", "v-joined", "v-link", "flat-belt", "round", "sync", "chain", "chain-dogged"]
Who = Literal["anyone", "licensed"]
# What a reading step takes: how it is asked, and what is worked from it.
Reads = Literal[
    "text",
    "length",
    "count",
    "torque",
    "turns",
    "sheave-turns",
    "speed",
    "amps",
    "run-out",
    "soft-foot",
    "rims",
    "gaps",
    "tension",
    "arm-pull",
    "chain-hand",
    "chain-stretch",
    "groove-gap",
    "chain-pair",
]
# Which part of the drive a step is about, as it is marked on the elevation; "around" is what stands round it, "away" is not at it.
Part = Literal["loop", "strand", "wheels", "driver", "driven", "line", "mover", "idler", "guard", "around", "away"]
# What doing a step does to the drive, where a simulated one has to follow.
Does = Literal["new-loop"]
EventKind = Literal["done", "skipped", "noted", "read", "found", "signed", "moved", "reopened"]
# When a new loop is looked at again: the schools differ.
Recheck = Literal["24-hours", "50-hours", "all"]
ANY = "any"
NEVER_SKIPPED = ("isolate", "prove", "sign", "restore")


def words(of: object) -> tuple[str, ...]:
    """The words of one of the lists above."""
    return get_args(of)
