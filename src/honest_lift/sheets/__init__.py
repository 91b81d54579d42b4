"""What leaves the program: findings as text and as JSON."""
