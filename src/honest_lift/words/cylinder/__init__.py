"""Words about the cylinder."""
