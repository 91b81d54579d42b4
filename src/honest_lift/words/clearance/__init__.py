"""Words about clearances through the turn."""
