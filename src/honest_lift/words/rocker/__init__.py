"""Words about rockers, fingers and their pushrods."""
