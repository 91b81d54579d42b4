"""The parts shelf: what could be bought or lies in the drawer, by its card, apart from any engine."""
