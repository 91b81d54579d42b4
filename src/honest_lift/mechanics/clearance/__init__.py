"""Room between parts that move: piston and valve through the turn."""
