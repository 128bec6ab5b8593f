"""Tables and formulas."""
