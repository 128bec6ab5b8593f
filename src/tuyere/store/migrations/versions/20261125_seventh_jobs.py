"""jobs at the machine: templates, jobs, events, isolations, readings, dues; more kinds of energy a machine can have

Revision ID: 20261125_seventh
Revises: 20261125_sixth
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261125_seventh'
down_revision = '20261125_sixth'
branch_labels = None
depends_on = None

OLD = "type IN ('electric','engine','pneumatic','hydraulic','spring','gravity','heat','other')"
NEW = (
    "type IN ('electric','engine','battery','pto','fuel','hydraulic','pneumatic','spring','gravity','heat',"
    "'backdrive','edges','other')"
)
# What the old list had no word for.
BACK = """
UPDATE energy_source SET type = CASE WHEN type IN ('battery','pto','fuel') THEN 'engine' ELSE 'other' END
WHERE type IN ('battery','pto','fuel','backdrive','edges')
"""


def upgrade() -> None:
    """Make the tables, and let a machine have the new kinds of energy."""
    op.drop_constraint(op.f("ck_energy_source_type"), "energy_source", type_="check")
    op.create_check_constraint(op.f("ck_energy_source_type"), "energy_source", NEW)
    op.create_table('job_template',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('key', sa.String(length=60), nullable=False),
    sa.Column('text', sa.Text(), nullable=False),
    sa.CheckConstraint('length(text) > 0', name=op.f('ck_job_template_text')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_job_template')),
    sa.UniqueConstraint('op_id', name=op.f('uq_job_template_op_id'))
    )
    op.create_index('uq_job_template_key', 'job_template', ['key'], unique=True, postgresql_where=sa.text('archived_at IS NULL'))
    op.create_table('due',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('machine_id', sa.Uuid(), nullable=False),
    sa.Column('drive_id', sa.Uuid(), nullable=True),
    sa.Column('title', sa.String(length=120), nullable=False),
    sa.Column('reason_key', sa.String(length=40), nullable=False),
    sa.Column('template_key', sa.String(length=60), nullable=False),
    sa.Column('by_date', sa.DateTime(timezone=True), nullable=True),
    sa.Column('by_hours', sa.Float(), nullable=True),
    sa.Column('by_event', sa.String(length=80), nullable=False),
    sa.Column('made_by', sa.String(length=12), nullable=False),
    sa.Column('made_by_job_id', sa.Uuid(), nullable=True),
    sa.Column('done_by_job_id', sa.Uuid(), nullable=True),
    sa.Column('done_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('snoozed_until', sa.Date(), nullable=True),
    sa.Column('snooze_reason', sa.String(length=200), nullable=False),
    sa.CheckConstraint('by_date IS NOT NULL OR by_hours IS NOT NULL OR length(by_event) > 0', name=op.f('ck_due_by')),
    sa.CheckConstraint('length(title) > 0', name=op.f('ck_due_title')),
    sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_due_drive_id_drive')),
    sa.ForeignKeyConstraint(['machine_id'], ['machine.id'], name=op.f('fk_due_machine_id_machine')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_due')),
    sa.UniqueConstraint('op_id', name=op.f('uq_due_op_id'))
    )
    op.create_index(op.f('ix_due_done_by_job_id'), 'due', ['done_by_job_id'], unique=False)
    op.create_index(op.f('ix_due_drive_id'), 'due', ['drive_id'], unique=False)
    op.create_index(op.f('ix_due_machine_id'), 'due', ['machine_id'], unique=False)
    op.create_index(op.f('ix_due_made_by_job_id'), 'due', ['made_by_job_id'], unique=False)
    op.create_table('job',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('machine_id', sa.Uuid(), nullable=False),
    sa.Column('drive_id', sa.Uuid(), nullable=False),
    sa.Column('build_id', sa.Uuid(), nullable=False),
    sa.Column('due_id', sa.Uuid(), nullable=True),
    sa.Column('kind', sa.String(length=20), nullable=False),
    sa.Column('template_key', sa.String(length=60), nullable=False),
    sa.Column('template_version', sa.Integer(), nullable=False),
    sa.Column('template_text', sa.Text(), nullable=False),
    sa.Column('title', sa.String(length=120), nullable=False),
    sa.Column('belts', sa.String(length=10), nullable=False),
    sa.Column('situation', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('state', sa.String(length=12), nullable=False),
    sa.Column('steps_done', sa.Integer(), nullable=False),
    sa.Column('steps_all', sa.Integer(), nullable=False),
    sa.Column('opened_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('closed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('closed_by_name', sa.String(length=80), nullable=False),
    sa.Column('hours', sa.Float(), nullable=True),
    sa.CheckConstraint("belts IN ('new','run in')", name=op.f('ck_job_belts')),
    sa.CheckConstraint("state IN ('open','closed','abandoned')", name=op.f('ck_job_state')),
    sa.ForeignKeyConstraint(['build_id'], ['build.id'], name=op.f('fk_job_build_id_build')),
    sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_job_drive_id_drive')),
    sa.ForeignKeyConstraint(['due_id'], ['due.id'], name=op.f('fk_job_due_id_due')),
    sa.ForeignKeyConstraint(['machine_id'], ['machine.id'], name=op.f('fk_job_machine_id_machine')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_job')),
    sa.UniqueConstraint('op_id', name=op.f('uq_job_op_id'))
    )
    op.create_index(op.f('ix_job_build_id'), 'job', ['build_id'], unique=False)
    op.create_index(op.f('ix_job_drive_id'), 'job', ['drive_id'], unique=False)
    op.create_index(op.f('ix_job_due_id'), 'job', ['due_id'], unique=False)
    op.create_index(op.f('ix_job_machine_id'), 'job', ['machine_id'], unique=False)
    op.create_table('isolation',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('job_id', sa.Uuid(), nullable=False),
    sa.Column('energy_source_id', sa.Uuid(), nullable=False),
    sa.Column('isolated_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('isolated_by_name', sa.String(length=80), nullable=False),
    sa.Column('proved_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('proved_by_name', sa.String(length=80), nullable=False),
    sa.Column('restored_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('restored_by_name', sa.String(length=80), nullable=False),
    sa.Column('note', sa.String(length=500), nullable=False),
    sa.ForeignKeyConstraint(['energy_source_id'], ['energy_source.id'], name=op.f('fk_isolation_energy_source_id_energy_source')),
    sa.ForeignKeyConstraint(['job_id'], ['job.id'], name=op.f('fk_isolation_job_id_job')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_isolation')),
    sa.UniqueConstraint('job_id', 'energy_source_id', name='uq_isolation_job_id_source'),
    sa.UniqueConstraint('op_id', name=op.f('uq_isolation_op_id'))
    )
    op.create_index(op.f('ix_isolation_energy_source_id'), 'isolation', ['energy_source_id'], unique=False)
    op.create_index(op.f('ix_isolation_job_id'), 'isolation', ['job_id'], unique=False)
    op.create_table('step_event',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('job_id', sa.Uuid(), nullable=False),
    sa.Column('seq', sa.Integer(), nullable=False),
    sa.Column('step', sa.String(length=120), nullable=False),
    sa.Column('kind', sa.String(length=12), nullable=False),
    sa.Column('at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('data', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('corrects_id', sa.Uuid(), nullable=True),
    sa.Column('reason', sa.String(length=500), nullable=False),
    sa.ForeignKeyConstraint(['corrects_id'], ['step_event.id'], name=op.f('fk_step_event_corrects_id_step_event')),
    sa.ForeignKeyConstraint(['job_id'], ['job.id'], name=op.f('fk_step_event_job_id_job')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_step_event')),
    sa.UniqueConstraint('job_id', 'seq', name='uq_step_event_job_id_seq'),
    sa.UniqueConstraint('op_id', name=op.f('uq_step_event_op_id'))
    )
    op.create_index(op.f('ix_step_event_corrects_id'), 'step_event', ['corrects_id'], unique=False)
    op.create_index(op.f('ix_step_event_job_id'), 'step_event', ['job_id'], unique=False)
    op.create_table('reading',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('drive_id', sa.Uuid(), nullable=False),
    sa.Column('job_id', sa.Uuid(), nullable=True),
    sa.Column('event_id', sa.Uuid(), nullable=True),
    sa.Column('step', sa.String(length=120), nullable=False),
    sa.Column('reads', sa.String(length=20), nullable=False),
    sa.Column('target', sa.String(length=60), nullable=False),
    sa.Column('quantity', sa.String(length=20), nullable=False),
    sa.Column('value', sa.Float(), nullable=True),
    sa.Column('words', sa.String(length=200), nullable=False),
    sa.Column('typed', sa.String(length=200), nullable=False),
    sa.Column('origin', sa.String(length=12), nullable=False),
    sa.Column('instrument', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('conditions', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('corrects_id', sa.Uuid(), nullable=True),
    sa.CheckConstraint("origin IN ('hand','instrument','sound','photo','import')", name=op.f('ck_reading_origin')),
    sa.ForeignKeyConstraint(['corrects_id'], ['reading.id'], name=op.f('fk_reading_corrects_id_reading')),
    sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_reading_drive_id_drive')),
    sa.ForeignKeyConstraint(['event_id'], ['step_event.id'], name=op.f('fk_reading_event_id_step_event')),
    sa.ForeignKeyConstraint(['job_id'], ['job.id'], name=op.f('fk_reading_job_id_job')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_reading')),
    sa.UniqueConstraint('op_id', name=op.f('uq_reading_op_id'))
    )
    op.create_index(op.f('ix_reading_corrects_id'), 'reading', ['corrects_id'], unique=False)
    op.create_index(op.f('ix_reading_drive_id'), 'reading', ['drive_id'], unique=False)
    op.create_index('ix_reading_drive_target', 'reading', ['drive_id', 'reads', 'target'], unique=False)
    op.create_index(op.f('ix_reading_event_id'), 'reading', ['event_id'], unique=False)
    op.create_index(op.f('ix_reading_job_id'), 'reading', ['job_id'], unique=False)


def downgrade() -> None:
    """Take the tables away; kinds of energy that the old list has no word for become the nearest."""
    op.drop_index(op.f('ix_reading_job_id'), table_name='reading')
    op.drop_index(op.f('ix_reading_event_id'), table_name='reading')
    op.drop_index('ix_reading_drive_target', table_name='reading')
    op.drop_index(op.f('ix_reading_drive_id'), table_name='reading')
    op.drop_index(op.f('ix_reading_corrects_id'), table_name='reading')
    op.drop_table('reading')
    op.drop_index(op.f('ix_step_event_job_id'), table_name='step_event')
    op.drop_index(op.f('ix_step_event_corrects_id'), table_name='step_event')
    op.drop_table('step_event')
    op.drop_index(op.f('ix_isolation_job_id'), table_name='isolation')
    op.drop_index(op.f('ix_isolation_energy_source_id'), table_name='isolation')
    op.drop_table('isolation')
    op.drop_index(op.f('ix_job_machine_id'), table_name='job')
    op.drop_index(op.f('ix_job_due_id'), table_name='job')
    op.drop_index(op.f('ix_job_drive_id'), table_name='job')
    op.drop_index(op.f('ix_job_build_id'), table_name='job')
    op.drop_table('job')
    op.drop_index(op.f('ix_due_made_by_job_id'), table_name='due')
    op.drop_index(op.f('ix_due_machine_id'), table_name='due')
    op.drop_index(op.f('ix_due_drive_id'), table_name='due')
    op.drop_index(op.f('ix_due_done_by_job_id'), table_name='due')
    op.drop_table('due')
    op.drop_index('uq_job_template_key', table_name='job_template', postgresql_where=sa.text('archived_at IS NULL'))
    op.drop_table('job_template')
    op.execute(BACK)
    op.drop_constraint(op.f("ck_energy_source_type"), "energy_source", type_="check")
    op.create_check_constraint(op.f("ck_energy_source_type"), "energy_source", OLD)
