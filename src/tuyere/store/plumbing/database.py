"""Bringing the schema up to date, and checking it."""

from __future__ import annotations

from pathlib import Path

import sqlalchemy as sa
from alembic import command
from alembic.config import Config
from alembic.runtime.migration import MigrationContext
from alembic.script import ScriptDirectory
from sqlalchemy.engine import Engine
from sqlmodel import SQLModel

from tuyere.store import models

MIGRATIONS = Path(__file__).parents[1] / "migrations"


def _config(url: str) -> Config:
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.set_main_option("sqlalchemy.url", url.replace("%", "%%"))
    return config


def migrate(url: str, revision: str = "head") -> None:
    """Upgrade to a revision."""
    command.upgrade(_config(url), revision)


def downgrade(url: str, revision: str) -> None:
    """Go back to a revision."""
    command.downgrade(_config(url), revision)


def check(engine: Engine) -> list[str]:
    """What is wrong with the database, in words; empty when all is well."""
    wrong = []
    head = ScriptDirectory.from_config(_config("")).get_current_head()
    with engine.connect() as connection:
        at = MigrationContext.configure(connection).get_current_revision()
        if at != head:
            wrong.append(f"the schema is at {at or 'nothing'}, the program wants {head}: ./tuyere db migrate")
            return wrong
        have = set(sa.inspect(connection).get_table_names())
        wrong += [f"table {name} is missing" for name in SQLModel.metadata.tables if name not in have]
        if not wrong:
            orphans = connection.execute(
                sa.text(
                    "SELECT count(*) FROM build b WHERE state = 'frozen' AND NOT EXISTS "
                    "(SELECT 1 FROM calc_record c WHERE c.build_id = b.id)"
                )
            ).scalar_one()
            if orphans:
                wrong.append(f"{orphans} frozen builds have no calculation on record")
    return wrong


__all__ = ["check", "downgrade", "migrate", "models"]
