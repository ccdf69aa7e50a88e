"""Constants of the trade that more than one room needs: each once, with its unit, how well it is known, and where it is from."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Constant:
    """A figure of the trade: its `value` in a `unit`, standard deviation `sd` in the same unit, and its `source`."""

    value: float
    unit: str
    sd: float
    source: str


PRACTICE = "common practice, no published source"
MEMORY = "value from memory"

COPY_PAPER = Constant(0.10, "mm", 0.005, f"copy paper of 80 g/m2; {MEMORY}")
"""Thickness of a sheet of copy paper, the shim that everybody has."""
PAPER_MODULUS = Constant(60.0, "MPa", 15.0, f"paper and card through their thickness; {MEMORY}")
FRESH_MIST = Constant(20.0, "s", 10.0, PRACTICE)
"""From misting a sheet to pressing it, where everything else lies ready."""
SOONEST_MIST = Constant(10.0, "s", 3.0, PRACTICE)
"""The same where somebody hurries."""
RUBBER_POISSON = Constant(0.4997, "1", 0.0002, f"bulk modulus some thousand times the shear modulus; {MEMORY}")
"""Poisson's ratio of rubber and silicone."""
STOCK_SCATTER = Constant(0.15, "1", 0.05, f"order of magnitude; {MEMORY}")
"""Scatter of a stock's strength within a pack, relative: of what presses it and of what tears it."""

CONSTANTS = {name: value for name, value in globals().items() if isinstance(value, Constant)}
