"""The arithmetic of the trade: pure functions, no web, no database, no clock."""
