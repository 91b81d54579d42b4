"""Scenes to scale in millimetres, without Qt."""
