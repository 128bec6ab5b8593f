"""The data folder is ours or it is left alone; one run at a time has it; ports are really free."""

from __future__ import annotations

import socket
from pathlib import Path

import pytest

from tuyere.cli import main as cli
from tuyere.ops import setup
from tuyere.ops.postgres import MARK, Cluster, port_is_free
from tuyere.ops.say import OpsError
from tuyere.ops.serve import _hold, serve


def test_a_folder_with_something_else_in_it_is_left_as_it_is(tmp_path: Path) -> None:
    (tmp_path / "pg").mkdir()
    (tmp_path / "pg" / "mine.txt").write_text("years of work")
    tmp_path.chmod(0o700)
    with pytest.raises(OpsError, match="something else") as e:
        Cluster(tmp_path, 1).create()
    assert "TUYERE_DATA" in e.value.cure
    assert (tmp_path / "pg" / "mine.txt").read_text() == "years of work"
    assert (tmp_path.stat().st_mode & 0o777, (tmp_path / MARK).exists()) == (0o700, False)


def test_a_file_where_a_folder_should_be_is_said(tmp_path: Path) -> None:
    (tmp_path / "x").write_text("")
    with pytest.raises(OpsError, match="cannot be used"):
        Cluster(tmp_path / "x" / "y", 1).take_home()


def test_a_new_folder_becomes_ours_and_stays_so(tmp_path: Path) -> None:
    home = tmp_path / "data"
    Cluster(home, 1).take_home()
    (home / "more").write_text("")
    Cluster(home, 1).take_home()
    assert (home / MARK).exists()


def test_a_second_run_on_the_same_data_is_told_where_the_first_is(tmp_path: Path) -> None:
    held = _hold(tmp_path)
    held.write("http://127.0.0.1:8350/")
    held.flush()
    with pytest.raises(OpsError, match="8350"):
        _hold(tmp_path)
    held.close()
    _hold(tmp_path).close()


def test_a_port_held_by_an_outgoing_connection_is_not_free() -> None:
    with socket.socket() as listener, socket.socket() as caller:
        listener.bind(("127.0.0.1", 0))
        listener.listen()
        caller.bind(("127.0.0.1", 0))
        caller.connect(listener.getsockname())
        assert not port_is_free(caller.getsockname()[1])
        assert not port_is_free(listener.getsockname()[1])
    assert not port_is_free(99_999)


def test_an_empty_address_of_the_data_is_none(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setenv("TUYERE_DATA", "")
    assert setup.data_home() != Path.cwd()


def test_reset_asks_first_and_odd_ports_and_workers_are_refused(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setattr("builtins.input", lambda _: "no")
    assert cli(["demo", "--reset"]) == 1 and "Nothing was changed" in capsys.readouterr().out
    with pytest.raises(SystemExit):
        cli(["demo", "--port", "99999"])
    assert "1 to 65535" in capsys.readouterr().err
    for name, value in (("DATABASE_URL", "postgresql://x"), ("SECRET", "s"), ("WORKERS", "0")):
        monkeypatch.setenv(f"TUYERE_{name}", value)
    with pytest.raises(OpsError, match="no such number"):
        serve()
