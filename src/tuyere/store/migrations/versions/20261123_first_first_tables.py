"""first tables

Revision ID: 20261123_first
Revises: 
Create Date: 2026-11-23 17:08:11.823049
"""

import sqlalchemy as sa
from alembic import op
from sqlalchemy.dialects import postgresql

revision = '20261123_first'
down_revision = None
branch_labels = None
depends_on = None


def upgrade() -> None:

    op.create_table('machine',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('area', sa.String(length=80), nullable=False),
    sa.Column('walk_order', sa.Integer(), nullable=False),
    sa.Column('name', sa.String(length=80), nullable=False),
    sa.Column('tag', sa.String(length=40), nullable=False),
    sa.Column('kind', sa.String(length=20), nullable=False),
    sa.CheckConstraint("kind IN ('industrial','hvac','conveyor','farm','shop')", name=op.f('ck_machine_kind')),
    sa.CheckConstraint('length(name) > 0', name=op.f('ck_machine_name')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_machine')),
    sa.UniqueConstraint('op_id', name=op.f('uq_machine_op_id'))
    )
    op.create_table('drive',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('machine_id', sa.Uuid(), nullable=False),
    sa.Column('name', sa.String(length=80), nullable=False),
    sa.CheckConstraint('length(name) > 0', name=op.f('ck_drive_name')),
    sa.ForeignKeyConstraint(['machine_id'], ['machine.id'], name=op.f('fk_drive_machine_id_machine')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_drive')),
    sa.UniqueConstraint('op_id', name=op.f('uq_drive_op_id'))
    )
    op.create_index(op.f('ix_drive_machine_id'), 'drive', ['machine_id'], unique=False)
    op.create_table('energy_source',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('machine_id', sa.Uuid(), nullable=False),
    sa.Column('type', sa.String(length=20), nullable=False),
    sa.Column('isolation_point', sa.String(length=120), nullable=False),
    sa.Column('steps', sa.String(length=500), nullable=False),
    sa.CheckConstraint("type IN ('electric','engine','pneumatic','hydraulic','spring','gravity','heat','other')", name=op.f('ck_energy_source_type')),
    sa.ForeignKeyConstraint(['machine_id'], ['machine.id'], name=op.f('fk_energy_source_machine_id_machine')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_energy_source')),
    sa.UniqueConstraint('op_id', name=op.f('uq_energy_source_op_id'))
    )
    op.create_index(op.f('ix_energy_source_machine_id'), 'energy_source', ['machine_id'], unique=False)
    op.create_table('duty',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('drive_id', sa.Uuid(), nullable=False),
    sa.Column('valid_from', sa.DateTime(timezone=True), nullable=False),
    sa.Column('power_kw', sa.Float(), nullable=False),
    sa.Column('power_typed', sa.String(length=40), nullable=True),
    sa.Column('power_origin', sa.String(length=20), nullable=False),
    sa.Column('driver_rpm', sa.Float(), nullable=False),
    sa.Column('driver_rpm_typed', sa.String(length=40), nullable=True),
    sa.Column('driver_rpm_origin', sa.String(length=20), nullable=False),
    sa.Column('driven_rpm', sa.Float(), nullable=False),
    sa.Column('driven_rpm_typed', sa.String(length=40), nullable=True),
    sa.Column('driven_rpm_origin', sa.String(length=20), nullable=False),
    sa.Column('tolerance_percent', sa.Float(), nullable=False),
    sa.Column('tolerance_origin', sa.String(length=20), nullable=False),
    sa.Column('centre_mm', sa.Float(), nullable=True),
    sa.Column('centre_typed', sa.String(length=40), nullable=True),
    sa.Column('centre_give_mm', sa.Float(), nullable=True),
    sa.Column('centre_give_typed', sa.String(length=40), nullable=True),
    sa.Column('driver_key', sa.String(length=60), nullable=True),
    sa.Column('machine_key', sa.String(length=60), nullable=True),
    sa.Column('hours_a_day', sa.Float(), nullable=True),
    sa.Column('chokes', sa.Boolean(), nullable=True),
    sa.Column('service_factor', sa.Float(), nullable=True),
    sa.Column('surroundings', sa.String(length=200), nullable=False),
    sa.Column('points', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.CheckConstraint('centre_mm IS NULL OR centre_mm > 0', name=op.f('ck_duty_centre')),
    sa.CheckConstraint('hours_a_day IS NULL OR (hours_a_day > 0 AND hours_a_day <= 24)', name=op.f('ck_duty_hours')),
    sa.CheckConstraint('power_kw > 0 AND driver_rpm > 0 AND driven_rpm > 0', name=op.f('ck_duty_positive')),
    sa.CheckConstraint('tolerance_percent > 0 AND tolerance_percent <= 50', name=op.f('ck_duty_tolerance')),
    sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_duty_drive_id_drive')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_duty')),
    sa.UniqueConstraint('op_id', name=op.f('uq_duty_op_id'))
    )
    op.create_index(op.f('ix_duty_drive_id'), 'duty', ['drive_id'], unique=False)
    op.create_table('shaft',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('drive_id', sa.Uuid(), nullable=False),
    sa.Column('role', sa.String(length=20), nullable=False),
    sa.Column('bore_mm', sa.Float(), nullable=True),
    sa.Column('key', sa.String(length=40), nullable=False),
    sa.Column('frame', sa.String(length=40), nullable=False),
    sa.Column('bearings', sa.String(length=120), nullable=False),
    sa.Column('movable_axis', sa.String(length=40), nullable=False),
    sa.Column('take_up_mm', sa.Float(), nullable=True),
    sa.CheckConstraint("role IN ('driver','driven','idler')", name=op.f('ck_shaft_role')),
    sa.CheckConstraint('bore_mm IS NULL OR bore_mm > 0', name=op.f('ck_shaft_bore')),
    sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_shaft_drive_id_drive')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_shaft')),
    sa.UniqueConstraint('op_id', name=op.f('uq_shaft_op_id'))
    )
    op.create_index(op.f('ix_shaft_drive_id'), 'shaft', ['drive_id'], unique=False)
    op.create_table('build',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('drive_id', sa.Uuid(), nullable=False),
    sa.Column('no', sa.Integer(), nullable=False),
    sa.Column('duty_id', sa.Uuid(), nullable=False),
    sa.Column('purpose', sa.String(length=20), nullable=False),
    sa.Column('state', sa.String(length=10), nullable=False),
    sa.Column('family', sa.String(length=20), nullable=False),
    sa.Column('valid_from', sa.DateTime(timezone=True), nullable=False),
    sa.Column('valid_to', sa.DateTime(timezone=True), nullable=True),
    sa.Column('hours_at_fit', sa.Float(), nullable=True),
    sa.Column('temporary', sa.Boolean(), nullable=False),
    sa.Column('temporary_reason', sa.String(length=200), nullable=False),
    sa.Column('promised_date', sa.Date(), nullable=True),
    sa.Column('supersedes_id', sa.Uuid(), nullable=True),
    sa.CheckConstraint("purpose IN ('found','designed','fitted')", name=op.f('ck_build_purpose')),
    sa.CheckConstraint("state IN ('draft','frozen')", name=op.f('ck_build_state')),
    sa.CheckConstraint('NOT temporary OR (length(temporary_reason) > 0 AND promised_date IS NOT NULL)', name=op.f('ck_build_temporary')),
    sa.ForeignKeyConstraint(['drive_id'], ['drive.id'], name=op.f('fk_build_drive_id_drive')),
    sa.ForeignKeyConstraint(['duty_id'], ['duty.id'], name=op.f('fk_build_duty_id_duty')),
    sa.ForeignKeyConstraint(['supersedes_id'], ['build.id'], name=op.f('fk_build_supersedes_id_build')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_build')),
    sa.UniqueConstraint('drive_id', 'no', name='uq_build_drive_id_no'),
    sa.UniqueConstraint('op_id', name=op.f('uq_build_op_id'))
    )
    op.create_index(op.f('ix_build_drive_id'), 'build', ['drive_id'], unique=False)
    op.create_index(op.f('ix_build_duty_id'), 'build', ['duty_id'], unique=False)
    op.create_index(op.f('ix_build_supersedes_id'), 'build', ['supersedes_id'], unique=False)
    op.create_index('uq_build_one_draft', 'build', ['drive_id'], unique=True, postgresql_where=sa.text("state = 'draft' AND archived_at IS NULL"))
    op.create_table('calc_record',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('build_id', sa.Uuid(), nullable=False),
    sa.Column('calc', sa.String(length=40), nullable=False),
    sa.Column('core_version', sa.String(length=20), nullable=False),
    sa.Column('input', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('result', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('working', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.ForeignKeyConstraint(['build_id'], ['build.id'], name=op.f('fk_calc_record_build_id_build')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_calc_record')),
    sa.UniqueConstraint('op_id', name=op.f('uq_calc_record_op_id'))
    )
    op.create_index(op.f('ix_calc_record_build_id'), 'calc_record', ['build_id'], unique=False)
    op.create_table('element',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('build_id', sa.Uuid(), nullable=False),
    sa.Column('shaft_id', sa.Uuid(), nullable=False),
    sa.Column('kind', sa.String(length=20), nullable=False),
    sa.Column('x', sa.Float(), nullable=False),
    sa.Column('y', sa.Float(), nullable=False),
    sa.Column('diameter_mm', sa.Float(), nullable=False),
    sa.Column('diameter_kind', sa.String(length=20), nullable=False),
    sa.Column('diameter_typed', sa.String(length=40), nullable=True),
    sa.Column('diameter_origin', sa.String(length=20), nullable=False),
    sa.Column('grooves', sa.Integer(), nullable=True),
    sa.Column('teeth', sa.Integer(), nullable=True),
    sa.Column('profile', sa.String(length=20), nullable=False),
    sa.Column('spec', postgresql.JSONB(astext_type=sa.Text()), nullable=False),
    sa.Column('spec_version', sa.Integer(), nullable=False),
    sa.CheckConstraint("diameter_kind IN ('outside','effective','datum','pitch')", name=op.f('ck_element_diameter_kind')),
    sa.CheckConstraint("kind IN ('sheave','sprocket','pulley','idler','guide')", name=op.f('ck_element_kind')),
    sa.CheckConstraint('diameter_mm > 0', name=op.f('ck_element_diameter')),
    sa.ForeignKeyConstraint(['build_id'], ['build.id'], name=op.f('fk_element_build_id_build')),
    sa.ForeignKeyConstraint(['shaft_id'], ['shaft.id'], name=op.f('fk_element_shaft_id_shaft')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_element')),
    sa.UniqueConstraint('op_id', name=op.f('uq_element_op_id'))
    )
    op.create_index(op.f('ix_element_build_id'), 'element', ['build_id'], unique=False)
    op.create_index(op.f('ix_element_shaft_id'), 'element', ['shaft_id'], unique=False)
    op.create_table('loop',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('build_id', sa.Uuid(), nullable=False),
    sa.Column('no', sa.Integer(), nullable=False),
    sa.Column('section', sa.String(length=20), nullable=False),
    sa.Column('designation', sa.String(length=40), nullable=False),
    sa.Column('length_mm', sa.Float(), nullable=False),
    sa.Column('length_kind', sa.String(length=20), nullable=False),
    sa.Column('strands', sa.Integer(), nullable=False),
    sa.Column('joined', sa.Boolean(), nullable=False),
    sa.CheckConstraint('length_mm > 0', name=op.f('ck_loop_length')),
    sa.CheckConstraint('strands >= 1', name=op.f('ck_loop_strands')),
    sa.ForeignKeyConstraint(['build_id'], ['build.id'], name=op.f('fk_loop_build_id_build')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_loop')),
    sa.UniqueConstraint('build_id', 'no', name='uq_loop_build_id_no'),
    sa.UniqueConstraint('op_id', name=op.f('uq_loop_op_id'))
    )
    op.create_index(op.f('ix_loop_build_id'), 'loop', ['build_id'], unique=False)
    op.create_table('member',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('loop_id', sa.Uuid(), nullable=False),
    sa.Column('no', sa.Integer(), nullable=False),
    sa.ForeignKeyConstraint(['loop_id'], ['loop.id'], name=op.f('fk_member_loop_id_loop')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_member')),
    sa.UniqueConstraint('loop_id', 'no', name='uq_member_loop_id_no'),
    sa.UniqueConstraint('op_id', name=op.f('uq_member_op_id'))
    )
    op.create_index(op.f('ix_member_loop_id'), 'member', ['loop_id'], unique=False)
    op.create_table('route_stop',
    sa.Column('id', sa.Uuid(), nullable=False),
    sa.Column('op_id', sa.Uuid(), nullable=False),
    sa.Column('rev', sa.Integer(), nullable=False),
    sa.Column('created_at', sa.DateTime(timezone=True), nullable=False),
    sa.Column('created_by_name', sa.String(length=80), nullable=False),
    sa.Column('observed_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('archived_at', sa.DateTime(timezone=True), nullable=True),
    sa.Column('loop_id', sa.Uuid(), nullable=False),
    sa.Column('position', sa.Integer(), nullable=False),
    sa.Column('element_id', sa.Uuid(), nullable=False),
    sa.Column('side', sa.String(length=10), nullable=False),
    sa.CheckConstraint("side IN ('inside','outside')", name=op.f('ck_route_stop_side')),
    sa.ForeignKeyConstraint(['element_id'], ['element.id'], name=op.f('fk_route_stop_element_id_element')),
    sa.ForeignKeyConstraint(['loop_id'], ['loop.id'], name=op.f('fk_route_stop_loop_id_loop')),
    sa.PrimaryKeyConstraint('id', name=op.f('pk_route_stop')),
    sa.UniqueConstraint('loop_id', 'position', name='uq_route_stop_loop_id_position'),
    sa.UniqueConstraint('op_id', name=op.f('uq_route_stop_op_id'))
    )
    op.create_index(op.f('ix_route_stop_element_id'), 'route_stop', ['element_id'], unique=False)
    op.create_index(op.f('ix_route_stop_loop_id'), 'route_stop', ['loop_id'], unique=False)



def downgrade() -> None:

    op.drop_index(op.f('ix_route_stop_loop_id'), table_name='route_stop')
    op.drop_index(op.f('ix_route_stop_element_id'), table_name='route_stop')
    op.drop_table('route_stop')
    op.drop_index(op.f('ix_member_loop_id'), table_name='member')
    op.drop_table('member')
    op.drop_index(op.f('ix_loop_build_id'), table_name='loop')
    op.drop_table('loop')
    op.drop_index(op.f('ix_element_shaft_id'), table_name='element')
    op.drop_index(op.f('ix_element_build_id'), table_name='element')
    op.drop_table('element')
    op.drop_index(op.f('ix_calc_record_build_id'), table_name='calc_record')
    op.drop_table('calc_record')
    op.drop_index('uq_build_one_draft', table_name='build', postgresql_where=sa.text("state = 'draft' AND archived_at IS NULL"))
    op.drop_index(op.f('ix_build_supersedes_id'), table_name='build')
    op.drop_index(op.f('ix_build_duty_id'), table_name='build')
    op.drop_index(op.f('ix_build_drive_id'), table_name='build')
    op.drop_table('build')
    op.drop_index(op.f('ix_shaft_drive_id'), table_name='shaft')
    op.drop_table('shaft')
    op.drop_index(op.f('ix_duty_drive_id'), table_name='duty')
    op.drop_table('duty')
    op.drop_index(op.f('ix_energy_source_machine_id'), table_name='energy_source')
    op.drop_table('energy_source')
    op.drop_index(op.f('ix_drive_machine_id'), table_name='drive')
    op.drop_table('drive')
    op.drop_table('machine')

