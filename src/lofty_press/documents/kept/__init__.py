"""Computed results packed to be kept, and the keys that they are kept under."""
