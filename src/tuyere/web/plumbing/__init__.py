"""What every subject of the web shares: guard, problems, sessions, the worker."""
