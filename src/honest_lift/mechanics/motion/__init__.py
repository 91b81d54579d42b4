"""The valve in motion: what holds it to its cam."""
