"""What every subject of the store shares: rows, engine, migrations, operations, trouble."""
