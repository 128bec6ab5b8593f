"""Whole jobs as a mechanic does them, at a desk's width and at a phone's."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server

Opener = Callable[..., Page]


def choose(page: Page, label: str, name: str) -> None:
    """Pick from a list, or in a blank of a sentence, by what it is called."""
    field = page.locator(".choice", has=page.get_by_text(label, exact=True)).locator("select")
    blank = page.locator(f'select[aria-label="{label}"]').or_(field).filter(visible=True).first
    blank.select_option(label=blank.locator("option", has_text=name).first.inner_text())


def every_option(page: Page) -> None:
    """All that were kept, family by family."""
    page.get_by_role("button", name=re.compile(r"^All \d+ that were kept")).click()


def whole_drive(page: Page) -> None:
    """From the strand to set to the whole drive with its sizes."""
    page.get_by_role("button", name="Whole drive with its sizes").click()


def tab(page: Page, name: str) -> None:
    page.get_by_role("tab", name=re.compile(name)).click()


def test_from_a_motor_a_fan_and_a_tape_to_a_saved_drive(
    open_page: Opener, server: Server, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    page.get_by_role("button", name="Add a machine").click()
    page.get_by_role("button", name="Save the machine").click()
    expect(page.get_by_text("this is needed")).to_be_visible()  # a machine needs a name, and the field says so
    page.get_by_label("Name", exact=True).fill("Retting fan <3>")
    page.get_by_label("Tag", exact=True).fill("RF-3")
    page.get_by_label("Area", exact=True).fill("Retting tanks")
    page.get_by_role("button", name="Add an energy source").click()
    page.get_by_label("Where it is isolated").fill("Isolator Q77 beside the door")
    page.get_by_role("button", name="Save the machine").click()
    expect(page.get_by_role("heading", name="Retting fan <3>")).to_be_visible()
    page.get_by_label("Name of a new drive").fill("Retting drive")
    page.get_by_role("button", name="Add the drive").click()

    expect(page.get_by_text("Nothing drawn yet")).to_be_visible()
    page.get_by_label("Power", exact=True).fill("15 in")
    page.get_by_label("Driver speed").fill("1,750")
    page.get_by_label("Driven speed wanted").fill("640 rpm")
    page.get_by_label("Centre distance, about").fill("2'4")
    choose(page, "What drives, and how it starts", "Electric motor, squirrel cage, soft start")
    choose(page, "What is driven", "Fan over 10 hp")
    page.get_by_label("Hours a day").fill("16")
    page.get_by_role("button", name="Save the duty").click()
    expect(page.get_by_text("does not measure a power")).to_be_visible()
    page.get_by_label("Power", exact=True).fill("15hp")
    page.get_by_role("button", name="Save the duty").click()

    # The best of each family stands in one row, in sight without scrolling.
    expect(page.get_by_role("group", name="The best of each family").locator(".one")).to_have_count(4)
    every_option(page)
    option = page.locator(".option").first
    expect(option).to_be_visible()
    expect(page.get_by_text(re.compile(r"of 1[78]\d,\d{3} do it"))).to_be_visible()
    expect(page.get_by_role("heading", name="How they behave")).to_be_visible()
    page.get_by_role("button", name="Every V-belt drive, and why others fell out").click()
    expect(page.get_by_text(re.compile(r"of 1[78]\d,\d{3} standard"))).to_be_visible()
    expect(page.get_by_role("heading", name="Why the others fell out")).to_be_visible()
    assert axe(page) == []
    name = option.locator("h3").inner_text()
    option.get_by_role("button", name="Take this one").click()
    expect(page.locator(".elevation svg")).to_be_visible()
    expect(page.locator(".names .what .figure")).to_have_text(name)
    page.get_by_role("button", name="Save as draft").click()
    expect(page.get_by_text("Build 1 is a draft")).to_be_visible()
    tab(page, "Tension")
    force = page.locator("section.number .figure").inner_text()
    assert re.fullmatch(r"\d+(\.\d)? – \d+(\.\d)?", force)
    expect(page.get_by_text("1 to isolate: Isolator Q77 beside the door")).to_be_visible()
    page.get_by_role("button", name="How come: Set each new belt").click()
    expect(page.get_by_text("static tension set, per belt").first).to_be_visible()
    expect(page.locator(".katex").first).to_be_visible()
    expect(page.get_by_text("recalled from memory").first).to_be_visible()
    assert axe(page) == []
    page.keyboard.press("Escape")

    server.stop()
    server.start()
    page.goto(server.address + "/machines")
    page.get_by_label("Find a machine").fill("retting fan")
    page.locator("li", has_text="Retting fan").get_by_role("link", name=re.compile("Retting drive")).click()
    expect(page.locator(".names .what .figure")).to_have_text(name)
    expect(page.locator("section.number .figure")).to_have_text(force)
    page.get_by_role("button", name="It is fitted: settle it").click()
    expect(page.get_by_text("is a draft")).to_have_count(0)
    tab(page, "Found")
    expect(page.get_by_role("cell", name="1, fitted")).to_be_visible()


def test_a_call_out_is_touched_and_everything_follows(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page(theme="dark")
    page.get_by_role("link", name=re.compile("Pump drive")).click()
    whole_drive(page)
    speed = page.locator(".callout", has_text="driven").first
    expect(speed).to_contain_text("1,005")
    assert axe(page) == []
    page.get_by_role("button", name=re.compile("driver speed 1,750")).click()
    page.get_by_label("driver speed", exact=True).fill("1,160")
    page.keyboard.press("Enter")
    expect(speed).to_contain_text("666")
    expect(page.get_by_text("Changed here, not saved")).to_be_visible()
    # A reload keeps what was not saved.
    page.reload()
    expect(page.locator(".callout", has_text="driven").first).to_contain_text("666")
    # No sheave at all: refused whole at the foot of the drawing, and what was typed stays in its field.
    page.get_by_role("button", name=re.compile("driver pitch dia 5.4")).click()
    box = page.get_by_label("driver pitch dia", exact=True).first
    box.fill("0.5")
    page.keyboard.press("Enter")
    told = page.locator(".told.refused")
    expect(told).to_contain_text("too small to be a sheave with this groove")
    edge = told.bounding_box(), page.locator(".elevation").bounding_box()
    assert edge[0]["x"] >= edge[1]["x"] - 1 and edge[0]["x"] + edge[0]["width"] <= edge[1]["x"] + edge[1]["width"] + 1
    expect(box).to_have_value("0.5")
    # Too small for a B belt: it is drawn and worked, and what it does to the belt stands first.
    box.fill("4")
    page.keyboard.press("Enter")
    expect(page.locator(".answers .danger")).to_contain_text("smaller than its section can bend round")
    expect(page.get_by_role("tab", name=re.compile("Choose"))).to_contain_text("not rated")
    page.get_by_role("button", name=re.compile("driver pitch dia 4")).click()
    page.get_by_label("driver pitch dia", exact=True).first.fill("5.4")
    page.keyboard.press("Enter")
    expect(page.locator(".answers .danger")).to_have_count(0)
    # A wanted centre distance finds the standard belt that comes nearest.
    page.get_by_role("button", name=re.compile("^centre distance 34")).click()
    page.get_by_label("centre distance", exact=True).fill("38")
    page.keyboard.press("Enter")
    expect(page.locator(".names .what .figure")).to_contain_text("B97")
    expect(page.locator(".told")).to_contain_text("B90 became B97")
    page.locator("button.units").click()
    expect(page.locator("section.number")).to_contain_text("press 15 mm at mid-span")
    page.locator("button.units").click()
    page.get_by_role("button", name="Put back").click()
    expect(speed).to_contain_text("1,005")


def test_one_hand_on_a_phone(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page(390, 844)
    page.get_by_role("link", name=re.compile("Pickup countershaft")).click()
    expect(page.locator(".gauge svg").first).to_be_visible()
    wide = page.evaluate("[document.documentElement.scrollWidth, document.querySelector('.view').scrollWidth]")
    assert max(wide) <= 390, "the page scrolls sideways"
    tab(page, "Tension")
    expect(page.get_by_text("2 to isolate: Tractor key out")).to_be_visible()
    small = page.evaluate(
        "[...document.querySelectorAll('button, a[href], input, [role=tab]')].filter(e => e.offsetParent && !e.closest('.keys'))"
        ".map(e => [e.outerHTML.slice(0, 90), e.getBoundingClientRect()]).filter(([, r]) => r.width && (r.height < 43.5 || r.width < 40))"
        ".map(([h, r]) => `${h} ${r.width}x${r.height}`)"
    )
    assert small == [], "\n".join(small)
    assert axe(page) == []
    tab(page, "Found")
    page.get_by_role("button", name="Write down what is on it now").click()
    field = page.get_by_label("Driver diameter")
    field.fill("5")
    page.locator(".keys button", has_text=re.compile("^1/2$")).click()
    expect(field).to_have_value(re.compile("5 1/2"))
    page.get_by_label("Driven diameter").fill("12 1/4")
    page.get_by_label("Belt, as it is marked").fill("b 75")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_text(re.compile("B75|is short|only"))).not_to_have_count(0)


def test_the_command_line_opens_choose_filled_in_and_saves_to_a_new_machine(
    open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page()
    page.keyboard.press("/")
    page.keyboard.type("1750 > 640 15hp fan 28in")
    expect(
        page.get_by_role(
            "option", name=re.compile("Choose: a 15hp motor at 1750 turns a .* at 640 rpm, about 28in apart")
        )
    ).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.locator(".best .one").first).to_be_visible()
    expect(page.get_by_label("Power", exact=True)).to_have_value("15hp")
    page.get_by_text(re.compile(r"^\d things assumed")).click()
    expect(page.get_by_text("10 hours a day are assumed")).to_be_visible()
    # Answered, the question stands in one line; it is opened again for another one.
    expect(page.locator(".folded")).to_contain_text(
        re.compile("A 15hp motor at 1750 rpm turns a .* at 640 rpm, about 28in apart, 10 hours a day")
    )
    page.get_by_role("button", name="Change the question").click()
    page.get_by_role("button", name="A part stays").click()
    page.get_by_label("Belt that stays").fill("Q9")
    page.get_by_role("button", name="Find drives").click()
    expect(page.get_by_text("not a belt designation")).to_be_visible()
    page.get_by_label("Belt that stays").fill("")
    choose(page, "Belt section that stays", "BX")
    page.get_by_role("button", name="Find drives").click()
    expect(page.locator(".option h3").first).to_contain_text("BX")
    page.get_by_role("button", name="Take this one").first.click()
    page.get_by_label("Or the name of a new machine").fill("Dust collector")
    page.get_by_role("button", name="Keep it as a draft build").click()
    expect(page.locator(".names .what .figure")).to_contain_text("BX")
    # The keyboard finds a machine and a calculator too.
    page.keyboard.press("/")
    page.keyboard.type("dust coll")
    page.get_by_role("option", name=re.compile("Dust collector")).first.wait_for()
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Dust collector")).to_be_visible()


def test_every_calculator_works_its_example(open_page: Opener, axe: Callable[[Page], list[str]]) -> None:
    page = open_page()
    for name in (
        "speed-ratio",
        "belt-length",
        "service-factor",
        "v-belt-rating",
        "v-belt-drive",
        "chain-drive",
        "chain-wear",
        "sync-length",
        "flat-drive",
        "chain-select",
        "v-belt-select",
    ):
        page.goto(page.url.split("/machines")[0].split("/bench")[0] + f"/bench/{name}?all")
        page.get_by_role("button", name="Fill in the example").click()
        expect(page.locator(".answer .figure").first).to_be_visible()
        page.locator(".answer .ask-how").filter(visible=True).first.click()
        expect(page.locator(".steps li").first).to_be_visible()
        page.keyboard.press("Escape")
        expect(page.locator(".steps li")).to_have_count(0)
    assert axe(page) == []
    page.goto(page.url.replace("v-belt-select", "belt-length"))
    page.get_by_label("Driver diameter").fill("10 lbf")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_text("does not measure a length")).to_be_visible()
    page.goto(page.url.replace("bench/belt-length?all", "handbook#v-belt-arc-factor"))
    expect(page.get_by_role("cell", name="174.3")).to_be_visible()
    expect(page.get_by_text("from memory · confidence").first).to_be_visible()
    assert axe(page) == []


def test_a_lost_connection_keeps_the_entry_and_sends_it_once(open_page: Opener) -> None:
    page = open_page()
    page.get_by_role("button", name="Add a machine").click()
    page.get_by_label("Name", exact=True).fill("Barn blower")
    page.route("**/api/machines", lambda r: r.abort() if r.request.method == "POST" else r.continue_())
    before = list(page.trouble)
    page.get_by_role("button", name="Save the machine").click()
    expect(page.get_by_text("1 not saved yet, kept here")).to_be_visible()
    page.unroute("**/api/machines")
    expect(page.locator(".waiting")).to_have_count(0, timeout=60_000)
    page.trouble[:] = before  # the lost request was the point
    # The form hears that it was sent, and goes on to the machine.
    expect(page.get_by_role("heading", name="Barn blower")).to_be_visible()
    page.get_by_role("link", name="Machines", exact=True).first.click()
    page.get_by_label("Find a machine").fill("barn blower")
    expect(page.get_by_text("Barn blower")).to_have_count(1)


@pytest.mark.parametrize(("width", "theme"), [(1280, "light"), (390, "dark")])
def test_axe_finds_nothing_serious(open_page: Opener, axe: Callable[[Page], list[str]], width: int, theme: str) -> None:
    page = open_page(width, 844, theme=theme)
    home = page.url.replace("/machines", "")
    expect(page.get_by_role("link", name=re.compile("Pump drive"))).to_be_visible()
    assert axe(page) == []
    for path in ("/choose", "/bench", "/bench/v-belt-drive", "/nowhere"):
        page.goto(home + path)
        page.locator("h1").first.wait_for()
        assert axe(page) == [], path
    page.goto(home + "/machines")
    page.get_by_role("link", name=re.compile("Roller gearbox input")).click()
    for stage in ("Found", "Duty", "Choose", "Tension"):
        tab(page, stage)
        page.wait_for_timeout(400)
        assert axe(page) == [], stage
