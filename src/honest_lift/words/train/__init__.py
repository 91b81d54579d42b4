"""Words about the valve train from lobe to valve."""
