"""Checks of the cylinder."""
