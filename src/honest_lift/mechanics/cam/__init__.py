"""The camshaft: lobes by their card or measured, the degree-wheel table, and the valves around the turn."""
