"""What follows from the facts about the camshaft."""
