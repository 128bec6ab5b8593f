"""Taper bushings: does the bore fit, which screws, what torque, how they go in and out."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.tables import declare, table
from tuyere.core.units import MM_PER_IN

declare(
    "tuyere.core.shafts",
    (
        "bushings",
        "keys",
        "metric_keys",
    ),
)
# Shares of the largest bore from which keyseats are shallow, and from which usually none is cut: common practice, no source.
SHALLOW_FROM, FULL_BORE = 0.8, 0.95
NM_PER_LBF_IN = 0.1129848290276167

CLEAN = "Clean taper, bore and shaft to bare metal: no oil, no paint, no anti-seize. Fit it dry; the torque is for a dry taper."
STEPS = {
    "flanged": (
        CLEAN,
        "Key in the shaft, bushing on, hub on: cap screws through the plain holes into the threaded ones, finger tight.",
        "Put the sheave where it belongs and line it up before drawing up: it moves a little towards the flange.",
        "Tighten in turn, a little at a time, to the torque. A gap stays under the flange: if it closes, taper or bore is wrong.",
        "Set screw over the key last. Torque again after the first day's run.",
    ),
    "flush": (
        CLEAN,
        "Half holes lined up, screws in the holes whose thread is in the hub, finger tight; key in, on the shaft.",
        "Line the sheave up, then tighten in turn to the torque.",
        "Tap the large end with a block, tighten again; repeat until the screws turn no further.",
        "Fill the empty holes with grease. Torque again after the first day's run.",
    ),
}
OUT = {
    "flanged": (
        "Belts off, the sheave held so that it cannot fall.",
        "All cap screws out; put them into the threaded holes of the flange: these jack it out.",
        "Tighten them in turn until the taper lets go; penetrating oil and a tap on the hub help. No wedge in the split.",
    ),
    "flush": (
        "Belts off, the sheave held so that it cannot fall.",
        "All screws out; oil one or two and put them into the holes whose thread is in the bushing.",
        "Tighten in turn until the bushing breaks loose, then lift it out.",
    ),
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Bushing:
    """A bushing size. mm, N m; ``key_mm`` None where the shaft is outside the key table or not given."""

    style: str
    size: str
    bore_mm: float
    screws: str
    count: int
    torque_nm: float
    key_mm: float | None
    steps_in: tuple[str, ...]
    steps_out: tuple[str, ...]


def bushing(size: str, shaft_mm: float | None) -> Bushing:
    """A bushing by its size. Raises InputError for an unknown size or a shaft it cannot take.

    Source: generic bushing data; keys: ASME B17.1.
    """
    t = table("bushings")
    rows = [r for r in t.rows if r[1] == size.strip().upper()]
    if not rows:
        raise InputError("size", size, "not a bushing in the table", " ".join(str(r[1]) for r in t.rows))
    style, name, bore, screw, count, torque, confidence = rows[0]
    newton_metres = looked_up("M_t", torque * NM_PER_LBF_IN, t.id, t.source_of(str(confidence)))
    if confidence != "high":
        notice(
            "caution",
            "torque-doubt",
            "This size's figures are medium confidence: the plate on the bushing comes first.",
            "input.size",
        )
    key = None
    if shaft_mm is not None:
        inches = shaft_mm / MM_PER_IN
        if inches > bore + 1e-6:
            bigger = [r[1] for r in t.rows if r[0] == style and r[2] >= inches - 1e-6]
            allowed = f"up to {bore:g} in" + (f"; {bigger[0]} takes it" if bigger else "")
            raise InputError("shaft", shaft_mm, f"larger than {name} can be bored", allowed)
        found = [r for r in table("keys").rows if r[0] < inches <= r[1] + 1e-9]
        key = found[0][2] * MM_PER_IN if found else None
        # Where little metal is left the keyseat is shallow or left out; a square key does not go in.
        if inches > FULL_BORE * bore:
            key = None
        if inches > SHALLOW_FROM * bore and found:
            notice(
                "caution",
                "shallow-keyseat",
                "At or near its largest bore a bushing has a shallow keyseat or none: "
                + ("no standard key is given." if key is None else "the standard square key may be too high."),
                "input.shaft",
                "Measure the keyseat in the bushing; it takes a flat key, or a size with a larger bore does.",
            )
    return Bushing(
        style=str(style),
        size=str(name),
        bore_mm=bore * MM_PER_IN,
        screws=str(screw),
        count=int(count),
        torque_nm=newton_metres,
        key_mm=key,
        steps_in=STEPS[style],
        steps_out=OUT[style],
    )
