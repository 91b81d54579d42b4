"""The valve train in motion: what bends, surges and bounces."""
