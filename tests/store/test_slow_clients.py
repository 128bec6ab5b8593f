"""A served app against clients that send by halves, headers that nobody asked for, and a role without rights."""

from __future__ import annotations

import http.client
import os
import socket
import subprocess
import time
from collections.abc import Iterator

import psycopg
import pytest
import sqlalchemy as sa

from tuyere.ops.postgres import Cluster, free_port
from tuyere.ops.serve import server_command
from tuyere.ops.setup import ROOT
from tuyere.store.plumbing.database import migrate
from tuyere.web.plumbing.worker import READ_S

HALF = b"POST /api/machines HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 60\r\n"


@pytest.fixture(scope="module")
def plain_url(cluster: Cluster) -> Iterator[str]:
    """A migrated database and its address for the role without rights."""
    admin = sa.create_engine(cluster.url("postgres"), isolation_level="AUTOCOMMIT")
    with admin.connect() as c:
        c.execute(sa.text("DROP DATABASE IF EXISTS plain_test WITH (FORCE)"))
        c.execute(sa.text("CREATE DATABASE plain_test"))
    migrate(cluster.url("plain_test"))
    cluster.plain_role("plain_test")
    cluster.plain_role("plain_test")  # every start does it again
    yield cluster.plain_url("plain_test")
    with admin.connect() as c:
        c.execute(sa.text("DROP DATABASE plain_test WITH (FORCE)"))
    admin.dispose()


@pytest.fixture(scope="module")
def port(plain_url: str) -> Iterator[int]:
    taken = free_port(8560)
    env = {**os.environ, "TUYERE_DATABASE_URL": plain_url, "TUYERE_SECRET": "test", "PYTHONPATH": str(ROOT / "src")}
    process = subprocess.Popen(server_command(f"127.0.0.1:{taken}", 2), env=env, cwd=ROOT)
    for _ in range(900):
        try:
            socket.create_connection(("127.0.0.1", taken), 1).close()
            break
        except OSError:
            time.sleep(0.1)
    yield taken
    process.terminate()
    process.wait(60)


def ask(port: int, method: str, path: str, body: str | None = None, **headers: str) -> tuple[int, str]:
    c = http.client.HTTPConnection("127.0.0.1", port, timeout=30)
    c.request(
        method,
        path,
        body,
        headers={
            "Content-Type": "application/json",
            **{k.replace("_", "-") if k != "SCRIPT_NAME" else k: v for k, v in headers.items()},
        },
    )
    got = c.getresponse()
    text = got.read().decode()
    c.close()
    return got.status, text


def test_the_plain_role_reads_and_writes_rows_and_nothing_else(port: int, plain_url: str) -> None:
    assert ask(port, "POST", "/api/machines", '{"name": "plain"}')[0] == 200
    assert "plain" in ask(port, "GET", "/api/machines")[1]
    with psycopg.connect(plain_url.replace("+psycopg", ""), autocommit=True) as c:
        assert c.execute(
            "SELECT rolsuper OR rolcreatedb OR rolcreaterole FROM pg_roles WHERE rolname = current_user"
        ).fetchone() == (False,)
        for forbidden in (
            "CREATE TABLE mine (x int)",
            "DROP TABLE machine",
            "COPY machine FROM PROGRAM 'id'",
            "ALTER TABLE machine ADD y int",
            "SELECT pg_read_file('/etc/passwd')",
            "CREATE ROLE more",
        ):
            with pytest.raises(psycopg.Error):
                c.execute(forbidden)


@pytest.mark.parametrize("half", [HALF, HALF + b'\r\n{"na', b"GET /he"], ids=["head", "body", "line"])
def test_half_sent_requests_hold_nobody_up(port: int, half: bytes) -> None:
    """24 of them held the server for 55 s once. Forty here: a whole request is answered before they are given up."""
    lines = [socket.create_connection(("127.0.0.1", port), 5) for _ in range(40)]
    for line in lines:
        line.sendall(half)
    began = time.monotonic()
    assert ask(port, "GET", "/healthz")[0] == 200
    assert time.monotonic() - began < 2 * READ_S + 4
    # They are given up: read to the end of what the server says, which is nothing or a refusal.
    for line in lines:
        line.settimeout(4 * READ_S + 20)
        while line.recv(4096):
            pass
        line.close()
    assert ask(port, "GET", "/readyz")[0] == 200


def test_headers_of_nobody_are_not_believed(port: int) -> None:
    status, text = ask(
        port, "GET", "/healthz", SCRIPT_NAME="/elsewhere", X_Forwarded_For="10.0.0.1", X_Forwarded_Proto="https"
    )
    assert (status, text) == (200, "well\n")


def test_a_chunked_body_that_is_too_large_is_called_so(port: int) -> None:
    c = http.client.HTTPConnection("127.0.0.1", port, timeout=30)
    chunks = (b'{"name": "' + b"x" * 8192 for _ in range(20))
    c.request("POST", "/api/machines", chunks, headers={"Content-Type": "application/json"}, encode_chunked=True)
    got = c.getresponse()
    text = got.read()
    assert got.status == 413 and b"KiB" in text, text
    c.close()
