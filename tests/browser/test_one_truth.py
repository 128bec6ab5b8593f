"""One truth on every page and nothing lost: duty changed on a fitted drive, two tabs, units switched, server and database gone."""

from __future__ import annotations

import json
import re
import subprocess
import urllib.request
import uuid
from collections.abc import Callable
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tuyere.ops.postgres import Cluster

Opener = Callable[..., Page]
BELTS = {
    "power": "7.5 hp",
    "driver": {"speed": "1750", "sheave": {"diameter": "5.4 in", "kind": "pitch", "groove": "B"}},
    "driven": {"sheave": {"diameter": "9.4 in", "kind": "pitch", "groove": "B"}},
    "belt": {"designation": "B90", "count": 3},
}


def call(server: Server, method: str, path: str, body: dict[str, Any]) -> dict[str, Any]:
    request = urllib.request.Request(
        server.address + path, json.dumps(body).encode(), {"Content-Type": "application/json"}, method=method
    )
    with urllib.request.urlopen(request) as got:
        return json.load(got)


@pytest.fixture
def drive(server: Server) -> Callable[..., str]:
    """A fitted drive of its own for a test; returns the address of its page."""

    def made(machine: str = "fan-over-10-hp", wanted: str = "1005", fitted: bool = True, power: str = "7.5 hp") -> str:
        m = call(server, "POST", "/api/machines", {"name": f"Truth {uuid.uuid4().hex[:8]}"})
        d = call(server, "POST", f"/api/machines/{m['id']}/drives", {"name": "Main"})
        service = {"driver": "motor-nema-b", "machine": machine, "hours_a_day": 16}
        duty = {
            "power": power,
            "driver_speed": "1750",
            "driven_speed": wanted,
            "centre": "34",
            "service_factor": service,
        }
        call(server, "PUT", f"/api/drives/{d['id']}/duty", duty)
        given = {**BELTS, "power": power, "service_factor": service}
        if fitted:
            call(server, "POST", f"/api/drives/{d['id']}/builds", {"purpose": "fitted", "freeze": True, "input": given})
        return f"{server.address}/drives/{d['id']}"

    return made


def tab(page: Page, word: str) -> None:
    page.get_by_role("tab", name=re.compile(word)).click()


def test_a_changed_duty_changes_every_figure_and_says_what_it_was_settled_for(
    open_page: Opener, drive: Callable[..., str], server: Server
) -> None:
    page = open_page()
    page.goto(drive())
    tension = page.locator("section.number .main")
    expect(tension).to_be_visible()
    before = tension.text_content()
    expect(page.get_by_role("tab", name=re.compile("Choose"))).to_contain_text("to spare")
    tab(page, "Duty")
    page.get_by_label("Power", exact=True).fill("30 hp")
    page.get_by_role("button", name="Save the duty").click()
    tab(page, "Tension")
    expect(page.get_by_text("Settled for 7.5 hp")).to_be_visible()
    expect(page.get_by_text(re.compile("Carries .* needs"))).to_be_visible()
    expect(page.get_by_role("tab", name=re.compile("Choose"))).to_contain_text("short")
    expect(tension).not_to_have_text(before or "")
    after = tension.text_content()
    page.reload()
    expect(tension).to_have_text(after or "")
    expect(page.get_by_text("Settled for 7.5 hp")).to_be_visible()
    # A change on the drawing is worked for the duty that holds.
    page.get_by_role("button", name="Whole drive with its sizes").click()
    page.get_by_role("button", name="driver pitch dia 5.4 in, change").click()
    page.locator(".callout input").fill("6")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Changed here, not saved")).to_be_visible()
    expect(page.get_by_role("tab", name=re.compile("Duty"))).to_contain_text("30 hp")
    expect(page.get_by_text(re.compile("Carries .* needs"))).to_be_visible()


def test_a_fan_sped_up_says_its_power_before_anything_else(open_page: Opener, drive: Callable[..., str]) -> None:
    page = open_page()
    page.goto(drive(wanted="1005") + "?stage=duty")
    expect(page.get_by_text(re.compile("wanted 1,005 ± 3.0 %: on speed"))).to_be_visible()
    page.get_by_role("button", name=re.compile("driver pitch dia 5.4 in, change")).click()
    page.locator(".callout input").fill("7")
    page.keyboard.press("Enter")
    first = page.locator(".answers li").first
    expect(first).to_contain_text("Danger")
    expect(first).to_contain_text(re.compile("takes about 2.1\\d* times the power"))
    expect(page.locator(".row-answer.off")).to_contain_text("30 % too fast")
    expect(page.get_by_role("tab", name=re.compile("Choose"))).to_contain_text("30 % too fast")
    # Danger is never folded away.
    expect(page.locator(".answers li.danger")).to_be_visible()


