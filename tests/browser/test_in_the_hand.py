"""In the hand: the number in the first screen, the keyboard alone, the pad alone, paper, ways back, and what happens without a network."""

from __future__ import annotations

import json
import re
import urllib.request
from collections.abc import Callable

import pypdfium2
import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import Server
from tests.browser.machine_side import call
from tests.browser.pictures import LOST_WORDS
from tests.browser.test_jobs import Opener, tab

SIZES = [(1280, 800), (390, 844), (844, 390)]


def drive_of(server: Server, tag: str, no: int = 0) -> str:
    listed = json.load(urllib.request.urlopen(server.address + "/api/machines"))["machines"]
    return next(m for m in listed if m["tag"] == tag)["drives"][no]["id"]


def until(page: Page, says: str) -> None:
    """Waits until the page says so; asked from outside, for its own rules let no text be run as a program."""
    for _ in range(150):
        if page.evaluate(says):
            return
        page.wait_for_timeout(100)
    raise AssertionError(says)


def in_first_screen(page: Page, text: str) -> None:
    found = page.get_by_text(re.compile(text)).filter(visible=True).first
    expect(found).to_be_visible()
    box = found.bounding_box()
    assert box and box["y"] >= 0 and box["y"] + box["height"] <= page.viewport_size["height"] + 1, (text, box)


@pytest.mark.parametrize(("width", "height"), SIZES)
def test_five_figures_are_found_within_the_first_screen(
    open_page: Opener, server: Server, width: int, height: int
) -> None:
    page = open_page(width, height)
    # What to press a belt with and how far; how far a chain moves; how far leather dips; a whole width; what is temporary.
    for tag, no, number in (
        ("SC-1", 0, r"press 7/16 in at mid-span of 28 9/16 in"),
        ("BR-1", 0, r"push at mid-span both ways"),
        ("LS-1", 0, r"under a straightedge"),
        ("OM-2", 0, r"at mid-span of"),
        ("BR-1", 1, r"TEMPORARY"),
    ):
        page.goto(f"{server.address}/drives/{drive_of(server, tag, no)}")
        in_first_screen(page, number)
        if height > 500:
            in_first_screen(page, r"to isolate")
    assert page.evaluate("document.documentElement.scrollWidth") <= width


def test_the_gauge_takes_readings_and_they_fall_on_the_scale(
    open_page: Opener, server: Server, axe: Callable[[Page], list[str]]
) -> None:
    """By touch alone: no key of a keyboard is pressed."""
    page = open_page(390, 844)
    page.goto(f"{server.address}/drives/{drive_of(server, 'SC-1')}")
    page.get_by_role("button", name=re.compile("^Belt 1: not read")).tap()
    pad = page.get_by_role("dialog", name=re.compile("Belt 1, the gauge shows"))
    expect(pad).to_be_visible()
    small = pad.locator(".digits button").first.bounding_box()
    assert small and small["height"] >= 63.5
    for key in ("1", "3", "point", "5"):
        pad.get_by_role("button", name=key, exact=True).tap()
    pad.get_by_role("button", name="Set 13.5").tap()
    expect(pad).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile("^Belt 1: 13.5 lbf, in the band"))).to_be_visible()
    # The second is read in newtons: its unit goes round on the pad.
    page.get_by_role("button", name=re.compile("^Belt 2: not read")).tap()
    pad = page.get_by_role("dialog", name=re.compile("Belt 2"))
    pad.get_by_role("button", name=re.compile("^Unit lbf, change")).tap()
    for key in ("3", "5"):
        pad.get_by_role("button", name=key, exact=True).tap()
    pad.get_by_role("button", name="Set 35").tap()
    # 35 N are 7.87 lbf (NIST, 4.4482216 N to the pound-force): under where it slips at the duty's power.
    expect(page.get_by_role("button", name=re.compile(r"^Belt 2: 7\.9 lbf, slips"))).to_be_visible()
    scale = page.get_by_role("img", name=re.compile("slips at the duty's power"))
    expect(scale).to_have_attribute("aria-label", re.compile(r"belt 1 13\.5, belt 2 7\.9"))
    expect(page.locator(".pointer.act")).to_have_count(1)
    assert axe(page) == []
    # A size on the drawing takes the pad as well, and what is refused is said beside it.
    page.get_by_role("button", name="Whole drive with its sizes").tap()
    page.get_by_role("button", name=re.compile("^driver outside dia 7.1 in, change")).tap()
    pad = page.get_by_role("dialog", name="driver outside dia")
    expect(pad.get_by_text("was 7.1 in")).to_be_visible()
    pad.get_by_role("button", name="0", exact=True).tap()
    pad.get_by_role("button", name="Set 0").tap()
    expect(page.locator(".callout .message")).to_contain_text("allowed")
    expect(page.get_by_label("driver outside dia", exact=True)).to_have_value("0")
    page.get_by_role("button", name="Put back").first.tap()
    page.get_by_role("button", name="The strand to set").tap()
    page.get_by_role("button", name="clear the readings").tap()
    expect(page.get_by_role("button", name=re.compile("^Belt 1: not read"))).to_be_visible()


