"""A drive that does not turn: which side is held, by a short tree in the order of least work."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare("tuyere.core.diagnosis", ("dead_drive", "dead_ends"))

FIRST = "supply"
# The parts in the order in which the power goes through them.
PARTS = ("supply", "motor", "gearbox", "loop", "idler", "wheels", "machine")
# Answers after which a part is known to be well.
WELL = ("there", "yes", "free", "both hold", "none there", "no gearbox", "both free")


@dataclass(frozen=True, slots=True, kw_only=True)
class Look:
    """Something to look at: what is asked, how, guard on or off, minutes, the part it speaks of, answer -> what follows."""

    key: str
    words: str
    how: str
    guard: str
    minutes: float
    share: float
    part: str
    leads: Mapping[str, str]


@dataclass(frozen=True, slots=True, kw_only=True)
class End:
    """Where the search ends: what it is, what is done, the part that is held or gone, the job that does it."""

    key: str
    words: str
    does: str
    part: str
    job: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Walked:
    """The way so far: (look, answer) in order, the next look or the end, what is known of each part, minutes spent."""

    path: tuple[tuple[Look, str], ...]
    then: Look | None
    end: End | None
    parts: Mapping[str, str]
    minutes: float


@cache
def looks() -> dict[str, Look]:
    """Every look by its key."""
    out = {}
    for key, words, how, guard, minutes, share, part, answers, _ in table("dead_drive").rows:
        pairs = (a.split(">") for a in str(answers).split(";"))
        out[str(key)] = Look(
            key=str(key),
            words=str(words),
            how=str(how),
            guard=str(guard),
            minutes=float(minutes),
            share=float(share),
            part=str(part),
            leads={a.strip(): to.strip() for a, to in pairs},
        )
    return out


@cache
def ends() -> dict[str, End]:
    """Every end by its key."""
    return {
        str(key): End(key=str(key), words=str(words), does=str(does), part=str(part), job=str(job))
        for key, words, does, part, job, _ in table("dead_ends").rows
    }


def walk(answers: Mapping[str, str]) -> Walked:
    """Follow the answers from the first look. Raises InputError for a look that is not on the way, or an answer that is none of its own."""
    path: list[tuple[Look, str]] = []
    parts = dict.fromkeys(PARTS, "unknown")
    at, end = FIRST, None
    while at in answers:
        look, answer = looks()[at], answers[at]
        if answer not in look.leads:
            raise InputError("answers", answer, "not an answer to that", ", ".join(look.leads))
        path.append((look, answer))
        if look.part and answer in WELL:
            parts[look.part] = "well"
        follows = look.leads[answer]
        if follows.startswith(":"):
            end = ends()[follows[1:]]
            if end.part:
                parts[end.part] = "held"
            break
        at = follows
    if strange := set(answers) - {look.key for look, _ in path}:
        raise InputError("answers", sorted(strange)[0], "that was not asked on this way", "the answers in their order")
    then = None if end else looks()[at]
    return Walked(path=tuple(path), then=then, end=end, parts=parts, minutes=sum(look.minutes for look, _ in path))


def every_way(answers: Mapping[str, str] | None = None) -> Iterator[Walked]:
    """All ways through the tree to their ends."""
    here = walk(answers or {})
    if here.then is None:
        yield here
        return
    for answer in here.then.leads:
        yield from every_way({**(answers or {}), here.then.key: answer})
