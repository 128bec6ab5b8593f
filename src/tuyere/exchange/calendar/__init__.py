"""Dues as a calendar that a phone or a mail program can follow."""
