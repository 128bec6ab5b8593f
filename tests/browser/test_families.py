"""Jobs on drives of every family, at a desk's width and at a phone's."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_jobs import Opener, choose, every_option, tab


def home(page: Page) -> str:
    return "/".join(page.url.split("/")[:3])


def no_sideways(page: Page) -> None:
    wide = page.evaluate("[document.documentElement.scrollWidth, document.querySelector('.view').scrollWidth]")
    assert max(wide) <= page.viewport_size["width"], "the page scrolls sideways"


def test_a_bale_conveyor_is_answered_by_every_family_and_gets_a_chain(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    page.get_by_role("link", name=re.compile("Head drum")).click()
    expect(page.get_by_text("Nothing drawn yet")).to_be_visible()
    tab(page, "Choose")
    # The duty is slow and heavy: chain, V and flat belts do it; toothed belts say why not.
    every_option(page)
    for family in ("V-belts", "Roller chain", "Flat belts"):
        expect(page.get_by_role("region", name=family).locator(".option").first).to_be_visible()
    expect(page.get_by_role("region", name="Synchronous belts")).to_be_visible()
    expect(page.get_by_role("region", name="Synchronous belts").get_by_text("no public rating")).to_be_visible()
    assert axe(page) == []
    # Sorted by any figure: the lightest is a chain here.
    page.get_by_role("button", name="Weight, about").click()
    expect(page.locator(".beside tbody tr").first).to_contain_text("Roller chain")
    # What must not slip rules two families out, with a reason.
    page.locator("details.ask summary").click()
    page.get_by_text("Must not slip", exact=True).click()
    expect(page.get_by_role("region", name="V-belts").get_by_text("You asked: must not slip")).to_be_visible()
    expect(page.get_by_role("region", name="V-belts").locator(".option")).to_have_count(0)
    card = page.get_by_role("region", name="Roller chain").locator(".option").first
    name = card.locator("h3").inner_text()
    card.get_by_role("button", name="How come these figures?").click()
    expect(page.get_by_role("dialog").get_by_text("Working pull")).to_be_visible()
    page.keyboard.press("Escape")
    card.get_by_role("button", name="Take this one").click()
    expect(page.locator(".names .what .figure")).to_have_text(name)
    assert re.search(r"\d+ pitches", name)
    expect(page.locator(".callout", has_text="slack strand, sag")).to_be_visible()
    page.get_by_role("button", name="Save as draft").click()
    expect(page.get_by_text("Build 1 is a draft")).to_be_visible()
    page.reload()
    expect(page.locator(".names .what .figure")).to_have_text(name)
    tab(page, "Found")
    sag = page.locator(".callout", has_text="slack strand, sag").locator(".figure").inner_text()
    tab(page, "Tension")
    expect(page.locator(".tension").get_by_text("Turn the drive by hand until one strand is tight")).to_be_visible()
    # A hand's movement is a range, drawn at the strand it is of.
    expect(page.locator("section.number .figure")).to_have_text(re.compile(" – "))
    expect(page.get_by_role("img", name=re.compile("^Move the slack strand at mid-span"))).to_be_visible()
    expect(page.locator(".tension").get_by_text(re.compile(re.escape(sag) + " in")).first).to_be_visible()
    # A tooth count is touched: the speed follows, the chain's length stays a whole number of pitches.
    page.get_by_role("button", name="Whole drive with its sizes").click()
    page.get_by_role("button", name=re.compile(r"^driven teeth \d+")).click()
    page.get_by_label("driven teeth", exact=True).fill("200")
    page.keyboard.press("Enter")
    expect(page.get_by_text("allowed: ").first).to_be_visible()
    page.keyboard.press("Escape")
    assert axe(page) == []


def test_an_old_line_shaft_belt_gets_its_length_and_its_lacing(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    page.get_by_role("link", name=re.compile("Motor to line shaft")).click()
    tab(page, "Found")
    loop = page.locator(".row-answer", has_text="Loop along the pulleys").locator(".main").inner_text()
    page.goto(home(page) + "/bench/belt-cut-length?all")
    choose(page, "Material", "leather stretched")
    choose(page, "Joint", "rawhide")
    page.get_by_label("Driver diameter").fill("10 in")
    page.get_by_label("Driven diameter").fill("29 in")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_text("give the taped length, or both pulleys and the centres")).to_be_visible()
    page.get_by_label("Centre distance").fill("12'6")
    page.get_by_role("button", name="Work it out").click()
    row = page.locator(".answer tr", has=page.get_by_role("rowheader", name="Loop length"))
    worked = row.locator("td").first.inner_text()
    cut = (
        page.locator(".answer tr", has=page.get_by_role("rowheader", name="Length to cut", exact=True))
        .locator("td")
        .first.inner_text()
    )
    short = (
        page.locator(".answer tr", has=page.get_by_role("rowheader", name="Cut short by"))
        .locator("td")
        .first.inner_text()
    )

    def inches(text: str) -> float:
        whole, *rest = text.replace(" in", "").split()
        part = [p for p in [whole, *rest] if "/" in p]
        number = sum(float(p) for p in [whole, *rest] if "/" not in p)
        return number + sum(int(p.split("/")[0]) / int(p.split("/")[1]) for p in part)

    # The drive's page reads a loop of leather to an eighth, the cut is worked closer.
    assert abs(inches(worked) - inches(loop)) <= 1 / 16
    # 1/16 in per foot of loop, by shop handbooks.
    assert abs(inches(short) - inches(loop) / 12 / 16) < 0.1 and abs(inches(cut) - (inches(loop) - inches(short))) < 0.1
    page.goto(home(page) + "/bench/belt-joint")
    page.get_by_label("joint", exact=True).select_option("rawhide")
    page.get_by_label("belt thickness, by caliper").fill("5/16 in")
    page.get_by_label("belt width").fill("7 in")
    card = page.locator(".card")
    expect(card.get_by_role("heading", name="rawhide lacing")).to_be_visible()
    expect(page.locator(".picture svg")).to_be_visible()
    expect(page.locator(".says")).to_contain_text("of the belt's strength")
    expect(card.get_by_text("Punch holes 3/8 in from the end")).to_be_visible()
    expect(card.get_by_text("Machine isolated and proved dead")).to_be_visible()
    assert axe(page) == []


def test_a_worn_chain_measured_with_a_tape_on_a_phone(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page(390, 844)
    page.get_by_role("link", name=re.compile("Pickup reel chain")).click()
    expect(page.locator(".gauge svg").first).to_be_visible()
    no_sideways(page)
    page.goto(home(page) + "/bench/chain-wear?all")
    choose(page, "Chain", "80")
    page.get_by_label("Pitches").fill("12")
    page.get_by_label("The length read").fill("9 in")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_text("12 pitches of chain 80 are 12.62 in")).to_be_visible()
    page.get_by_label("The length read").fill("13 1/16")
    page.get_by_role("button", name="Work it out").click()
    answer = page.locator(".answer")
    # 13 1/16 in over the rollers of 12 one-inch pitches: 13.0625 - 0.625 = 12.4375 in, 3.6 %.
    expect(
        answer.locator("tr", has=page.get_by_role("rowheader", name="Worn longer by")).locator("td").first
    ).to_have_text("3.6 %")
    # Its state stands on its bar, in words, and is not said again by a word of the program.
    expect(answer.get_by_role("img", name=re.compile(r"^3\.6 % on a scale: .*replace"))).to_be_visible()
    expect(answer.get_by_text("replace", exact=True)).to_be_visible()
    expect(page.get_by_role("rowheader", name="State")).to_have_count(0)
    expect(
        answer.locator("tr", has=page.get_by_role("rowheader", name="Limit", exact=True)).locator("td").first
    ).to_have_text("3.0 %")
    no_sideways(page)
    assert axe(page) == []
    # Written down as found, in its own family's fields.
    page.goto(home(page) + "/machines")
    page.get_by_role("link", name=re.compile("Pickup reel chain")).click()
    tab(page, "Found")
    page.get_by_role("button", name="Write down what is on it now").click()
    choose(page, "Chain", "80")
    page.get_by_label("Driver teeth", exact=True).fill("17")
    page.get_by_label("Driven teeth", exact=True).fill("27")
    page.get_by_role("textbox", name="Pitches").fill("71")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_role("cell", name=re.compile("80, 71 pitches"))).to_be_visible()
    page.get_by_role("button", name=re.compile(r"^\d+ more remark")).click()
    expect(page.get_by_text("odd number of pitches needs an offset link")).to_have_count(1)


def test_a_synchronous_drive_without_a_public_rating_says_what_it_needs(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page(theme="dark")
    page.goto(home(page) + "/bench/sync-drive")
    page.get_by_role("button", name="Fill in the example").click()
    expect(page.locator(".answer .main dd").first).to_be_visible()
    choose(page, "Profile", "H8M")
    page.get_by_label("Width", exact=True).fill("30mm")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_text(re.compile("no public rating of H8M is on hand"))).to_be_visible()
    expect(page.get_by_text(re.compile("the working tension allowed for this belt and width"))).to_be_visible()
    page.get_by_label("Working tension its maker allows").fill("1800 N")
    page.get_by_role("button", name="Work it out").click()
    page.get_by_text(re.compile(r"^The other \d+ figures")).click()
    basis = page.locator(".answer tr", has=page.get_by_role("rowheader", name="Rated by"))
    expect(basis.locator("td").first).to_have_text("your own allowed tension")
    assert axe(page) == []
    # The drives that are there show their tension and their teeth, at a phone's width too.
    phone = open_page(390, 844)
    phone.get_by_role("link", name=re.compile("Indexer")).click()
    expect(phone.get_by_role("img", name=re.compile("^Press the whole width to the mark"))).to_be_visible()
    no_sideways(phone)
    tab(phone, "Choose")
    expect(phone.get_by_text("May jump a tooth at")).to_be_visible()
    expect(phone.locator(".best .one").first).to_be_visible()
    no_sideways(phone)
    assert axe(phone) == []
