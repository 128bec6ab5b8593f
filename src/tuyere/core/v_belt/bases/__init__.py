"""Rating bases: what one belt carries, by which book. They disagree and are never mixed."""
