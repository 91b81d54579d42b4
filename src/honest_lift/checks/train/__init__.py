"""Checks of the valve train from lobe to valve."""
