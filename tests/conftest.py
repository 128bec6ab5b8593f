"""Shared by all tests: the outside list, one private PostgreSQL cluster, a database per run, rolled back per test."""

from __future__ import annotations

import json
import uuid
from collections.abc import Iterator
from pathlib import Path

import pytest
import sqlalchemy as sa
from sqlalchemy.engine import Engine
from sqlmodel import Session

import tuyere.calc.every  # noqa: F401
from tuyere.ops.postgres import Cluster
from tuyere.ops.setup import data_home
from tuyere.store.plumbing.database import migrate
from tuyere.store.plumbing.engine import engine_for


def pytest_addoption(parser: pytest.Parser) -> None:
    parser.addoption("--outside-list", default="", help="write the outside checks to this file as JSON")


def pytest_configure(config: pytest.Config) -> None:
    config.addinivalue_line("markers", "outside(source): holds the core against something it did not make itself")


def pytest_collection_modifyitems(config: pytest.Config, items: list[pytest.Item]) -> None:
    found = [(item.nodeid, str(mark.args[0])) for item in items for mark in item.iter_markers("outside")]
    if target := config.getoption("--outside-list"):
        Path(target).write_text(json.dumps(found), "utf-8")
    config.stash[OUTSIDE] = len(found)


OUTSIDE = pytest.StashKey[int]()


def pytest_terminal_summary(terminalreporter: pytest.TerminalReporter, config: pytest.Config) -> None:
    terminalreporter.write_line(f"{config.stash.get(OUTSIDE, 0)} outside checks of the core collected")


@pytest.fixture(scope="session")
def cluster() -> Iterator[Cluster]:
    """A private cluster apart from the demo's, kept between runs for speed."""
    home = data_home().parent / f"{data_home().name}-test"
    made = Cluster(home, 28400, lasting=False)
    made.create()
    made.start()
    yield made
    made.stop()


@pytest.fixture(scope="session")
def database_url(cluster: Cluster) -> Iterator[str]:
    """A fresh, migrated database."""
    name = f"t{uuid.uuid4().hex[:12]}"
    server = sa.create_engine(cluster.url("postgres"), isolation_level="AUTOCOMMIT")
    with server.connect() as connection:
        connection.execute(sa.text(f"CREATE DATABASE {name}"))
    url = cluster.url(name)
    migrate(url)
    yield url
    with server.connect() as connection:
        connection.execute(sa.text(f"DROP DATABASE {name} WITH (FORCE)"))
    server.dispose()


@pytest.fixture(scope="session")
def engine(database_url: str) -> Iterator[Engine]:
    made = engine_for(database_url)
    yield made
    made.dispose()


@pytest.fixture
def db(engine: Engine) -> Iterator[Session]:
    """A session whose commits are savepoints of a transaction that is rolled back."""
    with engine.connect() as connection:
        outer = connection.begin()
        with Session(bind=connection, join_transaction_mode="create_savepoint") as session:
            yield session
        outer.rollback()


@pytest.fixture
def client(engine: Engine):  # noqa: ANN201
    """The web app's test client on the test database; what it commits stays for the run."""
    from tuyere.web.app import create_app

    return create_app(engine, Path("/nonexistent")).test_client()
