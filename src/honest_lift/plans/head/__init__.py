"""Plans for the bare head."""
