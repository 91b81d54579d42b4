"""The cam and what it does at the valve."""
