"""Drives with more than two wheels, as a mechanic draws, checks and sets them, at a phone's width and on a desk."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.machine_side import Hands, a_drive, call, shows, simulated
from tests.calc.around_drives import CLUTCH

Opener = Callable[..., Page]
PHONE = {"width": 390, "height": 844}
PLAIN: dict[str, Any] = {
    "power": "5 hp",
    "service_factor": {"assume": 1.4},
    "driver": {"speed": "2800 rpm", "sheave": {"diameter": "5.4 in", "kind": "outside"}},
    "driven": {"sheave": {"diameter": "8.4 in", "kind": "outside"}},
    "belt": {"designation": "BX68", "count": 1},
}
SERPENTINE: dict[str, Any] = {
    "power": "7.5 hp",
    "service_factor": {"assume": 1.2},
    "driver": {"speed": "1745", "sheave": {"diameter": "6 in", "kind": "outside"}},
    "driven": {"sheave": {"diameter": "9.4 in", "kind": "outside"}},
    "belt": {"designation": "B120", "count": 3},
    "around": {
        "driven_x": "36 in",
        "driven_y": "2 in",
        "wheels": [
            {
                "name": "idler",
                "between": "driver-driven",
                "side": "outside",
                "x": "13 in",
                "y": "4.5 in",
                "diameter": "8 in",
            },
            {
                "name": "shaker",
                "role": "driven",
                "between": "driven-driver",
                "x": "26 in",
                "y": "-20 in",
                "diameter": "12 in",
                "power": "2 hp",
            },
        ],
        "take_up": {"wheel": "idler", "direction": "-90", "low": "-2 in", "high": "3 in"},
    },
}


def fill(page: Page, blanks: dict[str, str]) -> None:
    for label, text in blanks.items():
        page.get_by_label(label, exact=True).fill(text)


def test_a_lever_drive_is_put_on_a_machine_from_six_tapes_on_a_phone(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    """(a): centres, two tapes to the idler, two to the arm's pin, one along the lever; then its pull is set."""
    drive = a_drive(server, "v-belt", PLAIN)
    page = open_page(**PHONE)
    page.goto(f"{server.address}/drives/{drive}")
    page.get_by_role("link", name="Change the drive").click()
    says = page.locator(".says").first
    expect(says).to_contain_text("Two wheels")
    fill(page, {"wheel 2, to the right": "24", "wheel 2, up": "0"})
    page.get_by_role("button", name="Add an idler").click()
    # What is half said is waited for; nothing is asked and nothing is lost.
    fill(page, {"name of wheel 2": "lever idler", "diameter of wheel 2": "7.4"})
    fill(page, {"wheel 2, first tape": "10.83", "wheel 2, second tape": "15.4"})
    page.get_by_label("take-up", exact=True).select_option("arm")
    page.get_by_label("wheel that takes up").select_option("lever idler")
    page.get_by_label("place of the pin").select_option("tapes")
    fill(page, {"pin, first tape": "21.54", "pin, second tape": "8.94"})
    fill(page, {"travel to one stop": "-1.2", "travel to the other stop": "2.5"})
    page.get_by_label("what pulls").select_option("hand")
    fill(page, {"pull": "17", "lever, pin to hand": "22"})
    expect(says).to_contain_text("slips first")
    page.get_by_label("it is the clutch").check()
    expect(page.get_by_text("of slack", exact=False).first).to_be_visible()
    assert axe(page) == []
    page.get_by_role("button", name="Use it on the drive").click()
    expect(page.get_by_text("Changed here, not saved.")).to_be_visible()
    page.get_by_role("button", name="It is fitted: settle it").click()
    expect(page.get_by_text("Changed here, not saved.")).to_have_count(0)
    # Its pull is a setting like any other, with the limits on both sides.
    page.get_by_role("tab", name=re.compile("Tension")).click()
    expect(page.locator(".ends .says").first).to_contain_text("Pull it with")
    kept = call(server, "GET", f"/api/drives/{drive}")["builds"][0]["input"]["around"]
    assert kept["wheels"][0]["from_driver"] == "10.83 in" and kept["take_up"]["hand"] == "17 lbf"
    assert axe(page) == []


