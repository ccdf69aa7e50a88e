"""Judging, as workers do it."""

from pydantic import TypeAdapter

from lofty_press.core.judging.assess import assess
from lofty_press.core.judging.dialin import InRoom
from lofty_press.core.judging.explain import About
from lofty_press.core.judging.offers import offers
from lofty_press.core.mechanics.forming import FormingSummary
from lofty_press.core.sandwich.stack import Sandwich
from lofty_press.documents.answers.assessment import describe
from lofty_press.documents.answers.explanation import explained
from lofty_press.documents.answers.suggestion import OfferDocument, describe_offers
from lofty_press.service.work.tools import Tools

OFFERS = TypeAdapter(list[OfferDocument])


def judge(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, with_map: bool, certainty: InRoom | None) -> bytes:
    """The assessment as JSON."""
    found = assess(sandwich, tools.library, formed, certainty=certainty)
    return describe(found, with_map=with_map).model_dump_json().encode()


def mend(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, certainty: InRoom | None) -> bytes:
    """The fixes that help, as JSON."""
    found = offers(assess(sandwich, tools.library, formed, certainty=certainty), tools.supply)
    return OFFERS.dump_json(describe_offers(found, sandwich, tools.supply))


def why(tools: Tools, sandwich: Sandwich, formed: FormingSummary | None, about: About, certainty: InRoom | None) -> bytes:
    """The chain of a verdict or a figure, as JSON."""
    found = assess(sandwich, tools.library, formed, certainty=certainty)
    return explained(found, about, tools.supply).model_dump_json().encode()
