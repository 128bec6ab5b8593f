"""Finding anything that is written down, typing errors and all."""
