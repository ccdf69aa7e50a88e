"""Large bodies, written to a file as they come in: the service's own process never holds them."""

import os
import tempfile
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import Request

from lofty_press.service.http.errors import DiskFull, TooLarge


def scratch_file(request: Request) -> Path:
    """A new private file in the application's own scratch folder."""
    descriptor, name = tempfile.mkstemp(suffix=".zip", dir=request.app.state.scratch)
    os.close(descriptor)
    return Path(name)


@asynccontextmanager
async def received(request: Request, most: int | None = None) -> AsyncIterator[Path]:
    """The request's body in a file, as it comes in; the file is gone afterwards.

    Raises
    ------
    TooLarge
        If it is over `most`. [byte]
    DiskFull
    """
    path = scratch_file(request)
    try:
        size = 0
        with path.open("wb") as file:
            async for piece in request.stream():
                size += len(piece)
                if most is not None and size > most:
                    raise TooLarge(most)
                file.write(piece)
        yield path
    except OSError as error:
        if error.errno == 28:
            raise DiskFull from error
        raise
    finally:
        path.unlink(missing_ok=True)
