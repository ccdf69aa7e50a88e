"""Reading and writing sandwich files, as workers do it."""

from dataclasses import dataclass

from lofty_press.core.sandwich.stack import Sandwich, check_sandwich
from lofty_press.documents.files.sandwich_file import read_sandwich_file, with_reliefs_under, write_sandwich
from lofty_press.documents.kept.packed import unpack_relief
from lofty_press.service.keeping.reliefs.repository import relief_key
from lofty_press.service.work.tools import Tools


@dataclass(frozen=True)
class FileContent:
    """A sandwich whose tools name their reliefs by what those hold, and the reliefs packed, in the order in which they are kept."""

    sandwich: Sandwich
    reliefs: tuple[bytes, ...]


def read_file(_: Tools, data: bytes) -> FileContent:
    """What a sandwich file holds.

    The keys in a file are only names within it: two files may call different reliefs the same. Here each gets the key of its contents.
    """
    content = read_sandwich_file(data)
    check_sandwich(content.sandwich)
    sandwich = with_reliefs_under(content.sandwich, {key: relief_key(body) for key, body in content.packed.items()})
    return FileContent(sandwich, tuple(content.packed.values()))


def write_file(_: Tools, sandwich: Sandwich, packed: dict[str, bytes]) -> str:
    """A sandwich file with its reliefs inside."""
    return write_sandwich(sandwich, {key: unpack_relief(body) for key, body in packed.items()})
