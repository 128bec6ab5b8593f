"""The keyway of a bored wheel: width, and the height over the key from the far side of the bore, which is what is measured."""

from __future__ import annotations

from dataclasses import dataclass

from numpy import sqrt

from tuyere.core.errors import InputError
from tuyere.core.shafts import bushings  # noqa: F401  # declares the tables of keys
from tuyere.core.sources import Source
from tuyere.core.steps import Num, formula, looked_up
from tuyere.core.tables import table
from tuyere.core.units import MM_PER_IN

KEYSEATS = Source(
    title="ASME B17.1, depths of keyseats, as carried by Machinery's Handbook", origin="recalled", confidence="high"
)
GEOMETRY = Source(title="chord of a circle", origin="exact", confidence="high")
# Clearance over the key that the American standard adds to the hub.
CLEARANCE_MM = 0.005 * MM_PER_IN


@formula("y_key", GEOMETRY)
def chord_height(d_bore: Num, w_key: Num) -> Num:
    """What a flat as wide as the key takes off the bore."""
    return (d_bore - sqrt(d_bore**2 - w_key**2)) / 2


@formula("T_key", KEYSEATS)
def over_key(d_bore: Num, y_key: Num, h_key: Num, c_key: Num) -> Num:
    """From the far side of the bore to the bottom of the keyway."""
    return d_bore - y_key + h_key / 2 + c_key


@formula("S_key", KEYSEATS)
def under_key(d_bore: Num, y_key: Num, h_key: Num) -> Num:
    """From the far side of the shaft to the bottom of its keyseat."""
    return d_bore - y_key - h_key / 2


@formula("T_key", Source(title="ISO 773 / DIN 6885-1", origin="recalled", confidence="high"))
def over_metric_key(d_bore: Num, t_hub_key: Num) -> Num:
    """From the far side of the bore to the bottom of the keyway."""
    return d_bore + t_hub_key


@dataclass(frozen=True, slots=True, kw_only=True)
class Keyway:
    """A keyway, mm: width, height of the key, from the far side of the bore to its bottom; the key's name."""

    width_mm: float
    key_mm: float
    over_mm: float
    standard: str


def keyway(bore_mm: float, system: str = "inch") -> Keyway:
    """The standard keyway of a bore. Raises InputError for a bore outside the table of its system ("inch" or "metric")."""
    name = "keys" if system == "inch" else "metric_keys"
    scale = MM_PER_IN if system == "inch" else 1.0
    t = table(name)
    rows = [r for r in t.rows if r[0] * scale < bore_mm <= r[1] * scale + 1e-9]
    if not rows:
        raise InputError(
            "bore",
            bore_mm,
            "no standard key for this bore in the table",
            "{low} to {high}",
            low=(t.rows[0][0] * scale, "length"),
            high=(t.rows[-1][1] * scale, "length"),
        )
    row = rows[0]
    if system == "inch":
        width = looked_up("w_key", row[2] * scale, t.id, t.source_of())
        y = chord_height(bore_mm, width)
        return Keyway(
            width_mm=width,
            key_mm=width,
            over_mm=over_key(bore_mm, y, width, CLEARANCE_MM),
            standard="square key, ASME B17.1",
        )
    width = looked_up("w_key", row[2], t.id, t.source_of())
    deep = looked_up("t_hub_key", row[5], t.id, t.source_of())
    return Keyway(width_mm=width, key_mm=row[3], over_mm=over_metric_key(bore_mm, deep), standard="key, ISO 773")
