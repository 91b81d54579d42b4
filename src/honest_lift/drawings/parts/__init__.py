"""The parts of a valve train as they look, to scale: one library that every drawing is put together from."""
