"""What follows from the facts about the cylinder."""
