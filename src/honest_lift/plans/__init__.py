"""Answers to "so what do I do next"."""
