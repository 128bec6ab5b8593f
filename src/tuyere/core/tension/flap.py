"""Where a strand would flap: its own frequency in running against what shakes it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from tuyere.core.steps import about
from tuyere.core.tension.reading_formulas import running_frequency, wave_speed

NEAR_PERCENT = 15.0
HARMONICS = 2


@dataclass(frozen=True, slots=True, kw_only=True)
class Shake:
    """Something that shakes a strand: what it is, Hz."""

    name: str
    hertz: float


@dataclass(frozen=True, slots=True, kw_only=True)
class RunningStrand:
    """A free strand in running: which one, its length in mm and the tension of one belt in N."""

    id: str
    span_mm: float
    tension_n: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Flap:
    """A strand near something that shakes it: both frequencies, how far they are apart, and the tensions at rest between which it stays near.

    ``low_n`` and ``high_n`` are running tensions of that strand.
    """

    strand: str
    strand_hz: float
    shake: Shake
    off_percent: float
    low_n: float
    high_n: float


def shakes_of(
    *, shafts_rpm: dict[str, float], loop_m_s: float, length_mm: float, mesh: tuple[str, float] | None
) -> list[Shake]:
    """What shakes the strands: every shaft, the loop itself, teeth or links in mesh, each with its first harmonic.

    ``mesh`` is (what meshes, times a second).
    """
    out = []
    sources = [(f"the {name}'s speed", rpm / 60) for name, rpm in shafts_rpm.items()]
    sources.append(("the loop going round", loop_m_s / (length_mm / 1000)))
    if mesh is not None:
        sources.append(mesh)
    for name, hertz in sources:
        for n in range(1, HARMONICS + 1):
            out.append(Shake(name=name if n == 1 else f"twice {name}", hertz=n * hertz))
    return out


def strand_hertz(strand: RunningStrand, *, mass_kg_m: float, speed_m_s: float) -> float:
    """First frequency of a running strand, Hz; 0 where the loop runs as fast as its own wave.

    Source: equation of the string that travels along itself.
    """
    if strand.tension_n <= 0:
        return 0.0
    with about(strand.id):
        hertz: float = running_frequency(wave_speed(strand.tension_n, mass_kg_m), speed_m_s, strand.span_mm)
    return hertz if hertz > 0 else 0.0


def tension_at(hertz: float, *, span_mm: float, mass_kg_m: float, speed_m_s: float) -> float:
    """Running tension at which a strand has a frequency: the formula above turned about.

    >>> s = RunningStrand(id="a", span_mm=600.0, tension_n=500.0)
    >>> round(tension_at(strand_hertz(s, mass_kg_m=0.2, speed_m_s=15.0), span_mm=600.0, mass_kg_m=0.2, speed_m_s=15.0), 6)
    500.0
    """
    half = hertz * span_mm / 1000
    wave = half + (half * half + speed_m_s**2) ** 0.5
    return float(mass_kg_m * wave * wave)


def flaps_of(
    strands: Sequence[RunningStrand], shakes: Sequence[Shake], *, mass_kg_m: float, speed_m_s: float
) -> list[Flap]:
    """Strands within 15 % of something that shakes them, the nearest first. Common practice for the 15 %, no source."""
    out = []
    share = NEAR_PERCENT / 100
    for strand in strands:
        hertz = strand_hertz(strand, mass_kg_m=mass_kg_m, speed_m_s=speed_m_s)
        for shake in shakes:
            off = 100 * (hertz / shake.hertz - 1)
            if abs(off) <= NEAR_PERCENT:
                out.append(
                    Flap(
                        strand=strand.id,
                        strand_hz=hertz,
                        shake=shake,
                        off_percent=off,
                        low_n=tension_at(
                            (1 - share) * shake.hertz, span_mm=strand.span_mm, mass_kg_m=mass_kg_m, speed_m_s=speed_m_s
                        ),
                        high_n=tension_at(
                            (1 + share) * shake.hertz, span_mm=strand.span_mm, mass_kg_m=mass_kg_m, speed_m_s=speed_m_s
                        ),
                    )
                )
    return sorted(out, key=lambda f: abs(f.off_percent))
