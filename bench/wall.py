"""The wall of a works: 300 machines and 5,000, one of them with 40 drives; what a person waits for and how it scrolls.

Everything is invented and made by the database itself, in a cluster of its own; Chromium on the same machine. ``npx vite build`` in
frontend first, then ``python bench/wall.py``.
"""

from __future__ import annotations

import statistics
import threading
import time
from pathlib import Path

import sqlalchemy as sa
from playwright.sync_api import Browser, sync_playwright
from sqlmodel import Session
from werkzeug.serving import make_server

import tuyere.calc.every  # noqa: F401
from own_database import own_database
from round import copies, one_drive
from tuyere.ops.postgres import Cluster
from tuyere.ops.setup import data_home
from tuyere.store.plumbing.engine import engine_for
from tuyere.web.app import create_app

DIST = Path(__file__).parents[1] / "frontend" / "dist"
ARGS = ["--headless", "--no-sandbox", "--disable-gpu", "--disable-background-networking"]
PORT = 8599
WATCH = """
window.long = [];
new PerformanceObserver(l => { for (const e of l.getEntries()) window.long.push(Math.round(e.duration)) })
  .observe({ type: 'longtask', buffered: true });
"""
# From end to end and back while frames are counted; more machines come in as the foot is reached.
SCROLL = """ms => new Promise(done => {
  const v = document.querySelector('.view'), at = []; let from = 0
  const next = t => { from ||= t; at.push(t); const p = ((t - from) / ms) * 2
    v.scrollTop = (v.scrollHeight - v.clientHeight) * (p < 1 ? p : 2 - p)
    t - from < ms ? requestAnimationFrame(next) : done(at) }
  requestAnimationFrame(next) })"""


def seen(browser: Browser, path: str, first: str, size: tuple[int, int]) -> str:
    page = browser.new_context(viewport={"width": size[0], "height": size[1]}).new_page()
    page.add_init_script(WATCH)
    began = time.perf_counter()
    page.goto(f"http://127.0.0.1:{PORT}{path}", wait_until="commit")
    page.locator(first).first.wait_for()
    shown = time.perf_counter() - began
    page.wait_for_load_state("networkidle")
    paint = page.evaluate("performance.getEntriesByName('first-contentful-paint')[0].startTime")
    slow = max(page.evaluate("window.long"), default=0)
    at = page.evaluate(SCROLL, 4000)
    gaps = sorted(b - a for a, b in zip(at, at[1:], strict=False))
    cells = page.locator(first).count()
    page.context.close()
    return (
        f"paint {paint:4.0f} ms, first drive {1000 * shown:5.0f} ms, longest task {slow:4d} ms; scrolled over {cells} cells: median "
        f"{statistics.median(gaps):.1f} ms a frame, 95 of 100 under {gaps[int(0.95 * len(gaps))]:.1f}"
    )


def works(url: str, machines: int, browser: Browser) -> None:
    engine = engine_for(url)
    with Session(engine) as session, session.begin():
        one_drive(session)
    with sa.create_engine(url).begin() as connection:
        copies(connection, machines + 38)
        # Forty drives hang on the first machine.
        connection.execute(
            sa.text(
                "UPDATE drive SET machine_id = (SELECT id FROM machine WHERE walk_order = 0), name = 'Drive ' || d.n FROM "
                "(SELECT id, row_number() OVER (ORDER BY id) AS n FROM drive) d WHERE drive.id = d.id AND d.n <= 40"
            )
        )
        connection.execute(
            sa.text("DELETE FROM machine WHERE walk_order > 0 AND id NOT IN (SELECT machine_id FROM drive)")
        )
    with sa.create_engine(url, isolation_level="AUTOCOMMIT").connect() as c:
        c.execute(sa.text("VACUUM ANALYZE"))
        first = c.execute(sa.text("SELECT id FROM machine WHERE walk_order = 0")).scalar_one()
    server = make_server("127.0.0.1", PORT, create_app(engine, DIST), threaded=True)
    threading.Thread(target=server.serve_forever, daemon=True).start()
    for size in ((1280, 800), (390, 844)):
        print(f"{machines} machines, {size[0]} wide: {seen(browser, '/machines', '.cell', size)}", flush=True)
    print(f"machine of 40 drives: {seen(browser, f'/machines/{first}', '.drive', (1280, 800))}", flush=True)
    server.shutdown()
    engine.dispose()


def main() -> None:
    """Print one run."""
    cluster = Cluster(data_home().parent / f"{data_home().name}-bench", 28501, lasting=False)
    cluster.create()
    cluster.start()
    try:
        with sync_playwright() as p:
            browser = p.chromium.launch(executable_path="/usr/bin/chromium", args=ARGS)
            for machines in (300, 5000):
                with own_database(cluster) as url:
                    works(url, machines, browser)
    finally:
        cluster.stop()


if __name__ == "__main__":
    main()
