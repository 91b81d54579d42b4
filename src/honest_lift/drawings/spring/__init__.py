"""Drawings of springs."""
