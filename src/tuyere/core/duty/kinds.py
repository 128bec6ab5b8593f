"""Direct, belt, chain or gear for one duty: which reach the speed, what they lose, how they bear what the duty brings."""

from __future__ import annotations

from dataclasses import dataclass
from math import ceil, log

from tuyere.core.duty.losses import efficiency_band
from tuyere.core.errors import InputError
from tuyere.core.motors import motor as _motor  # noqa: F401  # declares the table of motor speeds
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula, looked_up
from tuyere.core.tables import declare, table

declare("tuyere.core.duty", ("drive_kinds", "wear_by_speed"))
WEAR = Source(title="wear and suction by a power of the speed, pump handbooks", origin="recalled", confidence="low")
# A mesh passes on 97 to 99 %, an elastic coupling 99 to 100; machine-element textbooks, recalled.
MESH, COUPLING = (97.0, 99.0), (99.0, 100.0)
GEAR_STAGE = 6.0
# What each kind does in one step; common practice.
MOST = {"v-belt": 10.0, "synchronous": 10.0, "flat": 8.0, "chain": 7.0, "gear": 300.0}
TITLES = {
    "direct": "Direct, by a coupling",
    "v-belt": "V-belts",
    "synchronous": "Synchronous belt",
    "flat": "Flat belt",
    "chain": "Roller chain",
    "gear": "Gear unit",
}
OF_LOSSES = {
    "v-belt": ("v-belt wrapped", "v-belt cogged"),
    "synchronous": ("synchronous",),
    "flat": ("flat",),
    "chain": ("roller chain",),
}
MARKS = {"good": 2, "fair": 1, "poor": 0}


@formula("w_rel", WEAR)
def wear_percent(n_new: Num, n_ref: Num, k_wear: Num) -> Num:
    """Wear for every hour against that at the other speed."""
    return 100 * (n_new / n_ref) ** k_wear


@dataclass(frozen=True, slots=True)
class Manner:
    """How a kind answers in one respect: good, fair or poor, and in words; asked for or not."""

    asks: str
    mark: str
    words: str
    asked: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Kind:
    """One kind for the duty: does it reach the speed (and why not), what it passes on (percent), its manners, its marks."""

    key: str
    title: str
    reaches: bool
    how: str
    efficiency: tuple[float, float]
    manners: tuple[Manner, ...]
    marks: float


def _band(key: str, ratio: float) -> tuple[float, float]:
    if key == "direct":
        return COUPLING
    if key == "gear":
        meshes = max(1, ceil(log(ratio) / log(GEAR_STAGE) - 1e-9)) if ratio > 1 else 1
        return 100 * (MESH[0] / 100) ** meshes, 100 * (MESH[1] / 100) ** meshes
    bands = [efficiency_band(k) for k in OF_LOSSES[key]]
    return min(b[0] for b in bands), max(b[1] for b in bands)


def _direct(to_rpm: float, hertz: float, tolerance: float) -> tuple[bool, str]:
    rows = [r for r in table("motor_speeds").rows if r[0] == hertz]
    slack = tolerance / 100
    for r in rows:
        if r[3] * (1 - slack) <= to_rpm <= r[4] * (1 + slack):
            return True, f"a motor of {r[1]} poles turns at {r[3]:.0f} to {r[4]:.0f} rpm by itself"
    near = min(rows, key=lambda r: abs((r[3] + r[4]) / 2 - to_rpm), default=None)
    if near is None:
        return False, "no usual motor speed is known at this frequency"
    return False, f"the nearest motor has {near[1]} poles and turns at {near[3]:.0f} to {near[4]:.0f} rpm"


def kinds_for(
    from_rpm: float, to_rpm: float, *, tolerance_percent: float, hertz: float, asked: tuple[str, ...]
) -> tuple[Kind, ...]:
    """Every kind for a speed, those that reach it first, then by their marks, what is asked for counting three times.

    Raises InputError for a ratio that none does, or a respect that is not in the table. Source: table drive-kinds.
    """
    ratio = max(from_rpm / to_rpm, to_rpm / from_rpm)
    if ratio > MOST["gear"]:
        raise InputError("driven_speed", to_rpm, f"a ratio of {ratio:.0f} : 1 is beyond all of them", "up to 300 : 1")
    t = table("drive_kinds")
    known = {str(r[1]) for r in t.rows}
    if unknown := [a for a in asked if a not in known]:
        raise InputError("asked", unknown[0], "not a respect that is known", ", ".join(sorted(known)))
    out = []
    for key, title in TITLES.items():
        manners = tuple(Manner(str(r[1]), str(r[2]), str(r[3]), r[1] in asked) for r in t.select(kind=key))
        if key == "direct":
            reaches, how = _direct(to_rpm, hertz, tolerance_percent)
        else:
            reaches = ratio <= MOST[key]
            how = (
                f"{ratio:.3g} : 1 in one step"
                if reaches
                else f"{ratio:.3g} : 1 is more than one step does ({MOST[key]:g} : 1)"
            )
        marks = sum(MARKS[m.mark] * (3 if m.asked else 1) for m in manners)
        out.append(
            Kind(
                key=key,
                title=title,
                reaches=reaches,
                how=how,
                efficiency=_band(key, ratio),
                manners=manners,
                marks=float(marks),
            )
        )
    return tuple(sorted(out, key=lambda k: (not k.reaches, -k.marks)))


def wear_at(machine: str, new_rpm: float, old_rpm: float) -> tuple[float, float | None, str]:
    """(wear an hour in percent of that at the old speed, head the suction needs likewise or None, what wears).

    Raises InputError for a machine whose law is not known. Source: table wear-by-speed, recalled, low confidence.
    """
    t = table("wear_by_speed")
    rows = t.select(machine=machine)
    if not rows:
        raise InputError(
            "machine", machine, "no law of its wear is known here", ", ".join(str(x) for x in t.column("machine"))
        )
    power = looked_up("k_wear", float(rows[0][1]), t.id, t.source_of())
    wear = wear_percent(new_rpm, old_rpm, power)
    suction = None
    if rows[0][2]:
        suction = wear_percent(new_rpm, old_rpm, looked_up("k_wear", float(rows[0][2]), t.id, t.source_of()))
    return wear, suction, str(rows[0][3])
