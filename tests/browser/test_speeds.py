"""Speeds as a mechanic works them: a pump trimmed twice, a fan stopped at its plate, steps with their plate, gears, a jackshaft."""

from __future__ import annotations

import re
from collections.abc import Callable
from pathlib import Path
from typing import Any

import ezdxf
import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.machine_side import a_drive, call

Opener = Callable[..., Page]
PUMP = {
    "power": "3hp",
    "service_factor": {"assume": "1.3"},
    "driver": {"speed": "1745", "sheave": {"diameter": "3.75 in", "kind": "outside", "groove": "B"}},
    "driven": {"sheave": {"diameter": "21.35 in", "kind": "outside", "groove": "B"}},
    "belt": {"designation": "B108", "count": 1},
}
FAN = {
    "power": "5hp",
    "service_factor": {"assume": "1.3"},
    "driver": {"speed": "1750", "sheave": {"diameter": "5.65 in", "kind": "outside", "groove": "B"}},
    "driven": {"sheave": {"diameter": "13.95 in", "kind": "outside", "groove": "B"}},
    "belt": {"designation": "B90", "count": 2},
}


def fill(page: Page, **blanks: str) -> None:
    for label, text in blanks.items():
        page.get_by_label(label.replace("_", " "), exact=True).first.fill(text)


def inches(text: str) -> float:
    found = re.search(r"([\d.]+) in", text)
    assert found, text
    return float(found.group(1))


def at_the_drive(page: Page, server: Server, drive: str, task: str) -> None:
    page.goto(f"{server.address}/drives/{drive}")
    page.get_by_role("link", name="Speeds", exact=True).click()
    page.get_by_role("link", name=re.compile(task)).click()


@pytest.mark.parametrize("size", [(1280, 800), (390, 844)], ids=["bench", "phone"])
def test_a_pump_at_half_speed_is_brought_up_measured_again_and_trimmed(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]], tmp_path: Path, size: tuple[int, int]
) -> None:
    drive = a_drive(server, "v-belt", PUMP)
    page = open_page(width=size[0], height=size[1])
    at_the_drive(page, server, drive, "It turns too slowly")
    # What stands on the drive is in the sentence already; the person says what was read and what is wanted.
    expect(page.get_by_label("diameter over the rim", exact=True).first).to_have_value("3.750 in")
    fill(page, speed_of_the_machine_now="282", speed_of_the_driver="1748", wanted_speed="540")
    says = page.locator(".says")
    expect(says).to_contain_text("turns the machine at 540 rpm. It is larger than what is on")
    first = inches(says.inner_text())
    assert first == pytest.approx(3.75 * 540 / 282, abs=0.01)
    assert axe(page) == []

    # The wheel is made, put on, and both shafts are measured again: a little too fast, so it is turned down.
    page.get_by_role("button", name="It is on: measure again").click()
    expect(page.get_by_text("Round 2: with the new wheel on")).to_be_visible()
    fill(page, speed_of_the_machine_now="552", speed_of_the_driver="1741")
    expect(says).to_contain_text("Turn off")
    trimmed = inches(says.inner_text())
    assert trimmed == pytest.approx(first * 540 / 552, abs=0.02)
    # What the first wheel really ran on is told by the second.
    expect(page.get_by_role("img", name=re.compile("gave 282 rpm.*gave 552 rpm"))).to_be_visible()

    # Kept as a build of the drive, which then turns as it was worked.
    page.get_by_role("button", name=re.compile("Keep as a new build")).click()
    expect(page.get_by_text("Kept as build")).to_be_visible()
    builds = call(server, "GET", f"/api/drives/{drive}")["builds"]
    assert any(b["state"] == "draft" for b in builds)

    # The drawing goes to the lathe as DXF, true to size in inches.
    page.get_by_role("link", name="Drawing of the wheel").click()
    expect(page.get_by_role("heading", name="How is a sheave made?")).to_be_visible()
    page.get_by_label("bore: the shaft it sits on").fill("1.125 in")
    with page.expect_download() as got:
        page.get_by_role("button", name="Drawing as DXF").click()
    got.value.save_as(tmp_path / "wheel.dxf")
    made = ezdxf.readfile(tmp_path / "wheel.dxf")
    assert made.header["$INSUNITS"] == 1
    outlines = [[p[1] for p in x.get_points()] for x in made.modelspace().query("LWPOLYLINE")]
    across = max(max(o) for o in outlines) - min(min(o) for o in outlines)
    assert across == pytest.approx(trimmed, abs=0.006)
    (bore,) = made.modelspace().query("ARC")
    assert 2 * bore.dxf.radius == pytest.approx(1.125, abs=1e-6)


