"""Pictures of the effects, as they ship with the program."""

from pathlib import Path

from lofty_press.core.working.recipes import EFFECTS

PICTURES = Path(__file__).parent / "effects"


def picture_of(key: str) -> bytes | None:
    """The WebP picture of an effect; None for what is no effect, or has none."""
    file = PICTURES / f"{key}.webp"
    return file.read_bytes() if key in EFFECTS and file.is_file() else None
