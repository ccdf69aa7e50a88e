"""One door for all files that hold a relief."""

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say, size
from lofty_press.core.sandwich.relief import DEEPEST
from lofty_press.documents.files.reliefs.outlines import read_outlines
from lofty_press.documents.files.reliefs.pictures import read_picture
from lofty_press.documents.files.reliefs.solids import read_solid
from lofty_press.documents.files.reliefs.wish import ReadRelief, Wish

LARGEST_FILE = 24_000_000  # bytes
OUTLINED = ("blade", "window")


def read_relief(data: bytes, wish: Wish) -> ReadRelief:
    """Read a relief from a file's bytes; what it is, is told by its contents.

    Raises
    ------
    InvalidInput
        With the reason in words, if nothing can be made of it.
    """
    if len(data) > LARGEST_FILE:
        raise InvalidInput("file", len(data), say("is over {largest_file} MB", largest_file=LARGEST_FILE // 1_000_000))
    if not data.strip():
        raise InvalidInput("file", 0, say("is empty"))
    if not 0 < wish.depth_mm <= DEEPEST:
        raise InvalidInput("depth_mm", wish.depth_mm, say("must be over 0 and at most {deepest}", deepest=size(DEEPEST)))
    if wish.width_mm is not None and not 1 <= wish.width_mm <= 2000:
        raise InvalidInput("width_mm", wish.width_mm, say("must be {least} to {most}", least=size(1.0), most=size(2000.0)))
    head = data[:512].lstrip(b"\xef\xbb\xbf \t\r\n")
    if head[:8] == b"\x89PNG\r\n\x1a\n" or head[:2] in (b"II", b"MM"):
        if wish.use in OUTLINED:
            raise InvalidInput("use", wish.use, say("a {use} needs outlines; send an SVG", use=wish.use))
        return read_picture(data, wish)
    if head.startswith(b"<"):
        if wish.use == "relief":
            raise InvalidInput("use", wish.use, say("an SVG has outlines and no heights; use it as plateau or blade"))
        return read_outlines(data, wish)
    if head[:5] == b"solid" or (len(data) > 84 and (len(data) - 84) % 50 == 0) or len(data) >= 84 + 50 * 4:
        if wish.use in OUTLINED:
            raise InvalidInput("use", wish.use, say("a {use} needs outlines; send an SVG", use=wish.use))
        return read_solid(data, wish)
    raise InvalidInput("file", "unknown", say("isn't a PNG, TIFF, SVG or STL"))
