"""Running the product: the demo with a private database, or a deployment with one's own."""

from __future__ import annotations

import contextlib
import fcntl
import os
import re
import secrets
import signal
import subprocess
import sys
import time
import urllib.request
from pathlib import Path
from typing import Any, TextIO

import psycopg

from tuyere.ops import setup
from tuyere.ops.postgres import Cluster, free_port, port_is_free
from tuyere.ops.say import OpsError, Progress

HTTP_PORT = 8350
DATABASE_PORT = 28360  # under the range that outgoing connections take theirs from
WATCH_S = 2.0
LOOPBACK = ("127.0.0.1", "localhost", "::1", "[::1]")


def server_command(bind: str, workers: int, pid_file: Path | None = None) -> list[str]:
    """The WSGI server's command line."""
    command = [
        sys.executable,
        "-m",
        "gunicorn",
        "tuyere.web.wsgi:app",
        "--preload",  # loaded once, then forked: half the start-up; no connection is open yet
        "-b",
        bind,
        "-w",
        str(workers),
        "-k",
        "tuyere.web.plumbing.worker.PatientWorker",
        "--threads",
        "12",
        # No proxy's word is taken for where the app stands or who asks.
        "--forwarded-allow-ips",
        "",
        "--worker-tmp-dir",
        "/dev/shm",
        "--no-control-socket",
        "--log-level",
        "warning",
        "--graceful-timeout",
        "5",
    ]
    if (plain := setup.plain_user()) is not None:
        # Root binds and reads; whoever answers requests has no rights but to read the program.
        command += ["--user", plain[0], "--group", plain[1]]
    return [*command, "--pid", str(pid_file)] if pid_file else command


def _stop_leftover(pid_file: Path) -> None:
    """End the server of a run that was killed: its launcher is gone, it would hold the port."""
    try:
        pid = int(pid_file.read_text())
        if b"tuyere.web.wsgi" in Path(f"/proc/{pid}/cmdline").read_bytes():
            os.kill(pid, signal.SIGTERM)
            for _ in range(50):
                if not Path(f"/proc/{pid}").exists():
                    break
                time.sleep(0.1)
    except (OSError, ValueError):
        pass
    pid_file.unlink(missing_ok=True)


