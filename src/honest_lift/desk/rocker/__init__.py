"""The rocker sheet."""
