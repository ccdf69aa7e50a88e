"""The roller press."""

from dataclasses import dataclass
from typing import Annotated, Literal

from annotated_types import Ge, Gt, Le

from lofty_press.core.basics.quantities import STRICT, Force, Key, Length, Name, Note, Number
from lofty_press.core.basics.words import APART, Asked, say
from lofty_press.core.sandwich.stack.item import Thickness


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

    kind: Annotated[Literal["hand", "motor"], Asked(say("turned by"))] = "hand"
    gear_ratio: Annotated[
        Number,
        Gt(0),
        Le(1000),
        Asked(
            say("turns of the handle for one of the rollers"),
            "number",
            help=say("Turn the handle and count while the rollers go round once."),
            rare=True,
        ),
    ] = 1.5
    handle_radius_mm: Annotated[
        Length, Asked(say("reach of the handle"), "size", help=say("From the axle to the middle of the grip."), rare=True)
    ] = 110.0
    comfort_n: Annotated[
        Force,
        Asked(say("easy at the handle"), "force", help=say("What you can turn all afternoon; 10 N is a kilogram on a string."), rare=True),
    ] = 70.0
    limit_n: Annotated[
        Force,
        Asked(say("limit at the handle"), "force", help=say("The most it should ever take, by the maker or by your wrists."), rare=True),
    ] = 150.0


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

    name: Annotated[Name, APART]
    size: Annotated[
        Literal["pocket", "standard", "wide"], Asked(say("size"), help=say("Pocket for tags, standard for cards, wide for pages."))
    ] = "standard"
    opening: Annotated[Thickness, Asked(say("opening"), help=say("The gap between the rollers with nothing in it."))]
    roller_radius_mm: Annotated[
        Length, Asked(say("radius of the rollers"), "size", help=say("Half of what a caliper shows across one."), rare=True)
    ] = 16.0
    feed_width_mm: Annotated[Length, Asked(say("width that passes"), "size", help=say("Between the sides, where the bed goes in."))] = 155.0
    bearing_span_mm: Annotated[
        Length, Asked(say("between the bearings"), "size", help=say("From the middle of one bearing to the other's."), rare=True)
    ] = 190.0
    frame_stiffness_n_per_mm: Annotated[
        Force,
        Asked(
            say("stiffness of the frame"),
            "stiffness",
            help=say("Force that opens the rollers by a millimeter. Piles that work say it better than any gauge."),
            rare=True,
        ),
    ] = 6000.0
    friction: Annotated[
        Number,
        Gt(0),
        Le(2),
        Asked(
            say("friction of the rollers"), "number", help=say("How well they grip. It decides how thick a step they pull in."), rare=True
        ),
    ] = 0.3
    rolling_loss: Annotated[Number, Gt(0), Le(2), APART] = 0.5
    bearing_drag_mm: Annotated[
        Number, Ge(0), Le(50), Asked(say("drag of the bearings"), "size", help=say("Friction times the thickness of the axle."), rare=True)
    ] = 1.5
    lowered_by_mm: Annotated[
        Number,
        Ge(0),
        Le(30),
        Asked(
            say("opens more without its bed"), "size", help=say("When the bed is folded back or lowered for tall dies; 0 if it can't be.")
        ),
    ] = 0.0
    drive: Annotated[Drive, Asked(say("drive"))] = Drive()
    shelf_id: Annotated[Key | None, APART] = None
    note: Annotated[Note, Asked(say("note"))] = ""
