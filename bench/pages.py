"""Endpoints and pages of a running demo: ./tuyere demo, then python bench/pages.py [address]"""

from __future__ import annotations

import gzip
import json
import statistics
import sys
import time
import urllib.request

from playwright.sync_api import sync_playwright

import tuyere.calc.every  # noqa: F401
from tuyere.calc.registry import CALCULATIONS

ARGS = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-background-networking"]


def endpoint(address: str, name: str, body: dict, runs: int = 60) -> float:
    times = []
    for _ in range(runs):
        request = urllib.request.Request(
            f"{address}/api/calc/{name}", json.dumps(body).encode(), {"Content-Type": "application/json"}
        )
        began = time.perf_counter()
        with urllib.request.urlopen(request) as answer:
            answer.read()
        times.append(1000 * (time.perf_counter() - began))
    return statistics.median(times)


def main() -> None:
    address = (sys.argv[1] if len(sys.argv) > 1 else "http://127.0.0.1:8350").rstrip("/")
    for name, calc in CALCULATIONS.items():
        print(f"POST {name}: median {endpoint(address, name, calc.example):.1f} ms")
    with sync_playwright() as p:
        browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
        page = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
        weight = [0]

        bodies: list = []
        page.on("response", lambda r: bodies.append(r))
        page.goto(address + "/machines", wait_until="networkidle")
        for response in bodies:
            body = response.body()
            weight[0] += len(body) if ".woff" in response.url else len(gzip.compress(body, 6))
        print(f"first load of the app: {weight[0] / 1024:.0f} KB gzip, {len(bodies)} requests")
        link = page.locator(".drive", has_text="Pump drive").get_attribute("href")
        times = []
        for _ in range(7):
            fresh = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
            began = time.perf_counter()
            fresh.goto(address + link, wait_until="commit")
            fresh.locator(".names .what .figure").wait_for()
            times.append(time.perf_counter() - began)
        print(f"Drive page to its figures, empty cache: median {statistics.median(times):.2f} s")
        page.goto(address + link)
        page.locator(".names .what .figure").wait_for()
        times = []
        for speed in ("1160", "1750", "1160", "1750", "1160", "1750"):
            page.get_by_role("button", name="driver").first.click()
            page.get_by_label("driver", exact=True).fill(speed)
            began = time.perf_counter()
            page.keyboard.press("Enter")
            page.locator(".callout .touch", has_text=f"{int(speed):,}").wait_for()
            times.append(1000 * (time.perf_counter() - began))
        print(f"a call-out changed to everything redrawn: median {statistics.median(times):.0f} ms")
        browser.close()


if __name__ == "__main__":
    main()
