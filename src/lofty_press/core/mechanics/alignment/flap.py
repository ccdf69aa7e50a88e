"""A motif in the flap of an envelope: where it sits with the same room all round, and which way round it is laid."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
import shapely
from shapely import affinity

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say, size
from lofty_press.core.sandwich.stack import FloatArray, Polygon

PLACES = 200
FINE = 0.1  # mm
LARGEST = 1000.0  # mm
SMALLEST = 1.0  # mm; less is no flap
Shape = Literal["pointed", "squared"]


@dataclass(frozen=True)
class FlapPlace:
    """Where a motif's middle sits: `from_fold` along the flap's own axis, `room` to the nearest edge or fold, negative if it does not fit
    [mm]; outlines of flap and motif as seen from inside the flap, its fold on top: to the right, and down from the fold; the motif as it is laid. [mm]"""

    from_fold: float
    room: float
    flap: FloatArray
    motif: FloatArray


def flap_outline(shape: Shape, width: float, depth: float, tip_width: float = 0.0) -> Polygon:
    """Outline of a flap as seen from inside, its fold on top: the fold lies on y = 0, the tip at y = depth, y down. [mm]

    Raises
    ------
    InvalidInput
        If a size is too small or too large, or the tip is wider than the fold.
    """
    for name, length in (("width", width), ("depth", depth)):
        if not SMALLEST <= length <= LARGEST:
            raise InvalidInput(name, length, say("must be {smallest} to {largest}", smallest=size(SMALLEST), largest=size(LARGEST)))
    if shape == "squared" and not 0 < tip_width <= width:
        raise InvalidInput("tip_width", tip_width, say("must be over 0 and at most the flap's width, {width}", width=size(width)))
    if shape == "pointed":
        return shapely.Polygon([(-width / 2, 0), (width / 2, 0), (0, depth)])
    return shapely.Polygon([(-width / 2, 0), (width / 2, 0), (tip_width / 2, depth), (-tip_width / 2, depth)])


def place_in_flap(flap: Polygon, motif: Polygon) -> FlapPlace:
    """Find the place on the flap's axis where the motif has most room all round.

    Parameters
    ----------
    flap : shapely polygon
        From `flap_outline`. [mm]
    motif : shapely polygon
        Around its own middle as it is to be read on the closed envelope, y up: its top towards the fold. [mm]

    Returns
    -------
    FlapPlace

    Notes
    -----
    The closed envelope is read from the other side of the flap: what is on the right inside is read on the left. So the motif as it is laid is its
    own mirror image, face down with its top towards the fold.
    """
    laid = affinity.scale(motif, -1.0, -1.0, origin=(0, 0))
    depth = float(flap.bounds[3])

    def room(at: float) -> float:
        return room_around(affinity.translate(laid, 0.0, at), flap)

    places = np.linspace(0.0, depth, PLACES)
    coarse = places[int(np.argmax([room(p) for p in places]))]
    fine = np.arange(coarse - places[1], coarse + places[1], FINE)
    best = float(fine[int(np.argmax([room(p) for p in fine]))])
    there = affinity.translate(laid, 0.0, best)
    return FlapPlace(round(best, 2), round(room(best), 2), shapely.get_coordinates(flap), shapely.get_coordinates(there))


def upright(shape: Polygon) -> Polygon:
    """A thing on the bed as it is read, to the right and up: the end that goes in first on top."""
    return affinity.affine_transform(shape, [0, 1, -1, 0, 0, 0])


def room_around(motif: Polygon, flap: Polygon) -> float:
    """Room from a motif to the nearest edge or fold of its flap; how far it reaches over, negative, where it does. [mm]"""
    if flap.covers(motif):
        return float(flap.exterior.distance(motif))
    # how far away a convex flap is grows towards the corners of what lies outside
    return -float(shapely.distance(shapely.points(shapely.get_coordinates(motif)), flap).max())
