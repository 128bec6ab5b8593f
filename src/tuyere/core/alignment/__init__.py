"""How two wheels stand to each other: reading it, what is allowed, what to move and what that does."""
