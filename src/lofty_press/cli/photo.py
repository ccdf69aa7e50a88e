"""`lofty photo`: what photos of tools on the printed sheet show."""

import argparse
import base64
import json
from pathlib import Path
from typing import Any

from lofty_press.cli.assess_file import refuse
from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say, thickness
from lofty_press.core.imaging.photo import RULER, read_tools
from lofty_press.core.imaging.shading import shape_by_scans, shape_by_torch
from lofty_press.core.sandwich.relief import DEEPEST
from lofty_press.documents.photos.photo_pixels import LARGEST, photo_pixels
from lofty_press.documents.photos.photo_series import decoded, scanned
from lofty_press.documents.photos.shape_photo import PNG, describe_shape, heights_tiff
from lofty_press.documents.photos.tool_photo import CONTENT, describe_photo, tool_svg

LARGE = ("picture", "blade", "outline_on_sheet", "windows_on_sheet", "blade_on_sheet")


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("files", nargs="+", help="photos of tools on the printed sheet")
    parser.add_argument("--out", type=Path, required=True, metavar="DIR", help="folder for drawings and pictures; made if it is not there")
    parser.add_argument("--ruler", type=float, default=RULER, metavar="MM", help="how long the printed ruler is (default 100)")
    parser.add_argument(
        "--relief", action="store_true", help="read one tool's relief from photos of it by a torch, held at another side in each"
    )
    parser.add_argument(
        "--scans", action="store_true", help="with --relief: the files are four scans, the tool turned by a quarter between them"
    )
    parser.add_argument("--depth", type=float, metavar="MM", help="with --relief: how deep it is by a caliper")
    parser.add_argument("--thickness", type=float, metavar="MM", help="with --relief: how high its face is over the sheet")
    parser.add_argument("--dpi", type=float, metavar="N", help="with --scans: pixels an inch, where the files don't say")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Read every photo, write drawings and pictures, print what was found as JSON; a refusal is JSON with exit code 2."""
    photos = []
    try:
        arguments.out.mkdir(parents=True, exist_ok=True)
        if arguments.relief:
            print(json.dumps(relief(arguments), ensure_ascii=False))
            return 0
        for file in arguments.files:
            found = describe_photo(read_tools(photo_pixels(contents_of(file)), ruler_mm=arguments.ruler))
            name = Path(file).stem
            (arguments.out / f"{name}.jpg").write_bytes(base64.b64decode(found.picture.removeprefix(CONTENT)))
            for n, tool in enumerate(found.tools, 1):
                (arguments.out / f"{name}-{n}.svg").write_text(tool_svg(tool))
                (arguments.out / f"{name}-{n}.jpg").write_bytes(base64.b64decode(tool.picture.removeprefix(CONTENT)))
                if tool.blade:
                    (arguments.out / f"{name}-{n}-blade.svg").write_text(tool.blade)
            photos.append({"file": file, **found.model_dump(), "notes": [str(note) for note in found.notes]})
    except InvalidInput as error:
        return refuse("invalid", str(error), error.field)
    except OSError as error:
        return refuse("file", f"cannot use {error.filename or arguments.out}: {error.strerror}", "file")
    print(json.dumps({"photos": [without(photo, LARGE) for photo in photos]}, ensure_ascii=False))
    return 0


def relief(arguments: argparse.Namespace) -> dict[str, Any]:
    """Read one tool's relief, write it as TIFF and pictures, and say what was found and what is missing."""
    if arguments.depth is not None and not 0.02 <= arguments.depth <= DEEPEST:
        raise InvalidInput("depth", arguments.depth, say("must be {least} to {most}", least=thickness(0.02), most=thickness(DEEPEST)))
    photos = [contents_of(file) for file in arguments.files]
    if arguments.scans:
        pixels, per_mm = scanned(photos, arguments.dpi)
        shape = shape_by_scans(pixels, per_mm=per_mm)
    else:
        shape = shape_by_torch(decoded(photos), ruler_mm=arguments.ruler, thickness_mm=arguments.thickness)
    found = describe_shape(shape)
    depth = found.depth_mm if arguments.depth is None else arguments.depth
    (arguments.out / "relief.tiff").write_bytes(heights_tiff(shape, depth))
    (arguments.out / "relief.png").write_bytes(base64.b64decode(found.lamp.removeprefix(PNG)))
    (arguments.out / "face.jpg").write_bytes(base64.b64decode(found.face.removeprefix(CONTENT)))
    said = {name: value for name, value in found.model_dump().items() if name not in ("heights", "lamp", "face")}
    return {**said, "depth_mm": depth, "depth_measured": arguments.depth is not None, "notes": [str(note) for note in shape.notes]}


def contents_of(name: str) -> bytes:
    """A file's contents, never more than one byte over the limit."""
    with Path(name).open("rb") as handle:
        return handle.read(LARGEST + 1)


def without(value: Any, names: tuple[str, ...]) -> Any:
    """Plain data without some large fields, which are in the files."""
    if isinstance(value, dict):
        return {key: without(each, names) for key, each in value.items() if key not in names}
    return [without(each, names) for each in value] if isinstance(value, list) else value
