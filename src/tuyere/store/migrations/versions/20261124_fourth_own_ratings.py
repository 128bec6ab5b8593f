"""the shop's own rating table

Revision ID: 20261124_fourth
Revises: 20261123_third
"""

import sqlalchemy as sa
from alembic import op

revision = '20261124_fourth'
down_revision = '20261123_third'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table."""
    op.create_table(
        "rating_item",
        sa.Column("id", sa.Uuid(), nullable=False),
        sa.Column("op_id", sa.Uuid(), nullable=False),
        sa.Column("rev", sa.Integer(), nullable=False),
        sa.Column("created_at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("created_by_name", sa.String(length=80), nullable=False),
        sa.Column("observed_at", sa.DateTime(timezone=True), nullable=True),
        sa.Column("archived_at", sa.DateTime(timezone=True), nullable=True),
        sa.Column("line", sa.Integer(), nullable=False),
        sa.Column("section", sa.String(length=20), nullable=False),
        sa.Column("diameter_mm", sa.Float(), nullable=False),
        sa.Column("rpm", sa.Float(), nullable=False),
        sa.Column("power_kw", sa.Float(), nullable=False),
        sa.CheckConstraint("diameter_mm > 0 AND rpm > 0 AND power_kw > 0", name="ck_rating_item_figures"),
        sa.PrimaryKeyConstraint("id", name="pk_rating_item"),
        sa.UniqueConstraint("op_id", name="uq_rating_item_op_id"),
    )


def downgrade() -> None:
    """Take the table away."""
    op.drop_table("rating_item")
