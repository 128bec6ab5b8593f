"""Guides and keepers: fixed pins beside a loop that must not rub while it runs and must hold it when it is let go."""

from __future__ import annotations

from dataclasses import dataclass
from math import atan2, ceil, cos, degrees, hypot, radians, sin
from typing import Literal

from tuyere.core.drive.path import Path, Span, Wrap

# What is left between a guide and a running belt where the machine's maker says nothing: common practice, no source.
USUAL_GAP_MM = (1.5, 3.0)
GuideVerdict = Literal["right", "rubs", "too far", "wrong side"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Guide:
    """A round pin at a place, mm; ``least_mm`` to ``most_mm`` is the gap it is set to.

    ``side`` is the face of the loop it looks at: "outside" stands round the loop, "inside" within it.
    """

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float
    least_mm: float = USUAL_GAP_MM[0]
    most_mm: float = USUAL_GAP_MM[1]
    side: Literal["inside", "outside"] = "outside"


@dataclass(frozen=True, slots=True, kw_only=True)
class Clearance:
    """The gap between a guide and the loop's face, mm (less than nothing: it rubs), and what stands nearest."""

    guide: str
    gap_mm: float
    beside: str
    verdict: GuideVerdict


def inside_of(path: Path, x: float, y: float) -> bool:
    """Whether a place lies within the loop: the loop goes once round it. Source: winding number, on a fine outline."""
    outline = outline_of(path)
    turned = 0.0
    for (ax, ay), (bx, by) in zip(outline, outline[1:] + outline[:1], strict=True):
        one, two = (ax - x, ay - y), (bx - x, by - y)
        turned += atan2(one[0] * two[1] - one[1] * two[0], one[0] * two[0] + one[1] * two[1])
    return abs(degrees(turned)) > 180.0


def outline_of(path: Path, step_deg: float = 2.0) -> list[tuple[float, float]]:
    """The loop's line as corners in the order of travel: arcs in steps, strands by their ends."""
    corners: list[tuple[float, float]] = []
    for wrap in path.wraps:
        n = max(1, ceil(wrap.arc_deg / step_deg))
        for k in range(n + 1):
            at = radians(wrap.start_deg + wrap.turn * wrap.arc_deg * k / n)
            r = wrap.wheel.path_mm / 2
            corners.append((wrap.wheel.x_mm + r * cos(at), wrap.wheel.y_mm + r * sin(at)))
    return corners


def _to_strand(span: Span, x: float, y: float) -> float:
    ux, uy = span.heading
    dx, dy = x - span.x1, y - span.y1
    along = min(max(dx * ux + dy * uy, 0.0), span.length_mm)
    return hypot(dx - along * ux, dy - along * uy)


def _to_arc(wrap: Wrap, x: float, y: float) -> float:
    """To the arc where the place looks at it; elsewhere the strands' ends are nearer."""
    dx, dy = x - wrap.wheel.x_mm, y - wrap.wheel.y_mm
    swept = (wrap.turn * (degrees(atan2(dy, dx)) - wrap.start_deg)) % 360.0
    return abs(hypot(dx, dy) - wrap.wheel.path_mm / 2) if swept <= wrap.arc_deg else float("inf")


def clearance(path: Path, guide: Guide, faces_mm: tuple[float, float]) -> Clearance:
    """The gap of one guide to a loop that reaches so far from its line to its inside and to its back. Source: plane geometry; limits: common practice."""
    near = [(f"{s.after} to {s.before}", _to_strand(s, guide.x_mm, guide.y_mm)) for s in path.spans]
    near += [(w.wheel.id, _to_arc(w, guide.x_mm, guide.y_mm)) for w in path.wraps]
    beside, far = min(near, key=lambda n: n[1])
    within = inside_of(path, guide.x_mm, guide.y_mm)
    gap = far - (faces_mm[0] if within else faces_mm[1]) - guide.diameter_mm / 2
    verdict: GuideVerdict
    if within != (guide.side == "inside") and gap > 0:
        verdict = "wrong side"
    elif gap <= 0:
        verdict = "rubs"
    elif gap > guide.most_mm:
        verdict = "too far"
    elif gap < guide.least_mm:
        verdict = "rubs" if gap < guide.least_mm / 2 else "right"
    else:
        verdict = "right"
    return Clearance(guide=guide.id, gap_mm=gap, beside=beside, verdict=verdict)
