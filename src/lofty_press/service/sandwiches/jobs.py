"""Reading and writing sandwich files, as workers do it."""

from dataclasses import dataclass

from lofty_press.core.stack.check import check_sandwich
from lofty_press.core.stack.sandwich import Sandwich
from lofty_press.documents.packed import pack_relief, unpack_relief
from lofty_press.documents.sandwich_file import read_sandwich_file, with_reliefs_under, write_sandwich
from lofty_press.service.reliefs.repository import relief_key
from lofty_press.service.work.tools import Tools


@dataclass(frozen=True)
class FileContent:
    """A sandwich whose tools name their reliefs by what those hold, and the reliefs packed, in the order in which they are kept."""

    sandwich: Sandwich
    reliefs: tuple[bytes, ...]


def read_file(tools: Tools, data: bytes) -> FileContent:
    """What a sandwich file holds.

    The keys in a file are only names within it: two files may call different reliefs the same. Here each gets the key of its contents. One
    that comes with the program keeps its own.
    """
    content = read_sandwich_file(data)
    check_sandwich(content.sandwich)
    packed = {key: pack_relief(relief) for key, relief in content.reliefs.items() if tools.built_in(key) is None}
    sandwich = with_reliefs_under(content.sandwich, {key: relief_key(body) for key, body in packed.items()})
    return FileContent(sandwich, tuple(packed.values()))


def write_file(_: Tools, sandwich: Sandwich, packed: dict[str, bytes]) -> str:
    """A sandwich file with its reliefs inside."""
    return write_sandwich(sandwich, {key: unpack_relief(body) for key, body in packed.items()})
