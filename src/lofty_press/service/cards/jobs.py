"""Run cards and advice, as workers make them."""

from lofty_press.core.assess import assess
from lofty_press.core.dialin import InRoom
from lofty_press.core.feed import second_turn, setting_of
from lofty_press.core.forming import FormingSummary, full_nip
from lofty_press.core.stack import Sandwich, check_sandwich
from lofty_press.core.steps import Card, Seen, respond, write_card
from lofty_press.core.words import Unit
from lofty_press.documents.run_card import card_text, describe_card, describe_response
from lofty_press.service.work.tools import Tools


def card_of(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None) -> Card:
    """The run card of a sandwich."""
    check_sandwich(sandwich)
    turn = second_turn(sandwich, setting_of(sandwich, tools.library, full_nip(formed))) if sandwich.passes > 1 else None
    return write_card(assess(sandwich, tools.library, formed, certainty=certainty), second_turn=turn)


def card_json(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None) -> bytes:
    """The card as JSON."""
    return describe_card(card_of(tools, sandwich, formed, certainty)).model_dump_json().encode()


def card_as_text(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None, unit: Unit) -> str:
    """The card as plain text."""
    return card_text(card_of(tools, sandwich, formed, certainty), unit)


def card_pdf(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None, unit: Unit) -> bytes:
    """The card on one page."""
    from lofty_press.documents.run_card_pdf import run_card_pdf  # here, since only workers need what it loads

    return run_card_pdf(card_of(tools, sandwich, formed, certainty), sandwich, unit)


def advice(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None, seen: Seen) -> bytes:
    """What to do about something seen, as JSON."""
    judged = assess(sandwich, tools.library, formed, certainty=certainty)
    found = respond(judged, seen, tools.supply, certainty.belief if certainty is not None else None)
    return describe_response(found, sandwich).model_dump_json().encode()