def test_a_misrouted_belt_is_shown_and_put_right(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    """(b)"""
    drive = a_drive(server, "v-belt", CLUTCH)
    page = open_page()
    page.goto(f"{server.address}/drives/{drive}")
    page.get_by_role("link", name="Is it on right?").click()
    verdict = page.locator(".verdict")
    expect(verdict).to_contain_text("The loop is on right.")
    page.get_by_role("button", name="idler: press where").press("Enter")
    expect(verdict).to_contain_text("Not right at idler")
    expect(page.locator(".faults")).to_contain_text("its back runs on it")
    expect(page.locator(".there")).to_have_count(1)
    page.get_by_label("how the loop passes keeper").select_option("inside")
    expect(verdict).to_contain_text("keeper")
    assert axe(page) == []
    page.get_by_label("how the loop passes keeper").select_option("outside")
    page.get_by_role("button", name="idler: press where").press("Enter")
    expect(verdict).to_contain_text("The loop is on right.")


def test_a_belt_half_an_inch_short_drags_when_it_is_let_go(server: Server, open_page: Opener) -> None:
    """(c)"""
    drive = a_drive(server, "v-belt", CLUTCH)
    page = open_page(**PHONE)
    page.goto(f"{server.address}/drives/{drive}")
    expect(page.get_by_text(re.compile(r"A belt 0\.50 in short:[\s\S]*it drags"))).to_be_visible()
    page.get_by_role("button", name="Let go").click()
    expect(page.get_by_role("button", name="Let go")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_role("group", name="The clutch")).to_contain_text("Slack")


def test_an_idler_is_dragged_and_the_strands_follow(server: Server, open_page: Opener) -> None:
    """(d): by hand, by the arrow keys, and taken back."""
    drive = a_drive(server, "v-belt", SERPENTINE)
    page = open_page()
    page.goto(f"{server.address}/drives/{drive}/change")
    pulls = page.locator("text.pull")
    expect(pulls.first).to_be_visible()
    before = [t.strip() for t in pulls.all_text_contents()]
    at = page.get_by_role("button", name="idler: the loop's outside")
    box = at.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    for k in range(1, 11):
        page.mouse.move(x + 3 * k, y - k)
    expect(page.locator(".live")).to_contain_text("loop")
    page.mouse.up()
    expect(page.get_by_label("wheel 2, to the right")).not_to_have_value("13 in")
    page.wait_for_function(
        "was => { const now = [...document.querySelectorAll('text.pull')].map((t) => t.textContent.trim());"
        " return now.length && now.join() !== was }",
        arg=",".join(before),
    )
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_label("wheel 2, to the right")).to_have_value("13 in")
    expect(pulls.first).to_contain_text(before[0])
    at.press("ArrowRight")
    expect(page.get_by_label("wheel 2, to the right")).not_to_have_value("13 in")


def test_a_serpentine_names_the_wheel_that_slips_first(server: Server, open_page: Opener) -> None:
    """(e): and with most of the power at the other shaft it is another one."""
    drive = a_drive(server, "v-belt", SERPENTINE)
    page = open_page()
    page.goto(f"{server.address}/drives/{drive}/change")
    says = page.locator(".says").first
    expect(says).to_contain_text("slips first")
    table = page.get_by_role("region", name="Wheel by wheel")
    first = table.locator("tr", has_text="slips first")
    expect(first).to_have_count(1)
    name = first.locator("td").first.inner_text().replace(" slips first", "")
    expect(says).to_contain_text(name[:1].upper() + name[1:])
    page.get_by_label("power of wheel 4").fill("7.4 hp")
    expect(says).to_contain_text("slips")
    # What cannot be is said beside its wheel, and what was typed stays.
    page.get_by_label("wheel 4, up").fill("2")
    page.get_by_label("wheel 4, to the right").fill("35")
    expect(page.get_by_role("alert").first).to_be_visible()
    expect(page.get_by_label("wheel 4, to the right")).to_have_value("35")


def test_a_roller_conveyors_link_belt_is_ordered_to_length(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    """(f)"""
    page = open_page(**PHONE)
    page.goto(f"{server.address}/bench/roller-conveyor")
    page.get_by_role("button", name="Example").click()
    expect(
        page.get_by_text(re.compile("Order 122 15/16 in of link A belt. Hand tight 246 links")).first
    ).to_be_visible()
    assert axe(page) == []


def test_a_job_on_a_lever_drive_goes_by_its_strand_and_its_pull_and_finds_a_worn_idler(
    server: Server, open_page: Opener
) -> None:
    """(g): the strand that is pressed is picked, the pull at the lever read, the worn idler written down and found in the history."""
    drive = a_drive(server, "v-belt", CLUTCH, spring="Idler spring, pinned")
    simulated(server, drive)
    page = open_page(**PHONE)
    page.goto(f"{server.address}/drives/{drive}?stage=tension")
    # The pick is kept before the page is left.
    with page.expect_response(lambda r: r.url.split("?")[0].endswith("/ends") and r.request.method == "PUT"):
        page.get_by_label("strand that is pressed").select_option("idler-driven")
    expect(page.get_by_label("strand that is pressed")).to_have_value("idler-driven")
    hands = Hands(page, server)
    # How it is taken up is known from its drawing: nothing is asked.
    hands.open(drive, "Belt under a lever or sprung idler")
    hands.make_safe()
    for _ in range(30):
        if page.locator(".words", has_text="on its pivot").count():
            break
        hands.one_step()
    was = hands.at()
    page.get_by_label("In words").fill("Idler bearing rough, its rim worn hollow")
    page.get_by_role("button", name="Watch it").click()
    page.wait_for_function("was => document.querySelector('.count')?.textContent.trim() !== was", arg=was)
    hands.until("Pull, let in slowly")
    shown = {f["name"]: f["shown"] for s in hands.job["steps"] if s["key"] == "tension-read" for f in s["figures"]}
    assert shown["span"] == "16 15/16 in"
    hands.take(2)
    said = next(s for s in hands.job["steps"] if s["key"] == "arm-pull")["said"]
    clip = [shows(server, drive, "clip-on", f"belt {n}") for n in (1, 2)]
    assert said["result"]["mean"]["tension"]["value"] == pytest.approx(sum(clip) / 2, rel=0.15)
    hands.done()
    hands.to_the_end()
    ident = hands.job["id"]
    timeline = str(call(server, "GET", f"/api/drives/{drive}/timeline"))
    assert ident in timeline
    page.goto(f"{server.address}/drives/{drive}/timeline")
    expect(page.get_by_text("Idler bearing rough").first).to_be_visible()
