"""Computation of rockers, fingers and their pushrods."""
