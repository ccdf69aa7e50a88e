"""Drawn reliefs on disk, for the next process: under a fingerprint of the code that draws them, never believed blindly."""

import os
from collections.abc import Callable
from io import BytesIO
from pathlib import Path
from tempfile import NamedTemporaryFile
from typing import Any
from zipfile import BadZipFile

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.sandwich.relief import HeightMap
from lofty_press.documents.kept.fingerprint import fingerprint_of
from lofty_press.setup.paths import STATE

MOST_BYTES = 20_000_000
FOLDER = STATE / "reliefs"


def drawn(key: str, draw: Callable[[], HeightMap], folder: Path = FOLDER) -> HeightMap:
    """The relief of a key from the folder, or drawn and laid there; what cannot be read is drawn, what cannot be written is not kept."""
    file = folder / fingerprint_of("sandwich/relief", "../demo/reliefs") / f"{key}.npz"
    found = read(file)
    if found is None:
        found = draw()
        write(file, found)
    return found


def read(file: Path) -> HeightMap | None:
    """A kept relief; None where there is none or it is none of ours."""
    try:
        if file.stat().st_size > MOST_BYTES:
            return None
        with np.load(BytesIO(file.read_bytes()), allow_pickle=False) as kept:
            lines = tuple(kept[f"line{k}"] for k in range(int(kept["lines"])))
            return HeightMap(kept["heights"], float(kept["spacing"]), lines)
    except (OSError, ValueError, KeyError, EOFError, BadZipFile, InvalidInput):
        return None


def write(file: Path, relief: HeightMap) -> None:
    """Keep a relief whole or not at all."""
    lines: dict[str, Any] = {f"line{k}": line for k, line in enumerate(relief.lines)}
    try:
        file.parent.mkdir(parents=True, exist_ok=True)
        with NamedTemporaryFile(dir=file.parent, delete=False) as handle:
            np.savez(handle, heights=relief.heights, spacing=relief.spacing, lines=len(lines), **lines)
        os.replace(handle.name, file)
    except OSError:
        return
