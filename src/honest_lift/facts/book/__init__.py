"""The book that stays with an engine: every edit as an entry, and a chain over all of them that shows what was altered."""
