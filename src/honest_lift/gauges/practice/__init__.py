"""Practice: cases with hidden faults, the truth opened afterwards, and how one gets on."""
