"""From answers to causes, and to the check that tells most for its minutes.

Naive Bayes in log space against the background; signs that come together count once in full and half each after that.
Source: Bayes' rule; the sizes are those of the tables.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from tuyere.core.diagnosis.model import OTHER, Model
from tuyere.core.errors import InputError

Answer = Literal["yes", "no", "not looked"]
# Nothing is ever told as surer than this: judgement stands behind it, not statistics.
SUREST = 0.9
KINDRED = 0.5
MAKE_SAFE_MIN = 12.0
WALK_MIN = 3.0
SETTLED, AHEAD = 0.5, 4.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Weighed:
    """A cause with its share of one, the signs that speak for it and those against, the strongest first."""

    key: str
    share: float
    speaks_for: tuple[str, ...]
    speaks_against: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class NextCheck:
    """The sign to look at next: what it is expected to tell in bits, and for how many minutes of work, making safe included."""

    sign: str
    bits: float
    minutes: float
    needs_isolation: bool


def _checked(model: Model, answers: Mapping[str, str]) -> dict[int, bool]:
    """Answers that say something, by the place of their sign. Raises InputError."""
    out = {}
    for key, answer in answers.items():
        if answer not in ("yes", "no", "not looked"):
            raise InputError("answers", answer, "not an answer", "yes, no, not looked")
        k = model.sign(key)
        if answer != "not looked":
            out[k] = answer == "yes"
    return out


def _ratios(model: Model) -> tuple[NDArray[np.float64], NDArray[np.float64]]:
    """(log ratio against the background of a yes, of a no) by cause and sign."""
    return np.log(model.seen / model.background), np.log((1 - model.seen) / (1 - model.background))


def _damped(parts: NDArray[np.float64], groups: NDArray[np.int64]) -> NDArray[np.float64]:
    """Sum over signs for every cause: in a group the strongest counts in full, the others half."""
    total = np.zeros(parts.shape[0])
    for g in np.unique(groups):
        inside = parts[:, groups == g]
        strongest = np.take_along_axis(inside, np.abs(inside).argmax(axis=1)[:, None], axis=1)[:, 0]
        total += KINDRED * inside.sum(axis=1) + (1 - KINDRED) * strongest
    return total


def posterior(model: Model, answers: Mapping[str, str]) -> NDArray[np.float64]:
    """Share of each cause, ``OTHER`` last, before it is told no surer than it may be. Raises InputError for answers that are none."""
    told = _checked(model, answers)
    score = np.log(model.prior)
    if told:
        places = np.array(list(told))
        yes = np.array(list(told.values()))
        if_yes, if_no = _ratios(model)
        parts = np.where(yes, if_yes[:, places], if_no[:, places])
        score = score + _damped(parts, model.group[places])
    share = np.exp(score - score.max())
    return np.asarray(share / share.sum())


def weighed(model: Model, answers: Mapping[str, str]) -> tuple[Weighed, ...]:
    """Every cause, the likeliest first, with what speaks for and against it; none surer than ``SUREST``."""
    shares = posterior(model, answers)
    top = shares.max()
    if top > SUREST:
        rest = shares.sum() - top
        shares = np.where(shares == top, SUREST, shares * ((1 - SUREST) / rest if rest else 0.0))
    told = _checked(model, answers)
    if_yes, if_no = _ratios(model)
    out = []
    for c, key in enumerate(model.cause_keys()):
        weight = {k: (if_yes if yes else if_no)[c, k] for k, yes in told.items()}
        order = sorted(weight, key=lambda k: -abs(weight[k]))
        out.append(
            Weighed(
                key=key,
                share=float(shares[c]),
                speaks_for=tuple(model.signs[k].key for k in order if weight[k] > 0.1),
                speaks_against=tuple(model.signs[k].key for k in order if weight[k] < -0.1),
            )
        )
    return tuple(sorted(out, key=lambda w: -w.share))


def _entropy(p: NDArray[np.float64], axis: int = 0) -> NDArray[np.float64]:
    q = np.clip(p, 1e-12, 1.0)
    return np.asarray(-(q * np.log2(q)).sum(axis=axis))


def bits_of(model: Model, answers: Mapping[str, str]) -> NDArray[np.float64]:
    """What each sign is expected to tell, in bits: how much the doubt about the cause shrinks on average by looking."""
    share = posterior(model, answers)
    told = _checked(model, answers)
    # A sign beside one of its kin tells half as much again: so it is asked for half its weight.
    kin = {model.group[k] for k in told}
    seen = model.seen.copy()
    for k in range(seen.shape[1]):
        if model.group[k] in kin:
            seen[:, k] = model.background[k] * (seen[:, k] / model.background[k]) ** KINDRED
    seen = np.clip(seen, 1e-6, 1 - 1e-6)
    yes = share @ seen
    after_yes = share[:, None] * seen / yes
    after_no = share[:, None] * (1 - seen) / (1 - yes)
    told_bits = _entropy(share[:, None])[0] - (yes * _entropy(after_yes) + (1 - yes) * _entropy(after_no))
    bits = np.maximum(told_bits, 0.0)
    for key in answers:
        bits[model.sign(key)] = 0.0
    return np.asarray(bits)


def next_check(model: Model, answers: Mapping[str, str], *, isolated: bool) -> NextCheck | None:
    """The check that is expected to tell most for a minute of work; None where nothing is left that tells anything.

    Before the machine is isolated a check with the guard off costs the making safe as well, and says so; once it is isolated nothing
    is asked that wants it running. What hangs in the record costs a minute.
    """
    bits = bits_of(model, answers)
    best: NextCheck | None = None
    for k, s in enumerate(model.signs):
        if bits[k] <= 1e-3 or (isolated and s.needs_it_running):
            continue
        needs = s.guard == "off" and not isolated
        minutes = s.minutes + WALK_MIN + (MAKE_SAFE_MIN if needs else 0.0)
        found = NextCheck(sign=s.key, bits=float(bits[k]), minutes=minutes, needs_isolation=needs)
        if best is None or found.bits / found.minutes > best.bits / best.minutes:
            best = found
    return best


def settled(found: tuple[Weighed, ...]) -> bool:
    """Whether asking on would change little: one cause that is known has half of it, and four times the next one."""
    return found[0].key != OTHER and found[0].share >= SETTLED and found[0].share >= AHEAD * found[1].share


def contradictions(model: Model, answers: Mapping[str, str]) -> tuple[tuple[str, str], ...]:
    """Pairs of answers that cannot both be right: a loop that ran its full life and died young, slack and tight at once."""
    yes = {k for k, a in answers.items() if a == "yes"}
    known = {s.key for s in model.signs}
    return tuple(pair for pair in APART if set(pair) <= yes and set(pair) <= known)


APART = (
    ("died-young", "full-life"),
    ("third-loop", "full-life"),
    ("tension-low", "tension-high"),
    ("c-slack", "c-wire-tight"),
    ("v-snap-clean", "v-came-off"),
    ("v-snap-frayed", "v-came-off"),
)
