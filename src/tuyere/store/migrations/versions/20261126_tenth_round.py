"""the round: findings, photos, meters; dues that come again

Revision ID: 20261126_tenth
Revises: 20261126_ninth
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261126_tenth'
down_revision = '20261126_ninth'
branch_labels = None
depends_on = None

MADE_BY = "made_by IN ('job','finding','failure','build','round','person','trend')"


def upgrade() -> None:
    """Make the tables, and what a due has besides."""
    op.create_table(
        'meter_reading',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('machine_id', sa.Uuid(), nullable=False),
        sa.Column('at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('hours', sa.Float(), nullable=False),
        sa.Column('reset', sa.Boolean(), nullable=False),
        sa.ForeignKeyConstraint(['machine_id'], ['machine.id'], name=op.f('fk_meter_reading_machine_id_machine')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_meter_reading')),
        sa.UniqueConstraint('op_id', name=op.f('uq_meter_reading_op_id')),
    )
    op.create_index(op.f('ix_meter_reading_machine_id'), 'meter_reading', ['machine_id'])
    op.create_index('ix_meter_reading_machine_at', 'meter_reading', ['machine_id', 'at'])
    op.create_table(
        'finding',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('drive_id', sa.Uuid(), nullable=False),
        sa.Column('job_id', sa.Uuid(), nullable=False),
        sa.Column('step', sa.String(length=120), nullable=False),
        sa.Column('words', sa.String(length=200), nullable=False),
        sa.Column('part', sa.String(length=20), nullable=False),
        sa.Column('grade', sa.String(length=8), nullable=False),
        sa.Column('faults', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
        sa.Column('note', sa.String(length=500), nullable=False),
        sa.Column('at', sa.DateTime(timezone=True), nullable=False),
        sa.CheckConstraint("grade IN ('watch','act')", name=op.f('ck_finding_grade')),
        sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_finding_drive_id_drive')),
        sa.ForeignKeyConstraint(['job_id'], ['job.id'], name=op.f('fk_finding_job_id_job')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_finding')),
        sa.UniqueConstraint('op_id', name=op.f('uq_finding_op_id')),
    )
    op.create_index(op.f('ix_finding_drive_id'), 'finding', ['drive_id'])
    op.create_index(op.f('ix_finding_job_id'), 'finding', ['job_id'])
    op.create_index('ix_finding_drive_at', 'finding', ['drive_id', 'at'])
    op.create_table(
        'photo',
        sa.Column('id', sa.Uuid(), nullable=False),
        sa.Column('op_id', sa.Uuid(), nullable=False),
        sa.Column('rev', sa.Integer(), nullable=False),
        sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('created_by_name', sa.String(length=80), nullable=False),
        sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
        sa.Column('drive_id', sa.Uuid(), nullable=False),
        sa.Column('job_id', sa.Uuid(), nullable=True),
        sa.Column('step', sa.String(length=120), nullable=False),
        sa.Column('sha256', sa.String(length=64), nullable=False),
        sa.Column('type', sa.String(length=20), nullable=False),
        sa.Column('width', sa.Integer(), nullable=False),
        sa.Column('height', sa.Integer(), nullable=False),
        sa.Column('data', sa.LargeBinary(), nullable=False),
        sa.Column('thumbnail', sa.LargeBinary(), nullable=False),
        sa.Column('taken_at', sa.DateTime(timezone=True), nullable=False),
        sa.Column('caption', sa.String(length=200), nullable=False),
        sa.CheckConstraint("type IN ('image/jpeg','image/png')", name=op.f('ck_photo_type')),
        sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_photo_drive_id_drive')),
        sa.ForeignKeyConstraint(['job_id'], ['job.id'], name=op.f('fk_photo_job_id_job')),
        sa.PrimaryKeyConstraint('id', name=op.f('pk_photo')),
        sa.UniqueConstraint('op_id', name=op.f('uq_photo_op_id')),
    )
    op.create_index(op.f('ix_photo_drive_id'), 'photo', ['drive_id'])
    op.create_index(op.f('ix_photo_job_id'), 'photo', ['job_id'])
    op.create_index(op.f('ix_photo_sha256'), 'photo', ['sha256'])
    op.add_column('due', sa.Column('every_days', sa.Integer(), nullable=True))
    op.add_column('due', sa.Column('every_hours', sa.Float(), nullable=True))
    op.add_column('due', sa.Column('made_by_finding_id', sa.Uuid(), nullable=True))
    op.add_column('due', sa.Column('done_by_name', sa.String(length=80), nullable=False, server_default=''))
    op.add_column('due', sa.Column('done_note', sa.String(length=500), nullable=False, server_default=''))
    for name in ('done_by_name', 'done_note'):
        op.alter_column('due', name, server_default=None)
    op.create_foreign_key(
        op.f('fk_due_made_by_finding_id_finding'), 'due', 'finding', ['made_by_finding_id'], ['id']
    )
    op.create_index(op.f('ix_due_made_by_finding_id'), 'due', ['made_by_finding_id'])
    op.create_check_constraint(op.f('ck_due_made_by'), 'due', MADE_BY)
    op.create_index(
        'ix_due_open', 'due', ['by_date'], postgresql_where=sa.text('done_at IS NULL AND archived_at IS NULL')
    )
    op.create_index('ix_job_closed', 'job', ['closed_at'], postgresql_where=sa.text("state = 'closed'"))
    op.create_index('ix_job_open', 'job', ['opened_at'], postgresql_where=sa.text("state = 'open'"))
    op.create_index(
        'ix_job_fitted', 'job', ['closed_at'], postgresql_where=sa.text("state = 'closed' AND kind = 'fit'")
    )


def downgrade() -> None:
    """Take them away; what a finding or a person made due goes with them."""
    for name in ('ix_job_fitted', 'ix_job_open', 'ix_job_closed'):
        op.drop_index(name, 'job')
    op.drop_index('ix_due_open', 'due')
    op.execute("DELETE FROM due WHERE made_by <> 'job'")
    op.drop_constraint(op.f('ck_due_made_by'), 'due')
    op.drop_index(op.f('ix_due_made_by_finding_id'), 'due')
    for column in ('done_note', 'done_by_name', 'made_by_finding_id', 'every_hours', 'every_days'):
        op.drop_column('due', column)
    for table in ('photo', 'finding', 'meter_reading'):
        op.drop_table(table)
