"""V-belts in full: the trade-off, why not this one, limits of motor and shaft, every book, a rating table of one's own."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_families import no_sideways
from tests.browser.test_jobs import Opener, choose


def test_a_planner_reads_the_trade_off_and_asks_why_not_this_one(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    page.goto(page.url.split("/machines")[0] + "/choose?power=15hp&driver_speed=1750&driven_speed=640&centre=28in")
    page.get_by_role("button", name="Every V-belt drive, and why others fell out").click()
    bubbles = page.locator(".trade .bubble")
    cards = page.locator(".found .option .no")
    expect(bubbles.first).to_be_visible()
    assert bubbles.count() == cards.count() >= 4
    # A circle opens its card; both carry one number. By keyboard as well.
    target = bubbles.nth(2)
    number = target.locator("text").text_content()
    target.focus()
    page.keyboard.press("Enter")
    focused = page.evaluate("document.activeElement.querySelector('.no b').textContent")
    assert focused == number
    # The motor's least sheave takes some away without being asked, and the table says so.
    expect(page.get_by_role("cell", name="motor sheave")).to_be_visible()
    page.get_by_role("button", name="Motor, shafts, room").click()
    page.get_by_text("Keep to the least sheave of a standard motor").click()
    page.get_by_label("Motor frame, such as 254T").fill("999T")
    page.get_by_role("button", name="Search again").click()
    expect(page.get_by_text("no such T-frame")).to_be_visible()
    page.get_by_label("Motor frame, such as 254T").fill("254T")
    page.get_by_role("button", name="Search again").click()
    expect(page.get_by_role("cell", name="motor sheave")).to_be_visible()
    # A drive that somebody has in mind.
    page.get_by_label("Driver in mind").fill("3 3/4")
    page.get_by_label("Driven in mind").fill("10 1/4")
    page.get_by_label("Belt in mind").fill("Q81")
    page.get_by_role("button", name="Hold it against the limits").click()
    expect(page.get_by_text("not a belt designation")).to_be_visible()
    page.get_by_label("Belt in mind").fill("B81")
    page.get_by_role("button", name="Hold it against the limits").click()
    expect(page.locator(".limits .fails", has_text="motor sheave")).to_contain_text("limit 4 13/32 in")
    # Metric sections join when they are asked for.
    page.get_by_role("button", name="Rated by which book").click()
    choose(page, "Sections: inch", "Metric sections")
    expect(page.locator(".found .option h3").first).to_contain_text(re.compile("SP[ZABC] "))
    assert axe(page) == []
    page.locator(".found").get_by_role("button", name="Take this one").first.click()
    page.get_by_label("Or the name of a new machine").fill("Wedge blower")
    page.get_by_role("button", name="Keep it as a draft build").click()
    expect(page.locator(".names .what .figure")).to_contain_text(re.compile("SP[ZABC] "))
    expect(page.get_by_text("is rated by its own book").first).to_be_visible()


def test_every_book_on_one_drive_and_a_table_of_ones_own(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page()
    page.goto(page.url.split("/machines")[0] + "/shelf")
    lines = "".join(f"B,{d},{n},{d * n / 1000:.2f}\n" for d in (3, 20) for n in (300, 4000))
    page.get_by_role("heading", name="Your own rating table").click()
    page.get_by_label("The table, or paste it here").fill("section,diameter,rpm,hp\n" + lines + "B,five,300,1\n")
    page.get_by_role("button", name="Look the table through").click()
    expect(page.get_by_role("heading", name="4 lines understood, 1 not")).to_be_visible()
    page.get_by_role("button", name="Keep the 4, leave out the 1").click()
    expect(page.get_by_text("Kept: B 4 lines")).to_be_visible()
    page.goto(page.url.split("/shelf")[0] + "/choose?power=15hp&driver_speed=1750&driven_speed=640&centre=28in")
    page.get_by_role("button", name="Rated by which book").click()
    choose(page, "Rating book", "Your own rating table")
    page.get_by_role("button", name="Search again").click()
    expect(page.locator(".found .option h3").first).to_contain_text("B")
    page.locator(".found").get_by_role("button", name="Take this one").first.click()
    page.get_by_label("Or the name of a new machine").fill("Own table fan")
    page.get_by_role("button", name="Keep it as a draft build").click()
    expect(page.get_by_text("Rated by your own table").first).to_be_visible()
    # Side by side: the books disagree, and another one can be taken.
    page.get_by_role("button", name="By every book").click()
    books = page.get_by_role("dialog").locator("tbody tr")
    expect(books).to_have_count(6)
    expect(books.last).to_contain_text("in use")
    needs = [float(books.nth(k).locator("td").nth(2).inner_text()) for k in (0, 1, 2)]
    assert needs == sorted(needs)
    assert axe(page) == []
    books.nth(2).get_by_role("button", name="Use this book").click()
    expect(books.nth(2)).to_contain_text("in use")
    needed = books.nth(2).locator("td").nth(2).inner_text()
    page.keyboard.press("Escape")
    page.get_by_role("tab", name=re.compile("Found")).click()
    expect(page.locator("section.number")).to_contain_text(needed)


def test_what_is_this_belt_on_a_phone(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page(390, 844)
    page.goto(page.url.split("/machines")[0] + "/what-belt")
    page.get_by_label("As it is printed").fill("spb 20?0")
    page.get_by_role("button", name="What is it?").click()
    expect(page.locator("main .big").first).to_contain_text("SPB 20")
    page.get_by_role("radio", name="I have the belt and a tape").click()
    page.get_by_label("Width across the top").fill("wide")
    page.get_by_role("button", name="What is it?").click()
    expect(page.locator(".field-fault, .bad").first).to_be_visible()
    page.get_by_label("Width across the top").fill("1/2")
    page.get_by_label("Depth").fill("5/16")
    page.get_by_label("Length round the outside").fill("62")
    page.get_by_role("button", name="What is it?").click()
    expect(page.locator("main .big").first).to_contain_text("A60 or AX60 or 4L620")
    expect(page.get_by_text("To tell them apart:")).to_be_visible()
    page.get_by_role("radio", name="Only the sheaves are left").click()
    choose(page, "Groove of the sheaves", "SPA")
    page.get_by_label("Driver, outside diameter").fill("6")
    page.get_by_label("Driven, outside diameter").fill("12")
    page.get_by_label("Or the slide: closest").fill("18")
    page.get_by_label("and furthest apart").fill("24")
    page.get_by_role("button", name="What is it?").click()
    expect(page.locator("main .big").first).to_contain_text("SPA ")
    no_sideways(page)
    assert axe(page) == []
    tab_bar = page.get_by_role("link", name="Bench")
    tab_bar.click()
    page.wait_for_url("**/bench")
    expect(page.get_by_role("heading", name="What is this belt?", level=2)).to_be_visible()