def test_a_fan_raised_by_its_sheave_is_stopped_at_the_amps(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    drive = a_drive(server, "v-belt", FAN)
    page = open_page()
    at_the_drive(page, server, drive, "More air")
    fill(page, speed_of_the_fan_now="650", pitch_diameter_closed="5.8 in", turns_open_now="3 1/2")
    # Six percent more: a half-turn that the sheave can be set to, while nobody asks the motor.
    fill(page, wanted_speed="689")
    says = page.locator(".says")
    expect(says).to_contain_text("Driver 2 turns open")
    fill(page, amps_on_the_plate="20", amps_without_load="7.5", amps_now="17.4")
    expect(says).to_contain_text("would take the motor over its plate: it stops here")
    expect(page.locator(".figures")).to_contain_text("2 1/2")
    expect(page.locator("tr.here")).to_contain_text("set here")
    expect(page.get_by_text("Even").or_(page.get_by_text("The motor's plate stops it"))).to_be_visible()
    assert axe(page) == []
    page.get_by_role("button", name="Keep as its speed plate").click()
    expect(page.get_by_text("Kept as the speed plate of this drive.")).to_be_visible()
    plate = call(server, "GET", f"/api/drives/{drive}/speeds")["plate"]
    assert max(r["speed"]["value"] for r in plate["rows"]) < 689
    # Above locked rotor is no reading: the clamp is refused beside its blank.
    fill(page, amps_now="90")
    expect(page.get_by_role("alert")).to_contain_text("far over the nameplate")


def test_a_three_step_pair_is_designed_kept_and_its_plate_printed(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    drive = a_drive(server, "v-belt", FAN)
    page = open_page(width=390, height=844)
    at_the_drive(page, server, drive, "Two speeds from one belt")
    fill(page, speed_of_the_motor="1725", centre_distance="14 in", lowest_speed="600", highest_speed="2800")
    fill(page, how_many_steps="3", diameter_of_the_first_step="2.5 in", sizes_are_made_in_steps_of="1/16 in")
    expect(page.locator(".says")).to_contain_text("it fits")
    expect(page.locator("table.lines tbody tr")).to_have_count(3)
    page.get_by_role("button", name="Keep as its speed plate").click()
    page.get_by_role("link", name="To the speed plate").click()
    rows = page.locator(".plate tbody tr")
    expect(rows).to_have_count(3)
    assert axe(page) == []
    link = page.get_by_role("link", name="Label as PDF").get_attribute("href")
    assert link is not None
    label = page.request.get(server.address + link)
    assert label.status == 200 and label.body()[:5] == b"%PDF-"
    drawn = page.request.get(server.address + link.replace("plate.pdf", "plate.svg")).text()
    assert all(row.locator(".rpm").inner_text().removesuffix(" rpm") in drawn for row in rows.all())
    # A speed that somebody measured is written down beside them.
    fill(page, Setting="on the grinder", **{"Speed, rpm": "1430"})
    page.get_by_role("button", name="Write it down").click()
    expect(rows).to_have_count(4)


def test_gears_are_replaced_by_two_ranges_and_the_direction_is_said(server: Server, open_page: Opener) -> None:
    page = open_page()
    page.goto(f"{server.address}/bench")
    page.get_by_role("link", name=re.compile("Instead of gears")).first.click()
    fill(page, speed_of_the_driver="1725", centre_distance="16 in", diameter_of_the_first_pulley="2.5 in")
    fill(page, teeth_of_the_low_pinion="18", teeth_of_the_low_gear="72")
    fill(page, teeth_of_the_high_pinion="30", teeth_of_the_high_gear="60")
    expect(page.locator(".says")).to_contain_text("It turns the other way")
    page.get_by_label("thread that holds the tool").select_option("right")
    expect(page.get_by_text("unscrews itself")).to_be_visible()
    expect(page.get_by_text("two of its three leads changed over")).to_be_visible()
    # A tool that may not turn so fast is a refusal, beside its blank.
    fill(page, greatest_safe_speed_of_the_tool="800")
    expect(page.get_by_role("alert")).to_contain_text("it may burst")
    fill(page, greatest_safe_speed_of_the_tool="900")
    expect(page.locator(".says")).to_contain_text("by belt in place of the gears")


def test_a_jackshaft_is_split_into_two_drives_of_their_own(server: Server, open_page: Opener) -> None:
    drive = a_drive(server, "v-belt", FAN)
    before = call(server, "GET", f"/api/drives/{drive}/speeds")
    page = open_page()
    at_the_drive(page, server, drive, "Slower than one drive does")
    fill(page, power="5 hp", speed_of_the_driver="1750", wanted_speed="70", centre_distance_of_each="24 in")
    expect(page.locator(".says")).to_contain_text("passed on")
    page.get_by_role("button", name="Keep each stage as a drive").click()
    expect(page.get_by_text("Each stage is a drive of its own on this machine now.")).to_be_visible()
    kept = call(server, "GET", f"/api/machines/{before['machine_id']}")["drives"]
    stages: list[dict[str, Any]] = [d for d in kept if "stage" in d["name"]]
    assert len(stages) == 2
    speeds = [call(server, "GET", f"/api/drives/{d['id']}/speeds")["driven_speed"]["value"] for d in stages]
    assert min(speeds) == pytest.approx(70, rel=0.035)
    page.get_by_role("link", name=re.compile("stage 2")).click()
    expect(page.get_by_role("heading", level=1).or_(page.get_by_text("stage 2")).first).to_be_visible()
