"""What is known about one engine: layout, parts, fitments, readings, limits; the edits; the engine file."""
