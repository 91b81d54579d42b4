"""Words about the camshaft."""
