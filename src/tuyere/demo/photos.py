"""Invented photos for the demo: a belt on a bench, drawn, with a mark where the fault would be. They show no real part."""

from __future__ import annotations

import base64
import io
import random

from PIL import Image, ImageDraw, ImageFilter

SIZE = (960, 720)


def sketch(fault: str, words: str) -> str:
    """A picture as base64, the same for the same words."""
    luck = random.Random(f"{fault}/{words}")
    picture = Image.new("RGB", SIZE, (104, 102, 96))
    draw = ImageDraw.Draw(picture)
    for _ in range(900):
        x, y = luck.randrange(SIZE[0]), luck.randrange(SIZE[1])
        shade = luck.randrange(84, 122)
        draw.line((x, y, x + luck.randrange(8, 60), y + 1), fill=(shade, shade - 2, shade - 8))
    top = luck.randrange(270, 330)
    draw.polygon(((0, top), (SIZE[0], top - 60), (SIZE[0], top + 90), (0, top + 150)), fill=(38, 38, 40))
    for k in range(0, SIZE[0], 46):
        draw.line((k, top + 4 - k // 16, k - 14, top + 146 - k // 16), fill=(24, 24, 26), width=5)
    for _ in range(3 if fault else 0):
        x = luck.randrange(280, 680)
        draw.line((x, top + 20, x + luck.randrange(-30, 30), top + 120), fill=(168, 160, 148), width=4)
    picture = picture.filter(ImageFilter.GaussianBlur(1.2))
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=80)
    return base64.b64encode(out.getvalue()).decode()
