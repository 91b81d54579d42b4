"""Commands of the command line that write, export or open something besides the window: one a file."""
