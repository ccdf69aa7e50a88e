"""HTTP for what is believed of the press room."""

import asyncio
from typing import Annotated

from fastapi import APIRouter, Body, Query

from lofty_press.core.basics.errors import InvalidInput
from lofty_press.core.basics.words import say
from lofty_press.core.judging.dialin import believed, expected_sheets, plates_of
from lofty_press.core.sandwich.stack import Sandwich, check_sandwich
from lofty_press.core.working.setout import feeler_pile
from lofty_press.service.http.bodies import BoundedRoute
from lofty_press.service.http.dependencies import PressRoom, Work
from lofty_press.service.http.errors import ANSWERS
from lofty_press.service.keeping.room import jobs
from lofty_press.service.keeping.room.describe import describe_next, describe_room
from lofty_press.service.keeping.room.models import Feeler, KnownPile, NextDocument, PilesDocument, RoomDocument
from lofty_press.service.keeping.room.room import Known
from lofty_press.service.work.budget import SEARCH

router = APIRouter(prefix="/api/room", tags=["room"], responses=ANSWERS, route_class=BoundedRoute)


@router.get("", operation_id="getRoom")
async def get_room(room: PressRoom) -> RoomDocument:
    """What is believed of presses and things, and from what."""
    known = await room.learn()
    return describe_room(known.learnt, known.presses, known.items)


@router.get("/piles", operation_id="knownPiles")
async def known_piles(room: PressRoom, work: Work, press_id: Annotated[str, Query(max_length=64)]) -> PilesDocument:
    """Piles that people usually know, built of what is on the shelf, with their chances by now."""
    known = await room.learn()
    if press_id not in known.presses:
        raise InvalidInput("press_id", press_id, say("must be a press on the shelf; it may have been taken off since"))
    usual = await work.do(jobs.usual, known.presses[press_id], list(known.items.values()))
    judged = await asyncio.gather(*(work.do(jobs.judged_by_now, pile.sandwich, known.learnt.belief, budget=SEARCH) for pile in usual))
    piles = [
        KnownPile(key=pile.key, title=pile.title, sandwich=pile.sandwich, chances=found.chances, good=found.good, wrong=found.wrong)
        for pile, found in zip(usual, judged, strict=True)
        if found is not None
    ]
    return PilesDocument(piles=piles, feeler=feeler_of(known, press_id))


@router.post("/next", operation_id="nextTrial")
async def next_trial(sandwich: Annotated[Sandwich, Body()], room: PressRoom, work: Work) -> NextDocument:
    """What tells most about a sandwich for the least: a caliper on one part, paper counted on its plates, or one sheet with so many shims."""
    check_sandwich(sandwich)
    await room.learn()
    pile = room.believed(sandwich)
    found = await work.do(jobs.next_of, pile, room.belief_for(pile), room.certainty(pile), budget=SEARCH)
    if found is None:
        raise InvalidInput("sandwich", sandwich.name, say("isn't judged yet; it needs a sheet and a tool"))
    plates, believed_plates = plates_of(sandwich), plates_of(pile)
    feeler = Feeler(sandwich=plates, sheets=expected_sheets(believed_plates)) if plates and believed_plates else None
    standing, trial = found
    return describe_next(sandwich, standing, trial, feeler)


def feeler_of(known: Known, press_id: str) -> Feeler | None:
    """The plates to count paper on, and how many sheets to expect."""
    pile = feeler_pile(known.presses[press_id], known.items.values())
    return None if pile is None else Feeler(sandwich=pile, sheets=expected_sheets(believed(pile, known.learnt.belief)))
