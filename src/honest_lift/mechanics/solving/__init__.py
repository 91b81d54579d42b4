"""Numerical tools that every topic shares, in NumPy: SciPy takes half a second to import."""
