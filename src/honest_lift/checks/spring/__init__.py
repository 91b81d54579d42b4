"""Checks of springs."""