def _hold(home: Path) -> TextIO:
    """The data folder for this run alone, until the process ends. Raises OpsError saying where the other one runs."""
    lock = (home / "lock").open("a+")
    try:
        fcntl.flock(lock, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError as e:
        lock.seek(0)
        where = lock.read().strip()
        lock.close()
        raise OpsError(
            f"Tuyere runs on these data already{f', at {where}' if where else ''}",
            "use that one, stop it first, or set TUYERE_DATA to another folder",
        ) from e
    lock.truncate(0)
    return lock


def _wait_until_up(address: str, server: subprocess.Popen[bytes]) -> None:
    for _ in range(900):  # a busy machine is slow, not dead: its end is told by poll(), not by a clock
        if server.poll() is not None:
            raise OpsError("the web server ended at once", "read the lines above; run ./tuyere demo again")
        try:
            with urllib.request.urlopen(address + "healthz", timeout=2):
                return
        except OSError:
            time.sleep(0.1)
    raise OpsError("the web server does not answer", "stop what else runs on this machine and try again")


def _connect(cluster: Cluster, database: str) -> psycopg.Connection[tuple[Any, ...]]:
    return psycopg.connect(cluster.url(database).replace("+psycopg", ""))


def _newest_revision() -> str:
    """The revision that no other one follows, read off the migration files."""
    texts = [p.read_text("utf-8") for p in (Path(__file__).parents[1] / "store/migrations/versions").glob("*.py")]
    made = {m[1] for t in texts if (m := re.search(r"^revision = ['\"](.+)['\"]", t, re.M))}
    followed = {m[1] for t in texts if (m := re.search(r"^down_revision = ['\"](.+)['\"]", t, re.M))}
    (head,) = made - followed
    return head


def _ready(cluster: Cluster) -> bool:
    """Up to date and holding machines: then the packages for migrating and loading need not be imported."""
    with _connect(cluster, "tuyere") as connection:
        there = connection.execute("SELECT to_regclass('alembic_version') IS NOT NULL").fetchone()
        if not there or not there[0]:
            return False
        at = connection.execute("SELECT version_num FROM alembic_version").fetchone()
        if at is None or at[0] != _newest_revision():
            return False
        return connection.execute("SELECT 1 FROM machine LIMIT 1").fetchone() is not None


def _migrate_and_load(url: str, reset: bool) -> int:
    """Bring the schema up to date and load the demo into an empty database; returns how many machines."""
    from tuyere.demo.load import clear, load
    from tuyere.store.plumbing.database import migrate
    from tuyere.store.plumbing.engine import engine_for

    migrate(url)
    engine = engine_for(url)
    if reset:
        clear(engine)
    loaded = load(engine)
    engine.dispose()
    return loaded


def _keep_copy(cluster: Cluster, home: Path, progress: Progress) -> None:
    """A dump of what a reset takes away, before it is taken away. Raises OpsError."""
    with _connect(cluster, "tuyere") as connection:
        there = connection.execute("SELECT to_regclass('machine') IS NOT NULL").fetchone()
    if not there or not there[0]:
        return
    name = f"before-reset-{time.strftime('%Y%m%d-%H%M%S')}.dump"
    cluster.dump("tuyere", home / name)
    progress.note(f"what was there is kept in {home / name} (pg_restore brings it back)")


def _watch(server: subprocess.Popen[bytes], cluster: Cluster) -> int:
    """Until the server ends; a database that died is started again. Returns the server's exit status."""
    while True:
        try:
            return server.wait(WATCH_S)
        except subprocess.TimeoutExpired:
            if not cluster.alive():
                print("The database had ended; it is started again.", file=sys.stderr, flush=True)
                with contextlib.suppress(OpsError):
                    cluster.start()


def _database(progress: Progress, home: Path) -> Cluster:
    cluster = Cluster(home, DATABASE_PORT)
    if cluster.create():
        progress.note(f"made a private PostgreSQL cluster in {home}")
    cluster.start()
    with _connect(cluster, "postgres") as connection:
        connection.autocommit = True
        if connection.execute("SELECT 1 FROM pg_database WHERE datname = 'tuyere'").fetchone() is None:
            connection.execute("CREATE DATABASE tuyere")
    return cluster


def _interrupt(*_: object) -> None:
    raise KeyboardInterrupt


def demo(reset: bool, port: int) -> int:
    """Start database and server, load the demo into an empty database, serve until Ctrl-C."""
    # A shell that starts this in the background hides Ctrl-C from it; say it again.
    for stop in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
        signal.signal(stop, _interrupt)
    progress = Progress(6)
    progress.done = 3
    home = setup.data_home()
    made = Cluster(home, DATABASE_PORT)
    if not (made.data / "PG_VERSION").exists():
        made.take_home()
    pid_file = home / "server.pid"
    held = _hold(home)
    _stop_leftover(pid_file)
    progress.step("database: start and bring up to date")
    cluster = _database(progress, home)
    server: subprocess.Popen[bytes] | None = None
    try:
        url = cluster.url()
        progress.step("demo data: " + ("load afresh" if reset else "load if empty"))
        if reset:
            _keep_copy(cluster, home, progress)
        loaded = 0 if _ready(cluster) and not reset else _migrate_and_load(url, reset)
        progress.note(
            f"{loaded} machines loaded" if loaded else "there already; what was entered is kept (--reset loads afresh)"
        )
        cluster.plain_role("tuyere")
        if os.geteuid() == 0 and setup.plain_user() is None:
            progress.note(
                "only root can read this checkout or its Python, so the web server runs as root; moved from below /root it would not"
            )
        if not port_is_free(port):
            taken, port = port, free_port(port + 1)
            progress.note(f"port {taken} is taken by another program; using {port}")
        progress.step("serve")
        env = {**os.environ, "TUYERE_DATABASE_URL": cluster.plain_url(), "TUYERE_SECRET": secrets.token_hex(16)}
        # A session of its own: Ctrl-C reaches this process only, which then stops both in order.
        server = subprocess.Popen(server_command(f"127.0.0.1:{port}", 2, pid_file), env=env, start_new_session=True)
        address = f"http://127.0.0.1:{port}/"
        _wait_until_up(address, server)
        held.write(address)
        held.flush()
        print(f"\nTuyere is at {address}\nCtrl-C stops it.", flush=True)
        return _watch(server, cluster)
    except KeyboardInterrupt:
        print("\nStopping.", file=sys.stderr)
        return 0
    finally:
        for stop in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP):
            signal.signal(stop, signal.SIG_IGN)
        if server is not None and server.poll() is None:
            server.terminate()
            try:
                server.wait(10)
            except subprocess.TimeoutExpired:
                server.kill()
        pid_file.unlink(missing_ok=True)
        cluster.stop()


def serve() -> int:
    """A real deployment from environment variables; loopback only, for there are no accounts yet."""
    missing = [n for n in ("TUYERE_DATABASE_URL", "TUYERE_SECRET") if not os.environ.get(n)]
    if missing:
        raise OpsError(f"not set: {', '.join(missing)}", "see “Deploying” in README.md")
    bind = os.environ.get("TUYERE_BIND", f"127.0.0.1:{HTTP_PORT}")
    host = bind.rpartition(":")[0]
    if host not in LOOPBACK:
        raise OpsError(
            f"refusing to listen on {bind}: there are no accounts yet, anyone who reaches it could change all",
            "TUYERE_BIND=127.0.0.1:PORT, behind a proxy that asks who is there",
        )
    try:
        workers = int(os.environ.get("TUYERE_WORKERS", "2"))
    except ValueError as e:
        raise OpsError("TUYERE_WORKERS is not a number", "TUYERE_WORKERS=2") from e
    if not 1 <= workers <= 64:
        raise OpsError(f"TUYERE_WORKERS is {workers}: no such number of workers", "TUYERE_WORKERS=2")
    from tuyere.ops.address import check_address
    from tuyere.store.plumbing.database import check
    from tuyere.store.plumbing.engine import engine_for

    check_address(os.environ["TUYERE_DATABASE_URL"])
    if wrong := check(engine_for(os.environ["TUYERE_DATABASE_URL"])):
        raise OpsError(wrong[0], "./tuyere db migrate")
    print(f"Tuyere serves on http://{bind}/", flush=True)
    command = server_command(bind, workers)
    os.execv(command[0], command)
