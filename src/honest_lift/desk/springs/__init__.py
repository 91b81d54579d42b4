"""The spring bench sheet."""
