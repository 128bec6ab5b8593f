"""A card of the bench: its sentence with blanks, its picture, its figures and its bar, declared beside a calculation."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Literal

from pydantic import Field

from tuyere.calc.answer import Answer, Figure

Picture = Literal[
    "wheels",
    "section",
    "chain-tape",
    "slack",
    "losses",
    "cut",
    "bearings",
    "motor",
    "groove-gauge",
    "sprocket",
    "take-up",
    "strip",
    "toothed",
    "housing",
    "made",
    "flow",
    "rollers",
    "notes",
    "fall",
    "plan",
    "dial",
    "feet",
    "quarter",
    "plate",
    "factor",
    "bearing",
    "bushing",
    "crown",
    "joint",
    "link",
    "loop",
    "two-chains",
    "limits",
    "printed",
    "sprocket-size",
    "toothed-size",
]
# Pictures that the answer itself draws: until then a sketch stands there.
DRAWN: frozenset[Picture] = frozenset({"made", "flow", "rollers", "notes", "fall"})
Topic = Literal[
    "Is it worn",
    "Is it in line and tight",
    "What is it, does it fit",
    "Speeds and sizes",
    "Cut, join and set",
    "What it carries and costs",
    "Make it",
]

BLANK = re.compile(r"\{([a-z_.0-9]+)(?:\?([^:}]*):([^}]*))?\}")


@dataclass(frozen=True, slots=True, kw_only=True)
class Card:
    """How a calculation is asked and answered on the bench.

    ``sentence`` has a blank for each field in braces, ``{measured}``; ``{crossed?open:crossed}`` picks between the words of a
    no and a yes. ``|`` begins a new line. ``figures`` are one to three fields of the result, the first of them large. ``fresh`` stands in a
    new form, and counts as assumed until it is touched. ``names`` are
    what the keys of a choice are called. ``then`` is the calculation that comes next, and its words.
    """

    asks: str
    topic: Topic
    sentence: str
    figures: tuple[str, ...]
    picture: Picture
    fresh: Mapping[str, str] = field(default_factory=dict)
    on_picture: tuple[str, ...] = ()
    names: Mapping[str, Mapping[str, str]] = field(default_factory=dict)
    then: tuple[str, str] | None = None

    @property
    def blanks(self) -> tuple[str, ...]:
        """Fields that the sentence asks."""
        return tuple(m[1] for m in BLANK.finditer(self.sentence))


class ZoneOut(Answer):
    """A stretch of a bar that is to be watched, or acted on."""

    low: float
    high: float
    state: Literal["fine", "watch", "act"]
    word: str


class MarkOut(Answer):
    """A mark under a bar."""

    at: float
    number: str


class BarOut(Answer):
    """A reading on its scale with the limits on it; all in one unit, ``unit``."""

    reading: float
    shown: str
    low: float
    high: float
    unit: str
    marks: list[MarkOut]
    zones: list[ZoneOut]


class CardAnswer(Answer):
    """What an answer of a card says first."""

    says: str = Field(default="", description="the answer as a sentence")
    bar: BarOut | None = Field(default=None, description="the reading on its scale, where there is a limit")


def mark(figure: Figure) -> MarkOut:
    """A mark where a figure stands."""
    return MarkOut(at=figure.value, number=figure.number)


def least_bar(reading: Figure, least: Figure, word: str) -> BarOut:
    """A size on its scale with the least that it may be; figures of one kind, ``word`` says what is wrong under it.

    Raises ValueError for a limit that is none.
    """
    if not least.value > 0:
        raise ValueError(f"{least.shown} is no limit")
    return BarOut(
        reading=max(reading.value, 0.0),
        shown=reading.shown,
        low=0.0,
        high=1.12 * max(reading.value, 1.25 * least.value),
        unit=reading.unit_shown,
        marks=[MarkOut(at=0.0, number="0"), mark(least)],
        zones=[ZoneOut(low=0.0, high=least.value, state="act", word=word)],
    )


def wear_bar(reading: Figure, watch: Figure, act: Figure, *, words: tuple[str, str] = ("order", "replace")) -> BarOut:
    """Wear on its scale from nothing, with where it is to be watched and where it must be acted on; figures of one kind.

    Raises ValueError where the limits do not follow each other.
    """
    if not 0 < watch.value <= act.value:
        raise ValueError(f"{watch.shown} and {act.shown} are no limits that follow each other")
    end = max(1.35 * act.value, 1.08 * reading.value)
    early = [] if watch.value == act.value else [watch]
    return BarOut(
        reading=max(reading.value, 0.0),
        shown=reading.shown,
        low=0.0,
        high=end,
        unit=reading.unit_shown,
        marks=[MarkOut(at=0.0, number="0"), *(mark(w) for w in early), mark(act)],
        zones=[
            *(ZoneOut(low=w.value, high=act.value, state="watch", word=words[0]) for w in early),
            ZoneOut(low=act.value, high=end, state="act", word=words[1]),
        ],
    )
