"""The tables of this subject, made known once."""

from tuyere.core.tables import declare, table

__all__ = ["table"]

declare("tuyere.core.tension", ("tension_methods", "tension_gauges", "starting_torque"))