def test_a_job_of_the_desk_by_keyboard_alone(open_page: Opener, server: Server) -> None:
    page = open_page()
    page.keyboard.press("/")
    page.keyboard.type("retting tank pump")
    page.get_by_role("option", name=re.compile("Retting tank pump|Belt to the pump")).first.wait_for()
    box = page.get_by_role("combobox", name=re.compile("^Search"))
    assert box.get_attribute("aria-activedescendant") == "command-0"
    page.keyboard.press("Enter")
    page.wait_for_url(re.compile("/(machines|drives)/"))
    # The focus lands on the heading of the new page.
    until(page, "document.activeElement?.tagName === 'H1'")
    if "/machines/" in page.url:
        page.get_by_role("link", name=re.compile("Belt to the pump")).focus()
        page.keyboard.press("Enter")
        page.wait_for_url(re.compile("/drives/"))
        until(page, "document.activeElement?.tagName === 'H1'")
    # Stages: one stop, the arrows go along.
    page.get_by_role("tab", selected=True).focus()
    page.keyboard.press("Home")
    expect(page.get_by_role("tab", name=re.compile("Found"))).to_be_focused()
    page.keyboard.press("ArrowRight")
    expect(page.get_by_role("tab", name=re.compile("Duty"))).to_be_focused()
    power = page.get_by_label("Power", exact=True)
    power.focus()
    page.keyboard.press("Control+a")
    page.keyboard.type("5 hp")
    page.keyboard.press("Enter")
    # What was pressed is done; the focus goes to what took its place, not to nowhere.
    until(page, "document.activeElement?.id?.startsWith('stage-')")
    expect(page.get_by_role("tab", name=re.compile("Duty"))).to_contain_text("5 hp")
    tab(page, "Choose")
    take = page.get_by_role("group", name="The best of each family").get_by_role("button", name=re.compile("^Take"))
    take.first.focus()
    page.keyboard.press("Enter")
    until(page, "document.activeElement?.textContent?.includes('Changed here, not saved')")
    page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("Build \\d+ is a draft"))).to_be_visible()
    # What came late with the drawers did not undress the buttons.
    soft = page.locator(".el-button").evaluate_all(
        "b => b.filter(x => getComputedStyle(x).borderTopLeftRadius !== '0px').length"
    )
    assert soft == 0
    # The skip link goes past bar and rail.
    page.goto(server.address + "/bench")
    page.get_by_role("heading", name="Bench").wait_for()
    page.evaluate("document.activeElement?.blur()")
    page.keyboard.press("Tab")
    expect(page.get_by_role("link", name="To the page")).to_be_focused()
    page.keyboard.press("Enter")
    until(page, "document.activeElement?.id === 'page'")
    until(page, "document.querySelector('#page a[href]') !== null")
    page.keyboard.press("Tab")
    assert page.evaluate("document.activeElement?.closest('#page') !== null")


