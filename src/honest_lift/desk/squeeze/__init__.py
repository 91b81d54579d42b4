"""Chambers, compression, squish and ports."""
