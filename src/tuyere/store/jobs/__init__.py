"""Jobs at the machine: what was opened, what happened, what was read, what is due."""
