"""What follows from the facts: a quantity at a place as it now stands, with its kind and its doubt."""
