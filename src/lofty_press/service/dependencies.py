"""What routes are given."""

from typing import Annotated

from fastapi import Depends, Request

from lofty_press.service.db.connection import Pool
from lofty_press.service.impressions.runs import Runs
from lofty_press.service.pictures import Pictures
from lofty_press.service.reliefs.library import ReliefLibrary


def pool_of(request: Request) -> Pool:
    """The application's connection pool."""
    pool: Pool = request.app.state.pool
    return pool


def library_of(request: Request) -> ReliefLibrary:
    """The application's reliefs."""
    library: ReliefLibrary = request.app.state.reliefs
    return library


def runs_of(request: Request) -> Runs:
    """The application's forming runs."""
    runs: Runs = request.app.state.runs
    return runs


def pictures_of(request: Request) -> Pictures:
    """The pictures of the effects."""
    pictures: Pictures = request.app.state.pictures
    return pictures


Database = Annotated[Pool, Depends(pool_of)]
Reliefs = Annotated[ReliefLibrary, Depends(library_of)]
FormingRuns = Annotated[Runs, Depends(runs_of)]
EffectPictures = Annotated[Pictures, Depends(pictures_of)]
