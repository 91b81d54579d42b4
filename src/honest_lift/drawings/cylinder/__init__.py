"""Drawings of the cylinder."""
