"""`lofty impression`: a sandwich file in, the pressed sheet out as files and figures."""

import argparse
import sys
import time
from pathlib import Path

import numpy as np

from lofty_press.cli.assess_file import print_document, read_bytes, refuse
from lofty_press.core.basics.errors import InvalidInput, NoBalance, NotSettled
from lofty_press.core.basics.words import say, size
from lofty_press.core.mechanics.forming import FINEST, Impression, Progress, figures_of, press, roll
from lofty_press.demo.reliefs.library import with_own
from lofty_press.documents.answers.impression import describe_figures
from lofty_press.documents.files.impression_files import height_tiff, profile_csv, shaded_png, sheet_stl
from lofty_press.documents.files.sandwich_file import read_sandwich_file

LAMP = {"azimuth": 225.0, "altitude": 40.0}


def takes(parser: argparse.ArgumentParser) -> None:
    """Say what the command takes."""
    parser.add_argument("file", help="a sandwich file, or - for standard input")
    parser.add_argument("--out", type=Path, required=True, metavar="DIR", help="folder for the files; made if it is not there")
    parser.add_argument("--spacing", type=float, default=FINEST, metavar="MM", help="cell size (default 0.2)")
    parser.set_defaults(run=run)


def run(arguments: argparse.Namespace) -> int:
    """Press, write, print; a refusal is JSON with exit code 2."""
    try:
        if not 0.1 <= arguments.spacing <= 2.0:
            raise InvalidInput("spacing", arguments.spacing, say("must be {least} to {most}", least=size(0.1), most=size(2.0)))
        content = read_sandwich_file(read_bytes(arguments.file))
        start = time.perf_counter()
        library = with_own(content.reliefs)
        exact = roll(content.sandwich, library).settled()
        found = press(content.sandwich, library, finest=arguments.spacing, report=tell, exact=exact)
        seconds = time.perf_counter() - start
        if not found.converged:
            residual = found.formed.residual if found.formed else 0.0
            message = f"the solver stopped at a residual of {residual:.2g} of the pressing; no result is shown as truth"
            return refuse("not-converged", message, None)
        arguments.out.mkdir(parents=True, exist_ok=True)
        for name, data in files_of(found, content.sandwich.name).items():
            (arguments.out / name).write_bytes(data)
    except InvalidInput as error:
        return refuse("invalid", str(error), error.field)
    except NotSettled as error:
        return refuse("not-converged", str(error), None)
    except NoBalance as error:
        return refuse("no-balance", str(error), None)
    except OSError as error:
        return refuse("file", f"cannot use {error.filename or arguments.file}: {error.strerror}", "file")
    print_document(describe_figures(found, figures_of(found), seconds))
    return 0


def tell(progress: Progress) -> None:
    """One line on the terminal that shows how far it is; nothing where nobody looks."""
    if sys.stderr.isatty():
        nx, ny = progress.shape
        print(f"\r{nx} x {ny} cells, step {progress.step}, residual {progress.residual:.1e}   ", end="", file=sys.stderr, flush=True)


def files_of(found: Impression, name: str) -> dict[str, bytes]:
    """Everything that is written: both faces as height maps and pictures, the solid, and a profile across the middle."""
    panel, sheet, stock = found.loaded.panel, found.loaded.panel.cover > 0.5, found.loaded.stock
    faces = {"upper": found.upper, "lower": -found.lower[:, ::-1]}
    cover = {"upper": sheet, "lower": sheet[:, ::-1]}
    names = {"upper": "back", "lower": "front"} if found.loaded.sheet.layer.turned else {"upper": "front", "lower": "back"}
    files: dict[str, bytes] = {}
    for side, heights in faces.items():
        files[f"{names[side]}.tiff"] = height_tiff(heights, cover[side], panel.spacing, f"{name}, {names[side]}")
        colour = stock.face_colour if names[side] == "front" or stock.core_colour is None else stock.core_colour
        files[f"{names[side]}.png"] = shaded_png(heights, cover[side], panel.spacing, colour, **LAMP)
    files["sheet.stl"] = sheet_stl(found.upper, found.lower, sheet, panel.spacing, found.loaded.sheet.thickness)
    middle = panel.shape[0] // 2
    columns = {"tool": found.tool[middle], "pressed": found.pressed[middle], "released": found.released[middle]}
    files["profile.csv"] = profile_csv(np.asarray(panel.y - panel.y[0]), columns).encode()
    return files
