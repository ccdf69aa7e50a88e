"""Where the program writes what went wrong and what it did: one configuration for all of it.

Warnings and worse go to standard error, for whoever started it; everything from information up into a file beside the database, which is begun
anew when it is full, so that it never grows without end. Neither holds what a user wrote, nor the key that lets a browser in.
"""

import contextlib
import logging
from collections.abc import Iterator
from logging.handlers import RotatingFileHandler
from pathlib import Path

LARGEST = 1_000_000  # bytes of one file
KEPT = 4  # older files beside it
LINE = logging.Formatter("%(asctime)s %(levelname)s %(name)s: %(message)s")
OURS = ("lofty_press", "uvicorn.error")


@contextlib.contextmanager
def logged(folder: Path) -> Iterator[Path]:
    """Write logs into `folder` as long as the program runs; gives the file."""
    file = folder / "lofty.log"
    folder.mkdir(parents=True, exist_ok=True)
    rolling = RotatingFileHandler(file, maxBytes=LARGEST, backupCount=KEPT, encoding="utf-8", delay=True)
    rolling.setLevel(logging.INFO)
    aloud = logging.StreamHandler()
    aloud.setLevel(logging.WARNING)
    for handler in (rolling, aloud):
        handler.setFormatter(LINE)
    before = {name: (logging.getLogger(name).level, logging.getLogger(name).propagate) for name in OURS}
    for name in OURS:
        logger = logging.getLogger(name)
        logger.setLevel(logging.INFO)
        for handler in (rolling, aloud):
            logger.addHandler(handler)
    try:
        yield file
    finally:
        for name, (level, propagate) in before.items():
            logger = logging.getLogger(name)
            for handler in (rolling, aloud):
                logger.removeHandler(handler)
            logger.setLevel(level)
            logger.propagate = propagate
        rolling.close()