def test_two_tabs_three_kinds_of_conflict(open_page: Opener, drive: Callable[..., str]) -> None:
    at = drive(fitted=False)
    one, two = open_page(), open_page()
    for page in (one, two):
        page.goto(at)
        tab(page, "Duty")
        expect(page.get_by_label("Power", exact=True)).to_have_value("7.5 hp")
    # The duty: each changed another field; mixed.
    one.get_by_label("Power", exact=True).fill("10 hp")
    one.get_by_role("button", name="Save the duty").click()
    expect(one.get_by_role("tab", name=re.compile("Duty"))).to_contain_text("10 hp")
    two.get_by_label("Surroundings").fill("dusty")
    two.get_by_role("button", name="Save the duty").click()
    both = two.get_by_role("alert", name="Two versions of this duty")
    expect(both.get_by_role("row", name=re.compile("power.*7.5 hp.*10 hp"))).to_be_visible()
    both.get_by_role("row", name=re.compile("^power")).get_by_text("theirs").click()
    both.get_by_role("button", name="Save what is marked").click()
    expect(two.get_by_role("tab", name=re.compile("Duty"))).to_contain_text("10 hp")
    one.reload()
    tab(one, "Duty")
    expect(one.get_by_label("Surroundings")).to_have_value("dusty")
    expect(one.get_by_label("Power", exact=True)).to_have_value("10 hp")
    # The draft: both take an option and change it; theirs is shown and taken.
    for page in (one, two):
        tab(page, "Choose")
        page.get_by_role("button", name=re.compile("^Take ")).first.click()
        expect(page.get_by_text("Changed here, not saved")).to_be_in_viewport()
    one.get_by_role("button", name="Save as draft").click()
    expect(one.get_by_text("Build 1 is a draft")).to_be_visible()
    two.get_by_role("button", name=re.compile("^driver speed 1,750 rpm, change")).click()
    two.locator(".callout input").fill("1160")
    two.keyboard.press("Enter")
    expect(two.get_by_role("button", name=re.compile("^driver speed 1,160 rpm, change"))).to_be_visible()
    two.get_by_role("button", name="Save as draft").click()
    draft = two.get_by_role("alert", name="Two versions of this draft")
    expect(draft).to_contain_text("1,160 rpm")
    expect(draft).to_contain_text("1,750 rpm")
    draft.get_by_role("button", name="Keep theirs, drop mine").click()
    expect(two.get_by_role("button", name=re.compile("^driver speed 1,750 rpm, change"))).to_be_visible()
    # The machine: a colleague's isolation point that was never seen here stays.
    address = one.url.split("/drives")[0] + "/machines"
    for page in (one, two):
        page.goto(address)
        page.get_by_role("link", name=re.compile("^Truth")).last.click()
        page.get_by_role("button", name="Change").click()
        page.get_by_role("button", name="Add an energy source").click()
    one.get_by_label("Where it is isolated").fill("Q11")
    one.get_by_role("button", name="Save the machine").click()
    expect(one.get_by_text("Q11")).to_be_visible()
    two.get_by_label("Where it is isolated").fill("air valve V2")
    two.get_by_role("button", name="Save the machine").click()
    isolation = two.get_by_role("alert", name="Two versions of this machine")
    expect(isolation).to_contain_text("electric: Q11; electric: air valve V2")
    isolation.get_by_role("button", name="Save what is marked").click()
    expect(two.get_by_role("region", name="Isolation").get_by_text("air valve V2")).to_be_visible()
    expect(two.get_by_role("region", name="Isolation").get_by_text("Q11")).to_be_visible()


def test_units_switched_in_the_middle_of_an_entry(open_page: Opener, drive: Callable[..., str]) -> None:
    """Five forms: a bench card, Choose, What is this belt, the duty, what is found."""
    page = open_page()
    home = page.url.replace("/machines", "")
    si = us = page.locator("button.units")
    page.goto(home + "/bench/belt-length?all")
    page.get_by_label("Driver diameter").fill("6")
    page.get_by_label("Driven diameter").fill("12")
    page.get_by_label("Centre distance").fill("24")
    page.get_by_role("button", name="Work it out").click()
    expect(page.locator(".answer table")).to_contain_text("in")
    si.click()
    expect(page.get_by_label("Driver diameter")).to_have_value("6 in")
    expect(page.locator(".answer table")).to_contain_text("mm")
    page.get_by_label("Driver diameter").fill("7 in")
    expect(page.get_by_text("was the answer to the former input")).to_be_visible()
    expect(page.locator(".answer table")).to_have_count(0)
    page.get_by_label("Driver diameter").fill("7 lbf")
    page.get_by_role("button", name="Work it out").click()
    expect(page.get_by_text("does not measure a length")).to_be_visible()
    expect(page.locator(".answer table")).to_have_count(0)
    us.click()
    page.goto(home + "/choose")
    page.get_by_label("Power", exact=True).fill("7.5")
    page.get_by_label("Centre distance, about").fill("30")
    si.click()
    expect(page.get_by_label("Power", exact=True)).to_have_value("7.5 hp")
    expect(page.get_by_label("Centre distance, about")).to_have_value("30 in")
    page.goto(home + "/what-belt")
    page.get_by_role("radio", name="I have the belt and a tape").click()
    page.get_by_label("Width across the top").fill("13")
    us.click()
    expect(page.get_by_label("Width across the top")).to_have_value("13 mm")
    page.goto(drive(fitted=False))
    tab(page, "Duty")
    page.get_by_label("Centre distance, about").fill("35")
    si.click()
    expect(page.get_by_label("Centre distance, about")).to_have_value("35 in")
    page.reload()
    tab(page, "Duty")
    expect(page.get_by_label("Centre distance, about")).to_have_value("35 in")
    tab(page, "Found")
    page.get_by_label("Driver diameter").fill("140")
    us.click()
    expect(page.get_by_label("Driver diameter")).to_have_value("140 mm")


