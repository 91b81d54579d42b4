"""Checks of rockers, fingers and their pushrods."""
