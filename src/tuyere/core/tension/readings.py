"""What was read, as the tension of one belt with its uncertainty; several belts and several plucks together."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from math import hypot
from statistics import fmean, median

from tuyere.core.errors import InputError
from tuyere.core.steps import quiet
from tuyere.core.tension.reading_formulas import (
    idler_force,
    stretch_of_marks,
    tension_of_force,
    tension_of_frequency,
    tension_of_idler,
    tension_of_stretch,
)
from tuyere.core.tension.tables import table
from tuyere.core.units import MM_PER_IN, N_PER_LBF

ODD_PERCENT = 20.0  # common practice, a guess: how far one belt of a set may be off the rest
PLUCK_PERCENT = 4.0
HEARD_HZ = (5.0, 500.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class AsTension:
    """A reading as the tension of one belt at rest, N, with one standard deviation."""

    tension_n: float
    error_n: float


def method_row(method: str) -> dict[str, object]:
    """A way of reading. Raises InputError for one that is not in the table."""
    t = table("tension_methods")
    if method not in t.column("method"):
        raise InputError("method", method, "not a way to read a tension", ", ".join(t.column("method")))
    return t.row(method=method)


def _error(work: Callable[..., float], values: Sequence[float], errors: Sequence[float]) -> float:
    """How far the result is off when each value is off by its own error: first order, by differences."""
    with quiet():
        here = float(work(*values))
        parts = []
        for k, e in enumerate(errors):
            if e:
                moved = list(values)
                moved[k] += e
                parts.append(float(work(*moved)) - here)
    return hypot(*parts) if parts else 0.0


def by_force(
    force_n: float,
    deflection_mm: float,
    *,
    span_mm: float,
    stiffness_n: float,
    share_mm: float,
    method: str = "plunger",
) -> AsTension:
    """From a force at mid-span and how far it went in. Raises InputError for a force that the stretch alone explains.

    >>> round(by_force(20.0, 8.0, span_mm=512.0, stiffness_n=0.0, share_mm=512.0).tension_n)
    320
    """
    if not 0 < deflection_mm <= span_mm / 8:
        raise InputError(
            "deflection",
            deflection_mm,
            "not a deflection of that span",
            "up to an eighth of the span",
            most=(span_mm / 8, "length"),
        )
    row = method_row(method)
    values = (force_n, deflection_mm, span_mm, stiffness_n, share_mm)
    tension = tension_of_force(*values)
    if tension <= 0:
        raise InputError(
            "force",
            force_n,
            "so little force says the belt hangs slack",
            "more than {least}",
            least=(8 * stiffness_n * deflection_mm**3 / (span_mm**2 * share_mm), "force"),
        )
    errors = (force_n * _num(row["percent"]) / 100, _num(row["deflection"]), _num(row["span"]), 0.0, 0.0)
    return AsTension(tension_n=tension, error_n=_error(tension_of_force, values, errors))


def _num(x: object) -> float:
    return float(x)  # type: ignore[arg-type]


def by_frequency(hertz: float, *, span_mm: float, mass_kg_m: float) -> AsTension:
    """From the note of a plucked span. Raises InputError for what no belt rings at."""
    low, high = HEARD_HZ
    if not low <= hertz <= high:
        raise InputError("frequency", hertz, "outside what a belt's span rings at", f"{low:g} to {high:g} Hz")
    row = method_row("frequency")
    values = (mass_kg_m, span_mm, hertz)
    errors = (0.0, _num(row["span"]), hertz * _num(row["percent"]) / 100)
    return AsTension(tension_n=tension_of_frequency(*values), error_n=_error(tension_of_frequency, values, errors))


def by_clip(tension_n: float) -> AsTension:
    """From a clip-on gauge, which shows the tension itself."""
    return AsTension(tension_n=tension_n, error_n=tension_n * _num(method_row("clip-on")["percent"]) / 100)


def by_stretch(slack_mm: float, tight_mm: float, *, stiffness_n: float) -> AsTension:
    """From two marks, slack and tight. Raises InputError where they came closer."""
    if tight_mm <= slack_mm:
        raise InputError("marks_tight", tight_mm, "the marks are no further apart than slack", "more than slack")
    tension = tension_of_stretch(stiffness_n, stretch_of_marks(slack_mm, tight_mm))
    return AsTension(tension_n=tension, error_n=tension * _num(method_row("stretch")["percent"]) / 100)


def by_pull(
    pull_n: float, *, grip_mm: float, idler_mm: float, turn_deg: float, off_deg: float, belts: int
) -> AsTension:
    """From the pull at a lever or spring: pivot to the pull, pivot to the idler, the belt's turn on it, how far off square it pushes."""
    if not 0 < turn_deg < 360 or abs(off_deg) >= 85:
        raise InputError("turn", turn_deg, "an idler that does not press the belt sets nothing", "over 0 degrees")
    force = idler_force(pull_n, grip_mm, idler_mm, off_deg)
    tension = tension_of_idler(force, turn_deg, float(belts))
    return AsTension(tension_n=tension, error_n=tension * _num(method_row("pull")["percent"]) / 100)


