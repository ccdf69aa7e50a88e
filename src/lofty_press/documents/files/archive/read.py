"""Reading an archive: looked through as a whole, and refused as a whole, before anything of it is used."""

import hashlib
import zipfile
import zlib
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from pydantic import ValidationError

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.answers.refusal import at_field
from lofty_press.documents.files.archive.manifest import (
    FORMAT,
    LARGEST_PART,
    MANIFEST,
    MOST_BYTES,
    MOST_FILES,
    VERSION,
    Manifest,
    kind_of,
)
from lofty_press.documents.files.foreign_json import read_json
from lofty_press.documents.files.shapes import SHAPE

LARGEST_MANIFEST = 40_000_000  # bytes
PIECE = 1_000_000


@dataclass(frozen=True)
class Archive:
    """A whole archive on disk."""

    path: Path
    manifest: Manifest

    def names(self, kind: str) -> list[tuple[str, str]]:
        """Names and ids of all files of a kind, in order."""
        found = ((name, kind_of(name)) for name in sorted(self.manifest.files))
        return [(name, known[1]) for name, known in found if known is not None and known[0] == kind]

    def read(self, name: str) -> bytes:
        """A file's contents; only what the manifest says is there."""
        with zipfile.ZipFile(self.path) as file:
            return contents(file, name, self.manifest.files[name].bytes)

    def bodies(self, kind: str) -> Iterator[tuple[str, dict[str, Any]]]:
        """Id and contents of all JSON files of a kind."""
        with zipfile.ZipFile(self.path) as file:
            for name, key in self.names(kind):
                yield key, parsed(name, contents(file, name, self.manifest.files[name].bytes))


def open_archive(path: Path) -> Archive:
    """Look an archive through: every file named, whole and as its hash says, nothing beside them.

    Raises
    ------
    InvalidInput
        If it is damaged, cut off, foreign, newer than this program, or built to do harm; says which.
    """
    try:
        with zipfile.ZipFile(path) as file:
            entries = checked_entries(file)
            manifest = read_manifest(file, entries)
            for name, part in manifest.files.items():
                body = contents(file, name, part.bytes)
                if hashlib.sha256(body).hexdigest() != part.sha256:
                    raise InvalidInput("archive", name, say("was changed or damaged since it was written; nothing was imported"))
    except (zipfile.BadZipFile, zlib.error, EOFError, NotImplementedError, RuntimeError, OSError, UnicodeError) as error:
        raise InvalidInput(
            "archive", "file", say("isn't a whole archive: damaged or cut off ({reason}). Nothing was imported", reason=str(error)[:80])
        ) from error
    return Archive(path, manifest)


def checked_entries(file: zipfile.ZipFile) -> dict[str, zipfile.ZipInfo]:
    """The entries by name, after counting: nothing is unpacked yet."""
    entries = file.infolist()
    if len(entries) > MOST_FILES:
        raise InvalidInput("archive", len(entries), say("has over {most} files", most=MOST_FILES))
    if sum(entry.file_size for entry in entries) > MOST_BYTES:
        raise InvalidInput("archive", "size", say("unpacks to over {most} MB", most=MOST_BYTES // 1_000_000))
    found: dict[str, zipfile.ZipInfo] = {}
    for entry in entries:
        if entry.filename in found:
            raise InvalidInput("archive", entry.filename[:80], say("is in it twice"))
        if entry.flag_bits & 0x1:
            raise InvalidInput("archive", entry.filename[:80], say("is encrypted; save it without a password"))
        if entry.filename != MANIFEST and kind_of(entry.filename) is None:
            raise InvalidInput("archive", entry.filename[:80], say("doesn't belong in an archive of this program"))
        if entry.filename != MANIFEST and entry.file_size > LARGEST_PART:
            raise InvalidInput("archive", entry.filename[:80], say("is too large"))
        found[entry.filename] = entry
    return found


def read_manifest(file: zipfile.ZipFile, entries: dict[str, zipfile.ZipInfo]) -> Manifest:
    """The manifest, if it names exactly what is there."""
    if MANIFEST not in entries or entries[MANIFEST].file_size > LARGEST_MANIFEST:
        raise InvalidInput("archive", "manifest", say("has no manifest, so it isn't an archive of this program"))
    content = parsed(MANIFEST, contents(file, MANIFEST, LARGEST_MANIFEST))
    if content.get("format") != FORMAT:
        raise InvalidInput("archive", "manifest", say("isn't an archive of this program"))
    for field, newest in (("version", VERSION), ("shape", SHAPE)):
        number = content.get(field)
        if isinstance(number, int) and number > newest:
            raise InvalidInput("archive", number, say("comes from a newer version of Lofty Press; update this one first"))
    try:
        manifest = Manifest.model_validate(content, strict=True)
    except ValidationError as error:
        raise InvalidInput("archive", "manifest", say("can't be read: {why}", why=at_field(error))) from error
    beside = entries.keys() - manifest.files.keys() - {MANIFEST}
    missing = manifest.files.keys() - entries.keys()
    if beside or missing:
        name = sorted(beside or missing)[0]
        raise InvalidInput("archive", name[:80], say("isn't named in the manifest") if beside else say("is missing from it"))
    return manifest


def contents(file: zipfile.ZipFile, name: str, most: int) -> bytes:
    """A file's contents, never more than it may have, whatever its header promised."""
    pieces, seen = [], 0
    with file.open(name) as handle:
        while piece := handle.read(PIECE):
            seen += len(piece)
            if seen > most:
                raise InvalidInput("archive", name[:80], say("unpacks to more than it says"))
            pieces.append(piece)
    return b"".join(pieces)


def parsed(name: str, body: bytes) -> dict[str, Any]:
    """A JSON object, or `InvalidInput`."""
    try:
        content = read_json(body)
    except ValueError as error:
        raise InvalidInput("archive", name[:80], say("isn't JSON ({reason})", reason=str(error)[:60])) from error
    if not isinstance(content, dict):
        raise InvalidInput("archive", name[:80], say("must hold one object"))
    return content
