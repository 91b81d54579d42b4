"""The window of the simulated bench: a program of its own, with tools that send over lines."""
