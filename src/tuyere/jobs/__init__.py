"""Guided work, pure: templates of steps, what happened as events, and where a job stands after them."""
