"""Drawings of clearances through the turn."""
