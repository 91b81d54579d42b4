"""Instruments on a line: how each is set up, what its lines mean, whether it stands still, and what is odd about it."""
