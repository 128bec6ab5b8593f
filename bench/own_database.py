"""A database of its own for one measurement, on the private cluster, gone afterwards."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from contextlib import contextmanager

import sqlalchemy as sa

from tuyere.ops.postgres import Cluster
from tuyere.store.plumbing.database import migrate


@contextmanager
def own_database(cluster: Cluster) -> Iterator[str]:
    """The address of a fresh database with every table; dropped when the measurement is over."""
    name = f"bench_{uuid.uuid4().hex[:8]}"
    admin = sa.create_engine(cluster.url("postgres"), isolation_level="AUTOCOMMIT")
    with admin.connect() as c:
        c.execute(sa.text(f"CREATE DATABASE {name}"))
    url = cluster.url(name)
    try:
        migrate(url)
        yield url
    finally:
        with admin.connect() as c:
            c.execute(sa.text(f"DROP DATABASE {name} WITH (FORCE)"))
