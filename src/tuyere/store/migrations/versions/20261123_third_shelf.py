"""the shelf: belts and sheaves in stock

Revision ID: 20261123_third
Revises: 20261123_second
"""

import sqlalchemy as sa
from alembic import op

revision = '20261123_third'
down_revision = '20261123_second'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table."""
    op.create_table(
        "stock_item",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("op_id", sa.Uuid(), nullable=False),
        sa.Column("rev", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("created_by_name", sa.String(length=80), nullable=False),
        sa.Column("observed_at", sa.DateTime(timezone=True), nullable=True),
        sa.Column("archived_at", sa.DateTime(timezone=True), nullable=True),
        sa.Column("line", sa.Integer(), nullable=False),
        sa.Column("part", sa.String(length=10), nullable=False),
        sa.Column("section", sa.String(length=20), nullable=False),
        sa.Column("designation", sa.String(length=40), nullable=False),
        sa.Column("diameter_mm", sa.Float(), nullable=True),
        sa.Column("diameter_kind", sa.String(length=20), nullable=False),
        sa.Column("quantity", sa.Integer(), nullable=False),
        sa.CheckConstraint("part IN ('belt','sheave')", name="ck_stock_item_part"),
        sa.CheckConstraint("(part = 'belt') = (diameter_mm IS NULL)", name="ck_stock_item_diameter"),
        sa.CheckConstraint("quantity >= 1", name="ck_stock_item_quantity"),
        sa.PrimaryKeyConstraint("id", name="pk_stock_item"),
        sa.UniqueConstraint("op_id", name="uq_stock_item_op_id"),
    )


def downgrade() -> None:
    """Take the table away."""
    op.drop_table("stock_item")
