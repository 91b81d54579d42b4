"""Trials: change one thing, see what moves."""
