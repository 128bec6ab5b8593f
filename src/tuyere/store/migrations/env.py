"""Alembic's environment: the address comes from the caller, the metadata from the models."""

from alembic import context
from sqlalchemy import create_engine, pool
from sqlmodel import SQLModel
from sqlmodel.sql.sqltypes import AutoString

from tuyere.store import models  # noqa: F401  (registers the tables)


def render_item(kind, item, _context):
    """Write SQLModel's text type as plain SQLAlchemy, which the migration files import."""
    if kind == "type" and isinstance(item, AutoString):
        return f"sa.String(length={item.length})" if item.length else "sa.String()"
    return False


url = context.config.get_main_option("sqlalchemy.url")
with create_engine(url, poolclass=pool.NullPool).connect() as connection:
    context.configure(
        connection=connection, target_metadata=SQLModel.metadata, render_item=render_item, compare_server_default=True
    )
    with context.begin_transaction():
        context.run_migrations()
