"""The match sheet: the search over the shelf, candidates side by side, the other way round, the masses, and the shelf itself."""
