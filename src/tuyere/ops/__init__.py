"""Setting a machine up and running the product on it; the standard library only, until set up."""
