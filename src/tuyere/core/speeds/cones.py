"""Step pulleys: several speeds from one belt, so that the belt fits on every step."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from itertools import product
from math import sqrt

from tuyere.core.errors import InputError
from tuyere.core.geometry.formulas import crossed_length, open_length
from tuyere.core.steps import quiet

MOST_STEPS = 8
# Sizes are tried so many makeable steps to each side of the exact one.
BESIDE = 1


@dataclass(frozen=True, slots=True, kw_only=True)
class Step:
    """One step: driver and driven diameter, driven speed, length that a belt needs there, and how far that is from the belt's, mm."""

    driver_mm: float
    driven_mm: float
    rpm: float
    length_mm: float
    slack_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Cones:
    """The pair: its steps, the belt's length, and the most by which a step is off it to either side."""

    steps: tuple[Step, ...]
    length_mm: float
    most_slack_mm: float
    crossed: bool


def geometric(low: float, high: float, steps: int) -> tuple[float, ...]:
    """Speeds that grow by one ratio from step to step, the lowest first. Raises InputError."""
    if not 2 <= steps <= MOST_STEPS:
        raise InputError("steps", steps, "not so many steps on a pair of cones", f"2 to {MOST_STEPS}")
    if not 0 < low < high:
        raise InputError("low", low, "the lowest speed is not under the highest", "a lower one")
    phi = (high / low) ** (1 / (steps - 1))
    return tuple(low * phi**k for k in range(steps))


def length_on(centres: float, driver: float, driven: float, crossed: bool) -> float:
    """Length of a belt on a step: exact, for an open or a crossed belt, mm."""
    small, large = sorted((driver, driven))
    with quiet():
        return float((crossed_length if crossed else open_length)(centres, small, large))


def _fitting(centres: float, ratio: float, wanted: float, crossed: bool) -> tuple[float, float]:
    """(driver, driven) of a ratio driven/driver on which a belt of that length fits; the length grows with the size, so it is halved."""
    low, high = 0.0, 2 * centres / (1 + ratio) * (1 - 1e-9)
    if length_on(centres, high, high * ratio, crossed) < wanted:
        raise InputError(
            "centres", centres, "the shafts are too near for such steps", "further apart, or smaller wheels"
        )
    for _ in range(200):
        middle = (low + high) / 2
        if length_on(centres, middle, middle * ratio, crossed) < wanted:
            low = middle
        else:
            high = middle
    return high, high * ratio


def exact_cones(
    driver_rpm: float, speeds: Sequence[float], *, centres_mm: float, first_mm: float, crossed: bool = False
) -> Cones:
    """The pair whose every step takes one belt exactly; ``first_mm`` is the driver's diameter on the first step.

    Raises InputError for speeds, sizes or centres that make no pair. Source: exact belt length; for a crossed belt that is a
    constant sum of the two diameters.
    """
    _check(driver_rpm, speeds, centres_mm, first_mm)
    wanted = length_on(centres_mm, first_mm, first_mm * driver_rpm / speeds[0], crossed)
    pairs = [(first_mm, first_mm * driver_rpm / speeds[0])]
    pairs += [_fitting(centres_mm, driver_rpm / n, wanted, crossed) for n in speeds[1:]]
    return _cones(driver_rpm, pairs, centres_mm, crossed)


def one_pair(driver_rpm: float, rpm: float, *, centres_mm: float, first_mm: float, crossed: bool = False) -> Cones:
    """A single step, as the least of cones. Raises InputError where its wheels would meet. Source: kinematics."""
    _check(driver_rpm, (rpm, rpm), centres_mm, first_mm)
    return _cones(driver_rpm, [(first_mm, first_mm * driver_rpm / rpm)], centres_mm, crossed)


@dataclass(frozen=True, slots=True, kw_only=True)
class IdlerCones:
    """Two pairs with a cone between: motor to idler, idler to spindle; every speed of the spindle, lowest first (rpm)."""

    first: Cones
    second: Cones
    rpm: tuple[float, ...]
    factor: float


def idler_cones(
    driver_rpm: float,
    low_rpm: float,
    high_rpm: float,
    *,
    steps: tuple[int, int],
    centres_mm: tuple[float, float],
    first_mm: tuple[float, float],
    make_mm: float | None = None,
) -> IdlerCones:
    """Motor, idler and spindle: so many steps of the first belt times so many of the second, all speeds one geometric series.

    The first pair steps by what the whole second pair spans, so that no speed comes twice; a back gear in the place of the first
    pair would have that same ratio. Raises InputError for speeds, sizes and centres that make none. Source: textbook speed series.
    """
    n, m = steps
    if not (1 <= n <= 5 and 2 <= m <= 5):
        raise InputError("steps", n, "not so many steps on such cones", "1 to 5 and 2 to 5")
    if not 0 < low_rpm < high_rpm:
        raise InputError("highest", high_rpm, "the highest speed is over the lowest", "more than the lowest")
    factor = (high_rpm / low_rpm) ** (1 / (n * m - 1))
    middle = sqrt(low_rpm * high_rpm)
    idler = sqrt(driver_rpm * middle)
    between = [idler * factor ** (m * (k - (n - 1) / 2)) for k in range(n)]
    onto = [middle * factor ** (k - (m - 1) / 2) for k in range(m)]
    if n == 1:
        first = one_pair(driver_rpm, between[0], centres_mm=centres_mm[0], first_mm=first_mm[0])
    else:
        first = exact_cones(driver_rpm, between, centres_mm=centres_mm[0], first_mm=first_mm[0])
    second = exact_cones(idler, onto, centres_mm=centres_mm[1], first_mm=first_mm[1])
    if make_mm is not None:
        first = rounded_cones(driver_rpm, first, centres_mm=centres_mm[0], make_mm=make_mm)
        second = rounded_cones(idler, second, centres_mm=centres_mm[1], make_mm=make_mm)
    rpm = sorted(a.rpm * b.driver_mm / b.driven_mm for a in first.steps for b in second.steps)
    return IdlerCones(first=first, second=second, rpm=tuple(rpm), factor=factor)