def test_a_server_killed_between_request_and_answer_takes_the_save_once(
    open_page: Opener, drive: Callable[..., str], server: Server
) -> None:
    page = open_page()
    page.goto(drive())
    tab(page, "Duty")
    page.get_by_label("Power", exact=True).fill("9 hp")

    def taken_but_unanswered(route: Any) -> None:
        if route.request.method != "PUT":
            return route.continue_()
        route.fetch()  # the server takes it; the answer never arrives
        route.abort()
        return None

    page.route("**/duty", taken_but_unanswered)
    before = list(page.trouble)
    page.get_by_role("button", name="Save the duty").click()
    expect(page.get_by_text("1 not saved yet, kept here")).to_be_visible()
    server.stop()
    page.unroute("**/duty")
    page.wait_for_timeout(6000)
    expect(page.get_by_text("1 not saved yet, kept here")).to_be_visible()
    server.start()
    expect(page.locator(".waiting")).to_have_count(0, timeout=60_000)
    page.trouble[:] = before
    page.reload()
    expect(page.get_by_role("tab", name=re.compile("Duty"))).to_contain_text("9 hp")
    versions = json.load(urllib.request.urlopen(page.url.split("?")[0].replace("/drives/", "/api/drives/")))["duty"][
        "rev"
    ]
    assert versions == 2


def test_a_database_that_is_gone_for_ten_seconds(
    open_page: Opener, drive: Callable[..., str], cluster: Cluster
) -> None:
    page = open_page()
    page.goto(drive())
    tab(page, "Duty")
    page.get_by_label("Power", exact=True).fill("8 hp")
    before = list(page.trouble)
    pid = (cluster.data / "postmaster.pid").read_text().splitlines()[0]
    family = subprocess.run(["pgrep", "-P", pid], capture_output=True, text=True, check=False).stdout.split()
    for one in (pid, *family):
        subprocess.run(["kill", "-STOP", one], check=False)
    try:
        page.get_by_role("button", name="Save the duty").click()
        expect(page.get_by_text("1 not saved yet, kept here")).to_be_visible()
        expect(page.get_by_text("it is kept on this device")).to_be_visible()
        # The page goes on working on what it has; what needs no database answers.
        page.get_by_role("button", name=re.compile("How come: Design power")).click()
        expect(page.locator(".steps li").first).to_be_visible()
        page.keyboard.press("Escape")
        page.wait_for_timeout(8000)
    finally:
        for one in (pid, *family):
            subprocess.run(["kill", "-CONT", one], check=False)
    expect(page.locator(".waiting")).to_have_count(0, timeout=60_000)
    page.trouble[:] = before
    page.reload()
    expect(page.get_by_role("tab", name=re.compile("Duty"))).to_contain_text("8 hp")


def test_a_joined_belt_is_written_down_and_found_again_by_its_number(
    open_page: Opener, drive: Callable[..., str]
) -> None:
    page = open_page()
    page.goto(drive(power="5 hp"))
    tab(page, "Found")
    page.get_by_role("button", name="Write down what is on it now").click()
    expect(page.get_by_role("heading", name="What is on the machine")).to_be_focused()
    expect(page.get_by_label("Driver diameter")).to_have_value("5.4 in")  # the sheaves are carried over
    page.get_by_label("Belt, as it is marked").fill("B91 1/2 x")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_text("not a belt designation")).to_be_visible()
    page.get_by_label("Belt, as it is marked").fill("BX93")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_text("how many belts are on it?")).to_be_visible()
    page.get_by_label("Belt, as it is marked").fill("3/BX93")
    page.get_by_role("button", name="Keep it as found").click()
    expect(page.get_by_role("tab", name=re.compile("Found"))).to_contain_text("3/BX93 joined")
    page.goto(page.url.split("/drives")[0] + "/machines")
    page.get_by_label("Find a machine").fill("BX93")
    expect(page.locator(".machine").first).to_contain_text("Truth")
