"""Drawings of rockers, fingers and their pushrods."""
