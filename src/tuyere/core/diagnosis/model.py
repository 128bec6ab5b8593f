"""The tables of signs and causes as arrays, one model for each kind of drive."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray

from tuyere.core.errors import InputError
from tuyere.core.tables import declare, table

declare("tuyere.core.diagnosis", ("signs", "causes", "likelihoods"))

# A cause that is in no table: one failure in twenty, and it shows every sign as often as any drive does.
OTHER, OTHER_SHARE = "other", 0.05
# People see what is not there and miss what is: one answer in twenty is taken to be wrong.
SLIP = 0.05
# Which kinds of loop the tables mean by their short words.
KINDS = {
    "v": "v",
    "v-light": "v",
    "v-joined": "v",
    "v-link": "link",
    "sync": "sync",
    "flat-belt": "flat",
    "round": "round",
    "chain": "chain",
    "chain-dogged": "chain",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Sign:
    """Something to be seen: where, how, whether the guard has to come off, the minutes it takes, a drawing of it."""

    key: str
    families: str
    where: str
    words: str
    how: str
    guard: str
    minutes: float
    picture: str
    background: float
    group: str

    @property
    def from_the_record(self) -> bool:
        """Whether it is asked or read up, not looked at."""
        return self.where == "history"

    @property
    def needs_it_running(self) -> bool:
        """Whether it is seen on a machine that runs, from outside its guard."""
        return self.where == "operation" and self.guard == "on"


@dataclass(frozen=True, slots=True, kw_only=True)
class Cause:
    """A reason for a failure: how often it is one, what to do, what to check before a new loop goes on, which job does it."""

    key: str
    families: str
    words: str
    prior: float
    prior_why: str
    do: str
    before_new: str
    job: str
    source: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Likelihood:
    """How often a cause shows a sign, and why."""

    sign: str
    cause: str
    p: float
    why: str
    source: str
    confidence: str


@dataclass(frozen=True, kw_only=True)
class Model:
    """One kind of drive: its signs and causes in the tables' order, ``OTHER`` last.

    ``seen[c, s]`` is the chance that a person who looks says yes to sign s where c is the cause, slips of the eye counted in;
    ``background`` the same for a drive that failed for any other reason. Shares, not percent.
    """

    kind: str
    signs: tuple[Sign, ...]
    causes: tuple[Cause, ...]
    prior: NDArray[np.float64]
    seen: NDArray[np.float64]
    background: NDArray[np.float64]
    group: NDArray[np.int64]

    def sign(self, key: str) -> int:
        """Where a sign stands. Raises InputError for one that is not looked for on such a drive."""
        for k, s in enumerate(self.signs):
            if s.key == key:
                return k
        raise InputError("answers", key, "not a sign of such a drive", "a sign of the list for this kind of drive")

    def cause_keys(self) -> tuple[str, ...]:
        """Keys of the causes, ``OTHER`` last."""
        return (*(c.key for c in self.causes), OTHER)


def slipped(p: NDArray[np.float64] | float, slip: float = SLIP) -> NDArray[np.float64]:
    """The chance of a yes when some answers are wrong either way.

    >>> float(slipped(1.0, 0.1)), float(slipped(0.0, 0.1)), float(slipped(0.5, 0.1))
    (0.9, 0.1, 0.5)
    """
    return np.asarray(p * (1 - slip) + (1 - np.asarray(p)) * slip)


def likelihoods() -> dict[tuple[str, str], Likelihood]:
    """Every listed pair of sign and cause."""
    return {(row.sign, row.cause): row for row in table("likelihoods").records(Likelihood)}


def kind_of_loop(loop: str) -> str:
    """The tables' word for a kind of loop. Raises InputError."""
    if loop not in KINDS:
        raise InputError("kind", loop, "no signs are known of such a drive", ", ".join(KINDS))
    return KINDS[loop]


def cause_words() -> dict[str, str]:
    """Every cause in words, by key, and the one that is in no table."""
    return {c.key: c.words for c in table("causes").records(Cause)} | {OTHER: "something else"}


@cache
def model_of(kind: str) -> Model:
    """The model of a kind of drive: v, sync, flat, round, link or chain. Raises InputError."""
    signs = tuple(s for s in table("signs").records(Sign) if kind in s.families.split(";"))
    causes = tuple(c for c in table("causes").records(Cause) if kind in c.families.split(";"))
    if not causes:
        raise InputError("kind", kind, "no signs are known of such a drive", ", ".join(sorted(set(KINDS.values()))))
    listed = likelihoods()
    background = np.array([s.background for s in signs])
    shown = np.array(
        [[listed[s.key, c.key].p if (s.key, c.key) in listed else s.background for s in signs] for c in causes]
        + [list(background)]
    )
    prior = np.array([c.prior for c in causes])
    prior = np.append(prior / prior.sum() * (1 - OTHER_SHARE), OTHER_SHARE)
    groups = list(dict.fromkeys(s.group or s.key for s in signs))
    return Model(
        kind=kind,
        signs=signs,
        causes=causes,
        prior=prior,
        seen=slipped(shown),
        background=slipped(background),
        group=np.array([groups.index(s.group or s.key) for s in signs]),
    )
