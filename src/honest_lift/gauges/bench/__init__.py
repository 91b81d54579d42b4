"""A simulated bench: stand-ins for gauges over pseudo-terminals, and a hidden true engine behind them."""
