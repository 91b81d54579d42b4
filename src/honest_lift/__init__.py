"""Honest Lift: valve springs, heights and clearances proven from real measurements with their doubt."""

__version__ = "0.1.0"
