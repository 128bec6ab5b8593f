"""The database engine; apart from the migrations, whose package is slow to load."""

from __future__ import annotations

from sqlalchemy.engine import Engine
from sqlmodel import create_engine


def engine_for(url: str) -> Engine:
    """An engine that notices a database that went away."""
    return create_engine(url, pool_pre_ping=True, pool_size=5, max_overflow=10)
