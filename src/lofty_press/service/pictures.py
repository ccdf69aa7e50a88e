"""Pictures of effects, by their key; where they come from is not the service's business."""

from collections.abc import Callable

Pictures = Callable[[str], bytes | None]
"""Finds the WebP picture of an effect; None if there is none."""


def no_pictures(_: str) -> None:
    """Knows none."""
    return None
