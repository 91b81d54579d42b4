"""Springs: their load curve, nests, heights."""
