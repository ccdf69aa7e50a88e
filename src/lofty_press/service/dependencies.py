"""What routes are given."""

from typing import Annotated

from fastapi import Depends, Request

from lofty_press.service.db.connection import Pool


def pool_of(request: Request) -> Pool:
    """The application's connection pool."""
    pool: Pool = request.app.state.pool
    return pool


Database = Annotated[Pool, Depends(pool_of)]
