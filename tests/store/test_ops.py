"""Setting up and running: steps skipped when done, failures that name their cure, the launcher's manners."""

from __future__ import annotations

import subprocess
import sys
from pathlib import Path

import pytest
from alembic.script import ScriptDirectory

from tuyere.cli import main as cli
from tuyere.ops import launch, setup
from tuyere.ops.outside import collect
from tuyere.ops.postgres import binaries, free_port, port_is_free
from tuyere.ops.say import OpsError, Progress
from tuyere.ops.serve import _newest_revision, server_command
from tuyere.store.plumbing.database import MIGRATIONS


def test_a_step_is_done_once_per_content(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(setup, "ROOT", tmp_path)
    monkeypatch.setattr(setup, "STAMPS", tmp_path / "stamps")
    (tmp_path / "a").mkdir()
    (tmp_path / "a" / "x").write_text("1")
    first = setup.digest([tmp_path / "a"])
    assert not setup.stamped("build", first)
    setup.stamp("build", first)
    assert setup.stamped("build", first)
    (tmp_path / "a" / "x").write_text("2")
    assert setup.digest([tmp_path / "a"]) != first and not setup.stamped("build", setup.digest([tmp_path / "a"]))


def test_a_failing_step_names_cause_and_cure() -> None:
    with pytest.raises(OpsError) as e:
        setup.run([sys.executable, "-c", "import sys; sys.exit('the disk is full')"], "packing", "make room")
    assert "packing failed" in e.value.cause and "the disk is full" in e.value.cause and e.value.cure == "make room"
    with pytest.raises(OpsError, match="missing"):
        setup.run(["no-such-program"], "packing", "install it")


def test_without_root_and_sudo_the_command_to_run_is_told(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("os.geteuid", lambda: 1000)
    monkeypatch.setattr("shutil.which", lambda _: None)
    with pytest.raises(OpsError) as e:
        setup.as_root(["postgresql"])
    assert "apt-get install" in e.value.cure and "postgresql" in e.value.cure
    monkeypatch.setattr("shutil.which", lambda _: "/usr/bin/sudo")
    assert "chromium" not in e.value.cure and "apt-get update" in e.value.cure  # only what is missing
    assert setup.as_root([]) == ["sudo"]


def test_data_go_where_the_servers_user_can_reach(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    monkeypatch.setenv("TUYERE_DATA", str(tmp_path / "d"))
    assert setup.data_home() == tmp_path / "d"
    monkeypatch.delenv("TUYERE_DATA")
    monkeypatch.setattr("os.geteuid", lambda: 0)
    assert setup.data_home().is_relative_to("/var/lib/tuyere")
    monkeypatch.setattr("os.geteuid", lambda: 1000)
    assert setup.data_home() == setup.ROOT / ".data"


def test_nothing_is_missing_where_these_tests_run() -> None:
    assert setup.missing_packages(with_browser=True) == [] and binaries() is not None and binaries("1") is None
    node = subprocess.run(
        ["node", "--version"], env={"PATH": setup.node_path()}, capture_output=True, text=True, check=True
    ).stdout
    assert tuple(int(x) for x in node.strip().lstrip("v").split(".")[:2]) >= setup.OLDEST_NODE


def test_a_free_port_is_free() -> None:
    port = free_port(47000)
    assert port_is_free(port)
    with pytest.raises(OpsError, match="no free port"):
        free_port(47000, 0)


def test_the_quick_start_and_alembic_agree_on_the_newest_revision() -> None:
    assert _newest_revision() == ScriptDirectory(str(MIGRATIONS)).get_current_head()


def test_the_server_command_listens_where_it_is_told() -> None:
    command = server_command("127.0.0.1:9", 3, Path("/x/pid"))
    assert (
        command[command.index("-b") + 1] == "127.0.0.1:9"
        and command[command.index("-w") + 1] == "3"
        and command[-1] == "/x/pid"
    )


def test_the_launcher_helps_and_refuses(capsys: pytest.CaptureFixture[str], monkeypatch: pytest.MonkeyPatch) -> None:
    assert launch.main([]) == 0 and "./tuyere demo" in capsys.readouterr().out
    assert launch.main(["dance"]) == 1

    def fail(_: list[str]) -> int:
        raise OpsError("the moon is down", "wait")

    monkeypatch.setattr(launch, "demo", fail)
    assert launch.main(["demo"]) == 1
    said = capsys.readouterr().err
    assert "Stopped: the moon is down" in said and "To cure it: wait" in said
    progress = Progress(2)
    progress.step("first")
    assert "[1/2] first" in capsys.readouterr().err


def test_a_deployment_says_what_is_not_set(monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]) -> None:
    monkeypatch.delenv("TUYERE_DATABASE_URL", raising=False)
    assert cli(["serve"]) == 1
    assert "TUYERE_DATABASE_URL" in capsys.readouterr().err


def test_database_commands(
    database_url: str, monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    monkeypatch.setenv("TUYERE_DATABASE_URL", database_url)
    assert cli(["db", "migrate"]) == 0 and cli(["db", "check"]) == 0
    assert "The database is well." in capsys.readouterr().out


def test_the_outside_checks_can_be_listed() -> None:
    found = collect()
    assert len(found) >= 250 and len({source for _, source in found}) > 25
    assert all(check.startswith("tests/core/") and source for check, source in found)
