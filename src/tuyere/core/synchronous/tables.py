"""Profiles, pulleys and the other tables of synchronous belts."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from tuyere.core.errors import InputError
from tuyere.core.notices import notice
from tuyere.core.steps import looked_up
from tuyere.core.synchronous.formulas import pulley_outside_diameter, pulley_pitch_diameter
from tuyere.core.tables import declare, table

declare(
    "tuyere.core.synchronous",
    (
        "sync_profiles",
        "iso5295",
        "least_teeth",
        "sync_allowances",
        "sync_lengths",
        "sync_pulleys",
        "sync_widths",
        "sync_service",
        "sync_machines",
        "sync_additions",
        "sync_idlers",
        "sync_flange_room",
        "sync_faces",
        "sync_racks",
        "sync_manners",
    ),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Profile:
    """A tooth profile: pitch, belt height and pitch-line difference in mm."""

    name: str
    family: str
    pitch_mm: float
    height_mm: float
    a_mm: float
    confidence: str

    @property
    def listed_as(self) -> str:
        """Its name in tables that know curvilinear pitches without the letter; they were made for the H profiles."""
        return self.name[1:] if self.name.startswith("H") and self.name != "H" else self.name


@cache
def profiles() -> dict[str, Profile]:
    """Every profile whose pulleys can be worked."""
    return {p.name: p for p in table("sync_profiles").records(Profile)}


def profile(name: str, field: str = "profile") -> Profile:
    """A profile by name; raises InputError naming ``field``."""
    found = profiles().get(name)
    if found is None:
        raise InputError(field, name, "unknown profile", "one of " + " ".join(profiles()))
    if found.confidence == "low":
        notice(
            "caution",
            "profile-low",
            f"The dimensions of {name} are recalled with low confidence: check them.",
            f"input.{field}",
        )
    return found


def pulley(of: Profile, teeth: int) -> tuple[float, float]:
    """(pitch diameter, outside diameter) in mm."""
    t = table("sync_profiles")
    pitch = pulley_pitch_diameter(of.pitch_mm, teeth)
    a_b = looked_up("a_b", of.a_mm, t.id, t.source_of(of.confidence))
    outside = pulley_outside_diameter(pitch, a_b)
    return pitch, outside


def least_teeth(of: Profile, rpm: float) -> int | None:
    """Least pulley teeth at a speed; None where the table has no such profile."""
    rows = [r for r in table("least_teeth").rows if r[0] == of.listed_as and r[1] <= rpm]
    return int(rows[-1][2]) if rows else None


def face_mm(of: Profile, width_mm: float, flanged: bool) -> float | None:
    """Least face of a pulley for a belt width, mm; None where the table has no such width."""
    rows = [r for r in table("sync_faces").select(profile=of.name) if abs(r[1] - width_mm) < 0.2]
    return float(rows[0][2 if flanged else 3]) if rows else None


def room_mm(of: Profile, length_mm: float, flanged: int) -> tuple[float, float] | None:
    """(closer to fit, apart to tension) in mm with 0, 1 or 2 flanged pulleys; None outside the tables."""
    found = next(((f, t) for over, through, f, t in table("sync_allowances").rows if over < length_mm <= through), None)
    if found is None:
        return None
    rows = table("sync_flange_room").select(profile=of.listed_as)
    if flanged and not rows:
        return None
    return found[0] + (float(rows[0][flanged]) if flanged else 0.0), found[1]
