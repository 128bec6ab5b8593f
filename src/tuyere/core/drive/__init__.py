"""One drive: wheels, the loop that runs round them, what it carries and what it does to the shafts, for every family."""
