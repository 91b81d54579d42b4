"""Bench arithmetic over sets of parts."""