def _check(driver_rpm: float, speeds: Sequence[float], centres_mm: float, first_mm: float) -> None:
    if not 2 <= len(speeds) <= MOST_STEPS:
        raise InputError("speeds", len(speeds), "not so many steps on a pair of cones", f"2 to {MOST_STEPS}")
    if driver_rpm <= 0 or min(speeds) <= 0 or first_mm <= 0:
        raise InputError("speeds", min(speeds), "a speed or a size of nothing", "more than 0")
    if max(speeds) / min(speeds) > 64:
        raise InputError("speeds", max(speeds), "too wide a range for one pair of cones", "64 times the lowest at most")
    large = first_mm * driver_rpm / speeds[0]
    if first_mm + large >= 2 * centres_mm:
        raise InputError(
            "centres",
            centres_mm,
            "the wheels of the first step would meet",
            "{least} or more",
            least=((first_mm + large) / 2, "length"),
        )


def _cones(driver_rpm: float, pairs: Sequence[tuple[float, float]], centres: float, crossed: bool) -> Cones:
    lengths = [length_on(centres, d, big, crossed) for d, big in pairs]
    belt = (max(lengths) + min(lengths)) / 2
    steps = tuple(
        Step(driver_mm=d, driven_mm=big, rpm=driver_rpm * d / big, length_mm=at, slack_mm=belt - at)
        for (d, big), at in zip(pairs, lengths, strict=True)
    )
    return Cones(steps=steps, length_mm=belt, most_slack_mm=(max(lengths) - min(lengths)) / 2, crossed=crossed)


def check_cones(
    driver_rpm: float, pairs: Sequence[tuple[float, float]], *, centres_mm: float, crossed: bool = False
) -> Cones:
    """A pair that is there: what its steps give and how well one belt fits them. Raises InputError."""
    if not 2 <= len(pairs) <= MOST_STEPS:
        raise InputError("pairs", len(pairs), "not so many steps on a pair of cones", f"2 to {MOST_STEPS}")
    for d, big in pairs:
        if min(d, big) <= 0 or d + big >= 2 * centres_mm:
            raise InputError("pairs", d, "the wheels of a step would meet", "smaller, or shafts further apart")
    return _cones(driver_rpm, pairs, centres_mm, crossed)


def rounded_cones(
    driver_rpm: float, exact: Cones, *, centres_mm: float, make_mm: float, speed_percent: float = 2.0
) -> Cones:
    """The pair in sizes that can be made (multiples of ``make_mm``), chosen together for the least slack over all steps.

    Each step offers its nearest sizes whose speed stays within ``speed_percent``; of all choices the one whose lengths lie closest
    together is taken, exactly (the smallest range that meets every step's list). Raises InputError where a step has no such size.
    """
    offers: list[list[tuple[float, float, float]]] = []
    for k, step in enumerate(exact.steps):
        found = []
        around = range(-BESIDE, BESIDE + 1)
        for i, j in product(around, around):
            d = (round(step.driver_mm / make_mm) + i) * make_mm
            big = (round(step.driven_mm / make_mm) + j) * make_mm
            if min(d, big) <= 0 or d + big >= 2 * centres_mm:
                continue
            if abs(driver_rpm * d / big / step.rpm - 1) * 100 <= speed_percent:
                found.append((length_on(centres_mm, d, big, exact.crossed), d, big))
        if not found:
            raise InputError(
                "make", make_mm, f"no such size gives the speed of step {k + 1}", "finer sizes, or a wider speed"
            )
        offers.append(sorted(found))
    best = smallest_range([[x[0] for x in o] for o in offers])
    pairs = [(offers[k][i][1], offers[k][i][2]) for k, i in enumerate(best)]
    return _cones(driver_rpm, pairs, centres_mm, exact.crossed)


def smallest_range(lists: Sequence[Sequence[float]]) -> tuple[int, ...]:
    """One index into each sorted list, so that the values lie as close together as they can.

    >>> smallest_range([[1.0, 9.0], [5.0, 8.5]])
    (1, 1)
    """
    at = [0] * len(lists)
    best, least = tuple(at), float("inf")
    while True:
        values = [x[i] for x, i in zip(lists, at, strict=True)]
        low = min(range(len(values)), key=values.__getitem__)
        reach = max(values) - values[low]
        if reach < least - 1e-12:
            best, least = tuple(at), reach
        at[low] += 1
        if at[low] == len(lists[low]):
            return best
