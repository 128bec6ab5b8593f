"""Synchronous belts: profiles, exact centres, teeth in mesh, and a rating where a public one exists."""
