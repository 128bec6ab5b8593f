"""Loops of many wheels: how long one is worked and drawn, and how smooth a wheel is dragged.

``python bench/routes.py`` works drives of 12 and 60 wheels in this process; with the address of a running demo
(``python bench/routes.py http://127.0.0.1:8350``) it also drags an idler for two seconds on the page and tells its frames.
"""

from __future__ import annotations

import json
import math
import statistics
import sys
import time
from typing import Any
from urllib.request import urlopen

from playwright.sync_api import sync_playwright

import tuyere.calc.every  # noqa: F401
from tuyere.calc.registry import find, work

ARGS = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-background-networking"]
FRAMES = """() => { window.frames_ = []; let last = performance.now();
const tick = (now) => { window.frames_.push(now - last); last = now; requestAnimationFrame(tick) };
requestAnimationFrame(tick) }"""


def ring(count: int) -> dict[str, Any]:
    """A flat belt round so many wheels on a rough circle, one of them driven, one on a slide; invented."""
    radius = 300 + 40 * count
    at = [
        (radius * math.cos(-2 * math.pi * k / count) - radius, radius * math.sin(-2 * math.pi * k / count))
        for k in range(count)
    ]
    driven = count // 2
    wheels = [
        {
            "name": f"w{k}",
            "between": "driver-driven" if k < driven else "driven-driver",
            "x": x,
            "y": y,
            "diameter": "6 in",
        }
        for k, (x, y) in enumerate(at)
        if k not in (0, driven)
    ]
    outward = math.degrees(math.atan2(at[1][1], at[1][0] + radius))
    around = {
        "driven_x": at[driven][0],
        "driven_y": at[driven][1],
        "wheels": wheels,
        "take_up": {"wheel": "w1", "direction": f"{outward:.6f}", "low": "-3 in", "high": "3 in"},
    }
    plain = {"power": "2 hp", "driver_speed": "400", "driver_diameter": "6 in", "driven_diameter": "6 in"}
    return plain | {"material": "polyamide-a2", "width": "3 in", "around": around}


def worked(count: int) -> float:
    """Milliseconds, median of nine, with the take-up solved for a length and everything drawn."""
    calc, given = find("flat-drive"), ring(count)
    long = work(calc, calc.request_model.model_validate({"input": given})).result.belt_length.value + 2
    request = calc.request_model.model_validate({"input": given | {"belt_length": long}})
    times = []
    for _ in range(9):
        start = time.perf_counter()
        work(calc, request).model_dump_json()
        times.append(1000 * (time.perf_counter() - start))
    return statistics.median(times)


def dragged(address: str) -> tuple[float, float]:
    """(median, 95th of a hundred) milliseconds a frame while an idler of the demo is dragged for two seconds."""
    machines = json.load(urlopen(f"{address}/api/machines"))["machines"]
    machine = next(m for m in machines if m["tag"] == "LC-1")
    drive = json.load(urlopen(f"{address}/api/machines/{machine['id']}"))["drives"][0]["id"]
    with sync_playwright() as p:
        page = p.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS).new_page()
        page.goto(f"{address}/drives/{drive}/change")
        idler = page.get_by_role("button", name="tension idler: the loop's outside")
        idler.wait_for()
        box = idler.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        page.wait_for_timeout(1000)
        page.mouse.move(x, y)
        page.mouse.down()
        page.evaluate(FRAMES)
        start = time.monotonic()
        while (since := time.monotonic() - start) < 2.0:
            page.mouse.move(x + 40 * math.sin(3 * since), y + 14 * math.sin(5 * since))
        frames = sorted(page.evaluate("() => window.frames_"))
        page.mouse.up()
        return statistics.median(frames), frames[int(0.95 * len(frames))]


def main() -> None:
    for count, asked in ((12, 30), (60, 150)):
        print(f"{count} wheels worked and drawn: {worked(count):.1f} ms, asked {asked}")
    if len(sys.argv) > 1:
        middle, slow = dragged(sys.argv[1].rstrip("/"))
        print(f"an idler dragged for 2 s: {middle:.1f} ms a frame (median), {slow:.1f} (95 of 100), asked 33")


if __name__ == "__main__":
    main()
