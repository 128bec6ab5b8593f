"""operations known by id and content; why a temporary mark ended

Revision ID: 20261125_fifth
Revises: 20261124_fourth
"""

import sqlalchemy as sa
from alembic import op

revision = '20261125_fifth'
down_revision = '20261124_fourth'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table and the column; a wanted speed that a build once filled in is marked as such already."""
    op.create_table(
        "operation",
        sa.Column("op_id", sa.Uuid(), nullable=False),
        sa.Column("fingerprint", sa.String(length=64), nullable=False),
        sa.Column("at", sa.DateTime(timezone=True), nullable=False),
        sa.Column("answer", sa.Text(), nullable=False),
        sa.PrimaryKeyConstraint("op_id", name="pk_operation"),
    )
    op.add_column("build", sa.Column("temporary_ended", sa.String(length=200), nullable=False, server_default=""))
    op.alter_column("build", "temporary_ended", server_default=None)


def downgrade() -> None:
    """Take both away."""
    op.drop_column("build", "temporary_ended")
    op.drop_table("operation")
