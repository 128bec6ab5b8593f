"""Writers of scenes."""
