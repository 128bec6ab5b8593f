"""A database that died is started again while the server runs, and a reset keeps a copy first."""

from __future__ import annotations

import os
import shutil
import signal
import subprocess
import time
from collections.abc import Iterator
from pathlib import Path

import psycopg
import pytest

from tuyere.ops import serve
from tuyere.ops.postgres import Cluster
from tuyere.ops.say import OpsError
from tuyere.ops.setup import data_home


@pytest.fixture(scope="module")
def own() -> Iterator[Cluster]:
    """A cluster of this file's own: it is killed here."""
    home = data_home().parent / f"{data_home().name}-watch"
    shutil.rmtree(home, ignore_errors=True)
    made = Cluster(home, 28450, lasting=False)
    made.create()
    made.start()
    yield made
    made.stop()
    shutil.rmtree(home, ignore_errors=True)


def ask(cluster: Cluster) -> int:
    with psycopg.connect(cluster.url("postgres").replace("+psycopg", "")) as c:
        (one,) = c.execute("SELECT 1").fetchone()
    return one


def test_a_dead_database_is_started_again(own: Cluster, monkeypatch: pytest.MonkeyPatch) -> None:
    assert own.alive() and ask(own) == 1
    monkeypatch.setattr(serve, "WATCH_S", 0.3)
    os.kill(int((own.data / "postmaster.pid").read_text().split()[0]), signal.SIGKILL)
    for _ in range(50):
        if not own.alive():
            break
        time.sleep(0.1)
    assert not own.alive()
    server = subprocess.Popen(["sleep", "12"])
    assert serve._watch(server, own) == 0
    assert own.alive() and ask(own) == 1


def test_a_reset_keeps_a_copy_that_can_be_read_back(own: Cluster, tmp_path: Path) -> None:
    with psycopg.connect(own.url("postgres").replace("+psycopg", ""), autocommit=True) as c:
        c.execute("CREATE TABLE IF NOT EXISTS kept (word text)")
        c.execute("INSERT INTO kept VALUES ('retting')")
    file = tmp_path / "before.dump"
    own.dump("postgres", file)
    assert file.stat().st_mode & 0o077 == 0
    tool = own._server() / "pg_restore"
    back = subprocess.run([str(tool), "-f", "-", str(file)], capture_output=True, text=True, check=True).stdout
    assert "retting" in back
    with pytest.raises(OpsError, match="no copy"):
        own.dump("no_such_database", tmp_path / "none.dump")
    assert not (tmp_path / "none.dump").exists()
