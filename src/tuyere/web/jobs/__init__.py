"""Jobs over the web."""
