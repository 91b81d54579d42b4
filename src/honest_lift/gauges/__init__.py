"""Measuring instruments on a line, and their simulated stand-ins."""
