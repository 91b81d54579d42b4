"""The speed sheet: will this spring follow this cam, and up to where."""
