"""What is in hand at the simulated bench, as an eye meets it: to scale, and nothing told."""
