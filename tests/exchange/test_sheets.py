"""Sheets of paper: the size they say, nothing outside the page, the code read by a reader, the figures those of the drive."""

from __future__ import annotations

import re
from dataclasses import replace
from xml.etree import ElementTree

import pypdfium2
import pytest
import zxingcpp
from PIL import Image

from tests.instruments.test_simulated import CHAIN, SYNC, V
from tuyere.core.drawing.scene import Arc, Circle, Line, Scene, Text
from tuyere.exchange.drawing.pdf import pdf_of, pdf_of_page
from tuyere.exchange.drawing.svg import svg_of
from tuyere.exchange.sheets.facts import big_figures, picture, tension_ruler, to_set
from tuyere.exchange.sheets.tag import SIZES, Tag, tag_scene
from tuyere.jobs.facts import DriveKnown, figure_of

ADDRESS = "http://10.0.0.7:8080/drives/5f9e6f86-2f2a-4a4e-9a3f-6a1f1c6c2e11"
MM = 72 / 25.4


def a_tag(known: DriveKnown, name: str = "Scutching turbine 1, main drive") -> Tag:
    return Tag(
        name=name,
        at=to_set(known),
        set_on="set 25 Nov 2026, N. Dray",
        due="26 Nov 2026, set it again at 24 hours",
        first="isolator Q7 on pillar B2, inlet gate down, then try to start",
        address=ADDRESS,
        inches=known.units == "us",
    )


def page_of(data: bytes, no: int = 0) -> pypdfium2.PdfPage:
    return pypdfium2.PdfDocument(data)[no]


def words_of(page: pypdfium2.PdfPage) -> str:
    return str(page.get_textpage().get_text_bounded())


@pytest.mark.parametrize("known", [V, replace(V, units="si"), SYNC, CHAIN], ids=["v-us", "v-si", "sync", "chain"])
@pytest.mark.parametrize("size", list(SIZES))
def test_a_tag_has_its_size_keeps_inside_it_and_its_code_leads_to_the_drive(known: DriveKnown, size: str) -> None:
    page = page_of(pdf_of(tag_scene(a_tag(known), size)))  # type: ignore[arg-type]
    assert (page.get_width() / MM, page.get_height() / MM) == pytest.approx(SIZES[size], abs=0.05)
    text = page.get_textpage()
    for k in range(text.count_chars()):
        left, bottom, right, top = text.get_charbox(k)
        assert left >= 0 and bottom >= 0 and right <= page.get_width() and top <= page.get_height()
    said = words_of(page)
    assert to_set(known).what.split()[-1] in said and "FIRST" in said
    for band in to_set(known).bands:
        assert band.number in said
    image = page.render(scale=300 / 72).to_pil().convert("L")
    # Black and white safe, and read from a print of 300 dots.
    (code,) = zxingcpp.read_barcodes(image.point(lambda v: 255 if v > 128 else 0))
    assert code.text == ADDRESS


def test_a_tag_with_a_long_name_keeps_inside_too() -> None:
    tag = a_tag(V, "Linseed press house, second bucket elevator head pulley, main drive with jackshaft")
    for size in SIZES:
        page = page_of(pdf_of(tag_scene(tag, size)))  # type: ignore[arg-type]
        text = page.get_textpage()
        boxes = [text.get_charbox(k) for k in range(text.count_chars())]
        assert max(b[2] for b in boxes) <= page.get_width() and min(b[0] for b in boxes) >= 0


def test_the_numbers_of_a_sheet_are_those_of_the_drive() -> None:
    band = figure_of(V, "tension_band", "new")
    at = to_set(V)
    assert band is not None and at.bands[0].number.replace("–", " to ") in band.shown
    assert at.mark in band.shown
    press, *_ = big_figures(V)
    assert press.label == "press one belt to" and press.number in at.mark
    # A chain is not set by its tension: what its slack is comes first, then what it carries.
    answers = CHAIN.sheet.answers  # type: ignore[union-attr]
    first = [a.main for a in answers if a.stage == "tension"] + [a.main for a in answers if a.stage == "choose"]
    assert [b.number for b in big_figures(CHAIN)] == first[:4]


