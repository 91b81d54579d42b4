"""Instruments on the desk: their lines fetched for the window, and what they show in the reading bar."""
