"""What each free strand of a loop says of its tension: any of them may be the one a person can reach."""

from __future__ import annotations

from dataclasses import dataclass

from tuyere.core.drive.path import Path
from tuyere.core.steps import quiet
from tuyere.core.tension.formulas import deflection, deflection_at_mark, span_frequency
from tuyere.core.tension.hold import Hold
from tuyere.core.tension.reading_formulas import force_for_tension

# Under this a strand is too short to press or to sound: common practice, no source.
LEAST_SPAN_MM = 100.0


@dataclass(frozen=True, slots=True, kw_only=True)
class SpanSetting:
    """One strand: how far to press it (mm), with which force and at which note, one belt, for a band of tension.

    N and Hz; the note is None where the loop's mass is not known.
    """

    strand: str
    span_mm: float
    deflection_mm: float
    force_low_n: float
    force_high_n: float
    hertz_low: float | None
    hertz_high: float | None


def span_settings(hold: Hold, path: Path, state: str = "new") -> tuple[SpanSetting, ...]:
    """Every strand that is long enough, longest first: that one tells most. Source: as for the plain drive's own strand."""
    band = hold.band(state)
    out = []
    with quiet():
        for s in sorted(path.spans, key=lambda s: -s.length_mm):
            if s.length_mm < LEAST_SPAN_MM:
                continue
            depth = float(deflection_at_mark(deflection(s.length_mm), hold.tape_mark_mm))
            # A strand is pressed between its neighbours: where a sheave is free to turn the whole loop gives.
            share = hold.length_mm if hold.share_mm == hold.length_mm else s.length_mm
            low, high = (
                float(force_for_tension(t, depth, s.length_mm, hold.stiffness_n or 0.0, share))
                for t in (band.low_n, band.high_n)
            )
            notes: tuple[float | None, float | None] = (None, None)
            if hold.mass_kg_m:
                notes = (
                    float(span_frequency(s.length_mm, band.low_n, hold.mass_kg_m)),
                    float(span_frequency(s.length_mm, band.high_n, hold.mass_kg_m)),
                )
            out.append(
                SpanSetting(
                    strand=s.id,
                    span_mm=s.length_mm,
                    deflection_mm=depth,
                    force_low_n=low,
                    force_high_n=high,
                    hertz_low=notes[0],
                    hertz_high=notes[1],
                )
            )
    return tuple(out)
