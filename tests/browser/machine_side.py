"""Somebody at a machine with a phone: ticks, presses, types on the pad; and a machine of its own for every test."""

from __future__ import annotations

import json
import re
import urllib.request
import uuid
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server


def call(server: Server, method: str, path: str, body: dict[str, Any] | None = None) -> Any:
    data = None if body is None else json.dumps(body).encode()
    request = urllib.request.Request(server.address + path, data, {"Content-Type": "application/json"}, method=method)
    with urllib.request.urlopen(request) as got:
        return json.load(got)


def a_drive(server: Server, family: str, given: dict[str, Any], **energy: str) -> str:
    """A drive as it stands on a machine of its own; returns its id."""
    sources = [{"type": t, "isolation_point": p} for t, p in (energy or {"electric": "Isolator Q11"}).items()]
    m = call(server, "POST", "/api/machines", {"name": f"At it {uuid.uuid4().hex[:8]}", "energy_sources": sources})
    d = call(server, "POST", f"/api/machines/{m['id']}/drives", {"name": "Main"})
    body = {"purpose": "fitted", "freeze": True, "family": family, "input": given}
    call(server, "POST", f"/api/drives/{d['id']}/builds", body)
    return str(d["id"])


def simulated(server: Server, drive: str, **faults: float) -> None:
    """A simulated drive behind a drive, with faults that are hidden from the pages."""
    call(server, "PUT", f"/api/drives/{drive}/twin", {"seed": 7, **faults})


def shows(server: Server, drive: str, instrument: str, target: str, **more: Any) -> float:
    """What a simulated instrument shows of it, past the pages."""
    body = {"instrument": instrument, "target": target, "units": "si", **more}
    return float(call(server, "POST", f"/api/drives/{drive}/instruments", body)["value"])


class Hands:
    """What a person does on the pages of a job; counts the numbers that were typed."""

    def __init__(self, page: Page, server: Server) -> None:
        self.page, self.server, self.entries = page, server, 0

    def open(self, drive: str, title: str, *, take_up: str = "", yes: str = "") -> None:
        """Open a job from the drive's own page."""
        p = self.page
        p.goto(f"{self.server.address}/drives/{drive}")
        p.get_by_role("link", name="Job at this drive").click()
        p.get_by_role("radio", name=title).click()
        if take_up:
            p.get_by_role("radio", name=take_up, exact=True).click()
        if yes:
            p.get_by_role("button", name=yes).click()
        p.get_by_role("button", name="Open the job").click()
        expect(p.locator(".state")).to_contain_text("Not safe yet")
        self.entries = 0

    @property
    def job(self) -> dict[str, Any]:
        """The job as the server tells it."""
        ident = self.page.url.rsplit("/", 1)[1]
        return dict(call(self.server, "GET", f"/api/jobs/{ident}"))

    def make_safe(self) -> None:
        """Every source ticked, both proofs, the signature."""
        p = self.page
        expect(p.locator(".tick").first).to_be_visible()
        for k in range(p.locator(".tick").count()):
            p.locator(".tick").nth(k).click()
            expect(p.locator(".tick").nth(k)).to_have_attribute("aria-checked", "true")
        for k in range(p.locator(".proof").count()):
            p.locator(".proof").nth(k).click()
            expect(p.locator(".proof").nth(k)).to_contain_text("✓")
        p.get_by_role("button", name="Sign: it is safe").click()
        expect(p.locator(".state")).to_contain_text("Safe, locked")
        p.get_by_role("button", name="Go on to the drive").click()

    def at(self) -> str:
        """Where the job is, as its count says."""
        return self.page.locator(".count").inner_text()

    def one_step(self) -> None:
        """Do the step at hand the plain way: done, all right, or left out with a reason where it asks for a number."""
        p, was = self.page, self.at()
        leave = p.get_by_role("button", name=re.compile("^Leave (this reading out|out)"))
        if p.get_by_role("button", name="All right").count():
            p.get_by_role("button", name="All right").click()
        elif p.get_by_role("button", name="Done", exact=True).count():
            p.get_by_role("button", name="Done", exact=True).click()
        elif p.get_by_role("button", name=re.compile("^(Sign as|Locks are off)")).count():
            p.get_by_role("button", name=re.compile("^(Sign as|Locks are off)")).click()
        elif not leave.count():
            # A torque is never left out.
            self.press("20")
            p.locator(".go").click()
            p.get_by_role("button", name="Done, next").click()
        else:
            leave.first.click()
            p.locator("#read-why, #why").fill("not today")
            p.get_by_role("button", name="Leave it out").click()
        p.wait_for_function(
            "was => document.querySelector('.count')?.textContent.trim() !== was || document.querySelector('.closed')",
            arg=was,
        )

    def until(self, heading: str) -> None:
        """Step after step up to the reading that is headed so."""
        for _ in range(30):
            if self.page.get_by_role("heading", name=heading, exact=True).count():
                return
            self.one_step()
        raise AssertionError(f"never came to {heading}")

    def to_the_end(self) -> None:
        """Every step that is left, to the closing signature."""
        for _ in range(40):
            if self.page.locator(".closed").count():
                return
            self.one_step()
        raise AssertionError("never closed")

    def press(self, text: str) -> None:
        """A number on the pad's own keys."""
        for part in re.findall(r"\d+/\d+|[0-9.]|-", text):
            name = {"-": "+ / −", ".": "point"}.get(part, part)
            self.page.locator(".pad").get_by_role("button", name=name, exact=True).click()

    def read(self, *values: str) -> None:
        """Numbers one after the other, as the pad asks for them."""
        for v in values:
            heading = self.page.locator(".ask h2").inner_text()
            self.press(v)
            self.page.locator(".go").click()
            self.entries += 1
            # The next is asked for, or all of them are in.
            self.page.wait_for_function(
                "was => (document.querySelector('.ask h2')?.textContent ?? '') !== was", arg=heading
            )

    def take(self, times: int = 1) -> None:
        """Readings with the simulated instruments, one after the other, each looked at and set."""
        for _ in range(times):
            heading = self.page.locator(".ask h2").inner_text()
            self.page.get_by_role("button", name="Take reading").click()
            expect(self.page.locator(".by")).to_contain_text("simulated")
            expect(self.page.locator(".pad output")).not_to_have_text("–")
            expect(self.page.locator(".go")).to_be_enabled()
            self.page.locator(".go").click()
            self.entries += 1
            self.page.wait_for_function(
                "was => (document.querySelector('.ask h2')?.textContent ?? '') !== was", arg=heading
            )

    def turn(self, word: str = "Turned: read again") -> None:
        """The move was made: the next round of readings."""
        self.page.get_by_role("button", name=word).click()
        expect(self.page.locator(".pad")).to_be_visible()

    def done(self) -> None:
        """The readings will do, or are left as they are."""
        was = self.at()
        self.page.get_by_role("button", name=re.compile("^(Done, next|Leave it)")).first.click()
        self.page.wait_for_function("was => document.querySelector('.count')?.textContent.trim() !== was", arg=was)
