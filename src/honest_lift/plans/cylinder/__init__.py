"""Plans for the cylinder."""