def test_back_restores_the_list_and_its_filter_and_sisters_are_a_key_away(open_page: Opener) -> None:
    page = open_page()
    page.get_by_label("Find a machine").fill("scutch")
    page.wait_for_url(re.compile(r"q=scutch"))
    page.get_by_role("link", name=re.compile("^Dust fan")).click()
    expect(page.get_by_role("heading", level=1, name="Dust fan")).to_be_visible()
    page.keyboard.press("[")
    expect(page.get_by_role("heading", level=1, name="Main drive")).to_be_visible()
    page.keyboard.press("]")
    expect(page.get_by_role("heading", level=1, name="Dust fan")).to_be_visible()
    way = page.get_by_role("navigation", name="The way here")
    way.get_by_role("link", name="Scutching turbine 1").click()
    expect(page.get_by_role("heading", level=1, name=re.compile("Scutching turbine 1"))).to_be_visible()
    page.go_back()
    page.go_back()
    page.go_back()
    page.go_back()
    expect(page.get_by_label("Find a machine")).to_have_value("scutch")
    # Down the whole wall and back to the very place.
    page.goto(page.url.split("?")[0])
    last = page.get_by_role("link", name=re.compile("^Indexer"))
    last.scroll_into_view_if_needed()
    page.wait_for_timeout(600)
    before = page.evaluate("document.querySelector('.view').scrollTop")
    assert before > 300
    last.click()
    expect(page.get_by_role("heading", level=1, name="Indexer")).to_be_visible()
    page.go_back()
    until(page, f"Math.abs(document.querySelector('.view').scrollTop - {before}) < 120")


def test_a_drive_on_paper_is_one_sheet_with_all_its_parts(open_page: Opener, server: Server) -> None:
    page = open_page(theme="dark")
    page.goto(f"{server.address}/drives/{drive_of(server, 'SC-1')}")
    page.get_by_role("img", name=re.compile("slips at the duty's power")).wait_for()
    # The key that asks for paper is a sign that the first sight is over: the sheet is made then.
    page.keyboard.press("Control")
    page.locator(".drive > .paper").wait_for(state="attached")
    for paper in ("A4", "Letter"):
        made = pypdfium2.PdfDocument(page.pdf(format=paper))
        assert len(made) == 1, paper
        text = made[0].get_textpage().get_text_range()
        for part in (
            "Main drive",
            "SC-1 Scutching turbine 1",
            "Isolate first",
            "Isolator Q11",
            "tested dead",
            "name",
            "12.9 – 14.7 lbf",
            "press 7/16 in at mid-span of 28 9/16 in",
            "Slacken the take-up",
            "belt 1",
            "belt 2",
            "Sources:",
            "scale 1 :",
        ):
            assert part in re.sub(r"\s+", " ", text), (paper, part)


def test_no_connection_shows_what_was_read_last(open_page: Opener, server: Server) -> None:
    page = open_page()
    at = f"{server.address}/drives/{drive_of(server, 'AHU-2')}"
    page.goto(at)
    number = page.locator("section.number .figure")
    expect(number).to_be_visible()
    force = number.inner_text()
    before = list(page.trouble)
    page.route("**/api/**", lambda r: r.abort())
    page.get_by_role("link", name="Machines", exact=True).first.click()
    page.wait_for_timeout(300)
    page.go_back()
    expect(
        page.get_by_text(re.compile("No connection. Tuyere shows what this device last read: Fan drive"))
    ).to_be_visible()
    expect(number).to_have_text(force)
    page.goto(f"{server.address}/drives/{drive_of(server, 'EF-4')}")
    expect(page.get_by_role("heading", level=1, name="No connection")).to_be_visible()
    page.unroute("**/api/**")
    page.get_by_role("button", name="Try again").click()
    expect(page.get_by_role("heading", level=1, name="Exhaust drive")).to_be_visible()
    page.trouble[:] = before  # the lost requests were the point
    page.goto(server.address + "/drives/00000000-0000-4000-8000-000000000000")
    expect(page.get_by_role("heading", level=1, name="This drive is not kept here")).to_be_visible()
    assert not re.search(r"/api|0000-4000", page.locator("main").inner_text())


