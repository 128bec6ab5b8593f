"""A served app on the test database, and a Chromium that fails the test on any console error or failed request."""

from __future__ import annotations

import os
import subprocess
import time
import urllib.request
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
import sqlalchemy as sa
from playwright.sync_api import Browser, Page, expect, sync_playwright

from tuyere.demo.load import load
from tuyere.ops.postgres import Cluster, free_port
from tuyere.ops.serve import server_command
from tuyere.ops.setup import FRONTEND, ROOT
from tuyere.store.plumbing.database import migrate
from tuyere.store.plumbing.engine import engine_for

ARGS = [
    "--headless",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


# A busy machine is slow, not wrong: waits end as soon as what is waited for is there.
expect.set_options(timeout=30_000)


class Server:
    """The app with its database; can be stopped and started again."""

    def __init__(self, url: str, port: int) -> None:
        self.url, self.port, self.process = url, port, None
        self.address = f"http://127.0.0.1:{port}"

    def start(self) -> None:
        env = {**os.environ, "TUYERE_DATABASE_URL": self.url, "TUYERE_SECRET": "test", "PYTHONPATH": str(ROOT / "src")}
        self.process = subprocess.Popen(server_command(f"127.0.0.1:{self.port}", 2), env=env, cwd=ROOT)
        for _ in range(900):  # a busy machine takes its time
            try:
                urllib.request.urlopen(self.address + "/api/calc", timeout=2).close()
                return
            except OSError:
                time.sleep(0.1)
        raise RuntimeError("the server did not come up")

    def stop(self) -> None:
        self.process.terminate()
        try:
            self.process.wait(60)  # it lets requests end, and a busy machine takes its time
        except subprocess.TimeoutExpired:
            self.process.kill()
            self.process.wait(15)


@pytest.fixture(scope="session")
def server(cluster: Cluster) -> Iterator[Server]:
    assert (FRONTEND / "dist" / "index.html").exists(), "build the pages first: ./tuyere test does"
    admin = sa.create_engine(cluster.url("postgres"), isolation_level="AUTOCOMMIT")
    with admin.connect() as c:
        c.execute(sa.text("DROP DATABASE IF EXISTS browser_test WITH (FORCE)"))
        c.execute(sa.text("CREATE DATABASE browser_test"))
    url = cluster.url("browser_test")
    migrate(url)
    engine = engine_for(url)
    load(engine)
    engine.dispose()
    made = Server(url, free_port(8460))
    made.start()
    yield made
    made.stop()
    with admin.connect() as c:
        c.execute(sa.text("DROP DATABASE browser_test WITH (FORCE)"))
    admin.dispose()


@pytest.fixture(scope="session")
def chromium() -> Iterator[Callable[..., Browser]]:
    """Starts browsers; one driver serves them all, for a second one cannot run beside it."""
    with sync_playwright() as p:

        def start(*more: str) -> Browser:
            return p.chromium.launch(
                executable_path=os.environ.get("CHROMIUM", "/usr/bin/chromium"), args=[*ARGS, *more]
            )

        yield start


@pytest.fixture(scope="session")
def browser(chromium: Callable[..., Browser]) -> Iterator[Browser]:
    made = chromium()
    yield made
    made.close()


@pytest.fixture
def open_page(browser: Browser, server: Server) -> Iterator[Callable[..., Page]]:
    """Opens pages of a size; at the end no page may have said an error or lost a request."""
    trouble: list[str] = []
    contexts = []

    def opener(width: int = 1280, height: int = 800, **settings: str) -> Page:
        context = browser.new_context(
            viewport={"width": width, "height": height},
            has_touch=width < 600,
            # What a test cuts off must be cut off: the program kept on the device has a test of its own.
            service_workers="block",
        )
        contexts.append(context)
        page = context.new_page()
        page.set_default_timeout(45_000)
        chosen = {"tuyere.name": "T. Sedge", **{f"tuyere.{k}": v for k, v in settings.items()}}
        for key, value in chosen.items():
            page.add_init_script(f"localStorage.getItem('{key}') ?? localStorage.setItem('{key}', '{value}')")
        # A refusal (4xx) of a checked input is an answer, not a fault; Chromium logs it as an error all the same.
        page.on("console", lambda m: m.type == "error" and "status of 4" not in m.text and trouble.append(m.text))
        page.on("pageerror", lambda e: trouble.append(str(e)))
        page.on("response", lambda r: r.status >= 500 and trouble.append(f"{r.status} {r.url}"))
        page.on(
            "requestfailed", lambda r: "ABORTED" not in (r.failure or "") and trouble.append(f"{r.failure} {r.url}")
        )
        page.on(
            "request",
            lambda r: (
                not r.url.startswith((server.address, "data:", "blob:")) and trouble.append(f"left home: {r.url}")
            ),
        )
        page.trouble = trouble
        page.goto(server.address + "/machines")
        # The first paint comes before the program: nobody types before its head stands.
        page.locator(".frame").wait_for()
        return page

    yield opener
    for c in contexts:
        c.close()
    assert trouble == []


@pytest.fixture
def axe() -> Callable[[Page], list[str]]:
    """Accessibility faults of the page as it stands, all above minor."""
    script = Path(FRONTEND / "node_modules/axe-core/axe.min.js").read_text("utf-8")

    def run(page: Page) -> list[str]:
        page.evaluate(script)
        found = page.evaluate("axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'best-practice']})")
        return [f"{v['id']}: {v['nodes'][0]['html'][:120]}" for v in found["violations"] if v["impact"] != "minor"]

    return run
