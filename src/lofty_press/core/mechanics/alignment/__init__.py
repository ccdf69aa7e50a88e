"""Registers that layers are laid against, and where a motif sits in a flap."""

from lofty_press.core.mechanics.alignment.flap import FlapPlace, Shape, flap_outline, place_in_flap, room_around, upright
from lofty_press.core.mechanics.alignment.register import Register, register_of

__all__ = [
    "FlapPlace",
    "Register",
    "Shape",
    "flap_outline",
    "place_in_flap",
    "register_of",
    "room_around",
    "upright",
]
