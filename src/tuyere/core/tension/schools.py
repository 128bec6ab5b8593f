"""The schools of setting a belt by hand, each as the tension it lands on for this span, and where it goes wrong."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.steps import quiet
from tuyere.core.tension.hold import Hold
from tuyere.core.tension.reading_formulas import tension_of_force
from tuyere.core.units import KW_PER_HP, MM_PER_IN, N_PER_LBF

THUMB_LBF = (5.0, 15.0)
LOOSE = (1.0, 1.15)  # over the slip limit: what "just no squeal" lands on; a guess
SMALL_HP = 1.0


@dataclass(frozen=True, slots=True, kw_only=True)
class School:
    """One way of setting: the tension of one belt it lands on, least and most in N, and what to say of it here.

    ``verdict`` is fine, watch or act: inside the band, near it, or past a cliff.
    """

    key: str
    label: str
    low_n: float
    high_n: float
    verdict: str
    says: str


def _thumb(hold: Hold, deflection_mm: float) -> tuple[float, float]:
    def at(force_lbf: float) -> float:
        stiffness = hold.stiffness_n or 0.0
        tension: float = tension_of_force(force_lbf * N_PER_LBF, deflection_mm, hold.span_mm, stiffness, hold.share_mm)
        return max(0.0, tension)

    with quiet():
        return at(THUMB_LBF[0]), at(THUMB_LBF[1])


def schools_of(
    hold: Hold,
    *,
    slips_under_n: float | None,
    most_n: float | None,
    label_n: tuple[float, float] | None = None,
    bronze: bool = False,
    resilient: bool = False,
    state: str = "run in",
) -> list[School]:
    """Where each school lands for this loop. ``label_n`` is the machine maker's own band; ``bronze`` bushings and ``resilient``
    mounts are what a fractional motor sits on. Source: statics; the thumb's force is common practice.
    """
    band = hold.band(state)
    small = hold.power_kw < SMALL_HP * KW_PER_HP
    methods: list[tuple[str, str, tuple[float, float], str]] = []
    if label_n is not None:
        methods.append(("label", "The machine maker's number", label_n, "It goes before all others."))
    methods.append(
        (
            "span-64",
            "1/64 in per inch of span, with a force",
            (band.low_n, band.high_n),
            "Only with its force: the deflection alone says nothing.",
        )
    )
    methods.append(
        ("clip-on", "Clip-on gauge", (band.low_n, band.high_n), "A tenth off either way; one section to a scale.")
    )
    if hold.mass_kg_m:
        methods.append(("frequency", "By ear or meter", (band.low_n, band.high_n), "Drive still, span free."))
    methods.append(("thumb-inch", "Thumb, one inch", _thumb(hold, MM_PER_IN), "A thumb does not know the span."))
    methods.append(("thumb-quarter", "Thumb, a quarter inch", _thumb(hold, MM_PER_IN / 4), "For short spans only."))
    if slips_under_n is not None:
        methods.append(
            (
                "no-squeal",
                "As loose as it does not squeal",
                (LOOSE[0] * slips_under_n, LOOSE[1] * slips_under_n),
                "No squeal is no proof: it slips long before it squeals.",
            )
        )
    out = []
    for key, name, (low, high), remark in methods:
        verdict, why = "fine", ""
        if slips_under_n is not None and low < slips_under_n:
            verdict, why = "act", "It may slip at the duty's own power."
        elif low < 0.8 * band.low_n:
            verdict, why = "watch", "It may be too loose."
        if most_n is not None and high > most_n:
            verdict, why = "act", "It may overload what gives first here."
        elif verdict == "fine" and high > 1.25 * hold.band("new").high_n:
            verdict, why = "watch", "It may be too tight."
        if key == "no-squeal" and small:
            why = "Under 1 hp this is what many set"
            why += (
                ": bronze bushings and rubber mounts fail of more."
                if bronze or resilient
                else "; read the motor's plate."
            )
            verdict = "fine" if bronze or resilient else "watch"
        if key in ("thumb-inch", "thumb-quarter") and (bronze or resilient) and high > band.high_n:
            verdict = "act"
            why = "Too tight for " + (
                "bronze bushings." if bronze else "rubber mounts: the motor is pulled out of line."
            )
        out.append(
            School(
                key=key,
                label=name,
                low_n=low,
                high_n=high,
                verdict=verdict,
                says=" ".join(x for x in (why, remark) if x),
            )
        )
    return out
