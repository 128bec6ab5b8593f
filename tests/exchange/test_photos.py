"""Photos: what is none, what unpacks to too much, what is broken, and what is kept of a good one."""

from __future__ import annotations

import io
import struct
import zlib

import pytest
from PIL import Image, ImageDraw

from tuyere.core.errors import InputError
from tuyere.exchange.drawing.pdf import pdf_of_page
from tuyere.exchange.photos import LONG_SIDE, THUMB, kept_photo


def picture(size: tuple[int, int], mode: str = "RGB", kind: str = "JPEG") -> bytes:
    out = io.BytesIO()
    image = Image.new(mode, size)
    ImageDraw.Draw(image).line((0, 0, *size), fill=255 if mode in ("L", "P") else (200, 30, 30))
    image.save(out, kind)
    return out.getvalue()


def bomb() -> bytes:
    """A PNG of a few bytes that says it is 40,000 pixels square; all its chunks are sound (PNG specification)."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    head = struct.pack(">II", 40_000, 40_000) + bytes((8, 2, 0, 0, 0))
    rows = zlib.compress(b"\x00" * 200_000)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", rows) + chunk(b"IEND", b"")


@pytest.mark.parametrize(
    ("data", "why"),
    [
        (b"", "nothing came"),
        (b"#!/bin/sh\necho hello\n", "not a photo"),
        (b"<svg xmlns='http://www.w3.org/2000/svg'><script>1</script></svg>", "not a photo"),
        (picture((8, 8), kind="GIF", mode="P"), "not a photo"),
        (picture((300, 300))[:900], "broken"),
        (bomb(), "far too many pixels"),
        (b"\xff" * (10 * 2**20 + 1), "too large"),
    ],
    ids=["nothing", "script", "drawing-with-script", "gif", "half", "bomb", "large"],
)
def test_what_is_no_photo_is_refused_in_words(data: bytes, why: str) -> None:
    with pytest.raises(InputError, match=why) as e:
        kept_photo(data)
    assert e.value.field == "data" and e.value.value is None


def test_half_a_photo_is_refused_after_a_paper_was_made_too() -> None:
    """The maker of papers lets pictures be cut short for the whole process once it is loaded: seen, and mended."""
    pdf_of_page("<p>a sheet</p>")
    with pytest.raises(InputError, match="only half"):
        kept_photo(picture((300, 300))[:900])


@pytest.mark.parametrize(("kind", "mode"), [("JPEG", "RGB"), ("PNG", "RGB"), ("WEBP", "RGB"), ("PNG", "RGBA")])
@pytest.mark.parametrize("size", [(40, 30), (3000, 1000)])
def test_a_photo_is_kept_in_its_shape_and_no_larger_than_it_has_to_be(
    kind: str, mode: str, size: tuple[int, int]
) -> None:
    kept = kept_photo(picture(size, mode, kind))
    again, small = Image.open(io.BytesIO(kept.data)), Image.open(io.BytesIO(kept.thumbnail))
    assert again.size == (kept.width, kept.height) and max(again.size) == min(max(size), LONG_SIDE)
    assert kept.width / kept.height == pytest.approx(size[0] / size[1], rel=0.01)
    assert max(small.size) == min(max(size), THUMB) and small.format == "JPEG"
    assert kept.type == ("image/png" if mode == "RGBA" else "image/jpeg") and again.format in ("PNG", "JPEG")


def test_keeping_a_kept_photo_again_changes_nothing_of_its_size() -> None:
    once = kept_photo(picture((900, 700)))
    twice = kept_photo(once.data)
    assert (twice.width, twice.height, twice.type) == (once.width, once.height, once.type)
