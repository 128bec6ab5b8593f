"""An address as a square of dark and light fields."""

from __future__ import annotations

import segno

from tuyere.core.drawing.scene import Item, Scene, Shape, box


def qr_scene(address: str, size: float) -> Scene:
    """A QR code of a size in mm, without the quiet zone round it: leave four fields.

    Medium correction: a fifth of it may be scratched or greasy. Source: ISO/IEC 18004 by a kept library.
    """
    rows = segno.make_qr(address, error="m").matrix
    field = size / len(rows)
    out: list[Item] = []
    for k, row in enumerate(rows):
        start: int | None = None
        for c, dark in enumerate((*row, 0)):
            if dark and start is None:
                start = c
            elif not dark and start is not None:
                corner = (start * field, size - (k + 1) * field)
                # A hair wider than its fields, or the printer leaves light lines between them.
                out.append(Shape(points=box(*corner, (c - start) * field, field * 1.02), pen="hair", fill="ink"))
                start = None
    return Scene(width=size, height=size, title="Address of the drive", items=tuple(out))
