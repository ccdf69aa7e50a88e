"""Fields in few bytes: a JSON header, then heights as 16-bit steps of their range. Used for storage, for the page and inside files."""

import json
import struct
import zlib
from dataclasses import dataclass
from typing import Any

import numpy as np
from numpy.typing import NDArray

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import LARGEST, HeightMap

LONGEST_HEADER = 65_536  # bytes
STEPS = 65_535
MOST_POINTS = 200_000  # along all runs of a blade


@dataclass(frozen=True)
class PackedField:
    """A field with what its header says of it besides shape and scale."""

    values: NDArray[np.float32]
    about: dict[str, Any]


def pack(values: NDArray[Any], **about: Any) -> bytes:
    """A two-dimensional field as bytes; precise to 1/65535 of its range."""
    low, high = float(values.min()), float(values.max())
    step = (high - low) / STEPS or 1.0
    whole = np.round((values - low) / step).astype("<u2")
    header = json.dumps({"shape": list(values.shape), "low": low, "step": step, **about}).encode()
    return struct.pack("<I", len(header)) + header + whole.tobytes()


def unpack(data: bytes) -> PackedField:
    """Read `pack`'s bytes back.

    Raises
    ------
    InvalidInput
        If they are cut short or were not made by `pack`.
    """
    try:
        (size,) = struct.unpack_from("<I", data)
        if size > LONGEST_HEADER:
            raise ValueError("header too long")
        header = json.loads(data[4 : 4 + size])
        nx, ny = (int(n) for n in header.pop("shape"))
        if not 0 < nx * ny <= LARGEST:
            raise ValueError("too many cells")
        whole = np.frombuffer(data, dtype="<u2", count=nx * ny, offset=4 + size).reshape(nx, ny)
        values = (header.pop("low") + header.pop("step") * whole).astype(np.float32)
    except (ValueError, KeyError, TypeError, AttributeError, OverflowError, RecursionError, struct.error) as error:
        raise InvalidInput("field", len(data), say("can't be read ({reason})", reason=str(error))) from error
    return PackedField(values, header)


def pack_relief(relief: HeightMap) -> bytes:
    """A height map with its blade, compressed."""
    runs = [np.round(line, 3).tolist() for line in relief.lines]
    body = json.dumps(runs).encode()
    return zlib.compress(struct.pack("<I", len(body)) + body + pack(relief.heights, spacing=relief.spacing), 6)


def plain_relief(data: bytes) -> bytes:
    """What `pack_relief` compressed, in bounded memory.

    Raises
    ------
    InvalidInput
        If it is damaged, or unpacks to more than a relief can be.
    """
    most = 4 + 40 * MOST_POINTS + LONGEST_HEADER + 2 * LARGEST
    machine = zlib.decompressobj()
    try:
        plain = machine.decompress(data, most)
    except zlib.error as error:
        raise InvalidInput("relief", len(data), say("can't be read ({reason})", reason=str(error))) from error
    if machine.unconsumed_tail or not machine.eof:
        raise InvalidInput("relief", len(data), say("can't be read: it's cut short, or unpacks to more than a relief can be"))
    return plain


def unpack_relief(data: bytes) -> HeightMap:
    """Read `pack_relief`'s bytes back, in bounded memory."""
    plain = plain_relief(data)
    try:
        (size,) = struct.unpack_from("<I", plain)
        runs = json.loads(plain[4 : 4 + size])
        lines = tuple(np.asarray(run, dtype=np.float64).reshape(-1, 2) for run in runs)
        if sum(len(line) for line in lines) > MOST_POINTS or not all(np.isfinite(line).all() for line in lines):
            raise ValueError("a blade with too many points, or with points that are no numbers")
    except (ValueError, TypeError, RecursionError, struct.error) as error:
        raise InvalidInput("relief", len(data), say("can't be read ({reason})", reason=str(error))) from error
    field = unpack(plain[4 + size :])
    return HeightMap(np.maximum(field.values, 0.0), float(field.about.get("spacing", 0.0)), lines)
