"""Plans for the valve train from lobe to valve."""
