"""The roller press."""

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Gt, Le

from lofty_press.core.quantities import STRICT, Force, Key, Length, Name, Note, Number
from lofty_press.core.stack.item import Thickness


@dataclass(frozen=True, slots=True, kw_only=True)
class Drive:
    """How the rollers are turned.

    Parameters
    ----------
    kind : {"hand", "motor"}
    gear_ratio : float
        Turns of the handle (or motor) for one turn of the rollers. [1]
    handle_radius_mm : float
        Reach of the handle; without meaning for a motor. [mm]
    comfort_n, limit_n : float
        Force at the handle that is easy, and that must not be passed. For a motor both are taken at `handle_radius_mm`. [N]
    """

    __pydantic_config__ = STRICT

    kind: Literal["hand", "motor"] = "hand"
    gear_ratio: Annotated[Number, Gt(0), Le(1000)] = 1.5
    handle_radius_mm: Length = 110.0
    comfort_n: Force = 70.0
    limit_n: Force = 150.0


@dataclass(frozen=True, slots=True, kw_only=True)
class Press:
    """A press with two equal rollers at a fixed opening.

    Parameters
    ----------
    opening : Thickness
        Gap between the unloaded rollers, with its uncertainty. [mm]
    roller_radius_mm, feed_width_mm, bearing_span_mm : float
        Radius of each roller, usable width, distance between the two bearings. [mm]
    frame_stiffness_n_per_mm : float
        Force that opens the rollers by 1 mm when it acts in the middle. [N/mm]
    friction : float
        Coefficient of friction between roller and layer. [1]
    rolling_loss : float
        Counts no more: what a pile loses comes from its layers. Kept so that presses described before can be read. [1]
    bearing_drag_mm : float
        Torque over force that the bearings of both rollers take: friction coefficient times journal diameter. [mm]
    lowered_by_mm : float
        How much the opening grows when the bed is folded back or lowered, for tall dies; 0 if it cannot be. [mm]
    """

    __pydantic_config__ = STRICT

    name: Name
    size: Literal["pocket", "standard", "wide"] = "standard"
    opening: Thickness
    roller_radius_mm: Length = 16.0
    feed_width_mm: Length = 155.0
    bearing_span_mm: Length = 190.0
    frame_stiffness_n_per_mm: Force = 6000.0
    friction: Annotated[Number, Gt(0), Le(2)] = 0.3
    rolling_loss: Annotated[Number, Gt(0), Le(2)] = 0.5
    bearing_drag_mm: Annotated[Number, Ge(0), Le(50)] = 1.5
    lowered_by_mm: Annotated[Number, Ge(0), Le(30)] = 0.0
    drive: Drive = Drive()
    shelf_id: Key | None = None
    note: Note = ""
