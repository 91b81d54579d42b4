"""The cylinder: piston against crank angle."""
