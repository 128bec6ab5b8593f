"""Finding by any word of the trade: tasks, fields, tables and formulas."""
