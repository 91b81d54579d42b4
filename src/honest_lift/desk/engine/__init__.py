"""The engine-and-parts sheet."""
