"""The sheet of clearances through the turn."""
