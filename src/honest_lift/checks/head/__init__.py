"""Checks of the bare head."""
