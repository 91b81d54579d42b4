"""What follows from the facts about springs."""
