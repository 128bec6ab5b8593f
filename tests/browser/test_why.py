"""A failure traced to its cause on a phone, in at most seven answers; the job checks the machine before a new belt goes on."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.machine_side import a_drive, call
from tests.browser.test_one_truth import BELTS
from tuyere.core.diagnosis.model import likelihoods, model_of

Opener = Callable[..., Page]
CAUSE = "v-pried"


def test_a_snapped_nearly_new_belt_is_traced_to_its_cause_in_at_most_seven_answers(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    drive = a_drive(server, "v-belt", BELTS, electric="Isolator Q11")
    page = open_page(width=390, height=844)
    page.goto(f"{server.address}/drives/{drive}")
    page.get_by_role("link", name="Why did it fail?").click()
    expect(page.locator(".likely")).to_contain_text("say first what you see")
    assert axe(page) == []
    page.get_by_role("button", name=re.compile("^Snapped ragged")).click()
    page.get_by_role("tab", name="Record").click()
    page.get_by_role("button", name=re.compile("^Failed within hours or days")).click()
    given, pairs = 2, likelihoods()
    signs = {s.words: s for s in model_of("v").signs}
    causes = {c.words for c in model_of("v").causes if c.key == CAUSE}
    while given < 7:
        # The question is that of all answers so far, not of the ones before the last.
        expect(page.locator(".check")).to_have_attribute("aria-busy", "false")
        heading = page.locator(".check h2").inner_text().removesuffix("?")
        sign = signs[heading]
        pair = pairs.get((sign.key, CAUSE))
        # What such a failure shows more often than not is there, the rest is not.
        yes = pair is not None and pair.p >= 0.4
        if sign.guard == "off":
            expect(page.locator(".check .guard")).to_contain_text("isolate first")
        page.locator(".check").get_by_role("button", name="Yes" if yes else re.compile("^No")).click()
        page.wait_for_function("was => document.querySelector('.check h2')?.textContent !== was", arg=heading + "?")
        given += 1
        if page.locator(".causes h3").first.inner_text() in causes:
            break
    assert set(page.locator(".causes h3").all_inner_texts()[:2]) & causes
    # An answer is taken back and given again: the list is what it was.
    before = page.locator(".causes h3").all_inner_texts()
    page.get_by_role("button", name="Take back the last answer").click()
    expect(page.locator(".check h2")).to_have_text(heading + "?")
    page.locator(".check").get_by_role("button", name="Yes" if yes else re.compile("^No")).click()
    expect(page.locator(".check h2")).not_to_have_text(heading + "?")
    expect(page.locator(".causes h3")).to_have_text(before)
    page.get_by_role("button", name="Keep this failure").click()
    expect(page.locator(".past")).to_contain_text("Told:")
    page.locator(".past").get_by_role("button", name="Belt was pried or rolled on").click()
    expect(page.locator(".past")).to_contain_text("It was: Belt was pried or rolled on, said T. Sedge")
    expect(page.locator(".past")).to_contain_text("confirmed in this shop")
    assert axe(page) == []
    kept = call(server, "GET", f"/api/drives/{drive}/why")["failures"]
    assert [f["confirmed"] for f in kept] == [CAUSE]
    # Checks first: the job that clears the machine opens from here.
    page.get_by_role("tab", name="Loop").click()
    page.get_by_role("button", name=re.compile("^Snapped ragged")).click()
    page.get_by_role("link", name="Job: clear the machine first").click()
    expect(page.get_by_role("radio", name="Clear the machine before a new belt or chain")).to_have_attribute(
        "aria-checked", "true"
    )
    page.get_by_role("button", name="Open the job").click()
    expect(page.locator(".state")).to_contain_text("Not safe yet")


def test_a_dead_drive_is_traced_to_the_part_that_is_held(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    drive = a_drive(server, "v-belt", BELTS, electric="Isolator Q11")
    page = open_page(width=390, height=844)
    page.goto(f"{server.address}/drives/{drive}/why")
    page.get_by_role("link", name="It does not turn at all").click()
    for question, answer in (
        ("Is there supply", "There"),
        ("Is the loop still there", "Yes"),
        ("Isolate it, prove it", "Safe"),
        ("Press both strands", "One tight"),
        ("take the loop off", "Off"),
    ):
        expect(page.locator(".ask h2")).to_contain_text(question)
        page.locator(".ask").get_by_role("button", name=answer, exact=True).click()
    # From here a hand goes in: every source is named.
    expect(page.locator(".ask")).to_contain_text("Isolated first: ")
    expect(page.locator(".ask")).to_contain_text("Isolator Q11")
    assert axe(page) == []
    page.locator(".ask").get_by_role("button", name="Stuck", exact=True).click()
    expect(page.locator(".ask h2")).to_have_text("The driven machine is held")
    # It is left and found again as it was; an answer is taken back.
    page.reload()
    expect(page.locator(".ask h2")).to_have_text("The driven machine is held")
    page.get_by_role("button", name="Take back the last answer").click()
    expect(page.locator(".ask h2")).to_contain_text("Turn the driven shaft by hand")
    page.locator(".ask").get_by_role("button", name="Stuck", exact=True).click()
    page.get_by_role("link", name="Job for this").click()
    expect(page.get_by_role("radio", name="Clear the machine before a new belt or chain")).to_have_attribute(
        "aria-checked", "true"
    )
