"""The springs-and-heights sheet."""
