"""Drawings of the camshaft."""
