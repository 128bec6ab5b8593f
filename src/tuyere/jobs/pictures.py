"""Pictures of what a step's readings say: the line of the machines from above and from the side, before and now."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from tuyere.core.drawing.line import Stand, plan_scene, side_scene
from tuyere.core.drawing.scene import Scene

NAMES = ("Twist", "Toe", "Offset")


def _stand(result: Mapping[str, Any]) -> Stand:
    found = {f["name"]: float(f["found"]["value"]) for f in result["faults"]}
    twist, toe, offset = (found.get(n) for n in NAMES)
    return Stand(twist=twist, toe=toe, offset=offset)


def _words(result: Mapping[str, Any] | None, *names: str) -> str:
    if result is None:
        return ""
    found = {f["name"]: str(f["found"]["shown"]).lstrip("-") for f in result["faults"]}
    return ", ".join(found[n] for n in names if n in found)


def line_scenes(
    now: Mapping[str, Any], before: Mapping[str, Any] | None, width: float, height: float
) -> tuple[Scene, Scene]:
    """(from above, from the side) out of the alignment's results as they are sent: this round's and the first one's."""
    here, was = _stand(now), None if before is None else _stand(before)
    plan, side = ((_words(now, *names), _words(before, *names)) for names in (("Toe", "Offset"), ("Twist",)))
    return (
        plan_scene(here, was, words=plan, width=width, height=height),
        side_scene(here, was, words=side, width=width, height=height),
    )
