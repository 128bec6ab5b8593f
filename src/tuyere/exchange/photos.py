"""Photos as they come from a phone: decoded, turned the right way up, written anew without what the camera put in, with a thumbnail."""

from __future__ import annotations

import io
import warnings
from dataclasses import dataclass
from typing import Literal

from PIL import Image, ImageFile, ImageOps, UnidentifiedImageError

from tuyere.core.errors import InputError

KINDS = ("JPEG", "PNG", "WEBP")
ALLOWED = "JPEG, PNG or WebP"
LARGEST_BYTES, LARGEST_PIXELS = 10 * 2**20, 50_000_000
# The long side of what is kept: sharp enough to see a crack, small enough for a shop's database.
LONG_SIDE, THUMB, QUALITY = 2400, 320, 86


@dataclass(frozen=True, slots=True, kw_only=True)
class KeptPhoto:
    """A photo as it is kept; pixels are those of ``data``."""

    type: Literal["image/jpeg", "image/png"]
    width: int
    height: int
    data: bytes
    thumbnail: bytes


def _refuse(why: str, allowed: str) -> InputError:
    return InputError("data", None, why, allowed)


def _opened(data: bytes) -> Image.Image:
    """The picture, upright, all of it decoded. Raises InputError for what is none, or unpacks to more than it may."""
    # What makes the papers lets every picture of the process be cut short, once it is loaded; half a photo is no photo.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            picture = Image.open(io.BytesIO(data), formats=KINDS)
            # The head of the file says its size: a bomb is refused before any of it is unpacked.
            if picture.width * picture.height > LARGEST_PIXELS:
                raise _refuse("far too many pixels for a photo", f"{LARGEST_PIXELS // 10**6} million pixels")
            picture.load()
    except (Image.DecompressionBombWarning, Image.DecompressionBombError):
        raise _refuse("far too many pixels for a photo", f"{LARGEST_PIXELS // 10**6} million pixels") from None
    except UnidentifiedImageError:
        raise _refuse("that is not a photo", ALLOWED) from None
    except (OSError, SyntaxError, ValueError, EOFError) as e:
        raise _refuse("the photo is broken or only half of it came", ALLOWED) from e
    return ImageOps.exif_transpose(picture) or picture


def kept_photo(data: bytes) -> KeptPhoto:
    """A photo to keep, from the bytes of a file. Raises InputError beside "data".

    Flat pictures with few colours or holes (screens, drawings) stay PNG; everything else becomes JPEG.
    """
    if not data:
        raise _refuse("nothing came", ALLOWED)
    if len(data) > LARGEST_BYTES:
        raise _refuse("the file is too large", f"{LARGEST_BYTES // 2**20} MB")
    picture = _opened(data)
    drawn = picture.mode in ("P", "1", "RGBA", "LA")
    plain = picture.convert("RGBA" if drawn else "RGB")
    plain.thumbnail((LONG_SIDE, LONG_SIDE), Image.Resampling.LANCZOS)
    # A new picture takes the pixels only: no place, no camera, no comment.
    fresh = Image.new(plain.mode, plain.size)
    fresh.paste(plain)
    out, small = io.BytesIO(), io.BytesIO()
    if drawn:
        fresh.save(out, "PNG", optimize=True)
    else:
        fresh.save(out, "JPEG", quality=QUALITY, optimize=True)
    white = Image.new("RGB", fresh.size, "white")
    white.paste(fresh, mask=fresh.getchannel("A") if drawn else None)
    white.thumbnail((THUMB, THUMB), Image.Resampling.LANCZOS)
    white.save(small, "JPEG", quality=80, optimize=True)
    return KeptPhoto(
        type="image/png" if drawn else "image/jpeg",
        width=fresh.width,
        height=fresh.height,
        data=out.getvalue(),
        thumbnail=small.getvalue(),
    )


def stands_as_kept(data: bytes, kind: str) -> bool:
    """Whether these bytes are a picture as this program keeps it: of its kind, whole, and nothing of the camera in it."""
    try:
        picture = _opened(data)
        # Turned upright already: reading it again must find nothing to turn, and no place.
        return Image.MIME.get(Image.open(io.BytesIO(data)).format or "") == kind and not picture.getexif()
    except InputError:
        return False
