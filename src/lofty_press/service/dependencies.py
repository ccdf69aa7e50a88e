"""What routes are given. None of it waits for anything, so it is taken at once and not in a thread of its own."""

from typing import Annotated

from fastapi import Depends, Request, Response
from pydantic import BaseModel

from lofty_press.service.db.connection import Pool
from lofty_press.service.impressions.runs import Runs
from lofty_press.service.pictures import Pictures
from lofty_press.service.reliefs.library import ReliefLibrary


async def pool_of(request: Request) -> Pool:
    """The application's connection pool."""
    pool: Pool = request.app.state.pool
    return pool


async def library_of(request: Request) -> ReliefLibrary:
    """The application's reliefs."""
    library: ReliefLibrary = request.app.state.reliefs
    return library


async def runs_of(request: Request) -> Runs:
    """The application's forming runs."""
    runs: Runs = request.app.state.runs
    return runs


async def pictures_of(request: Request) -> Pictures:
    """The pictures of the effects."""
    pictures: Pictures = request.app.state.pictures
    return pictures


Database = Annotated[Pool, Depends(pool_of)]
Reliefs = Annotated[ReliefLibrary, Depends(library_of)]
FormingRuns = Annotated[Runs, Depends(runs_of)]
EffectPictures = Annotated[Pictures, Depends(pictures_of)]


def written(document: BaseModel) -> Response:
    """A document as it is sent: it was checked when it was made, so it is written out once and not gone through again."""
    return Response(document.model_dump_json(), media_type="application/json")
