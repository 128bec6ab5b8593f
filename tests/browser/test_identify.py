"""What is this belt, does it fit, what would be better: at the counter, at the machine, at the desk."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_families import home, no_sideways
from tests.browser.test_jobs import Opener, choose, tab


def cell(page: Page, row: str) -> str:
    """A figure of the answer; where it stands among the other figures these are opened first."""
    others = page.locator(".answer details:not([open]) summary")
    if others.count():
        others.first.click()
    return (
        page.locator(".answer tr", has=page.get_by_role("rowheader", name=row, exact=True))
        .locator("td")
        .first.inner_text()
    )


def test_a_counter_clerk_gets_what_is_it_from_a_tape_and_two_pulleys(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    page.keyboard.press("/")
    page.keyboard.type("what is this belt")
    page.get_by_role("option", name=re.compile("What is this belt")).first.wait_for()
    page.keyboard.press("Enter")
    page.get_by_label("Top width").fill("21/32")
    page.get_by_label("Outside length").fill("93")
    page.get_by_role("button", name="Work it out").click()
    # Width and length leave industrial and light-duty belts: it says either, and what decides.
    expect(page.get_by_text("cannot be told apart by a tape").first).to_be_visible()
    assert "B90" in cell(page, "Answer") and "5L930" in cell(page, "Answer")
    expect(page.get_by_role("heading", name="Fits the measures")).to_be_visible()
    # The belt is gone: the two sheaves and the centres.
    page.get_by_role("button", name="Clear").click()
    choose(page, "Groove", "B")
    page.get_by_label("Driver diameter").fill("5 3/4")
    page.get_by_label("Driven diameter").fill("9 3/4")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_text("the centre distance or the take-up's range is needed")).to_be_visible()
    page.get_by_label("Least centre distance").fill("33 1/2")
    page.get_by_label("Greatest centre distance").fill("35")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_role("heading", name="Fits the sheaves")).to_be_visible()
    assert cell(page, "Answer") == "B90"
    # And from a half-worn marking.
    page.get_by_role("button", name="Clear").click()
    page.get_by_label("Marking").fill("b9?")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_role("heading", name="Readings")).to_be_visible()
    expect(page.get_by_role("cell", name="B90", exact=True).last).to_be_visible()
    assert axe(page) == []


def test_an_a_belt_in_b_grooves_is_explained_and_kept_as_temporary(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page(390, 844)
    page.goto(home(page) + "/bench/groove-fit?all")
    page.get_by_label("Belt", exact=True).fill("A")
    choose(page, "Groove", "B")
    page.get_by_label("Outside diameter").fill("5 3/4")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_role("img", name=re.compile("Cross-section"))).to_be_visible()
    assert cell(page, "State") == "emergency" and cell(page, "Speed change").startswith("-")
    no_sideways(page)
    assert axe(page) == []
    page.goto(home(page) + "/machines")
    page.get_by_role("link", name=re.compile("Head drive, first stage")).click()
    tab(page, "Found")
    page.get_by_role("button", name="Write down what is on it now").click()
    page.get_by_label("Driver diameter").fill("5 3/4")
    page.get_by_label("Driven diameter").fill("13 3/4")
    page.get_by_label("Belt, as it is marked").fill("A85")
    page.get_by_label("How many").fill("3")
    choose(page, "Groove, where it is not the belt's own", "B")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_text(re.compile("for a while only"))).to_be_visible()
    page.get_by_text("It is only there for now").click()
    page.get_by_label("Why, and what will put it right").fill("B83 is on order")
    page.get_by_label("Promised for").fill("2026-12-04")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_text(re.compile("temporary: B83 is on order Promised 4 Dec 2026"))).to_be_visible()
    expect(page.get_by_role("tab", name=re.compile("Found"))).to_contain_text("temporary")


def test_a_planner_holds_the_build_of_today_against_the_options_by_shaft_load(open_page: Opener) -> None:
    page = open_page()
    page.get_by_role("link", name=re.compile("^Fan drive")).click()
    expect(page.locator(".names .what .figure")).to_be_visible()
    now = page.locator(".names .what .figure").inner_text()
    tab(page, "Choose")
    page.locator(".beside").get_by_role("button", name="Shaft load").click()
    rows = page.locator(".beside tbody tr")
    expect(rows.first).to_contain_text("on the machine now")
    expect(rows.first).to_contain_text(now)
    pulls = [
        float(re.sub(r"[^\d.]", "", rows.nth(k).locator("td").nth(2).inner_text())) for k in range(1, rows.count())
    ]
    assert len(pulls) >= 4 and pulls == sorted(pulls)
    least = rows.nth(1).locator("th").inner_text().split("\n")[0]
    rows.nth(1).get_by_role("button", name="Take").click()
    expect(page.locator(".names .what .figure")).to_have_text(least)
    # The build of today stays in the table while the other is tried, and comes back at a touch.
    expect(rows.first).to_contain_text(now)
    page.get_by_role("button", name="Put back").click()
    expect(page.locator(".names .what .figure")).to_have_text(now)


def test_a_stock_list_changes_the_ranking(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page()
    page.get_by_role("link", name=re.compile("^Fan drive")).click()
    tab(page, "Choose")
    page.get_by_role("button", name="Every V-belt drive, and why others fell out").click()
    cards = page.locator(".options .option", has=page.get_by_text("dia"))
    expect(cards.first).to_be_visible()
    first, last = cards.first.locator("h3").inner_text(), cards.last.locator("h3").inner_text()
    belt = last.split("× ")[1]
    drive = page.url
    page.get_by_role("link", name="Shelf").click()
    page.get_by_role("heading", name="Bring in a list").click()
    page.get_by_label("The list, or paste it here").fill(
        f"part,section,size,diameter,count\nbelt,,{belt},,6\nbelt,,B9O0,,1\nsheave,Q,5,,1\n"
    )
    page.get_by_role("button", name="Look it through").click()
    expect(page.get_by_role("heading", name="1 line understood, 2 not")).to_be_visible()
    expect(page.get_by_role("cell", name="unknown groove")).to_be_visible()
    assert axe(page) == []
    page.get_by_role("button", name="Keep the 1, leave out the 2").click()
    expect(page.locator(".part b", has_text=belt)).to_be_visible()
    page.goto(drive)
    tab(page, "Choose")
    page.get_by_role("button", name="Every V-belt drive, and why others fell out").click()
    expect(page.get_by_text("What counts, and how much")).to_be_visible()
    slider = page.get_by_role("slider", name="On the shelf")
    slider.focus()
    for _ in range(8):
        page.keyboard.press("ArrowRight")
    expect(page.get_by_text("on the shelf counting most")).to_be_visible()
    expect(cards.first).to_contain_text("of 3 parts on your shelf")
    assert belt in cards.first.locator("h3").inner_text() and cards.first.locator("h3").inner_text() != first
