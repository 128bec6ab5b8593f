"""Every drive of the demo on the screen: no figure lies on the belt, on another figure or outside the drawing."""

from __future__ import annotations

import json
import urllib.request

import pytest

from tests.browser.pictures import LOST_WORDS
from tests.browser.test_jobs import Opener

# Measured on what the browser laid out, not on what the placing meant: words and figures as they are, the belt along its line.
CLASHES = """() => {
  const host = document.querySelector('.elevation .host')
  const edge = host.getBoundingClientRect()
  const hung = [...host.querySelectorAll('.hung')].map((h) => {
    const [a, b] = [h.querySelector('.label'), h.querySelector('.touch, .plain-answer')].map((e) => e.getBoundingClientRect())
    return { text: h.innerText, left: Math.min(a.left, b.left), right: Math.max(a.right, b.right), top: a.top, bottom: b.bottom }
  })
  const found = []
  hung.forEach((a, k) => {
    if (a.left < edge.left - 1 || a.right > edge.right + 1 || a.top < edge.top - 1 || a.bottom > edge.bottom + 1)
      found.push('outside: ' + a.text)
    hung.slice(k + 1).forEach((b) => {
      const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left)
      if (wide > 1 && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1) found.push(a.text + ' on ' + b.text)
    })
  })
  for (const line of host.querySelectorAll('svg [stroke="var(--belt)"], svg [fill="var(--belt)"]'))
    for (let k = 0; k <= 240; k++) {
      const p = line.getPointAtLength((line.getTotalLength() * k) / 240)
      const [x, y] = [p.x + edge.left, p.y + edge.top]
      hung.filter((a) => x > a.left && x < a.right && y > a.top && y < a.bottom).forEach((a) => found.push('belt under ' + a.text))
    }
  const belts = host.querySelectorAll('svg [stroke="var(--belt)"], svg [fill="var(--belt)"]').length
  return { belts, hung: hung.length, listed: document.querySelectorAll('.listed .callout').length, found: [...new Set(found)] }
}"""


def test_figures_hang_clear_on_every_drive_of_the_demo(open_page: Opener) -> None:
    page = open_page()
    home = page.url.split("/machines")[0]
    machines = json.load(urllib.request.urlopen(home + "/api/machines"))["machines"]
    drives = [d["id"] for m in machines for d in m["drives"] if d["fitted"]]
    assert len(drives) >= 15
    phone = open_page(390, 844)
    for view, wide in ((page, True), (phone, False)):
        for ident in drives:
            view.goto(f"{home}/drives/{ident}?stage=choose")
            view.locator("section.number .main").wait_for()
            view.locator(".callout").first.wait_for()
            seen = view.evaluate(CLASHES)
            assert seen["belts"] >= 1 and seen["found"] == [], ident
            # Wide, all hang on the drawing; on a phone all are listed below it.
            assert (seen["hung"] >= 6 and seen["listed"] == 0) if wide else (seen["hung"] == 0 and seen["listed"] >= 6)


@pytest.mark.parametrize(("width", "height", "units"), [(1280, 800, "us"), (390, 844, "us"), (390, 844, "si")])
def test_no_word_of_a_gauge_is_lost_on_any_drive_of_the_demo(
    open_page: Opener, width: int, height: int, units: str
) -> None:
    page = open_page(width, height)
    home = page.url.split("/machines")[0]
    page.evaluate("units => localStorage.setItem('tuyere.units', units)", units)
    machines = json.load(urllib.request.urlopen(home + "/api/machines"))["machines"]
    drives = [d["id"] for m in machines for d in m["drives"] if d["fitted"]]
    for ident in drives:
        page.goto(f"{home}/drives/{ident}?stage=tension")
        page.locator("section.number .main").wait_for()
        page.wait_for_load_state("networkidle")
        page.wait_for_timeout(300)
        assert page.evaluate(LOST_WORDS) == [], ident
