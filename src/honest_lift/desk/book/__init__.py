"""The sheet of the book: the route with its hold points, the log, the seat load on the engine, and the book itself."""
