"""HTTP for what is believed of the press room."""

from typing import Annotated

from fastapi import APIRouter, Body, Query
from starlette.concurrency import run_in_threadpool

from lofty_press.core.errors import InvalidInput
from lofty_press.core.stack import Item, Press, Sandwich, check_sandwich
from lofty_press.core.words import say
from lofty_press.service.dependencies import PressRoom, Work
from lofty_press.service.errors import ANSWERS, NotFound
from lofty_press.service.room import jobs
from lofty_press.service.room.describe import describe_next, describe_room
from lofty_press.service.room.models import KnownPile, NextDocument, PilesDocument, RoomDocument
from lofty_press.service.room.room import Room, nothing_learnt, shelf_of
from lofty_press.service.work.budget import SEARCH

router = APIRouter(prefix="/api/room", tags=["room"], responses=ANSWERS)


@router.get("", operation_id="getRoom")
async def get_room(room: PressRoom) -> RoomDocument:
    """What is believed of presses and things, and from what."""
    learnt = await room.learn()
    return describe_room(learnt, room.presses, room.items)


@router.get("/piles", operation_id="knownPiles")
async def known_piles(room: PressRoom, work: Work, press_id: Annotated[str, Query(max_length=64)]) -> PilesDocument:
    """Piles that people usually know, built of what is on the shelf, with their chances by now."""
    learnt = await room.learn()
    presses, items = await run_in_threadpool(on_the_shelf, room)
    if press_id not in presses:
        raise InvalidInput("press_id", press_id, say("must be a press on the shelf; it may have been taken off in the meantime"))
    belief = (learnt or nothing_learnt(presses, items)).belief
    found = await work.do(jobs.piles, presses[press_id], list(items.values()), belief, budget=SEARCH)
    return PilesDocument(piles=[KnownPile(key=key, title=title, sandwich=pile, chances=chances) for key, title, pile, chances in found])


def on_the_shelf(room: Room) -> tuple[dict[str, Press], dict[str, Item]]:
    with room.database.reading() as connection:
        return shelf_of(connection)


@router.post("/next", operation_id="nextTrial")
async def next_trial(sandwich: Annotated[Sandwich, Body()], room: PressRoom, work: Work) -> NextDocument:
    """What tells most about a sandwich for the least: a caliper on one part, or one sheet with so many shims."""
    check_sandwich(sandwich)
    learnt = await room.learn()
    if learnt is None:
        raise NotFound(say("Nothing is known of this press room just now; it is tried again."))
    found = await work.do(jobs.next_for, sandwich, learnt.belief, budget=SEARCH)
    if found is None:
        raise InvalidInput("sandwich", sandwich.name, say("is not judged yet; it needs a sheet and a tool"))
    return describe_next(sandwich, *found)
