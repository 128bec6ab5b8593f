"""Scenes and pages as PDF, by a kept library that is loaded when the first sheet is asked for; fonts come with the app."""

from __future__ import annotations

from base64 import b64encode
from functools import cache
from importlib.resources import files

from tuyere.core.drawing.scene import Scene
from tuyere.exchange.drawing.svg import svg_of

FONTS = {
    ("Barlow", 400): "barlow-latin-400-normal",
    ("Barlow", 600): "barlow-latin-600-normal",
    ("Barlow Condensed", 500): "barlow-condensed-latin-500-normal",
    ("Barlow Condensed", 600): "barlow-condensed-latin-600-normal",
    ("IBM Plex Mono", 500): "ibm-plex-mono-latin-500-normal",
    ("IBM Plex Mono", 600): "ibm-plex-mono-latin-600-normal",
}


@cache
def font_faces() -> str:
    """The fonts as style rules that carry them."""
    rules = []
    for (family, weight), name in FONTS.items():
        data = b64encode(files("tuyere.exchange").joinpath("fonts", f"{name}.woff2").read_bytes()).decode()
        rules.append(
            f"@font-face {{ font-family: '{family}'; font-weight: {weight}; "
            f"src: url(data:font/woff2;base64,{data}) format('woff2'); }}"
        )
    return "\n".join(rules)


def pdf_of_page(html: str) -> bytes:
    """A page of HTML, its style in it, as PDF. A sheet is whole in itself: it reads no file and no address."""
    from weasyprint import HTML, URLFetcher

    made: bytes = HTML(string=html, url_fetcher=URLFetcher(allowed_protocols=("data",))).write_pdf()
    return made


def pdf_of(scene: Scene) -> bytes:
    """A scene as a PDF of its own size."""
    return pdf_of_page(
        f"<html><head><title>{scene.title}</title><style>{font_faces()}"
        f"@page {{ size: {scene.width}mm {scene.height}mm; margin: 0 }} body {{ margin: 0 }} svg {{ display: block }}"
        f"</style></head><body>{svg_of(scene)}</body></html>"
    )