@pytest.mark.parametrize(("width", "height"), [(1280, 800), (390, 844)])
def test_a_card_of_the_bench_is_its_sentence_and_its_picture(
    open_page: Opener, server: Server, axe: Callable[[Page], list[str]], width: int, height: int
) -> None:
    page = open_page(width, height)
    page.goto(server.address + "/bench")
    page.get_by_role("link", name=re.compile("Is the chain worn")).first.click()
    page.get_by_label("the length read", exact=True).fill("15 3/8")
    answer = page.locator("section.answer")
    # 20 pitches of 3/4 in are 15 in (ASME B29.1, recalled): 3/8 in more is 2.5 %.
    expect(answer).to_contain_text("2.5 % longer than new. Order a chain now")
    expect(answer.get_by_role("img", name=re.compile("^2.5 % on a scale"))).to_be_visible()
    first = answer.get_by_text("2.5 % longer").bounding_box()
    assert first and first["y"] + first["height"] <= height
    if width > 700:
        # On the drawing the same blank: what is typed there stands in the sentence.
        page.get_by_label("the tape reads, on the drawing").fill("15 1/2")
        expect(page.get_by_label("the length read", exact=True)).to_have_value("15 1/2")
        expect(answer).to_contain_text("worn out")
    page.get_by_label("the length read", exact=True).fill("9 in")
    expect(page.get_by_role("alert")).to_contain_text("20 pitches of chain 60 are 15 in new")
    assert axe(page) == []
    # A fresh start every time.
    page.get_by_role("link", name="Bench").first.click()
    page.get_by_role("link", name=re.compile("Is the chain worn")).first.click()
    expect(page.get_by_label("the length read", exact=True)).to_have_value("")
    assert page.evaluate("document.documentElement.scrollWidth") <= width


@pytest.mark.parametrize(("width", "height"), [(1280, 800), (390, 844)])
def test_every_card_answers_its_example_in_sight_and_reads_well_by_ear(
    open_page: Opener, server: Server, axe: Callable[[Page], list[str]], width: int, height: int
) -> None:
    page = open_page(width, height)
    cards = [c for c in call(server, "GET", "/api/calc")["calculations"] if c["card"]]
    assert len(cards) > 35
    for card in cards:
        page.goto(f"{server.address}/bench/{card['name']}")
        expect(page.get_by_role("heading", level=1)).to_have_text(card["card"]["asks"])
        page.get_by_role("button", name="Example").click()
        says = page.locator("section.answer .says")
        expect(says).to_be_visible()
        # On a phone the answer stands at the foot of the screen; at a desk it begins under its picture.
        if width < 700:
            box = says.bounding_box()
            assert box and box["y"] + 20 <= height, card["name"]
        assert page.evaluate("document.querySelector('.view').scrollWidth") <= width, card["name"]
        assert page.evaluate(LOST_WORDS) == [], card["name"]
        assert axe(page) == [], card["name"]


