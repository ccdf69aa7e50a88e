"""What routes are given. None of it waits for anything, so it is taken at once and not in a thread of its own."""

import asyncio
from dataclasses import dataclass
from typing import Annotated, Any

from fastapi import Body, Depends, Header, Request, Response
from pydantic import BaseModel
from starlette.concurrency import run_in_threadpool

from lofty_press.core.basics.words import say
from lofty_press.core.judging.dialin import InRoom
from lofty_press.core.mechanics.forming import FormingSummary
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.documents.kept.kept_tables import last_made
from lofty_press.service.db import connection
from lofty_press.service.http.errors import Busy, OverBudget
from lofty_press.service.keeping.impressions.runs import UNKNOWN, Runs
from lofty_press.service.keeping.room.room import Room
from lofty_press.service.work.budget import QUICK, Budget
from lofty_press.service.work.crew import Crew, Session, Unwanted
from lofty_press.service.work.tools import Job
from lofty_press.setup.paths import TABLES

TRIES = 6  # of one computation, as long as each leaves tables behind
LOOKS = 0.1  # s between two looks at whether the client is still there

Tab = Annotated[str, Header(alias="lofty-tab", max_length=64, description="Which open page asks; pages take turns.")]


@dataclass(frozen=True)
class Workers:
    """The application's workers, for one request."""

    crew: Crew
    request: Request
    tab: str

    async def do(self, job: Job, *arguments: Any, budget: Budget = QUICK, for_a_write: bool = False, session: Session | None = None) -> Any:
        """Have a computation done within a budget; it is given up when the client leaves, unless something is to be kept with it. `session` answers what it
        asks, where not everybody's answers will do.

        A new shape takes tables that are kept as they are made: what runs out of time over them is begun again and finds them there.

        Raises
        ------
        Refused, NoResult, OverBudget, Busy
            Why there is no result.
        """
        for left in reversed(range(TRIES)):
            before = last_made(TABLES)
            try:
                return await self._do_once(job, *arguments, budget=budget, for_a_write=for_a_write, session=session)
            except OverBudget:
                if not left or last_made(TABLES) == before:
                    raise

    async def _do_once(self, job: Job, *arguments: Any, budget: Budget, for_a_write: bool, session: Session | None) -> Any:
        there = True
        task = asyncio.wrap_future(self.crew.give(job, *arguments, budget=budget, tab=self.tab, wanted=lambda: there, session=session))
        while not (await asyncio.wait({task}, timeout=LOOKS))[0]:
            there = there and (for_a_write or not await self.request.is_disconnected())
        try:
            return task.result()
        except Unwanted as error:
            raise Busy(say("Nobody was waiting for this anymore.")) from error


async def database_of(request: Request) -> connection.Database:
    """The application's database."""
    database: connection.Database = request.app.state.database
    return database


async def workers_of(request: Request, tab: Tab = "") -> Workers:
    """The application's workers."""
    return Workers(request.app.state.crew, request, tab)


async def room_of(request: Request) -> Room:
    """What is believed of the press room."""
    room: Room = request.app.state.room
    return room


async def believed_body(sandwich: Annotated[Sandwich, Body()], request: Request) -> Sandwich:
    """The sandwich that was sent, with what is believed in place of what stands on the shelf."""
    room: Room = request.app.state.room
    room.nudge()
    return room.believed(sandwich)


async def certainty_of(sandwich: Annotated[Sandwich, Depends(believed_body)], request: Request) -> InRoom | None:
    """How sure a verdict on the sandwich that was sent is."""
    room: Room = request.app.state.room
    return room.certainty(sandwich)


async def runs_of(request: Request) -> Runs:
    """The application's forming runs."""
    runs: Runs = request.app.state.runs
    return runs


Database = Annotated[connection.Database, Depends(database_of)]
Work = Annotated[Workers, Depends(workers_of)]
PressRoom = Annotated[Room, Depends(room_of)]
SandwichBody = Annotated[Sandwich, Depends(believed_body)]
Certainty = Annotated[InRoom | None, Depends(certainty_of)]
FormingRuns = Annotated[Runs, Depends(runs_of)]


async def summary_of(runs: Runs, sandwich: Sandwich) -> FormingSummary | None:
    """What the full computation of a sandwich found, if it was ever done; from memory, else from the database."""
    found = runs.remembered(sandwich)
    if found is UNKNOWN:
        return await run_in_threadpool(runs.summary, sandwich)
    return found


def json_answer(body: bytes, status: int = 200) -> Response:
    """A document that was written already."""
    return Response(body, status_code=status, media_type="application/json")


def answer_of(record: BaseModel, status: int = 200) -> Response:
    """A record as it is answered. Written within the transaction that keeps it: what cannot be said is not kept."""
    return json_answer(record.model_dump_json(by_alias=True).encode(), status)
