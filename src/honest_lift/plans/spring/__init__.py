"""Plans for springs."""
