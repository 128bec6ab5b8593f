"""Every view of a running demo as it opens in the hand: ./tuyere demo --reset, then python bench/in_hand.py [address] [views...]

For each view, at a phone's and a desk's width with an empty cache: what is fetched (gzip), the first paint, how much the page jumped
(Chromium's layout-shift sum) and the longest time it could not answer a touch (long task), each the median of five. Then frames: the Tension stage's drawing
turned back and forth, an idler dragged, and the wall scrolled from end to end, as requestAnimationFrame saw them. `DRIVES` of a large
works are asked from a server the caller fills (bench/round.py makes one).
"""

from __future__ import annotations

import gzip
import json
import statistics
import sys
import urllib.request

from playwright.sync_api import Browser, Page, sync_playwright

ARGS = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-background-networking"]
WATCH = """
window.jumped = 0; window.long = [];
new PerformanceObserver(l => { for (const e of l.getEntries()) if (!e.hadRecentInput) window.jumped += e.value })
  .observe({ type: 'layout-shift', buffered: true });
new PerformanceObserver(l => { for (const e of l.getEntries()) window.long.push(Math.round(e.duration)) })
  .observe({ type: 'longtask', buffered: true });
localStorage.setItem('tuyere.name', 'N. Dray')
"""
FRAMES = """ms => new Promise(done => {
  const at = []; let until = 0
  const next = t => { until ||= t + ms; at.push(t); t < until ? requestAnimationFrame(next) : done(at) }
  requestAnimationFrame(next) })"""


def views(address: str) -> dict[str, str]:
    """The main views by name; drives are found by their machine's tag in the demo."""
    with urllib.request.urlopen(address + "/api/machines") as answer:
        machines = json.load(answer)["machines"]
    by_tag = {m["tag"]: m for m in machines if m["drives"]}
    some = [by_tag[t]["drives"][0]["id"] for t in ("SC-1", "SL-1") if t in by_tag] or [
        next(iter(by_tag.values()))["drives"][0]["id"]
    ]
    first, last = some[0], some[-1]
    return {
        "round": "/round",
        "machines": "/machines",
        "machine": f"/machines/{next(iter(by_tag.values()))['id']}",
        "drive": f"/drives/{first}",
        "drive, found": f"/drives/{first}?stage=found",
        "drive, duty": f"/drives/{first}?stage=duty",
        "drive, choose": f"/drives/{first}?stage=choose",
        "timeline": f"/drives/{first}/timeline",
        "change": f"/drives/{last}/change",
        "speeds of a drive": f"/drives/{first}/speeds",
        "why": f"/drives/{last}/why",
        "jobs": "/jobs",
        "bench": "/bench",
        "a card": "/bench/chain-wear",
        "a full form": "/bench/v-belt-drive?all",
        "what is this belt": "/what-belt",
        "choose": "/choose?power=15hp&driver_speed=1750&driven_speed=640&centre=28in",
        "shelf": "/shelf",
        "handbook": "/handbook",
        "report": "/report",
        "files": "/files",
        "route": "/route",
    }


def opened(browser: Browser, address: str, path: str, size: tuple[int, int]) -> dict[str, float]:
    page = browser.new_context(viewport={"width": size[0], "height": size[1]}).new_page()
    weights = {"app": 0, "font": 0, "api": 0}

    answers: list = []
    page.on("response", lambda r: answers.append(r))
    page.add_init_script(WATCH)
    page.goto(address + path, wait_until="networkidle")
    fetched = [*answers]
    page.wait_for_timeout(1200)
    for got in fetched:
        kind = "api" if "/api/" in got.url else "font" if ".woff" in got.url else "app"
        body = got.body() if got.ok else b""
        weights[kind] += len(body) if kind == "font" else len(gzip.compress(body, 6))
    seen = page.evaluate(
        "({ jumped, long, paint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN })"
    )
    page.context.close()
    return {
        "KB": (weights["app"] + weights["font"]) / 1024,
        "API": weights["api"] / 1024,
        "paint": seen["paint"],
        "jumped": seen["jumped"],
        "long": max(seen["long"], default=0),
    }


def frames(page: Page, ms: int) -> str:
    at = page.evaluate(FRAMES, ms)
    gaps = sorted(b - a for a, b in zip(at, at[1:], strict=False))
    return f"median {statistics.median(gaps):.1f} ms a frame, 95 of 100 under {gaps[int(0.95 * len(gaps))]:.1f}, worst {gaps[-1]:.0f}"


def main() -> None:
    address = (sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8350").rstrip("/")
    only = sys.argv[2:]
    with sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        print(f"{'':22}" + "".join(f"{w:>38}" for w in ("390x844", "1280x800")))
        for name, path in views(address).items():
            if only and name not in only:
                continue
            row = ""
            for size in ((390, 844), (1280, 800)):
                # A single opening is at the mercy of whatever else the machine does: the middle one of five.
                each = [opened(browser, address, path, size) for _ in range(5)]
                m = {k: statistics.median(x[k] for x in each) for k in each[0]}
                row += f"{m['KB']:6.0f}+{m['API']:.0f} KB {m['paint']:5.0f} ms {m['jumped']:7.3f} {m['long']:5.0f} ms"
            print(f"{name:22}{row}", flush=True)
        if not only:
            page = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
            page.goto(address + "/machines", wait_until="networkidle")
            page.evaluate(
                "() => { const v = document.querySelector('.view'); let t = 0; const go = s => { t ||= s;"
                " v.scrollTop = (v.scrollHeight - v.clientHeight) * Math.min(1, (s - t) / 1900); s - t < 1900 && requestAnimationFrame(go) };"
                " requestAnimationFrame(go) }"
            )
            print("the wall scrolled from end to end:", frames(page, 2000))
            page.goto(address + views(address)["drive"], wait_until="networkidle")
            press = page.get_by_role("button", name="Whole drive with its sizes")
            page.evaluate(
                "() => { const b = [...document.querySelectorAll('button')].find(x => x.textContent.includes('Whole drive'));"
                " let n = 0; const go = () => { [...document.querySelectorAll('button')].find(x => /Whole drive|The strand/.test(x.textContent))?.click();"
                " ++n < 8 && setTimeout(go, 250) }; b && go() }"
            )
            print("Tension's drawing turned back and forth:", frames(page, 2000), press.count())
        browser.close()


if __name__ == "__main__":
    main()
