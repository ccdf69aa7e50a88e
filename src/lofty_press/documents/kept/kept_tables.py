"""Tables of forming on disk: those that ship with the demo world, and those made since, each under a fingerprint of the code that makes them."""

import os
from functools import cache
from io import BytesIO
from pathlib import Path
from tempfile import NamedTemporaryFile

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.mechanics.forming import keep_in
from lofty_press.documents.kept.fingerprint import fingerprint_of

MAKERS = (
    "mechanics/forming",
    "sandwich/relief",
    "sandwich/stock",
    "mechanics/effects/relief_of.py",
)  # what of the core decides what a table holds
SHIPPED = Path(__file__).parents[2] / "demo" / "tables.npz"
SHAPE = (14, 11)  # of a table of forming
MOST_BYTES = 100_000  # of one table's file; a larger one is none of ours
FloatArray = NDArray[np.float64]


class KeptTables:
    """A folder with one small file a table; what cannot be read is made again, what cannot be written is not kept."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder / fingerprint_of(*MAKERS)
        self.shipped = shipped_tables(SHIPPED)

    def read(self, name: str) -> FloatArray | None:
        """A table by its name."""
        if name in self.shipped:
            return self.shipped[name]
        file = self.folder / f"{name}.npy"
        try:
            if file.stat().st_size > MOST_BYTES:
                return None
            found: FloatArray = np.load(BytesIO(file.read_bytes()), allow_pickle=False)
        except (OSError, ValueError, EOFError):
            return None
        return found if found.dtype == np.float64 and np.isfinite(found).all() else None

    def everything(self) -> dict[str, FloatArray]:
        """All that lie in the folder."""
        found = {file.stem: self.read(file.stem) for file in sorted(self.folder.glob("*.npy"))}
        return {name: table for name, table in found.items() if table is not None and table.shape == SHAPE}

    def write(self, name: str, table: FloatArray) -> None:
        """Keep a table whole or not at all."""
        try:
            self.folder.mkdir(parents=True, exist_ok=True)
            with NamedTemporaryFile(dir=self.folder, delete=False) as handle:
                np.save(handle, table, allow_pickle=False)
            os.replace(handle.name, self.folder / f"{name}.npy")
        except OSError:
            return


@cache
def shipped_tables(file: Path) -> dict[str, FloatArray]:
    """The tables that ship, if this code made them."""
    try:
        with np.load(file, allow_pickle=False) as found:
            if str(found["fingerprint"]) != fingerprint_of(*MAKERS):
                return {}
            return dict(zip(found["names"].tolist(), found["tables"], strict=True))
    except (OSError, ValueError, KeyError):
        return {}


def keep_tables(folder: Path) -> None:
    """From now on this process keeps its tables in a folder, and looks there first."""
    keep_in(KeptTables(folder))


def last_made(folder: Path) -> int:
    """A number that changes whenever a table is added to a folder."""
    try:
        return (folder / fingerprint_of(*MAKERS)).stat().st_mtime_ns
    except OSError:
        return 0
