"""Lines out of a stream of bytes that may be anything."""

from collections.abc import Iterator
from typing import Protocol

LONGEST = 120  # bytes; what is longer is no line of an instrument
AT_ONCE = 256


class Source(Protocol):
    """Where bytes come from; none for a while is no end."""

    def read(self, size: int = 1) -> bytes: ...


class Lines:
    """Cuts a stream into lines at any of the usual ends. What is too long for a line is given as one, cut; a half line waits for its end."""

    def __init__(self, source: Source) -> None:
        self.source = source
        self.pending = b""
        self.skipping = False

    def take(self) -> Iterator[str]:
        """The lines that have come whole by now; waits as long as the source does."""
        self.pending += self.source.read(1)
        more = getattr(self.source, "in_waiting", 0)
        if more:
            self.pending += self.source.read(min(int(more), AT_ONCE))
        *whole, self.pending = self.pending.replace(b"\r", b"\n").split(b"\n")
        for line in whole:
            if line.strip() and not self.skipping:
                yield text_of(line[:LONGEST])
            self.skipping = False
        if len(self.pending) > LONGEST:
            if not self.skipping:
                yield text_of(self.pending[:LONGEST])
            self.pending, self.skipping = b"", True


def text_of(line: bytes) -> str:
    """A line as text; what is no ASCII is shown as a question mark."""
    return "".join(chr(byte) if 32 <= byte < 127 else "?" for byte in line).strip()