@dataclass(frozen=True, slots=True, kw_only=True)
class SetOfBelts:
    """Readings of a set, N: their mean, least to most over the mean in percent, and the odd one from 1 on, where one is."""

    mean_n: float
    spread_percent: float
    odd: int | None
    odd_is_slack: bool


def set_of(tensions_n: Sequence[float]) -> SetOfBelts:
    """Several belts together. The odd one is off the median of the set by over a fifth, and alone in that.

    Raises InputError where there is none.
    """
    if not tensions_n:
        raise InputError("readings", None, "no belt was read", "one belt at least")
    mean, middle = fmean(tensions_n), median(tensions_n)
    spread = 100 * (max(tensions_n) - min(tensions_n)) / mean if mean else 0.0
    odd: int | None = None
    if len(tensions_n) >= 3:
        off = [abs(t / middle - 1) * 100 for t in tensions_n]
        far = [k for k, x in enumerate(off) if x > ODD_PERCENT]
        odd = far[0] + 1 if len(far) == 1 else None
    elif len(tensions_n) == 2 and spread > ODD_PERCENT:
        odd = 1 + int(tensions_n[1] < tensions_n[0])  # of two, the slack one is looked at
    return SetOfBelts(
        mean_n=mean,
        spread_percent=spread,
        odd=odd,
        odd_is_slack=odd is not None and tensions_n[odd - 1] < middle,
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class Plucks:
    """Several plucks of one span, Hz: the middle one of those that agree, which were left out, and why."""

    middle_hz: float
    spread_percent: float
    left_out: tuple[tuple[int, str], ...]


def plucks_of(hertz: Sequence[float]) -> Plucks:
    """The median of the plucks that agree. One that rang at a multiple is left out and said.

    Raises InputError for none, or where no two agree.
    """
    if not hertz:
        raise InputError("plucks", None, "nothing was plucked", "one pluck, better three")
    if any(h <= 0 for h in hertz):
        raise InputError("plucks", min(hertz), "not a frequency", "over nothing")

    def near(a: float, b: float) -> bool:
        return abs(a / b - 1) * 100 <= PLUCK_PERCENT

    groups = [[k for k, h in enumerate(hertz) if near(h, centre)] for centre in hertz]
    # Where two groups are as large, the lower one: a string rings above its own note, never below.
    best = max(groups, key=lambda g: (len(g), -fmean(hertz[k] for k in g)))
    if len(hertz) >= 3 and len(best) == 1:
        raise InputError("plucks", None, "no two plucks agree", "pluck again, mid-span, drive still")
    middle = median(hertz[k] for k in best)
    out = []
    for k, h in enumerate(hertz):
        if k in best:
            continue
        times = h / middle
        whole = round(times)
        if whole >= 2 and near(times, whole):
            out.append((k + 1, f"rang at {whole} times the note"))
        else:
            out.append((k + 1, "off the others"))
    kept = [hertz[k] for k in best]
    return Plucks(middle_hz=middle, spread_percent=100 * (max(kept) - min(kept)) / middle, left_out=tuple(out))


def contradict(a: AsTension, b: AsTension) -> bool:
    """Whether two readings of one belt cannot both be right: further apart than twice their errors together."""
    return abs(a.tension_n - b.tension_n) > 2 * hypot(a.error_n, b.error_n)


@dataclass(frozen=True, slots=True, kw_only=True)
class Gauge:
    """A plunger gauge that reaches the force on a belt of that width."""

    name: str
    most_n: float
    how: str


def gauge_for(force_n: float, width_mm: float) -> Gauge | None:
    """The smallest gauge for a force and a belt's (or joined set's) width; None where none is made for it."""
    for name, most, width, how in table("tension_gauges").rows:
        if force_n <= most * N_PER_LBF and width_mm <= width * MM_PER_IN * 1.001:
            return Gauge(name=name, most_n=most * N_PER_LBF, how=how)
    return None
