"""What leaves the program: findings as text and as JSON, curves, drawings, cards to print."""
