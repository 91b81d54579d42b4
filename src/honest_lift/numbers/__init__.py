"""What a number is: units, typed entry, doubt, the decision rule."""
