"""Measurements of speed and size, each a figure with the limit that it is held against."""
