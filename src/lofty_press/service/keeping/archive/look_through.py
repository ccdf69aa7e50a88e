"""Looking an archive through, as a worker does it: until all of it is known to be right, nothing of it is used."""

import io
import json
from pathlib import Path

from PIL import Image

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.documents.files.archive.manifest import SETTINGS
from lofty_press.documents.files.archive.read import Archive, open_archive, parsed
from lofty_press.documents.files.archive.relief import packed_of
from lofty_press.documents.files.archive.rows import (
    JobRow,
    LifeRow,
    PaperRow,
    PatternRow,
    PracticeRow,
    Row,
    RunRow,
    SandwichRow,
    ShelfRow,
    checked,
)
from lofty_press.documents.photos.photo_file import MOST_PIXELS

ROWS: dict[str, type[Row]] = {
    "shelf": ShelfRow,
    "sandwiches": SandwichRow,
    "jobs": JobRow,
    "paper": PaperRow,
    "practice": PracticeRow,
    "runs": RunRow,
    "plates": LifeRow,
    "patterns": PatternRow,
}
MOST_SETTINGS, LARGEST_SETTING = 200, 20_000


def look_through(path: Path) -> Archive:
    """The archive, if every part of it is right.

    Raises
    ------
    InvalidInput
        With the name of the first part that is not.
    """
    archive = open_archive(path)
    for kind, model in ROWS.items():
        for key, body in archive.bodies(kind):
            checked(model, f"{kind}/{key}", body)
    reliefs = {key for _, key in archive.names("reliefs")}
    if reliefs != {key for _, key in archive.names("heights")}:
        raise InvalidInput("archive", "reliefs", say("has reliefs without their heights, or heights without their relief"))
    for key in sorted(reliefs):
        try:
            packed_of(archive.read(f"reliefs/{key}.json"), archive.read(f"reliefs/{key}.tif"))
        except InvalidInput as error:
            raise InvalidInput("archive", f"reliefs/{key}", error.requirement) from error
    runs = {key for _, key in archive.names("runs")}
    for name, key in archive.names("photos"):
        if key not in runs:
            raise InvalidInput("archive", name, say("is a photo of a run that isn't in it"))
        check_photo(name, archive.read(name))
    for name, _ in archive.names("pictures"):
        check_photo(name, archive.read(name))
    settings_of(archive)
    return archive


def check_photo(name: str, body: bytes) -> None:
    try:
        image = Image.open(io.BytesIO(body), formats=["JPEG"])
        if image.width * image.height > MOST_PIXELS:
            raise ValueError("too many pixels")
        image.verify()
    except Exception as error:  # pillow raises many kinds for damaged files
        raise InvalidInput("archive", name, say("isn't a whole photo ({reason})", reason=str(error)[:60])) from error


def settings_of(archive: Archive) -> dict[str, str]:
    """Settings as texts of JSON, by name."""
    if SETTINGS not in archive.manifest.files:
        return {}
    content = parsed(SETTINGS, archive.read(SETTINGS))
    if len(content) > MOST_SETTINGS:
        raise InvalidInput("archive", SETTINGS, say("must hold one object of a few settings"))
    found = {name: json.dumps(value) for name, value in content.items()}
    if any(len(name) > 64 or not name.isascii() or len(body) > LARGEST_SETTING for name, body in found.items()):
        raise InvalidInput("archive", SETTINGS, say("has a setting that doesn't exist"))
    return found
