"""Take the pictures in docs/screenshots from a running, fresh demo: ./tuyere demo --reset, then python bench/pictures.py"""

from __future__ import annotations

import re
import sys
from pathlib import Path
from urllib.request import urlopen

from PIL import Image
from playwright.sync_api import Page, sync_playwright
from pypdfium2 import PdfDocument

OUT = Path(__file__).parents[1] / "docs" / "screenshots"
ARGS = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-background-networking"]
DUTY = "/choose?driver_speed=1750&driven_speed=640&power=15hp&machine=fan-over-10-hp&centre=28in"


def main() -> None:
    address = (sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8350").rstrip("/")
    with sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)

        def opened(width: int = 1280, height: int = 800, theme: str = "light") -> Page:
            page = browser.new_context(viewport={"width": width, "height": height}).new_page()
            page.add_init_script(f"localStorage['tuyere.theme']='{theme}'; localStorage['tuyere.name']='N. Dray'")
            page.goto(address + "/machines")
            page.locator(".drive").first.wait_for()
            return page

        def shoot(page: Page, name: str) -> None:
            page.wait_for_timeout(500)
            page.screenshot(path=OUT / f"{name}.png")

        def drive(page: Page, machine: str, name: str) -> None:
            cell = page.locator("li.cell", has_text=machine).filter(has_text=name).first
            cell.locator(".drive").click()
            page.locator(".names .what .figure").wait_for()

        page = opened()
        shoot(page, "machines")
        drive(page, "Scutching turbine 1", "Main drive")
        shoot(page, "drive-light")
        page.get_by_role("button", name="How come: Set each new belt").click()
        page.locator(".katex").first.wait_for()
        shoot(page, "how-come")
        page = opened(theme="dark")
        page.goto(address + "/report?since=2024-12-01&until=2026-11-30")
        page.locator("dl").wait_for()
        shoot(page, "report")
        page = opened()
        page.goto(address + DUTY)
        page.locator(".best .one").first.wait_for()
        shoot(page, "choose")
        page = opened(390, 844)
        page.goto(address + "/what-belt")
        page.get_by_role("radio", name="I have the belt and a tape").click()
        for label, typed in (("Width across the top", "21/32"), ("Depth", "13/32"), ("Length round the outside", "93")):
            page.get_by_label(label).fill(typed)
        page.get_by_role("button", name="What is it?").click()
        page.locator("main .big").first.wait_for()
        page.locator("main .big").first.scroll_into_view_if_needed()
        shoot(page, "phone-what-belt")
        page = opened()
        drive(page, "Breaker line", "Breaker rollers")
        page.get_by_role("tab", name="Tension").click()
        shoot(page, "chain")
        page = opened()
        page.goto(address + "/round")
        page.locator(".due").first.wait_for()
        shoot(page, "round")
        page.get_by_role("link", name="Why did it fail?").first.click()
        page.locator(".causes").wait_for()
        for seen in ("Snapped ragged", "Both sides hard"):
            page.get_by_role("button", name=re.compile(f"^{seen}")).click()
            page.wait_for_timeout(600)
        page.locator(".view").evaluate("v => v.scrollTo(0, 0)")
        shoot(page, "why")
        page = opened()
        drive(page, "Breaker line", "Breaker rollers")
        page.get_by_role("link", name="Timeline").click()
        page.locator(".lanes").wait_for()
        shoot(page, "timeline")
        page.goto(address + "/bench/chain-wear")
        page.get_by_label("the length read", exact=True).fill("15 3/8")
        page.locator("section.answer .big").wait_for()
        shoot(page, "bench-card")
        page = opened()
        page.locator("li.cell", has_text="Scutching turbine 1").first.locator(".machine").click()
        page.locator(".cells svg").first.wait_for()
        page.locator(".come li").first.wait_for()
        shoot(page, "machine")
        page = opened()
        drive(page, "Seed cleaner", "Fan and shaker")
        page.get_by_role("link", name="Change the drive").click()
        page.locator("text.pull").first.wait_for()
        shoot(page, "change")
        page = opened()
        page.goto(address + "/speeds/air")
        page.get_by_label("speed now").or_(page.locator(".blank").first).first.wait_for()
        page.get_by_role("button", name="Fill in the example").click()
        page.locator(".figures").wait_for()
        page.wait_for_timeout(800)
        shoot(page, "speeds")
        page = opened(390, 844)
        drive(page, "Round baler", "Pickup countershaft")
        shoot(page, "phone-drive")
        page = opened(390, 844)
        drive(page, "Round baler", "Pickup countershaft")
        page.get_by_role("link", name="Job at this drive").click()
        page.get_by_role("radio", name="Set V-belts again").click()
        page.get_by_role("button", name="Open the job").click()
        for k in range(2):
            page.locator(".tick").nth(k).click()
            page.locator(".tick").nth(k).get_attribute("aria-checked")
            page.wait_for_timeout(400)
        shoot(page, "phone-make-safe")
        page = opened(390, 844)
        page.goto(address + "/jobs")
        page.get_by_role("link", name="Vacuum pump").first.click()
        page.locator(".pad").wait_for()
        for key in ("1", "1/2"):
            page.locator(".pad").get_by_role("button", name=key, exact=True).click()
        shoot(page, "phone-pad")
        page = opened()
        page.goto(address + "/jobs")
        page.locator(".line").first.wait_for()
        page.get_by_role("link", name="Scutching turbine 2").first.click()
        page.locator(".views").wait_for()
        shoot(page, "line")
        job = page.url.rsplit("/", 1)[1]
        drive_at = page.locator(".back").get_attribute("href") or ""
        paper(address, f"/api/jobs/{job}/card.pdf?blank=false", f"/api{drive_at}/tag.pdf")
        browser.close()


def paper(address: str, card: str, tag: str) -> None:
    """A job's first page and a tag beside it, as they come out of a printer."""
    sheets = []
    for path, dots in ((card, 100), (tag, 160)):
        with urlopen(address + path) as got:
            sheets.append(PdfDocument(got.read())[0].render(scale=dots / 72).to_pil())
    wide, high = sum(s.width for s in sheets) + 90, sheets[0].height + 60
    ground = Image.new("RGB", (wide, high), "#D9DFE2")
    left = 30
    for s in sheets:
        ground.paste(s, (left, 30))
        left += s.width + 30
    ground.save(OUT / "paper.png")


if __name__ == "__main__":
    main()
