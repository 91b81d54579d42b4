"""Words about springs."""
