"""Run cards and advice, as workers make them."""

from dataclasses import dataclass

from lofty_press.core.basics.air import Air
from lofty_press.core.basics.words import Unit
from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import InRoom
from lofty_press.core.mechanics.feed import second_turn, setting_of
from lofty_press.core.mechanics.forming import FormingSummary, full_nip
from lofty_press.core.sandwich.relief import light_of_relief
from lofty_press.core.sandwich.stack import Sandwich, StackView, check_sandwich
from lofty_press.core.working.steps import Card, Seen, in_the_room, respond, write_card
from lofty_press.documents.answers.run_card import card_text, describe_card, describe_response
from lofty_press.documents.files.impression_files import grey_png
from lofty_press.service.work.tools import Tools


@dataclass(frozen=True)
class Around:
    """What is known around a sandwich: what its full computation found, what is believed of its room, and the room's air; None where it is not."""

    formed: FormingSummary | None
    certainty: InRoom | None
    air: Air | None


def card_of(tools: Tools, sandwich: Sandwich, around: Around) -> Card:
    """The run card of a sandwich."""
    formed = around.formed
    check_sandwich(sandwich)
    turn = second_turn(sandwich, setting_of(sandwich, tools.library, full_nip(formed))) if sandwich.passes > 1 else None
    card = write_card(assess(sandwich, tools.library, formed, certainty=around.certainty), second_turn=turn)
    return card if around.air is None else in_the_room(card, around.air)


def card_json(tools: Tools, sandwich: Sandwich, around: Around) -> bytes:
    """The card as JSON."""
    return describe_card(card_of(tools, sandwich, around)).model_dump_json().encode()


def card_as_text(tools: Tools, sandwich: Sandwich, around: Around, unit: Unit) -> str:
    """The card as plain text."""
    return card_text(card_of(tools, sandwich, around), unit)


def card_pdf(tools: Tools, sandwich: Sandwich, around: Around, unit: Unit) -> bytes:
    """The card on one page."""
    from lofty_press.documents.printed.run_card_pdf import run_card_pdf  # here, since only workers need what it loads

    return run_card_pdf(card_of(tools, sandwich, around), sandwich, unit, look_of(tools, sandwich))


def look_of(tools: Tools, sandwich: Sandwich) -> bytes | None:
    """A sandwich's tool as one recognises it, along the feed from top to bottom: its photo, else its relief under a lamp; None without either."""
    tool = StackView(sandwich).tool
    if tool is None:
        return None
    if tool.item.picture is not None and (photo := tools.ask("picture", tool.item.picture)) is not None:
        return bytes(photo)
    key = tool.item.relief.map if tool.item.relief is not None else tool.item.blade.map if tool.item.blade is not None else None
    found = None if key is None else tools.library(key)
    return None if found is None else grey_png(light_of_relief(found))


def advice(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None, seen: Seen) -> bytes:
    """What to do about something seen, as JSON."""
    judged = assess(sandwich, tools.library, formed, certainty=certainty)
    found = respond(judged, seen, tools.supply, certainty.belief if certainty is not None else None)
    return describe_response(found, sandwich, seen, tools.supply).model_dump_json().encode()
