"""What follows from the facts about rockers, fingers and their pushrods."""
