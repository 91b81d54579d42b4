"""Drawings of the bare head."""
