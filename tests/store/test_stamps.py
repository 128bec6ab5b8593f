"""Set-up's stamps: an odd one means that the step is done again, and never a traceback."""

from __future__ import annotations

from pathlib import Path

import pytest

from tuyere.ops import setup
from tuyere.ops.address import check_address
from tuyere.ops.launch import main
from tuyere.ops.say import OpsError


def test_odd_stamps_mean_the_step_is_done_again(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(setup, "STAMPS", tmp_path / "stamps")
    assert not setup.stamped("python", "x")
    setup.stamp("python", "x")
    assert setup.stamped("python", "x") and not setup.stamped("python", "y")
    (tmp_path / "stamps" / "npm").mkdir()
    assert not setup.stamped("npm", "x")
    (tmp_path / "stamps" / "build").write_bytes(b"\xff\xfe\x00")
    assert not setup.stamped("build", "x")
    with pytest.raises(OpsError, match="cannot be written"):
        setup.stamp("npm", "x")


@pytest.mark.parametrize(
    ("url", "says"),
    [
        ("", "no address"),
        ("postgres", "no address"),
        ("mysql://a@b/c", "PostgreSQL database is wanted"),
        ("postgresql+psycopg://u:p@h", "PostgreSQL database is wanted"),
        ("postgresql+psycopg://u:p@127.0.0.1:1/x", "does not answer"),
    ],
)
def test_an_address_that_is_none_is_said_so(url: str, says: str) -> None:
    with pytest.raises(OpsError) as e:
        check_address(url)
    assert says in e.value.cause and e.value.cure


def test_help_needs_no_set_up(capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch) -> None:
    def never(*_: object, **__: object) -> None:
        raise AssertionError("set-up ran")

    for name in ("debian_packages", "python_environment", "front_end_build"):
        monkeypatch.setattr(setup, name, never)
    assert main(["demo", "--help"]) == 0 and "demo" in capsys.readouterr().out


def test_nobody_serves_only_where_nobody_can_read(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(setup.os, "geteuid", lambda: 0)
    closed = tmp_path / "closed"
    closed.mkdir(mode=0o700)
    monkeypatch.setattr(setup, "FRONTEND", closed)
    assert setup.plain_user() is None
    monkeypatch.setattr(setup.os, "geteuid", lambda: 1000)
    assert setup.plain_user() is None