def test_what_a_card_said_is_found_in_the_record_of_the_machine(open_page: Opener, server: Server) -> None:
    page = open_page(390, 844)
    page.goto(server.address + "/bench/chain-wear")
    page.get_by_label("the length read", exact=True).fill("15 3/8")
    expect(page.locator(".says")).to_contain_text("2.5 % longer than new")
    page.get_by_role("button", name="Use on a machine").click()
    expect(page.get_by_text("goes into its record")).to_be_visible()
    page.get_by_role("link", name=re.compile("^Main drive, SC-1")).click()
    expect(page.get_by_text("From the bench, into the record")).to_be_visible()
    page.get_by_role("radio", name=re.compile("A visit of your own")).click()
    page.get_by_role("button", name="Open the job").click()
    page.wait_for_url(re.compile("/jobs/[0-9a-f-]{36}$"))
    job = call(server, "GET", f"/api/jobs/{page.url.rsplit('/', 1)[1]}")
    (noted,) = [s["note"] for s in job["steps"] if s["note"]]
    assert "measure 15 3/8 in" in noted and "2.5 % longer than new" in noted
    # It is taken along once.
    page.goto(f"{server.address}/drives/{drive_of(server, 'SC-1')}/jobs")
    expect(page.get_by_role("radio", name=re.compile("A visit of your own"))).to_be_visible()
    expect(page.get_by_text("From the bench, into the record")).to_have_count(0)


def test_the_device_says_dark_contrast_and_letters(open_page: Opener, server: Server) -> None:
    page = open_page()
    page.emulate_media(color_scheme="dark")
    expect(page.locator("html")).to_have_class(re.compile("dark"))
    page.emulate_media(color_scheme="light")
    expect(page.locator("html")).not_to_have_class(re.compile("dark"))
    ink = "getComputedStyle(document.documentElement).getPropertyValue('--ink').trim()"
    page.emulate_media(contrast="more")
    assert page.evaluate(ink) in ("#000000", "#000")
    page.emulate_media(contrast="no-preference", forced_colors="active")
    assert page.evaluate(ink) == "CanvasText"
    page.emulate_media(forced_colors="none")
    # Twice the letters of the device: nothing is lost sideways.
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{server.address}/drives/{drive_of(server, 'SC-1')}")
    page.add_style_tag(content="html { font-size: 200% }")
    expect(page.locator("section.number .figure")).to_be_visible()
    assert page.evaluate("document.querySelector('.view').scrollWidth") <= 390
    page.set_viewport_size({"width": 320, "height": 640})
    page.goto(f"{server.address}/drives/{drive_of(server, 'SC-1')}")
    expect(page.locator("section.number .figure")).to_be_visible()
    assert page.evaluate("document.querySelector('.view').scrollWidth") <= 320


def test_no_formula_is_broken_and_each_has_words_for_ears(open_page: Opener, server: Server) -> None:
    page = open_page()
    page.goto(server.address + "/handbook")
    subjects = page.get_by_role("navigation", name="Subjects").get_by_role("button")
    subjects.first.wait_for()
    said = 0
    for k in range(subjects.count()):
        subjects.nth(k).click()
        expect(subjects.nth(k)).to_have_attribute("aria-current", "true")
        # The index says how many; they stand frame by frame.
        every = int(subjects.nth(k).inner_text().split()[-1])
        expect(page.locator("article, section.table")).to_have_count(every)
        formulas = page.locator("article").count()
        # They are set when they come near; before print all of them are.
        page.evaluate("window.dispatchEvent(new Event('beforeprint'))")
        expect(page.locator("article .katex")).to_have_count(formulas)
        assert page.locator(".katex-error").count() == 0
        assert page.locator(".katex math").count() == formulas
        said += formulas
    assert said > 200


