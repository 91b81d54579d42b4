"""The finding page: everything behind one verdict."""
