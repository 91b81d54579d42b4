"""Valve trains in motion: figures for the simulation, and what it finds with its doubt."""
