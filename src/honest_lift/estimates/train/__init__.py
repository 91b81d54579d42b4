"""What follows from the facts about the valve train from lobe to valve."""