def test_a_drive_set_by_the_makers_number_shows_it_and_the_worked_one_stays_on_its_page() -> None:
    maker = {"method": "plunger", "low_force": "9 lbf", "high_force": "10 lbf", "deflection": "1/2 in"}
    known = replace(V, ends={"maker": maker})
    found = known.band("new")
    assert found is not None and found[1] == "the machine maker's"
    shown = figure_of(known, "tension_band", "new")
    # Tag, card and scale go by it too.
    (set_to,) = to_set(known).bands
    assert set_to.label == "maker's number" and set_to.number not in [b.number for b in to_set(V).bands]
    assert set_to.number in [b.number for b in big_figures(known)]
    ruler = tension_ruler(known, 184.0)
    assert ruler is not None and "maker's number" in [i.text for i in ruler.items if isinstance(i, Text)]
    assert set_to.number in words_of(page_of(pdf_of(tag_scene(a_tag(known), "100x50"))))
    assert shown is not None and "maker" in shown.label and shown.low != pytest.approx(V.band("new")[0].low_n)  # type: ignore[index]


def test_svg_has_the_true_size_and_its_arcs_end_where_they_should() -> None:
    items = (
        Arc(x=10, y=10, r=5, start_deg=0, sweep_deg=90),
        Arc(x=10, y=10, r=5, start_deg=90, sweep_deg=-270),
        Line(x1=0, y1=0, x2=20, y2=20, layer="loop"),
        Circle(x=5, y=5, r=1),
        Text(x=1, y=1, text='5 < 6 & "7"', size=3),
    )
    root = ElementTree.fromstring(svg_of(Scene(width=20, height=20, title="A & B", items=items)))
    assert root.get("width") == "20mm" and root.get("viewBox") == "0 0 20 20"
    ns = "{http://www.w3.org/2000/svg}"
    assert root.findtext(f"{ns}title") == "A & B" and root.find(f".//{ns}text").text == '5 < 6 & "7"'  # type: ignore[union-attr]
    first, second = (p.get("d") or "" for p in root.iter(f"{ns}path"))
    assert re.findall(r"-?[\d.]+", first) == ["15", "10", "5", "5", "0", "0", "0", "10", "5"]
    # 270 degrees clockwise from the top ends at the left: the large way round.
    assert re.findall(r"-?[\d.]+", second)[-4:] == ["1", "1", "5", "10"] and second.endswith("1 1 5 10")


def test_a_sheet_reads_nothing_from_outside() -> None:
    page = "<html><body><img src='file:///etc/hostname'><img src='http://127.0.0.1:1/x.png'>words</body></html>"
    assert "words" in words_of(page_of(pdf_of_page(page)))


def test_fonts_come_with_the_app() -> None:
    page = page_of(pdf_of(tag_scene(a_tag(V), "100x50")))
    fonts = {o.get_font().get_base_name() for o in page.get_objects() if hasattr(o, "get_font")}
    assert fonts and all("Barlow" in f or "Plex" in f for f in fonts)


def test_the_elevation_and_the_scale_print_in_black_on_white() -> None:
    scene, scale = picture(V, 98.0, 56.0)
    assert scale > 1
    ruler = tension_ruler(V, 184.0, (150.0,))
    assert ruler is not None and tension_ruler(CHAIN, 184.0) is None
    for s in (scene, ruler):
        image = page_of(pdf_of(s)).render(scale=2).to_pil()
        assert isinstance(image, Image.Image)
        red, green, blue = image.convert("RGB").split()
        assert max(abs(a - b) for a, b in zip(red.tobytes(), blue.tobytes(), strict=True)) < 12
        assert green.getextrema()[0] < 90
