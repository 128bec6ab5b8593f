"""A drive with more on its loop than two wheels: idlers, guides, further shafts, what takes it up."""
