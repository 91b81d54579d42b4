"""The bare-head sheet: guides, valves and seats, spring seats, locks."""
