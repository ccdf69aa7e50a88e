"""A press by its size and drive, as such presses commonly are."""

from dataclasses import dataclass, replace
from typing import Literal

from lofty_press.core.sandwich.stack import Drive, Press, Thickness, typical_press

Size = Literal["pocket", "standard", "wide"]

OPENING, UNSURE = 17.7, 0.25  # mm; copies of one press differ by a few tenths: some run tight, some loose
HAND = Drive(kind="hand")
MOTOR = Drive(kind="motor", gear_ratio=30, handle_radius_mm=20, comfort_n=22, limit_n=40)


@dataclass(frozen=True)
class Build:
    """Radius of the rollers, width that passes, distance between the bearings [mm] and stiffness of the frame [N/mm]; common practice, no published
    source."""

    radius: float
    width: float
    span: float
    stiffness: float


BUILDS: dict[Size, Build] = {
    "pocket": Build(13.0, 78.0, 104.0, 4200.0),
    "standard": Build(16.0, 155.0, 190.0, 6000.0),
    "wide": Build(19.0, 218.0, 262.0, 8500.0),
}


def press_of(size: Size, drive: Literal["hand", "motor"], name: str) -> Press:
    """A press nobody has measured anything of."""
    build = BUILDS[size]
    return replace(
        typical_press(),
        name=name,
        size=size,
        opening=Thickness(mm=OPENING, sd_mm=UNSURE),
        roller_radius_mm=build.radius,
        feed_width_mm=build.width,
        bearing_span_mm=build.span,
        frame_stiffness_n_per_mm=build.stiffness,
        drive=HAND if drive == "hand" else MOTOR,
    )
