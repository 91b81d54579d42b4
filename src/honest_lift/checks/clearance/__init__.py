"""Checks of clearances through the turn."""
