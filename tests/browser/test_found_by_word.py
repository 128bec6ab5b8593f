"""Anything is found by a word of the trade, at a desk and at the machine; the phone shows all there is to press."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_families import home, no_sideways
from tests.browser.test_jobs import Opener, tab


def search(page: Page, words: str) -> None:
    """Type into the line at the top of the page."""
    page.keyboard.press("/")
    page.keyboard.type(words)


def test_a_word_a_belt_number_and_a_duty_lead_where_they_should(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    search(page, "elongation")
    page.get_by_role("option", name=re.compile("Worn chain")).wait_for()
    assert axe(page) == []
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Is the chain worn?")).to_be_visible()
    # A belt number: the machine it is on, what it is, and what lies on the shelf.
    search(page, "B90")
    expect(page.get_by_role("option", name=re.compile("What is this belt. B90"))).to_be_visible()
    expect(page.get_by_role("option", name=re.compile("in stock"))).to_be_visible()
    page.get_by_role("option", name=re.compile("Pump drive")).first.click()
    expect(page.locator(".names .what .figure")).to_contain_text("B90")
    search(page, "SPB 2360")
    page.get_by_role("option", name=re.compile("What is this belt. SPB 2360")).click()
    expect(page.locator("main .big").first).to_have_text("SPB 2360")
    expect(page.get_by_role("cell", name=re.compile(r"2360 mm \(92.9"))).to_be_visible()
    # A general word names no machine by itself, and a number nobody understood is said.
    search(page, "1750 > 640 15hp blower 30")
    expect(page.get_by_role("option", name=re.compile("not understood: 30"))).to_have_count(4)
    page.get_by_role("option", name=re.compile("turns a blower, positive displacement")).click()
    kind = page.locator('select[aria-label="What is driven"] option:checked')
    expect(kind).to_have_text(re.compile("Blower, positive displacement"))
    page.keyboard.press("Escape")
    search(page, "zeppelin")
    expect(page.get_by_role("option", name=re.compile("^Nothing holds these words"))).to_be_visible()


def test_the_handbook_filters_its_formulas_too(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page()
    page.goto(home(page) + "/handbook")
    # The index opens one subject; a word is looked for in all of them.
    subjects = page.get_by_role("navigation", name="Subjects")
    subjects.get_by_role("button", name=re.compile("Roller chain")).click()
    expect(page.get_by_role("heading", name="Roller chain", exact=True)).to_be_visible()
    page.locator("article").first.wait_for()
    formulas = page.locator("article").count()
    page.get_by_label("Find a table or a formula").fill("elongation")
    expect(page.locator("main").get_by_role("status")).to_contain_text("formulas hold “elongation”")
    expect(page.locator("article").first).to_contain_text("elongation")
    assert 0 < page.locator("article").count() < formulas / 2
    page.get_by_label("Find a table or a formula").fill("zeppelin")
    expect(page.get_by_text("Nothing here holds “zeppelin”")).to_be_visible()
    expect(page.locator("article")).to_have_count(0)
    # A table that the line at the top finds is opened where it stands.
    page.get_by_role("heading", name="Handbook", exact=True).click()
    search(page, "baler")
    page.get_by_role("option", name=re.compile("Driven machines")).click()
    expect(page.get_by_role("cell", name="Forage chopper or baler")).to_be_visible()
    assert axe(page) == []


def test_a_phone_shows_every_stage_and_keeps_its_height_for_the_drive(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page(390, 844)
    page.get_by_role("link", name=re.compile("Pickup countershaft")).click()
    expect(page.locator(".gauge svg").first).to_be_visible()
    assert page.locator(".top").bounding_box()["height"] <= 90
    tabs = [t.bounding_box() for t in page.get_by_role("tab").all()]
    assert len(tabs) == 4 and all(b["x"] >= 0 and b["x"] + b["width"] <= 390 for b in tabs)
    # The line is a key until it is wanted; then it takes the width.
    box = page.get_by_role("combobox", name=re.compile("Search machines"))
    box.click()
    page.keyboard.type("lacing")
    page.get_by_role("option", name=re.compile("Joint of a flat belt")).click()
    expect(page.get_by_role("heading", name="How is the belt joined?")).to_be_visible()
    no_sideways(page)
    assert axe(page) == []


def test_parts_go_onto_the_shelf_by_hand(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page(390, 844)
    page.goto(home(page) + "/shelf")
    # A bare shelf asks for the first part by itself; else it is one press away.
    ask = page.get_by_role("button", name="Put a part down")
    page.get_by_role("button", name="Close").or_(ask).first.wait_for()
    if ask.is_visible():
        ask.click()
    page.get_by_label("Belt, as it is marked").fill("Q 12")
    page.get_by_role("button", name="Put it on the shelf").click()
    expect(page.get_by_text("not a belt designation")).to_be_visible()
    page.get_by_label("Belt, as it is marked").fill("bx 93")
    page.get_by_label("How many").fill("2")
    page.get_by_role("button", name="Put it on the shelf").click()
    row = page.locator(".part", has_text="BX93")
    expect(row.locator(".many")).to_have_text("2")
    page.get_by_role("button", name="One BX93 more").click()
    expect(row.locator(".many")).to_have_text("3")
    for left in ("2", "1"):
        page.get_by_role("button", name="One BX93 taken").click()
        expect(row.locator(".many")).to_have_text(left)
    page.get_by_role("button", name="One BX93 taken").click()
    expect(row).to_have_count(0)
    no_sideways(page)
    assert axe(page) == []


def test_one_odd_belt_is_written_down_and_stands_on_the_page(open_page: Opener) -> None:
    page = open_page()
    page.get_by_role("link", name=re.compile("Pump drive")).click()
    tab(page, "Found")
    page.get_by_role("button", name="Write down what is on it now").click()
    page.get_by_label("Belt, as it is marked").fill("B90")
    page.get_by_label("How many are on it").fill("4")
    page.get_by_label("One of them is odd").fill("the second, another make")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_text("not like the others: the second, another make")).to_be_visible()
    page.reload()
    expect(page.get_by_text("not like the others: the second, another make")).to_be_visible()
