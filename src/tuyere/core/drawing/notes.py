"""The notes a drive makes, on one axis of frequencies: stems for shafts, belt and teeth with their multiples, and what was measured."""

from __future__ import annotations

from collections.abc import Sequence
from math import ceil, floor, log10

from tuyere.core.drawing.scene import Circle, Item, Line, Scene, Text
from tuyere.core.wear.frequencies import NEAR_PERCENT, Note

WIDTH, HEIGHT, SIDE, BASE, LABEL = 190.0, 92.0, 10.0, 16.0, 4.6
TALL = {1: 44.0, 2: 30.0, 3: 20.0}
# Each kind by its own stem, not by colour: drawn through, dashed, heavy.
PENS = {"shaft": "thick", "belt": "dashed", "teeth": "heavy"}


def notes_scene(notes: Sequence[Note], measured: float | None) -> Scene:
    """All notes by their frequency, the basic ones named; ``measured`` Hz as a band as wide as what counts as near."""
    hertz = [n.hertz for n in notes] + ([measured] if measured else [])
    low, high = log10(min(hertz)) - 0.12, log10(max(hertz)) + 0.12

    def x(f: float) -> float:
        return SIDE + (log10(f) - low) / (high - low) * (WIDTH - 2 * SIDE)

    items: list[Item] = [Line(x1=SIDE, y1=BASE, x2=WIDTH - SIDE, y2=BASE, layer="frame", pen="thin")]
    for decade in range(floor(low), ceil(high) + 1):
        for k in (1, 2, 5):
            f = k * 10.0**decade
            if low <= log10(f) <= high:
                items.append(Line(x1=x(f), y1=BASE, x2=x(f), y2=BASE - 2, layer="frame", pen="thin"))
                items.append(Text(x=x(f), y=BASE - 6.5, text=f"{f:g}", size=LABEL, align="middle", face="figure"))
    items.append(Text(x=WIDTH - SIDE, y=2.5, text="Hz", size=LABEL, align="right", face="label"))
    named = [n for n in notes if n.times == 1]
    for n in notes:
        top = BASE + TALL[n.times]
        items.append(Line(x1=x(n.hertz), y1=BASE, x2=x(n.hertz), y2=top, pen=PENS[n.kind]))  # type: ignore[arg-type]
        if n.times > 1:
            items.append(Text(x=x(n.hertz), y=top + 1, text=f"{n.times}×", size=3.8, align="middle", face="figure"))
    for k, n in enumerate(named):
        y = BASE + TALL[1] + 3 + (k % 3) * 6
        items.append(Circle(x=x(n.hertz), y=BASE + TALL[1], r=0.9, fill="ink"))
        right = x(n.hertz) > WIDTH * 0.7
        items.append(
            Text(
                x=x(n.hertz),
                y=y,
                text=f"{n.of} {n.hertz:.3g}",
                size=LABEL,
                align="right" if right else "left",
                face="label",
            )
        )
    if measured:
        a, b = x(measured * (1 - NEAR_PERCENT / 100)), x(measured * (1 + NEAR_PERCENT / 100))
        for at in (a, b):
            items.append(Line(x1=at, y1=BASE - 3, x2=at, y2=HEIGHT - 10, layer="faults", pen="hair"))
        items.append(Line(x1=x(measured), y1=BASE, x2=x(measured), y2=HEIGHT - 10, layer="faults", pen="heavy"))
        words = f"measured {measured:.3g} Hz"
        items.append(
            Text(x=x(measured), y=HEIGHT - 7, text=words, size=LABEL + 0.2, align="middle", face="figure", bold=True)
        )
    said = ", ".join(f"{n.of} {n.hertz:.3g}" for n in named)
    return Scene(width=WIDTH, height=HEIGHT, title=f"Frequencies of the drive, Hz: {said}", items=tuple(items))
