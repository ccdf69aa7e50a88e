"""Wear of a plate's face, and blades' patterns, in few bytes, as they are kept."""

import hashlib
import struct
import zlib

import numpy as np

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.mechanics.plates import MOST_CELLS, Pattern, Wear

STEP = 0.02  # mm to which places are kept
MOST_PLACES = 400_000


def pack_wear(wear: Wear) -> bytes:
    """Both fields of a face, compressed."""
    nx, ny = wear.crossed.shape
    body = np.concatenate([wear.crossed.ravel(), wear.deepest.ravel()]).astype("<f4").tobytes()
    return struct.pack("<III", nx, ny, wear.runs) + zlib.compress(body, 1)


def unpack_wear(data: bytes) -> Wear:
    """Read `pack_wear`'s bytes back, in bounded memory.

    Raises
    ------
    InvalidInput
        If they are cut short or were not made by `pack_wear`.
    """
    try:
        nx, ny, runs = struct.unpack_from("<III", data)
        if not (0 < nx <= MOST_CELLS and 0 < ny <= MOST_CELLS):
            raise ValueError("no such size")
        plain = inflated(data[12:], 8 * nx * ny)
        both = np.frombuffer(plain, dtype="<f4", count=2 * nx * ny).astype(np.float32).reshape(2, nx, ny)
    except (ValueError, struct.error, zlib.error) as error:
        raise InvalidInput("wear", len(data), say("can't be read ({reason})", reason=str(error))) from error
    return Wear(both[0].copy(), both[1].copy(), runs)


def inflated(data: bytes, size: int) -> bytes:
    """What was compressed, if it is whole and of the size that it has to be."""
    machine = zlib.decompressobj()
    plain = machine.decompress(data, size + 1)
    if len(plain) != size or not machine.eof:
        raise ValueError("cut short or of another size")
    return plain


def pack_pattern(pattern: Pattern) -> tuple[str, bytes]:
    """A pattern compressed, and a key under which the same pattern is found again."""
    whole = np.round(pattern.places / STEP).astype("<i4").tobytes()
    body = struct.pack("<Id", len(pattern.places), pattern.weight) + zlib.compress(whole, 6)
    return hashlib.sha256(body).hexdigest()[:32], body


def unpack_pattern(data: bytes) -> Pattern:
    """Read `pack_pattern`'s bytes back, in bounded memory; raises as `unpack_wear` does."""
    try:
        count, weight = struct.unpack_from("<Id", data)
        if not 0 < count <= MOST_PLACES:
            raise ValueError("no such size")
        plain = inflated(data[12:], 8 * count)
        places = np.frombuffer(plain, dtype="<i4", count=2 * count).reshape(count, 2) * STEP
    except (ValueError, struct.error, zlib.error) as error:
        raise InvalidInput("pattern", len(data), say("can't be read ({reason})", reason=str(error))) from error
    return Pattern(places, float(weight))


def pattern_steps(data: bytes) -> tuple[np.ndarray, float]:
    """Places (n, 2) of a packed pattern in whole steps, and the length that each stands for [mm]; raises as `unpack_wear` does."""
    pattern = unpack_pattern(data)
    return np.round(pattern.places / STEP).astype(int), pattern.weight


def packed_pattern(places: list[tuple[int, int]], weight: float) -> bytes:
    """`pattern_steps` undone."""
    return pack_pattern(Pattern(np.asarray(places, dtype=np.float64) * STEP, weight))[1]
