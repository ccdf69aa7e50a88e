"""A relief in an archive: heights that any picture program opens, and back to exactly the bytes that were kept."""

import io
import json
import struct
import zlib
from html import escape
from typing import Any

import numpy as np
import tifffile

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.sandwich.relief import LARGEST
from lofty_press.documents.files.foreign_json import read_json
from lofty_press.documents.kept.packed import LONGEST_HEADER, MOST_POINTS, plain_relief, unpack_relief


def relief_parts(name: str, packed: bytes) -> dict[str, bytes]:
    """A packed relief as files, by their endings."""
    plain = plain_relief(packed)
    (size,) = struct.unpack_from("<I", plain)
    runs, field = plain[4 : 4 + size].decode(), plain[4 + size :]
    (header_size,) = struct.unpack_from("<I", field)
    header = field[4 : 4 + header_size].decode()
    nx, ny = json.loads(header)["shape"]
    steps = np.frombuffer(field, dtype="<u2", count=nx * ny, offset=4 + header_size).reshape(nx, ny)
    words = "Heights along the feed (rows) and across it: low + step * value, in mm; cells of the spacing, in mm. " + header
    picture = io.BytesIO()
    tifffile.imwrite(picture, steps, photometric="minisblack", description=words.encode("ascii", "replace").decode(), metadata=None)
    files = {
        "json": json.dumps({"name": name, "header": header, "runs": runs}, ensure_ascii=False, indent=1).encode(),
        "tif": picture.getvalue(),
    }
    lines = json.loads(runs)
    if lines:
        files["svg"] = drawing(name, lines, nx, ny, float(json.loads(header).get("spacing", 1.0)))
    return files


def drawing(name: str, lines: list[Any], nx: int, ny: int, spacing: float) -> bytes:
    """The blade's runs in millimetres, as seen from its face with the feed running down."""
    length, width = nx * spacing, ny * spacing
    paths = "\n".join(f'<path d="M{"L".join(f"{y + width / 2:.3f} {x + length / 2:.3f}" for x, y in line)}"/>' for line in lines)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{width:.3f}mm" height="{length:.3f}mm" viewBox="0 0 {width:.3f} {length:.3f}">'
        f'<title>{escape(name)}</title><g fill="none" stroke="#000" stroke-width="0.2">\n{paths}\n</g></svg>\n'
    ).encode()


def packed_of(about: bytes, picture: bytes) -> tuple[str, bytes]:
    """Name and packed relief from its JSON and TIFF.

    Raises
    ------
    InvalidInput
        If they do not belong together or hold no relief.
    """
    try:
        content = read_json(about)
        name, header, runs = content["name"], content["header"], content["runs"]
        if not all(isinstance(text, str) for text in (name, header, runs)):
            raise ValueError("its name, header and runs must be texts")
        if len(header) > LONGEST_HEADER or len(runs) > 40 * MOST_POINTS:
            raise ValueError("too long")
        with tifffile.TiffFile(io.BytesIO(picture)) as file:
            page: Any = file.pages[0]
            if int(page.imagewidth) * int(page.imagelength) > LARGEST or page.dtype != np.uint16 or page.ndim != 2:
                raise ValueError("its picture is not the one that belongs to it")
            steps = page.asarray()
        if list(steps.shape) != json.loads(header)["shape"]:
            raise ValueError("its picture has another size")
    except InvalidInput:
        raise
    except Exception as error:  # tifffile raises many kinds for damaged files
        raise InvalidInput("relief", len(picture), say("can't be read ({reason})", reason=str(error)[:80])) from error
    head, lines = header.encode(), runs.encode()
    field = struct.pack("<I", len(head)) + head + steps.astype("<u2").tobytes()
    packed = zlib.compress(struct.pack("<I", len(lines)) + lines + field, 6)
    unpack_relief(packed)
    return name, packed
