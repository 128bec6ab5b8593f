"""An elevation in words, for those who do not see it."""

from __future__ import annotations

from math import atan2, degrees

from tuyere.calc.shown import shown
from tuyere.core.drive.elevation import Elevation, WheelDrawing

NEAR = 0.2
LEVEL_DEG = 1.0


def _place(wheel: WheelDrawing, drawing: Elevation) -> str:
    """Where a wheel stands in the drawing: lower left, upper right, in the middle."""
    across = (wheel.x - drawing.left) / drawing.width - 0.5 if drawing.width else 0.0
    up = (wheel.y - drawing.bottom) / drawing.height - 0.5 if drawing.height else 0.0
    # On a level drive every wheel stands at one height: only left and right tell them apart.
    spread = max(w.y for w in drawing.wheels) - min(w.y for w in drawing.wheels)
    beside = max(w.x for w in drawing.wheels) - min(w.x for w in drawing.wheels)
    high = "" if spread < NEAR * max(beside, 1e-9) else "upper" if up > 0 else "lower"
    wide = "" if beside < NEAR * max(spread, 1e-9) else "left" if across < 0 else "right"
    return f"{high} {wide}".strip() or "in the middle"


def _slope(x1: float, y1: float, x2: float, y2: float) -> str:
    rise = degrees(atan2(y2 - y1, abs(x2 - x1)))
    if abs(rise) < LEVEL_DEG:
        return "level"
    if abs(rise) > 90 - LEVEL_DEG:
        return "upright"
    return f"{'rising' if rise > 0 else 'falling'} {abs(rise):.0f} degrees"


def words_of(drawing: Elevation, units: str | None) -> str:
    """The side view as sentences: every wheel with its size, place and sense, the centres, which strand is tight.

    Without ``units`` no sizes are said, for then nobody knows whose they would be.
    """
    out = []
    for w in drawing.wheels:
        size = "" if units is None else f" {shown(2 * float(w.outside_radius), 'length', units, 'size')} outside,"
        name = w.id.replace("-", " ")
        teeth = f" {w.count} teeth," if w.profile in ("chain", "toothed") else ""
        sense = "clockwise" if w.turn < 0 else "counter-clockwise"
        out.append(f"{name[:1].upper()}{name[1:]}{size}{teeth} {_place(w, drawing)}, {sense}.")
    for d in drawing.dimensions[:1]:
        far = "" if units is None else f" {shown(float(d.length), 'length', units, 'tape')},"
        out.append(f"Centres{far} {_slope(d.x1, d.y1, d.x2, d.y2)}.")
    tight, slack = (next((s for s in drawing.strands if s.side == side), None) for side in ("tight", "slack"))
    if tight is not None and slack is not None and len(drawing.wheels) == 2:
        a, b = tight.y1 + tight.y2, slack.y1 + slack.y2
        if abs(a - b) > 1e-6:
            out.append("Tight strand below, slack above." if a < b else "Tight strand above, slack below.")
    if len(drawing.wheels) == 2:
        out.append("No idler.")
    if drawing.guides:
        out.append(f"{len(drawing.guides)} guide{'s' if len(drawing.guides) > 1 else ''} beside the loop.")
    return " ".join(out)
