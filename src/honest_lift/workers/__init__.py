"""Work of seconds in a process of its own: what can be asked of it, the wire to it, and the process itself. No Qt."""
