"""Names as people give them: as long as they may be, without a gap, from right to left, with signs of any kind; no page breaks on them."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.test_jobs import Opener

LONGEST = 80
NAMES = [
    ("Unbrokenscutchingturbineofthelongestname" * 2)[:LONGEST],
    "مروحة شفط الغبار في قاعة الكتان القديمة بجانب الباب الشمالي",
    "Breaker 🧵🔧 line № 4 — “the old one”",
]


@pytest.mark.parametrize("width", [320, 390, 1280])
def test_any_name_keeps_the_page_in_its_width_and_is_read_whole(
    open_page: Opener, server: Server, axe: Callable[[Page], list[str]], width: int
) -> None:
    page = open_page(width, 844)
    api = page.request
    for k, name in enumerate(NAMES):
        machine = api.post(
            f"{server.address}/api/machines",
            data={"name": name, "tag": f"W{width}-{k}", "area": name[:40], "walk_order": 9000 + k},
        ).json()
        drive = api.post(f"{server.address}/api/machines/{machine['id']}/drives", data={"name": name}).json()
        for path in (f"/machines?q=W{width}-{k}", f"/machines/{machine['id']}", f"/drives/{drive['id']}"):
            page.goto(server.address + path)
            expect(page.locator(".view").get_by_text(name).first).to_be_visible()
            over = page.evaluate(
                "document.querySelector('.view').scrollWidth - document.querySelector('.view').clientWidth"
            )
            assert over <= 0, (path, name)
        assert axe(page) == []
    # A name from right to left is set so, whatever stands before it.
    page.goto(f"{server.address}/machines?q=W{width}-1")
    cell = page.locator("li.cell").first
    expect(cell.locator(".drive")).to_have_attribute("dir", "auto")
    assert cell.locator(".drive").evaluate("e => getComputedStyle(e).direction") == "rtl"
    # What is longer than a name may be is refused beside its field, and stays typed.
    page.goto(server.address + "/machines")
    page.get_by_role("button", name="Add a machine").first.click()
    page.get_by_label("Name", exact=True).fill("x" * 200)
    page.get_by_role("button", name="Save the machine").click()
    expect(page.get_by_text(re.compile("too long · allowed: 80 at most"))).to_be_visible()
    expect(page.get_by_label("Name", exact=True)).to_have_value("x" * 200)
