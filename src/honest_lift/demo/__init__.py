"""The demonstration engine, invented from scratch: no engine, part or person in it exists."""
