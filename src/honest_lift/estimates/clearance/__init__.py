"""What follows from the facts about clearances through the turn."""
