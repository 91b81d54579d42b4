"""Matching springs, retainers, locks and shims to pockets, by their cards: arrays in, arrays out."""
