"""The camshaft sheet."""
