"""The sheet of all readings: any quantity, at every place it is read."""
