"""The flax works in a database of its own, for what is shown of a whole shop."""

from __future__ import annotations

import uuid
from collections.abc import Iterator

import pytest
import sqlalchemy as sa
from sqlalchemy import Engine
from sqlmodel import Session

from tuyere.demo.load import load
from tuyere.ops.postgres import Cluster
from tuyere.store.plumbing.database import migrate
from tuyere.store.plumbing.engine import engine_for


@pytest.fixture(scope="session")
def demo_engine(cluster: Cluster) -> Iterator[Engine]:
    """A database with the demo loaded once for the run."""
    name = f"t{uuid.uuid4().hex[:12]}"
    server = sa.create_engine(cluster.url("postgres"), isolation_level="AUTOCOMMIT")
    with server.connect() as connection:
        connection.execute(sa.text(f"CREATE DATABASE {name}"))
    migrate(cluster.url(name))
    made = engine_for(cluster.url(name))
    load(made)
    yield made
    made.dispose()
    with server.connect() as connection:
        connection.execute(sa.text(f"DROP DATABASE {name} WITH (FORCE)"))
    server.dispose()


@pytest.fixture
def demo(demo_engine: Engine) -> Iterator[Session]:
    """A session on it whose changes are rolled back."""
    with demo_engine.connect() as connection:
        outer = connection.begin()
        with Session(bind=connection, join_transaction_mode="create_savepoint") as session:
            yield session
        outer.rollback()
