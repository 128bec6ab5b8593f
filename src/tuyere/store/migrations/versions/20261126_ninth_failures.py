"""failures and their causes

Revision ID: 20261126_ninth
Revises: 20261126_eighth
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261126_ninth'
down_revision = '20261126_eighth'
branch_labels = None
depends_on = None


def upgrade() -> None:
    """Make the table."""
    op.create_table(
        'failure',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('drive_id', sa.Uuid(), nullable=False),
        sa.Column('build_id', sa.Uuid(), nullable=False),
        sa.Column('at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('hours', sa.Float(), nullable=True),
        sa.Column('answers', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column('told', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column('confirmed', sa.String(length=40), nullable=False),
        sa.Column('confirmed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('confirmed_by_name', sa.String(length=80), nullable=False),
        sa.Column('note', sa.String(length=500), nullable=False),
        sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_failure_drive_id_drive')),
        sa.ForeignKeyConstraint(['build_id'], ['build.id'], name=op.f('fk_failure_build_id_build')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_failure')),
        sa.UniqueConstraint('op_id', name=op.f('uq_failure_op_id')),
    )
    op.create_index(op.f('ix_failure_drive_id'), 'failure', ['drive_id'])
    op.create_index(op.f('ix_failure_build_id'), 'failure', ['build_id'])
    op.create_index('ix_failure_drive_at', 'failure', ['drive_id', 'at'])


def downgrade() -> None:
    """Take the table away."""
    op.drop_table('failure')
