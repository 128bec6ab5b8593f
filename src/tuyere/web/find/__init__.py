"""Where a typed line leads."""
