"""Drives with idlers and levers as a mechanic draws them: by tape, by touch, refused by name, the wheel that slips first."""

from __future__ import annotations

from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server

Opener = Callable[..., Page]


def fill(page: Page, **blanks: str) -> None:
    for label, text in blanks.items():
        page.get_by_label(label.replace("_", " "), exact=True).fill(text)


def test_a_lever_drive_is_entered_from_tapes_on_a_phone(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page(width=390, height=844)
    page.goto(f"{server.address}/bench")
    page.get_by_role("link", name="A drive with idlers and levers").click()
    fill(page, speed_of_the_driver="3600", name_of_wheel_1="engine", diameter_of_wheel_1="3")
    fill(page, name_of_wheel_2="blower", diameter_of_wheel_2="9", power_of_wheel_2="3")
    page.get_by_label("wheel 2, to the right", exact=True).fill("20")
    says = page.locator(".says")
    expect(says).to_contain_text("A loop of")
    page.get_by_role("button", name="Add an idler").click()
    fill(page, diameter_of_wheel_3="3")
    page.get_by_label("wheel 3, first tape", exact=True).fill("10.3")
    page.get_by_label("wheel 3, which of both places").select_option(label="the lower place")
    page.get_by_label("wheel 3, second tape", exact=True).fill("11")
    expect(page.get_by_role("button", name="idler: the loop's outside touches it")).to_be_visible()
    # The lever: its pin, its stops, what is pulled at its end.
    page.get_by_label("take-up", exact=True).select_option("arm")
    page.get_by_label("wheel that takes up").select_option("idler")
    page.get_by_label("what pulls").select_option("hand")
    fill(page, travel_to_one_stop="-2", travel_to_the_other_stop="5", pull="18")
    page.get_by_label("pin, to the right", exact=True).fill("4")
    page.get_by_label("pin, up", exact=True).fill("-8")
    page.get_by_label("lever, pin to hand", exact=True).fill("16")
    page.get_by_label("lever, pin to wheel", exact=True).fill("8")
    expect(says).to_contain_text("slips first")
    first = says.inner_text()
    fill(page, pull="30")
    expect(says).not_to_have_text(first)
    assert axe(page) == []
    # Half an inch too short for the released lever it drags, and that is said.
    page.get_by_label("it is the clutch").check()
    fill(page, loop_length="59 3/8")
    expect(page.get_by_text("the machine creeps")).to_be_visible()


def test_a_wheel_on_the_wrong_side_is_said_by_its_name_and_put_right_by_touch(
    server: Server, open_page: Opener
) -> None:
    page = open_page()
    page.goto(f"{server.address}/route")
    page.get_by_role("button", name="Fill in the example").click()
    says = page.locator(".says")
    expect(says).to_contain_text("slips first")
    good = says.inner_text()
    page.get_by_role("button", name="lever idler: the loop's outside touches it").press("Enter")
    expect(page.get_by_role("alert").first).to_contain_text("lever idler")
    page.get_by_role("button", name="Undo").click()
    expect(says).to_have_text(good)


def test_a_serpentine_with_two_driven_shafts_names_the_first_to_slip(server: Server, open_page: Opener) -> None:
    page = open_page()
    page.goto(f"{server.address}/route")
    fill(page, speed_of_the_driver="1750", diameter_of_wheel_1="5", diameter_of_wheel_2="8", power_of_wheel_2="2")
    page.get_by_label("wheel 2, to the right", exact=True).fill("18")
    page.get_by_label("wheel 2, up", exact=True).fill("22")
    page.get_by_role("button", name="Add a driven wheel").click()
    page.get_by_label("place of wheel 3").select_option("xy")
    fill(page, diameter_of_wheel_3="10", power_of_wheel_3="3", static_tension="120")
    page.get_by_label("wheel 3, to the right", exact=True).fill("30")
    page.get_by_label("wheel 3, up", exact=True).fill("4")
    says = page.locator(".says")
    expect(says).to_contain_text("slips first, at")
    before = says.inner_text()
    # The figures follow what is moved: a longer tape, another loop.
    page.get_by_label("wheel 3, to the right", exact=True).fill("34")
    expect(says).not_to_have_text(before)
    expect(says).to_contain_text("slips first")