def test_the_program_opens_without_a_network_and_shows_what_was_read_last(browser: Browser, server: Server) -> None:
    context = browser.new_context(viewport={"width": 390, "height": 844})
    page = context.new_page()
    read = f"{server.address}/drives/{drive_of(server, 'SC-1')}"
    page.goto(read)
    number = page.locator("section.number .figure").first
    expect(number).to_be_visible()
    seen = number.inner_text()
    # The device has put the program by when it holds every file of it, those that were never asked for too.
    until(page, "navigator.serviceWorker.controller !== null")
    page.evaluate(
        "() => { window.kept = 0; const look = async () => { const all = await (await fetch('/shell.json')).json();"
        "const own = (await (await caches.open('tuyere-shell')).keys()).filter(r => r.url.includes('/assets/'));"
        "window.kept = own.length >= all.length; if (!window.kept) setTimeout(look, 200) }; look() }"
    )
    until(page, "window.kept === true")
    context.set_offline(True)
    page.goto(read)
    expect(page.get_by_text("No connection. Tuyere shows what this device last read")).to_be_visible()
    expect(page.locator("section.number .figure").first).to_have_text(seen)
    # A page that was never read says so, and goes nowhere.
    page.goto(server.address + "/handbook")
    expect(page.get_by_role("heading", name="Handbook", exact=True)).to_be_visible()
    context.set_offline(False)
    page.goto(read)
    expect(page.get_by_text("No connection.")).to_have_count(0)
    context.close()


# What a page must not have at any width: words cut off in a key, a page that moves sideways.
CUT_OFF = """[...document.querySelectorAll('button, .way, summary, [role=tab]')].filter(e => e.offsetParent && !e.closest('.wide, .wide-box')
  && (e.scrollWidth > e.clientWidth + 2 || [...e.children].some(c => c.tagName !== 'svg' && c.getBoundingClientRect().right > e.getBoundingClientRect().right + 3)))
  .map(e => e.textContent.trim().slice(0, 40))"""


@pytest.mark.parametrize(("width", "height"), [(1280, 800), (390, 844)])
def test_every_view_and_every_drawer_reads_well_by_ear_and_cuts_no_word_off(
    open_page: Opener, server: Server, axe: Callable[[Page], list[str]], width: int, height: int
) -> None:
    page = open_page(width, height)
    listed = json.load(urllib.request.urlopen(server.address + "/api/machines"))["machines"]
    machine = next(m["id"] for m in listed if m["tag"] == "SC-1")
    drive, temporary = drive_of(server, "SC-1"), drive_of(server, "BR-1", 1)
    views = [
        *("/round", "/machines", f"/machines/{machine}", "/jobs", "/jobs/templates", "/bench", "/what-belt", "/shelf"),
        *("/handbook", "/report", "/files", "/route", "/speeds", "/choose", "/bench/v-belt-range?all", "/nowhere"),
        *(f"/drives/{drive}?stage={s}" for s in ("found", "duty", "choose", "tension")),
        *(f"/drives/{d}" for d in (temporary, drive_of(server, "HK-1", 1), drive_of(server, "OM-2"))),
        *(f"/drives/{drive}/{what}" for what in ("timeline", "speeds", "why", "change", "jobs")),
    ]
    for path in views:
        page.goto(server.address + path)
        page.wait_for_load_state("networkidle")
        page.locator(".view h1").first.wait_for()
        page.wait_for_timeout(400)
        assert axe(page) == [], path
        assert page.evaluate("document.querySelector('.view').scrollWidth") <= width, path
        assert page.evaluate(CUT_OFF) == [], path
        assert page.evaluate(LOST_WORDS) == [], path
    # What opens over a page.
    page.goto(f"{server.address}/drives/{drive}")
    page.locator("section.number button").first.click()
    page.get_by_text(re.compile("How come:")).first.wait_for()
    page.wait_for_timeout(600)
    assert axe(page) == [], "how come"
    page.keyboard.press("Escape")
    page.get_by_role("button", name="All figures of this drive").click()
    page.locator(".el-drawer table").first.wait_for()
    page.wait_for_timeout(600)
    assert axe(page) == [], "all figures"
    page.keyboard.press("Escape")
    page.wait_for_timeout(400)
    page.get_by_role("button", name=re.compile("name and settings")).click()
    page.get_by_text("On this device").wait_for()
    page.wait_for_timeout(600)
    assert axe(page) == [], "settings"
    assert page.evaluate(CUT_OFF) == [], "settings"
