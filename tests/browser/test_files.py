"""The shop goes out as a file, the database is emptied, the file comes in, and all is as it was; a faulty file changes nothing."""

from __future__ import annotations

import json
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.machine_side import call
from tuyere.demo.load import clear
from tuyere.store.plumbing.engine import engine_for

Opener = Callable[..., Page]


def saved(page: Page, to: Path) -> bytes:
    page.get_by_role("button", name="Write the record file").click()
    link = page.get_by_role("link", name="Save the file")
    expect(link).to_be_visible(timeout=90_000)
    with page.expect_download() as got:
        link.click()
    got.value.save_as(to)
    return to.read_bytes()


@pytest.mark.parametrize("size", [(1280, 800), (390, 844)], ids=["bench", "phone"])
def test_the_shop_goes_out_and_comes_in_equal(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]], tmp_path: Path, size: tuple[int, int]
) -> None:
    page = open_page(width=size[0], height=size[1])
    page.goto(f"{server.address}/files")
    before = saved(page, tmp_path / "shop.json")
    doc = json.loads(before)
    drives = [r["id"] for r in doc["records"] if r["of"] == "drive" and not r["archived_at"]][:12]
    shown = [call(server, "GET", f"/api/drives/{d}") for d in drives]
    late = call(server, "GET", "/api/round")["late"]

    # A file with a fault in it is refused at its record, and nothing of it is taken.
    faulty = tmp_path / "faulty.json"
    machine = next(r for r in doc["records"] if r["of"] == "machine")
    kept, machine["kind"], machine["rev"] = dict(machine), "boat", machine["rev"] + 1
    faulty.write_text(json.dumps(doc), "utf-8")
    machine.update(kept)
    page.set_input_files("input[type=file]", faulty)
    expect(page.get_by_role("alert")).to_contain_text(
        "1 record cannot be: nothing of this file is taken", timeout=120_000
    )
    expect(page.locator("ol li").first).to_contain_text("that kind does not exist")
    expect(page.get_by_role("button", name="records in")).to_have_count(0)
    assert axe(page) == []

    # Half of it is known as half; the whole of it, into an empty shop, is taken whole.
    half = tmp_path / "half.json"
    half.write_bytes(before[: len(before) // 2])
    page.set_input_files("input[type=file]", half)
    expect(page.get_by_role("alert")).to_contain_text("it was not copied whole", timeout=120_000)
    engine = engine_for(server.url)
    clear(engine)
    engine.dispose()
    assert call(server, "GET", "/api/machines")["machines"] == []
    page.set_input_files("input[type=file]", tmp_path / "shop.json")
    page.get_by_role("button", name="records in").click(timeout=120_000)
    expect(page.get_by_text("Taken in:")).to_be_visible(timeout=120_000)
    page.reload()
    assert saved(page, tmp_path / "again.json") == before
    assert [call(server, "GET", f"/api/drives/{d}") for d in drives] == shown
    assert [x["due"]["id"] for x in call(server, "GET", "/api/round")["late"]] == [x["due"]["id"] for x in late]


def test_a_machine_goes_out_alone_from_its_own_page(server: Server, open_page: Opener, tmp_path: Path) -> None:
    page = open_page()
    page.get_by_role("link", name="BR-1 Breaker line", exact=True).first.click()
    page.get_by_role("link", name="Its record as a file").click()
    expect(page.get_by_role("button", name="Breaker line only")).to_have_attribute("aria-pressed", "true")
    doc = json.loads(saved(page, tmp_path / "machine.json"))
    assert doc["scope"] == "machine" and len([r for r in doc["records"] if r["of"] == "machine"]) == 1
    page.set_input_files("input[type=file]", tmp_path / "machine.json")
    expect(page.get_by_text("All of it is here already")).to_be_visible(timeout=120_000)


def test_a_period_of_the_shop_on_the_page_on_paper_and_as_a_table(
    server: Server, open_page: Opener, axe: Callable[[Page], list[str]]
) -> None:
    page = open_page(width=390, height=844)
    page.goto(f"{server.address}/round")
    page.get_by_role("link", name="Report").click()
    page.get_by_role("button", name="This year").click()
    expect(page.get_by_text("Failures by cause")).to_be_visible()
    expect(page.locator("dl")).to_contain_text("kWh")
    assert axe(page) == []
    page.get_by_role("textbox", name="to", exact=True).fill("2020-01-01")
    expect(page.get_by_role("alert")).to_contain_text("the period ends before it begins")
    page.get_by_role("button", name="Last year").click()
    expect(page.get_by_role("alert")).to_have_count(0)
    for name, kind in (("Print", "application/pdf"), ("Table", "text/csv")):
        got = page.request.get(server.address + (page.get_by_role("link", name=name).get_attribute("href") or ""))
        assert got.status == 200 and got.headers["content-type"].startswith(kind)
