"""The build sheet: what was measured and found of an engine, for whoever it goes to; written by templates."""
