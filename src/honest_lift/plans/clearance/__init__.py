"""Plans for clearances through the turn."""
